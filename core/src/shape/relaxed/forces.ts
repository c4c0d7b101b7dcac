import { constant } from '../../constants/index.js';
import type { FabricNet } from './fabric-net.js';

const BENDING = constant('bending of the fabric');
/** Keeps a length from being nought. */
const TINY = 1e-12;

/** Adds the forces of all springs, less the gradient of their energy, to `force`. @returns the energy */
export function springForces(net: FabricNet, x: Float64Array, force: Float64Array): number {
  const { springFrom, springTo, springRest, springStiffness, springSqueeze } = net;
  let energy = 0;
  for (let i = 0; i < springFrom.length; i++) {
    const a = 3 * springFrom[i]!;
    const b = 3 * springTo[i]!;
    const dx = x[b]! - x[a]!;
    const dy = x[b + 1]! - x[a + 1]!;
    const dz = x[b + 2]! - x[a + 2]!;
    const length = Math.sqrt(dx * dx + dy * dy + dz * dz) + TINY;
    const stretch = length - springRest[i]!;
    const pull = (stretch > 0 ? springStiffness[i]! : springSqueeze[i]!) * stretch;
    energy += pull * stretch;
    const share = pull / length;
    force[a] = force[a]! + share * dx;
    force[a + 1] = force[a + 1]! + share * dy;
    force[a + 2] = force[a + 2]! + share * dz;
    force[b] = force[b]! - share * dx;
    force[b + 1] = force[b + 1]! - share * dy;
    force[b + 2] = force[b + 2]! - share * dz;
  }
  return energy / 2;
}

/** Adds the forces of fabric that is bent, less the gradient of their energy, to `force`. @returns the energy */
export function bendForces({ bends, bendCurve }: FabricNet, x: Float64Array, force: Float64Array): number {
  let energy = 0;
  for (let i = 0; i < bendCurve.length; i++) {
    const a = 3 * bends[3 * i]!;
    const b = 3 * bends[3 * i + 1]!;
    const c = 3 * bends[3 * i + 2]!;
    const dx = x[a]! - 2 * x[b]! + x[c]!;
    const dy = x[a + 1]! - 2 * x[b + 1]! + x[c + 1]!;
    const dz = x[a + 2]! - 2 * x[b + 2]! + x[c + 2]!;
    const size = Math.sqrt(dx * dx + dy * dy + dz * dz) + TINY;
    const off = BENDING * (size - bendCurve[i]!);
    energy += (off * (size - bendCurve[i]!)) / 2;
    const share = off / size;
    for (const [node, times] of [
      [a, -1],
      [b, 2],
      [c, -1],
    ] as const) {
      force[node]! += times * share * dx;
      force[node + 1]! += times * share * dy;
      force[node + 2]! += times * share * dz;
    }
  }
  return energy;
}

/**
 * Adds the push of the stuffing on the skin, the gradient of pressure times the volume it holds, to `force`; open rims are
 * capped from their middle. @returns the volume
 */
export function pressureForces(net: FabricNet, pressure: number, x: Float64Array, force: Float64Array): number {
  const { triangles, pressedTriangles } = net;
  const sixth = pressure / 6;
  let volume = 0;
  for (let t = 0; t < 3 * pressedTriangles; t += 3) {
    const a = 3 * triangles[t]!;
    const b = 3 * triangles[t + 1]!;
    const c = 3 * triangles[t + 2]!;
    const ux = x[b]! - x[a]!;
    const uy = x[b + 1]! - x[a + 1]!;
    const uz = x[b + 2]! - x[a + 2]!;
    const vx = x[c]! - x[a]!;
    const vy = x[c + 1]! - x[a + 1]!;
    const vz = x[c + 2]! - x[a + 2]!;
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    volume += nx * x[a]! + ny * x[a + 1]! + nz * x[a + 2]!;
    const px = sixth * nx;
    const py = sixth * ny;
    const pz = sixth * nz;
    force[a] = force[a]! + px;
    force[a + 1] = force[a + 1]! + py;
    force[a + 2] = force[a + 2]! + pz;
    force[b] = force[b]! + px;
    force[b + 1] = force[b + 1]! + py;
    force[b + 2] = force[b + 2]! + pz;
    force[c] = force[c]! + px;
    force[c + 1] = force[c + 1]! + py;
    force[c + 2] = force[c + 2]! + pz;
  }
  for (const cap of net.caps) volume += capForces(cap, sixth, x, force);
  return volume / 6;
}

/** The cap of one rim: triangles to its middle, whose push goes to the rim in equal shares. @returns six times its volume */
function capForces(cap: Int32Array, sixth: number, x: Float64Array, force: Float64Array): number {
  const n = cap.length;
  if (n < 3) return 0;
  const middle = [0, 0, 0];
  for (const node of cap) for (let d = 0; d < 3; d++) middle[d]! += x[3 * node + d]! / n;
  const [mx, my, mz] = middle as [number, number, number];
  let volume = 0;
  let sx = 0;
  let sy = 0;
  let sz = 0;
  for (let i = 0; i < n; i++) {
    const a = 3 * cap[i]!;
    const b = 3 * cap[(i + 1) % n]!;
    const ux = x[a]! - mx;
    const uy = x[a + 1]! - my;
    const uz = x[a + 2]! - mz;
    const vx = x[b]! - mx;
    const vy = x[b + 1]! - my;
    const vz = x[b + 2]! - mz;
    const nx = uy * vz - uz * vy;
    const ny = uz * vx - ux * vz;
    const nz = ux * vy - uy * vx;
    volume += nx * mx + ny * my + nz * mz;
    sx += nx;
    sy += ny;
    sz += nz;
    for (const node of [a, b]) {
      force[node]! += sixth * nx;
      force[node + 1]! += sixth * ny;
      force[node + 2]! += sixth * nz;
    }
  }
  for (const node of cap) {
    force[3 * node]! += (sixth * sx) / n;
    force[3 * node + 1]! += (sixth * sy) / n;
    force[3 * node + 2]! += (sixth * sz) / n;
  }
  return volume;
}
