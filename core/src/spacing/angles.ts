import { roundLength, type Fabric } from '../fabric/index.js';
import { UPRIGHT, type Lean } from './lean.js';

/**
 * Where every stitch sits around the part's axis, in turns, growing in the direction of work.
 *
 * The stitches of a round share the round evenly; each round is turned so that its stitches sit, on average, straight
 * above what they hang on, less the maker's lean. The first round begins at 0. Values are not wrapped: a stitch worked
 * after a full turn of the spiral is still within [start, start + 1) of its own round. Turned rows run against the row
 * below, and so do their angles.
 *
 * @returns one entry a stitch. A round without parents (a start, or one over an empty round) begins at 0.
 */
export function stitchAngles(fabric: Fabric, lean: Lean = UPRIGHT): Float64Array {
  const angles = new Float64Array(fabric.stitchCount);
  for (let round = 0; round < fabric.roundCount; round++) {
    const from = fabric.roundStart[round]!;
    const to = fabric.roundStart[round + 1]!;
    const way = turnedBack(fabric, round) ? -1 : 1;
    const start = roundStartAngle(fabric, angles, from, to, way);
    const leaned = round === 0 || to === from ? 0 : lean.stitchesPerRound / (to - from);
    for (let row = from; row < to; row++) angles[row] = start - leaned + (way * (row - from + 0.5)) / (to - from);
  }
  return angles;
}

/** Every second row of flat work is worked back over the one before. */
function turnedBack(fabric: Fabric, round: number): boolean {
  let turns = 0;
  for (let i = 1; i <= round; i++) turns += fabric.roundWay[i] === TURNED ? 1 : 0;
  return turns % 2 === 1;
}
const TURNED = 2;

/** The circular mean of how far each stitch of an evenly spread round would sit from its parents. */
function roundStartAngle(fabric: Fabric, angles: Float64Array, from: number, to: number, way: number): number {
  let x = 0;
  let y = 0;
  for (let row = from; row < to; row++) {
    const parents = fabric.parentCount[row]!;
    if (parents === 0) continue;
    const first = fabric.firstParent[row]!;
    const below = (angles[first]! + angles[first + parents - 1]!) / 2;
    const turn = 2 * Math.PI * (below - (way * (row - from + 0.5)) / (to - from));
    x += Math.cos(turn);
    y += Math.sin(turn);
  }
  return x === 0 && y === 0 ? 0 : Math.atan2(y, x) / (2 * Math.PI);
}

/** Where each round begins: the angle just before its first stitch, turns. NaN for a round without stitches. */
export function startAngles(fabric: Fabric, angles: Float64Array): Float64Array {
  return Float64Array.from({ length: fabric.roundCount }, (_, round) => {
    const length = roundLength(fabric, round);
    const way = turnedBack(fabric, round) ? -1 : 1;
    return length === 0 ? Number.NaN : angles[fabric.roundStart[round]!]! - (way * 0.5) / length;
  });
}

/** How far the start of `round` has crept since the first round, in stitches of its own; against the work is positive. */
export function creepOf(fabric: Fabric, angles: Float64Array, round: number): number {
  const starts = startAngles(fabric, angles);
  const turns = starts[0]! - starts[round]!;
  return (turns - Math.round(turns)) * roundLength(fabric, round);
}

/**
 * How many stitches to work on past the end of `round` until the next begins at `target` (turns), to the nearest stitch:
 * from 0 to one less than the round has.
 */
export function extraStitches(fabric: Fabric, angles: Float64Array, round: number, target: number): number {
  const length = roundLength(fabric, round);
  const ahead = target - startAngles(fabric, angles)[round]!;
  return Math.round((ahead - Math.floor(ahead)) * length) % length;
}
