import type { NetPiece } from './fabric-net.js';
import { SPIRAL } from './piece-walk.js';
import { add, cross, dot, lengthOf, mean, minus, times, unit, type Vector } from '../../vector/index.js';
import { TURN } from './placing.js';
import { at } from './vector.js';

/** One round of a relaxed piece as a closed ring: a spiral's climb along it is taken out. */
export interface RelaxedRing {
  readonly round: number;
  readonly points: readonly Vector[];
  readonly centre: Vector;
  /** Way round it. */
  readonly girth: number;
}

/** The rounds of a piece that have stitches, lengths as in `x`. */
export function relaxedRings({ piece, first }: NetPiece, x: ArrayLike<number>): RelaxedRing[] {
  const { fabric } = piece;
  const raw = Array.from({ length: fabric.roundCount }, (_, round) => {
    const [from, end] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    return Array.from({ length: end - from }, (_stitch, i) => at(x, first + from + i));
  });
  const centres = raw.map(mean);
  const radii = raw.map((points, round) => {
    return points.reduce((sum, point) => sum + lengthOf(minus(point, centres[round]!)), 0) / Math.max(1, points.length);
  });
  return raw.flatMap((stitches, round): RelaxedRing[] => {
    if (stitches.length === 0) return [];
    const spiral = fabric.roundWay[round] === SPIRAL;
    const points = spiral ? closed(stitches, climbAt(centres, round), growthAt(radii, round)) : stitches;
    const girth = points.reduce((sum, point, i) => sum + lengthOf(minus(points[(i + 1) % points.length]!, point)), 0);
    return [{ round, points, centre: mean(points), girth }];
  });
}

/** How far a spiral moves in a round: from the middle of the round before to that of the round after, by half. */
function climbAt(centres: readonly Vector[], round: number): Vector {
  const [before, after] = [centres[round - 1] ?? centres[round]!, centres[round + 1] ?? centres[round]!];
  return times(minus(after, before), 1 / neighbours(round, centres.length));
}

/** How much further out it gets in a round. */
function growthAt(radii: readonly number[], round: number): number {
  const [before, after] = [radii[round - 1] ?? radii[round]!, radii[round + 1] ?? radii[round]!];
  return (after - before) / neighbours(round, radii.length);
}

const neighbours = (round: number, rounds: number): number => Math.max(1, Number(round > 0) + Number(round + 1 < rounds));

function closed(stitches: readonly Vector[], climb: Vector, growth: number): Vector[] {
  const share = (i: number): number => (i + 0.5) / stitches.length - 0.5;
  const level = stitches.map((point, i) => minus(point, times(climb, share(i))));
  let points = level;
  // The middle of a growing spiral is not that of its stitches: it is found along with the closed ring.
  for (let round = 0; round < 3; round++) {
    const centre = mean(points);
    points = level.map((point, i) => {
      const out = minus(point, centre);
      return add(centre, times(out, 1 - (growth * share(i)) / Math.max(1e-9, lengthOf(out))));
    });
  }
  return points;
}

/** Across the plane that the middles of the rounds of a ring lie in: the way the work goes round it is to the left seen from there. */
export function axisOfRing(rings: readonly RelaxedRing[]): Vector {
  const middles = rings.map(({ centre }) => centre);
  return unit(ringNormal({ points: middles, centre: mean(middles) }), [0, 1, 0]);
}

/** Less of its radius between its ends, and a piece lies rather than stands (our own estimate). */
const LYING = 0.35;

/** The direction a piece grows in, from its start to its end: the points there, or the middles of its first and last rounds. */
export function axisOf(rings: readonly RelaxedRing[], start: Vector | null, end: Vector | null): Vector {
  const [first, last] = [start ?? rings[0]?.centre, end ?? rings.at(-1)?.centre];
  if (!first || !last) return [0, 1, 0];
  const [way, facing] = [minus(last, first), facingOf(rings)];
  // The rounds of a disc lie in one another: the way between their middles is no direction.
  const girth = Math.max(...rings.map((ring) => ring.girth));
  return lengthOf(way) < (LYING * girth) / TURN ? facing : unit(way, facing);
}

/** Where the rounds face, on average: across their planes, towards the end of the work. */
export function facingOf(rings: readonly RelaxedRing[]): Vector {
  return unit(rings.reduce<Vector>((sum, ring) => add(sum, ringNormal(ring)), [0, 0, 0]));
}

/** Across the plane of a ring, as long as twice its area. */
export function ringNormal({ points, centre }: Pick<RelaxedRing, 'points' | 'centre'>): Vector {
  let normal: Vector = [0, 0, 0];
  for (const [i, point] of points.entries())
    normal = add(normal, cross(minus(points[(i + 1) % points.length]!, centre), minus(point, centre)));
  return normal;
}

/** Two directions across an axis, at right angles. */
export function acrossOf(axis: Vector): readonly [Vector, Vector] {
  const some: Vector = Math.abs(axis[1]) < 0.9 ? [0, 1, 0] : [0, 0, 1];
  const one = unit(cross(some, axis), [1, 0, 0]);
  return [one, cross(axis, one)];
}

/** How far points reach along a direction, from the least to the most. */
export function reach(points: readonly Vector[], along: Vector): number {
  let [low, high] = [Infinity, -Infinity];
  for (const point of points) {
    const far = dot(point, along);
    if (far < low) low = far;
    if (far > high) high = far;
  }
  return high >= low ? high - low : 0;
}
