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
  stuffed: fc.record({ ...common, kind: fc.constant('stuffed'), grams: fc.double({ min: 0, max: 100_000, noNaN: true }) }),
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
    runs: fc.array(fc.record({ line: index, rounds: index })),
  },
  { requiredKeys: ['id', 'piece', 'at', 'kind', 'round', 'action'] },
);

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
        // Empty words are words, and half a gram of stuffing is a weight.
        fc.pre(!(instead === '' && (field === 'text' || field === 'gate')) && !(instead === 1.5 && field === 'grams'));
        // Most often the pattern says what the piece is worked by.
        fc.pre(!(instead === null && field === 'seen'));
        expect(Event.safeParse({ ...event, [field]: instead }).success).toBe(false);
      }),
    );
  });

  it('travels with so many others and no more', () => {
    const [event] = fc.sample(kinds.reached, 1);
    expect(EventBatch.safeParse({ events: Array(EVENT_BATCH).fill(event) }).success).toBe(true);
    const tooMany = EventBatch.safeParse({ events: Array(EVENT_BATCH + 1).fill(event) });
    expect(tooMany.error?.issues[0]?.message).toBe(`Send at most ${EVENT_BATCH} events at once.`);
  });
});
