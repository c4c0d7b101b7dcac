type Point = readonly [number, number];

/** Points drawn between two rounds. */
const STEPS = 6;

/**
 * A curve through the points of an outline, in as many steps between two of them: a piece of cubic for each, as a
 * Catmull-Rom spline has it, so that a part of few rounds is no polygon. At a pole it runs on into its mirror image, which makes
 * it round there. The points themselves are kept, every `STEPS`-th one.
 */
export function smoothOutline(points: readonly Point[]): Point[] {
  if (points.length < 3) return [...points];
  const mirror = ([x, y]: Point): Point => [-x, y];
  const first = points[0]!;
  const last = points.at(-1)!;
  const before = first[0] === 0 ? mirror(points[1]!) : first;
  const after = last[0] === 0 ? mirror(points.at(-2)!) : last;
  const all = [before, ...points, after];
  const curve: Point[] = [first];
  for (let i = 1; i + 2 < all.length; i++) {
    const [a, b, c, d] = [all[i - 1]!, all[i]!, all[i + 1]!, all[i + 2]!];
    for (let step = 1; step <= STEPS; step++) curve.push(between(a, b, c, d, step / STEPS));
  }
  return curve;
}

/** Where in the curve the points of an outline lie. */
export const placeOnCurve = (index: number, points: number): number => (points < 3 ? index : index * STEPS);

function between(a: Point, b: Point, c: Point, d: Point, t: number): Point {
  const at = (k: 0 | 1): number =>
    (2 * b[k] +
      (c[k] - a[k]) * t +
      (2 * a[k] - 5 * b[k] + 4 * c[k] - d[k]) * t * t +
      (3 * b[k] - a[k] - 3 * c[k] + d[k]) * t ** 3) /
    2;
  // A curve may swing past the axis where a part closes on few stitches.
  return [Math.max(0, at(0)), at(1)];
}
