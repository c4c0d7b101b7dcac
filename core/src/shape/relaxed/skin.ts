import type { FabricNet } from './fabric-net.js';

/** Normals of the skin at every node, three coordinates each, one long: the mean of its triangles by their area; 0 where it has none. */
export function skinNormals({ nodes, triangles }: FabricNet, x: ArrayLike<number>): Float32Array {
  const normals = new Float64Array(3 * nodes);
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t]!, 3 * triangles[t + 1]!, 3 * triangles[t + 2]!];
    const [ux, uy, uz] = [x[b]! - x[a]!, x[b + 1]! - x[a + 1]!, x[b + 2]! - x[a + 2]!];
    const [vx, vy, vz] = [x[c]! - x[a]!, x[c + 1]! - x[a + 1]!, x[c + 2]! - x[a + 2]!];
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
    for (const node of [a, b, c]) {
      normals[node]! += nx;
      normals[node + 1]! += ny;
      normals[node + 2]! += nz;
    }
  }
  for (let i = 0; i < normals.length; i += 3) {
    const length = Math.hypot(normals[i]!, normals[i + 1]!, normals[i + 2]!);
    if (length < 1e-12) continue;
    for (let d = 0; d < 3; d++) normals[i + d]! /= length;
  }
  return Float32Array.from(normals);
}
