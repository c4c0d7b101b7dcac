import { add, type Vector } from '../vector/index.js';
import { type Camera } from '../strand/index.js';
import type { Drawing, DrawnStrand, Frame, Mark } from './drawing.js';
import { topOver, workedRow } from './fabric-edge.js';
import { lyingLoop, YARN } from './loops.js';
import { STRAIGHT, strandsAt, workFrom, type Move, type Worked } from './work.js';

/** The edge as it is seen while one works: from outside, a little from above. */
export const FROM_OUTSIDE: Camera = { tilt: 0.42, way: -1 };
export const FROM_ABOVE: Camera = { tilt: 1.1, way: -1 };
export const FLAT: Camera = { tilt: 0, way: -1 };

/** What is seen of an edge round stitch 3: left, top, width, height, in stitch widths. */
export const EDGE_VIEW: Drawing['view'] = [-6.4, -2.75, 6.4, 4];

/** Where the ball is: up and behind, where the other hand holds the yarn. */
export const BALL: Vector = [8, 3, -0.7];

export function yarn(id: string, knots: readonly Vector[], tone: DrawnStrand['tone'] = 'worked'): DrawnStrand {
  return { id, knots, radius: YARN, tone };
}

/** Rows below the edge, the uppermost with its V's on row 0. */
export const rowsBelow = (count = 2, from = -1, to = 8): readonly DrawnStrand[] =>
  Array.from({ length: count }, (_, i) => yarn(`row ${i}`, workedRow(i - count, from, to)));

/** The row that is being worked, up to before stitch `at`. */
export const rowSoFar = (at: number, from = -1): DrawnStrand => yarn('row so far', workedRow(0, from, at));

/** One movement to be shown, and the step of the card it belongs to. */
export type Pick = readonly [moment: number, step: number, marks?: readonly Mark[]];

/** Pictures of a stitch as it is worked, over what lies still. */
export function pictures(
  worked: Worked,
  picks: readonly Pick[],
  still: readonly DrawnStrand[],
  ball = BALL,
  ground = STRAIGHT,
): readonly Frame[] {
  const count = Math.max(...worked.moments.map(({ loops }) => loops.length));
  return picks.map(([moment, step, marks]) => ({
    step,
    strands: [...still, ...strandsAt(worked.moments.at(moment)!, count, ball, ground)],
    ...(marks && { marks }),
  }));
}

/** A stitch worked over stitch 3 of an edge, seen from outside. */
export function overEdge(moves: readonly Move[], picks: readonly Pick[], more: readonly DrawnStrand[] = []): Drawing {
  const worked = workFrom(topOver(2), moves);
  return {
    camera: FROM_OUTSIDE,
    view: EDGE_VIEW,
    frames: pictures(worked, picks, [...rowsBelow(), rowSoFar(3), ...more]),
  };
}

/** The strand of a V that is nearer to the maker, or the one behind it, lifted a little so that it shows. */
export function strandOfV(base: Vector, head: Vector, which: 'front' | 'back'): readonly Vector[] {
  const loop = lyingLoop(base, head).map((knot) => add(knot, [0, 0.03, 0.03]));
  return which === 'front' ? loop.slice(2, 6) : loop.slice(5, 9);
}

/** What is seen of a disc of two rounds, its middle in the middle. */
export const DISC_VIEW: Drawing['view'] = [-4, -2.5, 8, 5];
