import { Kit } from '@lemniscus/api';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { merged, type Fields } from './merge-make';

const kit = fc
  .record({ hand: fc.constantFrom('tight', 'loose', null), copies: fc.integer({ min: 1, max: 3 }), underThree: fc.boolean() })
  .map((some) => Kit.parse(some));
const state = fc.record({
  text: fc.array(fc.constantFrom('a', 'b', 'c'), { minLength: 3, maxLength: 6 }).map((lines) => lines.join('\n')),
  yarnWeight: fc.constantFrom<4 | 5>(4, 5),
  hookMm: fc.constantFrom(3.5, 4),
  kit,
});
/** A change of some of the fields. */
const change = (fields: typeof state): fc.Arbitrary<Fields> =>
  fc
    .tuple(fields, fc.subarray(['text', 'yarnWeight', 'hookMm', 'kit']))
    .map(([all, some]) => Object.fromEntries(Object.entries(all).filter(([field]) => some.includes(field))));

describe('changes of one make in two windows', () => {
  it('take nothing from each other: alone a change is itself, the same change is none, other fields stay', () => {
    fc.assert(
      fc.property(state, change(state), change(state), (base, mine, theirs) => {
        const alone = merged(base, mine, base);
        expect({ ...base, ...alone }).toEqual({ ...base, ...mine });
        expect(merged(base, mine, { ...base, ...mine })).toEqual({});
        const both = merged(base, mine, { ...base, ...theirs });
        if (both) for (const field of Object.keys(both)) expect(Object.keys(mine)).toContain(field);
        const apart = Object.keys(mine).every((field) => !(field in theirs));
        if (apart) expect({ ...base, ...theirs, ...both }).toEqual({ ...base, ...theirs, ...mine });
      }),
    );
  });

  it('come to the same whichever is stored first, or are asked either way', () => {
    fc.assert(
      fc.property(state, change(state), change(state), (base, one, other) => {
        const [first, second] = [
          [one, other],
          [other, one],
        ].map(([mine, theirs]) => {
          const stored = { ...base, ...theirs };
          const fit = merged(base, mine!, stored);
          return fit && { ...stored, ...fit };
        });
        expect(first).toEqual(second);
      }),
    );
  });

  it('ask where nobody knows what was changed, unless all is the same', () => {
    const theirs: Fields = { text: 'a', hookMm: 4 };
    expect(merged({}, { text: 'b' }, theirs)).toBeNull();
    expect(merged({}, { text: 'a', hookMm: 4 }, theirs)).toEqual({});
  });
});
