import type { Alteration as CoreAlteration, MakerEvent } from '@lemniscus/core/making';
import * as z from 'zod';
import { Day } from './day.js';

/** The last time a clock can show, ms since 1970. */
const MOST_MS = 8_640_000_000_000_000;

const common = {
  id: z.uuid('An event is named by a UUID.'),
  piece: z.string().min(1, 'Say which piece.').max(200),
  /** ms since 1970, by the maker's clock. */
  at: z.int().min(0).max(MOST_MS),
  /** Minutes ahead of UTC: from 12 hours behind to 14 ahead. */
  zone: z.int().min(-720).max(840).optional(),
};
const Index = z.int().min(0).max(1_000_000);
const Time = z.int().min(0).max(MOST_MS);
const DAY_MS = 86_400_000;
const Grams = z.number().min(0).max(100_000);
const Millimetres = z.number().positive().max(5_000, 'At most 5 m.').nullable();
const Words = z.string().max(2_000, 'At most 2000 characters.');

const Alteration = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('length'), line: Index, rounds: z.int().min(1).max(2_000) }),
  z.object({ kind: z.literal('instead'), line: Index, nth: Index, text: Words }),
]) satisfies z.ZodType<CoreAlteration>;

/** The `followed` event that keeps the lines which line numbers are of. */
const follows = { follows: z.uuid().optional() };
/** Open runs with the rounds they had. */
export const Runs = z
  .array(z.object({ line: Index, rounds: Index }))
  .max(1_000)
  .readonly();
/** A pattern's lines as an event keeps them: as much as a pattern can be, written out. */
const Lines = z.array(z.string().max(4_000_000)).max(100_000).readonly();

export const Event = z.discriminatedUnion('kind', [
  z.object({
    ...common,
    kind: z.literal('reached'),
    round: Index,
    action: Index,
    line: Index.optional(),
    nth: Index.optional(),
    runs: Runs.optional(),
    why: z.enum(['count', 'slip', 'otherwise']).optional(),
    ...follows,
  }),
  z.object({ ...common, kind: z.literal('undone'), event: z.uuid() }),
  z.object({
    ...common,
    kind: z.literal('followed'),
    lines: Lines,
    seen: Lines.nullable(),
    parts: Lines,
    rounds: z.array(Index).max(100_000).readonly().optional(),
  }),
  z.object({ ...common, kind: z.literal('became'), as: common.piece }),
  z.object({ ...common, kind: z.literal('altered'), changes: z.array(Alteration).min(1).max(100).readonly(), ...follows }),
  z.object({ ...common, kind: z.literal('remarked'), line: Index, nth: Index, text: Words, ...follows }),
  z.object({ ...common, kind: z.literal('settled'), gate: Words, how: z.enum(['done', 'not', 'later']) }),
  z.object({
    ...common,
    kind: z.literal('placed'),
    feature: z.string().min(1).max(200),
    copy: z.int().min(1).max(1_000),
    round: Index,
    after: Index,
    inside: z.boolean(),
  }),
  z.object({ ...common, kind: z.literal('stuffed'), grams: Grams }),
  z
    .object({ ...common, kind: z.literal('sat'), from: Time, to: Time, counts: z.boolean() })
    .refine(({ from, to }) => to > from && to - from <= DAY_MS, 'A sitting ends after it begins, and within a day.'),
  z.object({
    ...common,
    kind: z.literal('finished'),
    day: Day.nullable(),
    heightMm: Millimetres,
    widthMm: Millimetres,
    yarnGrams: Grams.nullable(),
    stuffingGrams: Grams.nullable(),
    forWhom: z.string().max(200, 'At most 200 characters.'),
    notes: Words,
  }),
  z.object({ ...common, kind: z.literal('put away'), away: z.boolean() }),
]) satisfies z.ZodType<MakerEvent>;

/** Most events sent at once. */
export const EVENT_BATCH = 1_000;

/** Each is looked at on its own (`Event`), so that a bad one takes no other along. */
export const EventBatch = z.object({
  events: z.array(z.unknown()).max(EVENT_BATCH, `Send at most ${EVENT_BATCH} events at once.`),
});

/** Events in the order they arrived. `last` is the cursor to ask on from. */
export const EventPage = z.object({ events: z.array(Event), last: z.int().min(0) });
export type EventPage = z.infer<typeof EventPage>;

/** Events as open windows are told of them: all of the make's that came after one cursor, up to `last`. */
export const NewEvents = EventPage.extend({ after: z.int().min(0) });
export type NewEvents = z.infer<typeof NewEvents>;
