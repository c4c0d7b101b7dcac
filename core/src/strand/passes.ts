import { cross, dot, mean, minus, type Vector } from '../vector/index.js';

/**
 * How often a strand passes through a loop: crossings of the strand's pieces with the surface that is spanned between the
 * loop and its own middle. A loop is a strand whose ends are joined by a straight line.
 *
 * A strand that goes through and comes back passes twice. What touches only the rim does not count.
 */
export function passes(strand: readonly Vector[], loop: readonly Vector[]): number {
  if (loop.length < 3) return 0;
  const middle = mean(loop);
  let count = 0;
  for (let i = 0; i + 1 < strand.length; i++)
    for (let k = 0; k < loop.length; k++)
      if (pierces(strand[i]!, strand[i + 1]!, middle, loop[k]!, loop[(k + 1) % loop.length]!)) count++;
  return count;
}

/** Whether the line from `from` to `to` goes through the triangle (Möller and Trumbore's test, from memory). */
function pierces(from: Vector, to: Vector, a: Vector, b: Vector, c: Vector): boolean {
  const way = minus(to, from);
  const [ab, ac] = [minus(b, a), minus(c, a)];
  const h = cross(way, ac);
  const slant = dot(ab, h);
  if (Math.abs(slant) < 1e-12) return false;
  const s = minus(from, a);
  const u = dot(s, h) / slant;
  const q = cross(s, ab);
  const v = dot(way, q) / slant;
  const t = dot(ac, q) / slant;
  return u >= 0 && v >= 0 && u + v <= 1 && t >= 0 && t < 1;
}
