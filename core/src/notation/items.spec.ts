import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { measureRound, type Item, type Times, type Work } from './index.js';

const work = (per: number, together: number, count: number | 'around'): Item => ({
  kind: 'work',
  stitch: 'sc',
  per,
  together,
  school: 'open',
  count,
  loop: 'both',
  through: null,
});
const worked = fc
  .record({
    per: fc.integer({ min: 1, max: 3 }),
    together: fc.integer({ min: 1, max: 3 }),
    count: fc.integer({ min: 1, max: 5 }),
  })
  .map(({ per, together, count }) => work(per, together, count));
const quiet: fc.Arbitrary<Item> = fc.oneof(
  fc.integer({ min: 1, max: 3 }).map((count): Item => ({ kind: 'skip', count })),
  fc
    .tuple(fc.integer({ min: 1, max: 3 }), fc.boolean())
    .map(([count, counted]): Item => ({ kind: 'chain', count, counts: counted ? count : 0 })),
  fc.integer({ min: 1, max: 3 }).map((count): Item => ({
    kind: 'cluster',
    stitches: [
      { stitch: 'hdc', count },
      { stitch: 'ch', count: 2 },
    ],
    count,
    loop: 'both',
  })),
);
const group = (depth: number): fc.Arbitrary<Item> =>
  fc
    .record({
      items: fc.array(depth > 0 ? fc.oneof(worked, quiet, group(depth - 1)) : worked, { maxLength: 3 }),
      times: fc.integer({ min: 1, max: 4 }),
    })
    .map(({ items, times }) => ({ kind: 'group', items, times }));
const fixed = fc.array(fc.oneof(worked, quiet, group(2)), { maxLength: 4 });

/** The slow reference: works every stitch one by one, as hands do. */
function byHand(items: readonly Item[], around: number): { uses: number; makes: number } {
  let uses = 0;
  let makes = 0;
  const often = (times: Times): number => (typeof times === 'number' ? times : around);
  const go = (item: Item): void => {
    if (item.kind === 'work') {
      for (let i = 0; i < often(item.count); i++) {
        uses += item.together;
        makes += item.per;
      }
    } else if (item.kind === 'cluster') {
      uses += often(item.count);
      for (let i = 0; i < often(item.count); i++) for (const each of item.stitches) makes += each.count;
    } else if (item.kind === 'skip') uses += item.count;
    else if (item.kind === 'chain') makes += item.counts;
    else if (item.kind === 'group') {
      for (let i = 0; i < often(item.times); i++) item.items.forEach(go);
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

  it('works “to last n” over all but the last n', () => {
    fc.assert(
      fc.property(fc.nat(30), fc.integer({ min: 1, max: 9 }), fc.integer({ min: 10, max: 90 }), (before, toLast, available) => {
        const items: Item[] = [work(1, 1, before), { ...(work(2, 1, 1) as Work), count: { toLast } }, work(1, 1, toLast)];
        const { uses, around } = measureRound(items, available);
        expect(around).toBe(Math.max(0, available - before - toLast));
        expect(uses).toBe(before + around + toLast);
      }),
      { seed: 29 },
    );
  });
});
