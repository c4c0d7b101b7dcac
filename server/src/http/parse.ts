import type * as z from 'zod';
import { Problem } from './problem.js';

/** @throws Problem that names the field and says what it should be */
export function parse<T>(schema: z.ZodType<T>, value: unknown): T {
  const result = schema.safeParse(value);
  if (result.success) return result.data;
  const issue = result.error.issues[0]!;
  const field = issue.path.join('.');
  throw new Problem('bad-request', field ? `${field}: ${issue.message}` : issue.message, field || undefined);
}
