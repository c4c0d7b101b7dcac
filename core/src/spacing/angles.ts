import type { Fabric } from '../fabric/index.js';

/**
 * Where every stitch sits around the part's axis, in turns, growing in the direction of work.
 *
 * The stitches of a round share the round evenly; each round is turned so that its stitches sit, on average, straight
 * above what they hang on. The first round begins at 0. Values are not wrapped: a stitch worked after a full turn of
 * the spiral is still within [start, start + 1) of its own round.
 *
 * @returns one entry a stitch. A round without parents (a start, or one over an empty round) begins at 0.
 */
export function stitchAngles(fabric: Fabric): Float64Array {
  const angles = new Float64Array(fabric.stitchCount);
  for (let round = 0; round < fabric.roundCount; round++) {
    const from = fabric.roundStart[round]!;
    const to = fabric.roundStart[round + 1]!;
    const start = roundStartAngle(fabric, angles, from, to);
    for (let row = from; row < to; row++) angles[row] = start + (row - from + 0.5) / (to - from);
  }
  return angles;
}

/** The circular mean of how far each stitch of an evenly spread round would sit from its parents. */
function roundStartAngle(fabric: Fabric, angles: Float64Array, from: number, to: number): number {
  let x = 0;
  let y = 0;
  for (let row = from; row < to; row++) {
    const parents = fabric.parentCount[row]!;
    if (parents === 0) continue;
    const first = fabric.firstParent[row]!;
    const below = (angles[first]! + angles[first + parents - 1]!) / 2;
    const turn = 2 * Math.PI * (below - (row - from + 0.5) / (to - from));
    x += Math.cos(turn);
    y += Math.sin(turn);
  }
  return x === 0 && y === 0 ? 0 : Math.atan2(y, x) / (2 * Math.PI);
}
