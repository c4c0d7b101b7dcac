import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Event, EventBatch, EVENT_BATCH } from './index.js';

const index = fc.nat(1_000_000);
const words = fc.string({ maxLength: 2_000 });
const common = { id: fc.uuid(), piece: fc.string({ minLength: 1, maxLength: 200 }), at: fc.nat(8_640_000_000_000_000) };
const alteration = fc.oneof(
  fc.record({ kind: fc.constant('length'), line: index, rounds: fc.integer({ min: 1, max: 2_000 }) }),
  fc.record({ kind: fc.constant('instead'), line: index, nth: index, text: words }),
);
const grams = fc.double({ min: 0, max: 100_000, noNaN: true });
const mm = fc.double({ min: 0.1, max: 5_000, noNaN: true });
const day = fc
  .date({ min: new Date('2000-01-01'), max: new Date('2100-01-01'), noInvalidDate: true })
  .map((at) => at.toISOString().slice(0, 10));
const lines = fc.array(fc.string(), { maxLength: 3 });
const kinds = {
  reached: fc.record({ ...common, kind: fc.constant('reached'), round: index, action: index }),
  followed: fc.record({ ...common, kind: fc.constant('followed'), lines, seen: fc.option(lines), parts: lines }),
  became: fc.record({ ...common, kind: fc.constant('became'), as: common.piece }),
  undone: fc.record({ ...common, kind: fc.constant('undone'), event: fc.uuid() }),
  altered: fc.record({ ...common, kind: fc.constant('altered'), changes: fc.array(alteration, { minLength: 1, maxLength: 4 }) }),
  remarked: fc.record({ ...common, kind: fc.constant('remarked'), line: index, nth: index, text: words }),
  settled: fc.record({ ...common, kind: fc.constant('settled'), gate: words, how: fc.constantFrom('done', 'not', 'later') }),
  placed: fc.record({
    ...common,
    kind: fc.constant('placed'),
    feature: fc.string({ minLength: 1, maxLength: 200 }),
    copy: fc.integer({ min: 1, max: 1_000 }),
    round: index,
    after: index,
    inside: fc.boolean(),
  }),
  stuffed: fc.record({ ...common, kind: fc.constant('stuffed'), grams }),
  sat: fc
    .tuple(
      fc.record({ ...common, kind: fc.constant('sat'), counts: fc.boolean() }),
      fc.nat(1e13),
      fc.integer({ min: 1, max: 86_400_000 }),
    )
    .map(([event, from, length]) => ({ ...event, from, to: from + length })),
  finished: fc.record({
    ...{ ...common, kind: fc.constant('finished'), day: fc.option(day), heightMm: fc.option(mm), widthMm: fc.option(mm) },
    ...{ yarnGrams: fc.option(grams), stuffingGrams: fc.option(grams), forWhom: common.piece, notes: words },
  }),
  'put away': fc.record({ ...common, kind: fc.constant('put away'), away: fc.boolean() }),
};
const anEvent = fc.oneof(...Object.values(kinds));
/** What is said in terms of lines that were kept. */
const inLines = { follows: fc.uuid(), line: index, nth: index };
const aPlace = fc.record(
  {
    ...common,
    kind: fc.constant('reached'),
    round: index,
    action: index,
    ...inLines,
    zone: fc.integer({ min: -720, max: 840 }),
    why: fc.constantFrom('count', 'slip', 'otherwise'),
    runs: fc.array(fc.record({ line: index, rounds: index })),
  },
  { requiredKeys: ['id', 'piece', 'at', 'kind', 'round', 'action'] },
);

const MEASURED = ['heightMm', 'widthMm', 'yarnGrams', 'stuffingGrams'];

describe('an event on its way', () => {
  it('is the same after the way through JSON, of every kind', () => {
    expect(Event.options.map((option) => option.shape.kind.value).sort()).toEqual(Object.keys(kinds).sort());
    // JSON has no minus nought.
    const sent = (event: object): unknown => JSON.parse(JSON.stringify(event));
    fc.assert(
      fc.property(fc.oneof(anEvent, aPlace), (event) => {
        expect(Event.parse(sent(event))).toEqual(sent(event));
      }),
    );
  });

  it('is refused when any of its fields is missing, or is of another kind', () => {
    fc.assert(
      fc.property(anEvent, fc.nat(), fc.constantFrom(undefined, null, {}, -1, 1.5, ''), (event, pick, instead) => {
        const fields = Object.keys(event);
        const field = fields[pick % fields.length]!;
        // Empty words are words, half a gram or millimetre is a measure, and what was not told is null.
        fc.pre(!(instead === '' && ['text', 'gate', 'forWhom', 'notes'].includes(field)));
        fc.pre(!(instead === 1.5 && ['grams', ...MEASURED].includes(field)));
        // Most often the pattern says what the piece is worked by.
        fc.pre(!(instead === null && ['seen', 'day', ...MEASURED].includes(field)));
        expect(Event.safeParse({ ...event, [field]: instead }).success).toBe(false);
      }),
      { numRuns: 1_000 },
    );
  });

  it('travels with so many others and no more', () => {
    const [event] = fc.sample(kinds.reached, 1);
    expect(EventBatch.safeParse({ events: Array(EVENT_BATCH).fill(event) }).success).toBe(true);
    const tooMany = EventBatch.safeParse({ events: Array(EVENT_BATCH + 1).fill(event) });
    expect(tooMany.error?.issues[0]?.message).toBe(`Send at most ${EVENT_BATCH} events at once.`);
  });
});
