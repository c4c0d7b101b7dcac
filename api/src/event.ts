import type { Alteration as CoreAlteration, MakerEvent } from '@lemniscus/core/making';
import * as z from 'zod';

const common = {
  id: z.uuid('An event is named by a UUID.'),
  piece: z.string().min(1, 'Say which piece.').max(200),
  /** ms since 1970, by the maker's clock. */
  at: z.int().min(0).max(8_640_000_000_000_000),
};
const Index = z.int().min(0).max(1_000_000);
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
  z.object({ ...common, kind: z.literal('stuffed'), grams: z.number().min(0).max(100_000) }),
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
