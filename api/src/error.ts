import * as z from 'zod';

/** What every failed request answers: a sentence for a person, and the field it is about where there is one. */
export const ApiError = z.object({
  error: z.object({
    code: z.enum(['bad-request', 'not-found', 'conflict', 'too-large', 'forbidden', 'not-paired', 'too-many-tries', 'internal']),
    message: z.string(),
    field: z.string().optional(),
  }),
});
export type ApiError = z.infer<typeof ApiError>;
export type ApiErrorCode = ApiError['error']['code'];
