import { spread, type SpreadRound } from './spread.js';

/**
 * The rest of a round after it was worked differently from the pattern ("I increased one stitch late"): what is left is
 * spread evenly so that the round still lands on its count.
 * @param uses stitches of the round below, `makes` the count to land on, `used` and `made` what has been worked so far
 * @returns null when the count can no longer be reached with one change a stitch, so that ripping back is the way
 */
export function respread(uses: number, makes: number, used: number, made: number): SpreadRound | null {
  const left = uses - used;
  const wanted = makes - made;
  if (left < 1 || wanted < 1 || wanted > 2 * left || 2 * wanted < left) return null;
  const even = spread(left, wanted);
  // A change just before and the round's start just after: half a gap at either end.
  return { ...even, lead: Math.ceil((even.gaps[0] ?? left) / 2) };
}
