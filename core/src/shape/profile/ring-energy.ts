import { constant } from '../../constants/index.js';
import { girthOverRadius } from './ring.js';
import type { ProfileNet } from './net.js';

const SQUEEZE = constant('squeeze of a spring');

/**
 * Every stitch of a ring rests at its chord; all of them together push or pull its radius and its straight.
 * Adds the force, which is less the gradient, to `force`. @returns the energy
 */
export function ringEnergy({ rings, points }: ProfileNet, x: Float64Array, force: Float64Array): number {
  let energy = 0;
  for (const { point, count, chord } of rings) {
    const corners = Math.max(3, count);
    const perRadius = girthOverRadius(count) / corners;
    const perStraight = 4 / corners;
    const stretch = perRadius * x[point]! + perStraight * x[2 * points + point]! - chord;
    const stiffness = stretch > 0 ? 1 : SQUEEZE;
    const pull = stiffness * stretch * corners;
    energy += (pull * stretch) / 2;
    force[point]! -= pull * perRadius;
    force[2 * points + point]! -= pull * perStraight;
  }
  return energy;
}
