import type { Item, Work } from '../notation/index.js';

/**
 * A round of an oval that grows at its ends only: "(1 sc, inc) × 2, 4 sc, (1 sc, inc) × 4, 4 sc, (1 sc, inc) × 2". It begins
 * in the middle of one end.
 *
 * @param straight stitches of either side that stay plain
 * @returns null where its ends do not divide so
 */
export function ovalRound(uses: number, makes: number, straight: number, stitch: Work): readonly Item[] | null {
  const half = (makes - uses) / 4;
  const end = uses / 2 - straight;
  const plain = end / (2 * half) - 1;
  if (!(half >= 1) || !Number.isInteger(half) || !Number.isInteger(plain) || plain < 0) return null;
  const side: readonly Item[] = straight > 0 ? [{ ...stitch, count: straight }] : [];
  const grow = (times: number): readonly Item[] => {
    const increase: Work = { ...stitch, per: 2 };
    if (plain === 0) return [{ ...increase, count: times }];
    const items = [{ ...stitch, count: plain }, increase];
    return times === 1 ? items : [{ kind: 'group', items, times }];
  };
  return [...grow(half), ...side, ...grow(2 * half), ...side, ...grow(half)];
}
