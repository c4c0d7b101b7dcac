import { between, lengthOf, minus, add, times, type Vector } from '../vector/index.js';

/** Knots nearer than this count as one: a strand has no direction between them. */
const SAME = 1e-6;

/**
 * The curve of a strand through its knots: a centripetal Catmull–Rom spline, which neither loops nor overshoots where knots
 * lie close (Yuksel, Schaefer and Keyser, "Parameterization and applications of Catmull–Rom curves", from memory).
 *
 * @param per pieces between two knots, at least 1; for each pair, by the index of its first, where they differ
 * @returns the points, the knots among them; the knots themselves where there are fewer than two
 */
export function curveOf(knots: readonly Vector[], per: number | readonly number[]): readonly Vector[] {
  if (knots.length < 2) return knots;
  const points: Vector[] = [];
  for (let i = 0; i + 1 < knots.length; i++) {
    const [b, c] = [knots[i]!, knots[i + 1]!];
    const a = knots[i - 1] ?? add(b, minus(b, c));
    const d = knots[i + 2] ?? add(c, minus(c, b));
    const [from, to] = tangents(a, b, c, d);
    const pieces = typeof per === 'number' ? per : per[i]!;
    for (let k = 0; k < pieces; k++) points.push(hermite(b, from, c, to, k / pieces));
  }
  return [...points, knots.at(-1)!];
}

/** The curve's directions at both ends of its middle piece, for a parameter that runs from 0 to 1 over it. */
function tangents(a: Vector, b: Vector, c: Vector, d: Vector): readonly [Vector, Vector] {
  const [ab, bc, cd] = [
    [a, b],
    [b, c],
    [c, d],
  ].map(([from, to]) => Math.max(Math.sqrt(lengthOf(minus(to!, from!))), SAME)) as [number, number, number];
  const slope = (from: Vector, to: Vector, over: number): Vector => times(minus(to, from), bc / over);
  const at = (before: Vector, middle: Vector, after: Vector, first: number, second: number): Vector =>
    add(minus(slope(before, middle, first), slope(before, after, first + second)), slope(middle, after, second));
  return [at(a, b, c, ab, bc), at(b, c, d, bc, cd)];
}

function hermite(b: Vector, from: Vector, c: Vector, to: Vector, t: number): Vector {
  const [t2, t3] = [t * t, t * t * t];
  const straight = between(b, c, 3 * t2 - 2 * t3);
  return add(straight, add(times(from, t3 - 2 * t2 + t), times(to, t3 - t2)));
}

/**
 * The knots of a strand on its way from one drawing to the next, as many as `to` has: where it had fewer or more, it starts
 * from as many places spread over the knots it had.
 *
 * @param share 0 for where it was (its ends stay its ends), 1 for exactly `to`
 */
export function knotsBetween(from: readonly Vector[], to: readonly Vector[], share: number): readonly Vector[] {
  const last = Math.max(1, to.length - 1);
  return to.map((knot, i) => {
    const at = (i / last) * (from.length - 1);
    const [low, high] = [from[Math.floor(at)]!, from[Math.ceil(at)]!];
    return between(between(low, high, at - Math.floor(at)), knot, share);
  });
}
