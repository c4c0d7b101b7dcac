import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { read, STITCH_NAMES, type Item, type Times } from '../notation/index.js';
import { checkPattern, fabricOf, LOOPS } from './index.js';

/** A stitch as the slow reference makes it: what it is, in which loop, and what it hangs on, counted within its round. */
interface Made {
  readonly stitch: string;
  readonly loop: string;
  readonly parents: readonly number[];
}

/** Works a round stitch by stitch over `below` stitches, as hands do; a turned one from their end. */
function workByHand(items: readonly Item[], below: number, around: number, turned: boolean): Made[] {
  const made: Made[] = [];
  let used = 0;
  let left = around;
  const often = (times: Times): number => {
    if (typeof times === 'number') return times;
    const taken = left;
    left = 0;
    return taken;
  };
  const take = (count: number): number[] => {
    const parents = Array.from({ length: count }, (_, i) => (turned ? below - 1 - used - i : used + i));
    used += count;
    return parents.sort((a, b) => a - b);
  };
  const go = (item: Item): void => {
    if (item.kind === 'group') for (let i = often(item.times); i > 0; i--) item.items.forEach(go);
    else if (item.kind === 'skip') used += item.count;
    else if (item.kind === 'chain' && item.counts > 0) {
      for (let i = 0; i < item.count; i++) made.push({ stitch: 'ch', loop: 'both', parents: [] });
    } else if (item.kind === 'work') {
      for (let i = often(item.count); i > 0; i--) {
        const parents = take(item.together);
        for (let each = 0; each < item.per; each++) made.push({ stitch: item.stitch, loop: item.loop, parents });
      }
    } else if (item.kind === 'cluster') {
      for (let i = often(item.count); i > 0; i--) {
        const parents = take(1);
        for (const { stitch, count } of item.stitches)
          for (let each = 0; each < count; each++) made.push({ stitch, loop: item.loop, parents });
      }
    }
  };
  items.forEach(go);
  return made;
}

const piece = fc.constantFrom(
  '3 sc',
  'inc',
  'dec',
  'hdc',
  '2 dc BLO',
  'sk 1',
  'sk 2, ch 2',
  '(hdc, ch 1, dc) in next st',
  '(2 sc, inc) × 2',
  '(sc, (dec, inc) × 2) × 2',
  'sc3tog',
  'puff, sl st',
);
const round = fc.record({
  pieces: fc.array(piece, { minLength: 1, maxLength: 5 }),
  rest: fc.constantFrom('sc around', '(1 sc, inc) around', 'sc to last 1 st, sc', 'inc around FLO'),
});

describe('the fabric beside the slow reference', () => {
  it.each([
    ['around', false],
    ['in turned rows', true],
  ])('hangs every stitch where hands would, %s', (_name, turned) => {
    fc.assert(
      fc.property(fc.array(round, { minLength: 1, maxLength: 5 }), (rounds) => {
        const start = turned ? 'Row 1: ch 41, 40 sc' : 'R1: 40 sc in ring';
        const lines = rounds.map(
          ({ pieces, rest }, i) =>
            `${turned ? 'Row' : 'R'} ${i + 2}: ${turned ? 'ch 1, turn, ' : ''}${[...pieces, rest].join(', ')}`,
        );
        const text = [start, ...lines].join('\n');
        const counted = checkPattern(read(text)).parts[0]!;
        const fabric = fabricOf(counted);
        for (let index = 1; index < fabric.roundCount; index++) {
          const { available, around, uses, line } = counted.rounds[index]!;
          // The reference knows no round that asks for more than there is.
          if (uses > available || fabric.roundStart[index]! - fabric.roundStart[index - 1]! !== available) return;
          const below = fabric.roundStart[index - 1]!;
          const rows = Array.from(
            { length: fabric.roundStart[index + 1]! - fabric.roundStart[index]! },
            (_, i) => fabric.roundStart[index]! + i,
          );
          const built = rows.map((row): Made => ({
            stitch: STITCH_NAMES[fabric.stitch[row]!]!,
            loop: LOOPS[fabric.loop[row]!]!,
            parents: Array.from({ length: fabric.parentCount[row]! }, (_, i) => fabric.firstParent[row]! + i - below),
          }));
          expect(built, `${text}\nround ${index + 1}`).toEqual(
            workByHand(counted.part.lines[line]!.items, available, around, turned),
          );
        }
      }),
      { seed: 53, numRuns: 150 },
    );
  });
});
