import { WAYS, type Fabric } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import type { Profile } from './profile.js';

/** How a part lies when it is not stuffed: not at all, as one layer of rows, or as a band that goes around and is pressed flat. */
export type Lie = 'stuffed' | 'rows' | 'band';

/** Rows are turned; an edge picked up, or worked through two layers, is a band along it. */
export function lieOf(fabric: Fabric): Lie {
  const turned = fabric.roundWay.reduce((sum, way) => sum + (WAYS[way] === 'turned' ? 1 : 0), 0);
  if (turned * 2 > fabric.roundCount) return 'rows';
  const from = fabric.foundation?.from;
  return from === 'edge' || from === 'layers' ? 'band' : 'stuffed';
}

/**
 * The outline of flat work lying on the table: one stitch height a row, as wide as its stitches, or as half of them where
 * it goes around. `r` is half the width.
 * @param counts stitches of each row
 * @param heights mean height of each row in single crochets; all 1 when left out
 */
export function flatProfile(
  counts: readonly number[],
  { width, height }: StitchSize,
  lie: Exclude<Lie, 'stuffed'>,
  heights: readonly number[] = [],
): Profile {
  const share = lie === 'rows' ? 1 : 0.5;
  let top = 0;
  return {
    r: Float64Array.from(counts, (count) => (share * count * width) / 2),
    z: Float64Array.from(counts, (_, row) => (top += height * (heights[row] ?? 1))),
    pole: 0,
    tip: null,
    flat: true,
  };
}
