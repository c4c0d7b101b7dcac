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
  const ways = waysOfRounds(fabric);
  for (let round = 0; round < fabric.roundCount; round++) {
    const from = fabric.roundStart[round]!;
    const to = fabric.roundStart[round + 1]!;
    const way = ways[round]!;
    const start = roundStartAngle(fabric, angles, from, to, way);
    const leaned = round === 0 || to === from ? 0 : lean.stitchesPerRound / (to - from);
    for (let row = from; row < to; row++) angles[row] = start - leaned + (way * (row - from + 0.5)) / (to - from);
  }
  return angles;
}

/** For each round 1, or −1 where it is worked back over the one before: every second row of flat work. */
export function waysOfRounds(fabric: Fabric): Int8Array {
  const ways = new Int8Array(fabric.roundCount);
  let way = 1;
  for (let round = 0; round < fabric.roundCount; round++) {
    if (round > 0 && fabric.roundWay[round] === TURNED) way = -way;
    ways[round] = way;
  }
  return ways;
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
  const ways = waysOfRounds(fabric);
  return Float64Array.from({ length: fabric.roundCount }, (_, round) => {
    const length = roundLength(fabric, round);
    return length === 0 ? Number.NaN : angles[fabric.roundStart[round]!]! - (ways[round]! * 0.5) / length;
  });
}

/**
 * How far the start of `round` has crept since the first round, in stitches of its own; against the work is positive. From
 * round to round it creeps less than half a turn, so whole turns add up.
 */
export function creepOf(fabric: Fabric, angles: Float64Array, round: number): number {
  const starts = startAngles(fabric, angles);
  let turns = 0;
  let before = starts[0]!;
  for (let next = 1; next <= round; next++) {
    const start = starts[next]!;
    if (Number.isNaN(start)) continue;
    turns += before - start - Math.round(before - start);
    before = start;
  }
  return turns * roundLength(fabric, round);
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
