import * as z from 'zod';
import { Day } from './day.js';
import { MakeId } from './make.js';
import { Time } from './yarn.js';

const Minutes = z.int().min(0).max(960, 'At most 16 hours a day.');
const Count = z.int().min(0).max(10_000, 'At most 10,000.');
const Money = z.number().min(0).max(1_000_000);
const id = z.uuid('What is planned is named by a UUID.');

/** So many of a make, for somebody or a stall, by a day. */
export const PlannedWish = z.object({
  id,
  kind: z.literal('wish'),
  make: MakeId,
  copies: z.int().min(1, 'At least one.').max(10_000, 'At most 10,000 copies.'),
  colours: z.string().max(200),
  forWhom: z.string().max(200),
  stall: z.uuid().nullable(),
  by: Day.nullable(),
  /** Lower is made earlier. */
  rank: z.number(),
  /** Units of each job of the batch that are done, beside what the make's own log tells of its first copy. */
  done: z.record(z.string(), z.int().min(0).max(1_000_000)),
  /** Jobs in the maker's own order; null for the one that saves the hands. */
  order: z.array(z.string().max(300)).max(1_000).nullable(),
  given: Count,
  sold: Count,
});
export type PlannedWish = z.infer<typeof PlannedWish>;

/** A market or fair with a day of its own. */
export const PlannedStall = z.object({
  id,
  kind: z.literal('stall'),
  name: z.string().min(1, 'Name the stall.').max(200),
  day: Day,
});
export type PlannedStall = z.infer<typeof PlannedStall>;

/** A day that has other hours than its weekday. */
export const PlannedDay = z.object({ id, kind: z.literal('day'), day: Day, minutes: Minutes });
export type PlannedDay = z.infer<typeof PlannedDay>;

/** Minutes of each weekday, Monday first, and what is reckoned with. */
export const PlanTerms = z.object({
  id,
  kind: z.literal('terms'),
  week: z.array(Minutes).length(7),
  wage: Money,
  more: z.number().min(0).max(1_000),
  currency: z.string().max(8),
  eyePrice: Money.nullable(),
  stuffingPricePerKilo: Money.nullable(),
});
export type PlanTerms = z.infer<typeof PlanTerms>;

/** The plan as a calendar program reads it, under an address that only who was told it knows. */
export const PlanFeed = z.object({
  id,
  kind: z.literal('feed'),
  key: z.string().regex(/^[0-9a-f]{32}$/, 'A feed is named by 32 hexadecimal digits.'),
  /** The file as the plan was worked out last. */
  file: z.string().max(1_000_000),
});
export type PlanFeed = z.infer<typeof PlanFeed>;

export const PlanEntry = z.discriminatedUnion('kind', [PlannedWish, PlannedStall, PlannedDay, PlanTerms, PlanFeed]);
export type PlanEntry = z.infer<typeof PlanEntry>;

export const KeptPlanEntry = z.object({ entry: PlanEntry, changedAt: Time, removed: z.boolean() });
export type KeptPlanEntry = z.infer<typeof KeptPlanEntry>;

/** Each is looked at on its own (`KeptPlanEntry`). */
export const PlanBatch = z.object({ entries: z.array(z.unknown()).max(1_000, 'Send at most 1000 entries at once.') });
