import type { Vector } from '../vector/index.js';
import { lyingLoop, standingLoop, throughV, type Under } from './loops.js';

/** Height of a single crochet, in its widths (common practice: nearly as high as wide). */
export const ROW = 0.95;
/** The top of a stitch lies so far along from its foot, so that each V leans towards where the work goes. */
export const LEAN = 0.3;

/** The middle of the V that stitch `i` has on row `row`; row 0 is the one that is worked into. */
export const vAt = (i: number, row = 0): Vector => [i + row * (LEAN - 0.5), row * ROW, 0];

/** Where stitch `i` of the row over `row` is closed. */
export function topOver(i: number, row = 0, height = 1): Vector {
  const [x, y, z] = vAt(i, row);
  return [x + LEAN, y + ROW * height, z];
}

/**
 * A row of single crochets that is worked already, as one strand: each closes the loop before it and stands in the row below.
 *
 * @param row the row they stand in, −1 for the one whose V's row 0 is
 * @param from the first stitch, @param to the one after the last
 */
export function workedRow(row: number, from: number, to: number, under: Under = 'both'): readonly Vector[] {
  const knots: Vector[] = [];
  for (let i = from; i < to; i++) {
    knots.push(...lyingLoop(topOver(i - 1, row), topOver(i, row)));
    knots.push(...standingLoop(throughV(vAt(i, row), under), topOver(i, row)));
  }
  return knots;
}
