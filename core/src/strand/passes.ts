import { add, cross, dot, mean, minus, times, type Vector } from '../vector/index.js';

/** The surface's tip lies a little beside the loop's middle, so that a strand through the very middle has one side of it. */
const BESIDE = [1e-7, 3e-8] as const;

/**
 * How often a strand passes through a loop: crossings of the strand's pieces with the surface that is spanned between the
 * loop and its own middle. A loop is a strand whose ends are joined by a straight line.
 *
 * A strand that goes through and comes back passes twice. What touches only the rim does not count.
 */
export function passes(strand: readonly Vector[], loop: readonly Vector[]): number {
  if (loop.length < 3) return 0;
  const middle = mean(loop);
  const tip = BESIDE.reduce((at, share, i) => add(at, times(minus(loop[i]!, middle), share)), middle);
  const spokes = loop.map((corner) => minus(corner, tip));
  let count = 0;
  for (let i = 0; i + 1 < strand.length; i++)
    count += crossings(minus(strand[i]!, tip), minus(strand[i + 1]!, strand[i]!), spokes);
  return count;
}

/**
 * How many triangles between neighbouring spokes are pierced on the way (after Möller and Trumbore's test, from memory). On
 * which side the way passes a spoke is found once for both its triangles: what meets it is in one of them.
 */
function crossings(from: Vector, way: Vector, spokes: readonly Vector[]): number {
  const turn = cross(from, way);
  const sides = spokes.map((spoke) => dot(spoke, turn));
  let count = 0;
  for (let k = 0; k < spokes.length; k++) {
    const next = (k + 1) % spokes.length;
    if (sides[k]! >= 0 === sides[next]! >= 0) continue;
    const across = cross(spokes[k]!, spokes[next]!);
    const slant = -dot(way, across);
    if (Math.abs(slant) < 1e-12) continue;
    const out = (sides[next]! - sides[k]!) / slant;
    const along = dot(from, across) / slant;
    if (out > 0 && out <= 1 && along >= 0 && along < 1) count++;
  }
  return count;
}
