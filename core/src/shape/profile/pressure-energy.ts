import type { ProfileNet } from './net.js';

/** Area within a ring of radius r with straights of 2 s. */
export const ringArea = (r: number, s: number): number => Math.PI * r * r + 4 * r * s;

/** Volume between two such rings, `up` apart, whose radius and straight change evenly; negative where the wall folds back. */
export function bandVolume(r1: number, s1: number, r2: number, s2: number, up: number): number {
  const middle = ringArea((r1 + r2) / 2, (s1 + s2) / 2);
  return (up / 6) * (ringArea(r1, s1) + 4 * middle + ringArea(r2, s2));
}

/**
 * Inflation: the stuffing's pressure times the volume it holds, open rims capped flat. Adds the force, which is less the
 * gradient, to `force`. @returns the energy
 */
export function pressureEnergy({ path, pressure, points }: ProfileNet, x: Float64Array, force: Float64Array): number {
  let volume = 0;
  for (let k = 1; k < path.length; k++) {
    const [a, b] = [path[k - 1]!, path[k]!];
    const [r1, r2] = [x[a]!, x[b]!];
    const [s1, s2] = [x[2 * points + a]!, x[2 * points + b]!];
    const up = x[points + b]! - x[points + a]!;
    const band = bandVolume(r1, s1, r2, s2, up);
    volume += band;
    const [rm, sm] = [(r1 + r2) / 2, (s1 + s2) / 2];
    const each = (pressure * up) / 6;
    // Areas change by 2 π r + 4 s with the radius, and by 4 r with half the straight.
    force[a]! += each * (2 * Math.PI * (r1 + 2 * rm) + 4 * (s1 + 2 * sm));
    force[b]! += each * (2 * Math.PI * (r2 + 2 * rm) + 4 * (s2 + 2 * sm));
    force[2 * points + a]! += each * 4 * (r1 + 2 * rm);
    force[2 * points + b]! += each * 4 * (r2 + 2 * rm);
    const area = (pressure / 6) * (ringArea(r1, s1) + 4 * ringArea(rm, sm) + ringArea(r2, s2));
    force[points + a]! -= area;
    force[points + b]! += area;
  }
  return -pressure * volume;
}
