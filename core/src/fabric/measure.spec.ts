import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Item } from '../notation/index.js';
import { measureRound } from './index.js';

const span = { from: 0, to: 0 };
const work = (per: number, together: number, count: number | 'around'): Item => ({
  kind: 'work',
  stitch: 'sc',
  per,
  together,
  school: 'open',
  count,
  loop: 'both',
  span,
});
const worked = fc
  .record({
    per: fc.integer({ min: 1, max: 3 }),
    together: fc.integer({ min: 1, max: 3 }),
    count: fc.integer({ min: 1, max: 5 }),
  })
  .map(({ per, together, count }) => work(per, together, count));
const group = (depth: number): fc.Arbitrary<Item> =>
  fc
    .record({
      items: fc.array(depth > 0 ? fc.oneof(worked, group(depth - 1)) : worked, { maxLength: 3 }),
      times: fc.integer({ min: 1, max: 4 }),
    })
    .map(({ items, times }) => ({ kind: 'group', items, times, span }));
const fixed = fc.array(fc.oneof(worked, group(2)), { maxLength: 4 });

/** The slow reference: works every stitch one by one, as hands do. */
function byHand(items: readonly Item[], around: number): { uses: number; makes: number } {
  let uses = 0;
  let makes = 0;
  const go = (item: Item): void => {
    if (item.kind === 'work') {
      for (let i = 0; i < (item.count === 'around' ? around : item.count); i++) {
        uses += item.together;
        makes += item.per;
      }
    } else if (item.kind === 'group') {
      for (let i = 0; i < (item.times === 'around' ? around : item.times); i++) item.items.forEach(go);
    }
  };
  items.forEach(go);
  return { uses, makes };
}

describe('what a round uses and makes', () => {
  it('is what working it stitch by stitch comes to', () => {
    fc.assert(
      fc.property(fixed, fc.nat(200), (items, available) => {
        expect(measureRound(items, available)).toEqual({ ...byHand(items, 0), around: 0 });
      }),
      { seed: 17 },
    );
  });

  it('lets “around” take what the rest leaves, in whole repeats and never more', () => {
    fc.assert(
      fc.property(fixed, group(1), fixed, fc.nat(200), (before, repeat, after, available) => {
        const open: Item = { ...(repeat as Extract<Item, { kind: 'group' }>), times: 'around' };
        const items = [...before, open, ...after];
        const { uses, makes, around } = measureRound(items, available);
        expect({ uses, makes }).toEqual(byHand(items, around));
        const rest = byHand([...before, ...after], 0).uses;
        const once = byHand(
          [repeat].map((one) => ({ ...one, times: 1 }) as Item),
          0,
        ).uses;
        if (once === 0 || rest > available) expect(around).toBe(0);
        else {
          expect(uses).toBeLessThanOrEqual(available);
          expect(available - uses).toBeLessThan(once);
        }
      }),
      { seed: 19 },
    );
  });
});
