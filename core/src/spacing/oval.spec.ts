import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { printItems, read, walk, type Item, type Work } from '../notation/index.js';
import { ovalRound } from './oval.js';

const SC: Work = { kind: 'work', stitch: 'sc', per: 1, together: 1, school: 'open', count: 1, loop: 'both', through: null };

/** A letter for each stitch of the round below: whether it takes an increase. */
function worked(items: readonly Item[]): string {
  let row = '';
  walk(items, (item) => {
    if (item.kind === 'work') row += (item.per > 1 ? 'i' : '.').repeat(item.count as number);
  });
  return row;
}

const ovals = fc
  .record({
    straight: fc.integer({ min: 1, max: 12 }),
    end: fc.integer({ min: 1, max: 14 }),
    changes: fc.integer({ min: 1, max: 8 }),
  })
  .filter(({ end, changes }) => changes <= end);

describe('a round of an oval', () => {
  it('works every stitch below and makes what it says', () => {
    fc.assert(
      fc.property(ovals, ({ straight, end, changes }) => {
        const uses = 2 * (straight + end);
        const items = ovalRound(uses, uses + 2 * changes, straight, SC)!;
        const text = `## Base\nR1: ${uses} sc in ring (${uses})\nR2: ${printItems(items, { terms: 'US', form: 'short' })} (${uses + 2 * changes})`;
        const { parts, diagnostics } = checkPattern(read(text));
        expect(diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(parts[0]!.rounds[1]).toMatchObject({ uses, makes: uses + 2 * changes });
      }),
      { numRuns: 150 },
    );
  });

  it('grows in its two ends alike and in neither side, as evenly as they divide', () => {
    fc.assert(
      fc.property(ovals, ({ straight, end, changes }) => {
        const uses = 2 * (straight + end);
        const items = ovalRound(uses, uses + 2 * changes, straight, SC)!;
        let row = '';
        const put = (some: readonly Item[]): void => {
          for (const item of some)
            if (item.kind === 'group') for (let i = 0; i < (item.times as number); i++) put(item.items);
            else row += worked([item]);
        };
        put(items);
        expect(row).toHaveLength(uses);
        // It begins within one end: the sides are what lies half a round apart and is plain.
        const half = row.slice(0, uses / 2);
        const other = row.slice(uses / 2);
        const turned = (text: string, by: number): string => text.slice(by) + text.slice(0, by);
        expect(Array.from({ length: uses }, (_, by) => turned(half + other, by))).toContain(other + half);
        const twice = half + other + half + other;
        expect(twice).toContain('.'.repeat(straight));
        expect((half + other).split('i')).toHaveLength(2 * changes + 1);
        const gaps = twice
          .split('i')
          .slice(1, -1)
          .map(({ length }) => length);
        const short = gaps.filter((gap) => gap < straight);
        if (short.length > 0 && end / changes < straight) expect(Math.max(...short) - Math.min(...short)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 150 },
    );
  });

  it('is none where its ends cannot take so many, or not alike', () => {
    for (const [uses, makes, straight] of [
      [16, 33, 4],
      [16, 26, 4],
      [15, 21, 4],
      [16, 16, 4],
      [16, 14, 4],
    ] as const)
      expect(ovalRound(uses, makes, straight, SC), `${uses} to ${makes}`).toBeNull();
  });
});
