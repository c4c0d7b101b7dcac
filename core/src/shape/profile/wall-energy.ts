import { constant } from '../../constants/index.js';
import type { ProfileNet } from './net.js';

const SQUEEZE = constant('squeeze of a spring');
const SHEAR = constant('shear of the fabric');
/** Keeps a length from being nought. */
const TINY = 1e-9;

/** The strands of each wall: up the straight sides and half the ends they rise across, at the ends' tips also outwards. */
const FACES = [
  { share: (straight: number) => (1 - straight) / 2, outwards: 1 },
  { share: (straight: number) => (1 + straight) / 2, outwards: 0 },
] as const;

/**
 * Every strand of a wall rests at the stitch's height. Adds the force, which is less the gradient, to `force`.
 * @returns the energy
 */
export function wallEnergy({ walls, points }: ProfileNet, x: Float64Array, force: Float64Array): number {
  let energy = 0;
  for (const { from, to, rest, strands, straight } of walls) {
    const up = x[points + to]! - x[points + from]!;
    for (const { share, outwards } of FACES) {
      const along = x[to]! - x[from]! + outwards * (x[2 * points + to]! - x[2 * points + from]!);
      const length = Math.sqrt(along * along + up * up) || TINY;
      const stretch = length - rest;
      const pull = strands * share(straight) * (stretch > 0 ? 1 : SQUEEZE) * stretch;
      energy += (pull * stretch) / 2;
      addPull(force, points, from, to, (pull * along) / length, (pull * up) / length, outwards);
    }
  }
  return energy;
}

/**
 * Shear: the diagonals across each stitch, half to either side, rest as long as those of an upright stitch. Adds the force,
 * which is less the gradient, to `force`. @returns the energy
 */
export function shearEnergy({ walls, points, around }: ProfileNet, x: Float64Array, force: Float64Array): number {
  let energy = 0;
  for (const { from, to, rest, fields, straight } of walls) {
    if (fields === 0) continue;
    const diagonal = Math.sqrt(rest * rest + 1);
    const chord = (point: number): number => (2 * Math.PI * x[point]! + 4 * x[2 * points + point]!) / around[point]!;
    const aside = (chord(from) + chord(to)) / 2;
    const up = x[points + to]! - x[points + from]!;
    for (const { share, outwards } of FACES) {
      const along = x[to]! - x[from]! + outwards * (x[2 * points + to]! - x[2 * points + from]!);
      const length = Math.sqrt(along * along + up * up + aside * aside) || TINY;
      const stretch = length - diagonal;
      const pull = 2 * fields * share(straight) * SHEAR * (stretch > 0 ? 1 : SQUEEZE) * stretch;
      energy += (pull * stretch) / 2;
      addPull(force, points, from, to, (pull * along) / length, (pull * up) / length, outwards);
      const widen = (pull * aside) / length;
      for (const point of [from, to]) {
        force[point]! -= (widen * Math.PI) / around[point]!;
        force[2 * points + point]! -= (widen * 2) / around[point]!;
      }
    }
  }
  return energy;
}

function addPull(
  force: Float64Array,
  points: number,
  from: number,
  to: number,
  along: number,
  up: number,
  outwards: number,
): void {
  force[from]! += along;
  force[to]! -= along;
  force[points + from]! += up;
  force[points + to]! -= up;
  force[2 * points + from]! += outwards * along;
  force[2 * points + to]! -= outwards * along;
}
