import type { Kit as CoreKit } from '@lemniscus/core/supply';
import * as z from 'zod';

const Key = z.string().max(200);
const MOST = 500;

/** What a maker chose for a make beside its yarn weight and hook. */
export const Kit = z.object({
  hand: z.enum(['tight', 'middle', 'loose'], 'A hand is tight, middle or loose.').nullable().default(null),
  copies: z.int('How many copies is a whole number.').min(1, 'Make at least one.').max(100, 'At most 100 copies.').default(1),
  underThree: z.boolean().default(false),
  yarns: z
    .array(z.object({ part: Key.nullable(), colour: Key, yarn: z.uuid() }))
    .max(MOST)
    .readonly()
    .default([]),
  order: z.array(Key).max(MOST).readonly().default([]),
  got: z.array(Key).max(MOST).readonly().default([]),
}) satisfies z.ZodType<CoreKit>;
export type Kit = z.infer<typeof Kit>;
