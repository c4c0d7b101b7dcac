import { checkPattern, figureFabric, type FigureFabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { bodyToRelax, FIRM, type FabricNet } from '@lemniscus/core/shape';
import { forceSimulation, type Body, type Force } from 'd3-force-3d';
import { median, type Result } from './measure.js';

const RATIO = 6 / (2 * Math.PI);
/** Root mean square of how far stitches are off, over the diameter, that counts as the shape. */
const NEAR = 0.01;
const LIMIT_MS = 240_000;

/** A ball of so many stitches around, and of so many straight rounds. */
function ball(most: number, straight: number): FigureFabric {
  const lines = ['## Ball', 'R1: 6 sc in ring', 'R2: inc x 6'];
  let round = 3;
  for (let plain = 1; plain < most / 6 - 1; plain++) lines.push(`R${round++}: (${plain} sc, inc) x 6`);
  lines.push(`R${round}-R${round + straight - 1}: sc around`);
  round += straight;
  for (let plain = most / 6 - 2; plain >= 0; plain--) lines.push(`R${round++}: (${plain > 0 ? `${plain} sc, ` : ''}dec) x 6`);
  return figureFabric(checkPattern(read(lines.join('\n'))));
}

/** How far positions are from the settled ones, moved onto them, over the diameter. */
function off(at: (node: number, axis: number) => number, settled: Float64Array): number {
  const nodes = settled.length / 3;
  const mean = [0, 1, 2].map((axis) => {
    let sum = 0;
    for (let node = 0; node < nodes; node++) sum += at(node, axis) - settled[3 * node + axis]!;
    return sum / nodes;
  });
  let [sum, wide] = [0, 0];
  for (let node = 0; node < nodes; node++) {
    for (let axis = 0; axis < 3; axis++) sum += (at(node, axis) - settled[3 * node + axis]! - mean[axis]!) ** 2;
    wide = Math.max(wide, 2 * Math.hypot(settled[3 * node]!, settled[3 * node + 2]!));
  }
  return Math.sqrt(sum / nodes) / wide;
}

/** The same springs and the same pressure as forces of the layout: each tick adds them to the velocities. */
function springForce(net: FabricNet): Force {
  let bodies: Body[] = [];
  const { springFrom, springTo, springRest, springStiffness, springSqueeze, triangles, pressedTriangles } = net;
  const pressure = FIRM / (net.widest * net.ratio);
  const force: Force = (alpha) => {
    for (let i = 0; i < springFrom.length; i++) {
      const [a, b] = [bodies[springFrom[i]!]!, bodies[springTo[i]!]!];
      const [dx, dy, dz] = [b.x - a.x, b.y - a.y, b.z - a.z];
      const length = Math.sqrt(dx * dx + dy * dy + dz * dz) + 1e-12;
      const stretch = length - springRest[i]!;
      const share = (STEP * alpha * (stretch > 0 ? springStiffness[i]! : springSqueeze[i]!) * stretch) / length;
      a.vx += share * dx;
      a.vy += share * dy;
      a.vz += share * dz;
      b.vx -= share * dx;
      b.vy -= share * dy;
      b.vz -= share * dz;
    }
    for (let t = 0; t < 3 * pressedTriangles; t += 3) {
      const [a, b, c] = [bodies[triangles[t]!]!, bodies[triangles[t + 1]!]!, bodies[triangles[t + 2]!]!];
      const [ux, uy, uz] = [b.x - a.x, b.y - a.y, b.z - a.z];
      const [vx, vy, vz] = [c.x - a.x, c.y - a.y, c.z - a.z];
      const push = (STEP * alpha * pressure) / 6;
      const [nx, ny, nz] = [push * (uy * vz - uz * vy), push * (uz * vx - ux * vz), push * (ux * vy - uy * vx)];
      for (const one of [a, b, c]) {
        one.vx += nx;
        one.vy += ny;
        one.vz += nz;
      }
    }
  };
  force.initialize = (nodes) => (bodies = nodes);
  return force;
}
/** The largest step at which the layout stays together with these springs. */
const STEP = 0.3;

/** Time until the layout, cooling off as slowly as it must, is as near as that. */
function layoutTime(net: FabricNet, start: Float64Array, settled: Float64Array): number {
  const bodies = Array.from({ length: net.nodes }, (_, node) => ({
    x: start[3 * node]!,
    y: start[3 * node + 1]!,
    z: start[3 * node + 2]!,
  }));
  const simulation = forceSimulation(bodies, 3).alphaDecay(0).velocityDecay(0.4).force('springs', springForce(net)).stop();
  const placed = simulation.nodes();
  const at = (node: number, axis: number): number =>
    axis === 0 ? placed[node]!.x : axis === 1 ? placed[node]!.y : placed[node]!.z;
  let took = 0;
  while (off(at, settled) > NEAR && took < LIMIT_MS) {
    const began = performance.now();
    simulation.tick(20);
    took += performance.now() - began;
  }
  return took;
}

/** Time until ours is as near, from the pattern's fabric on, the profile it begins from included. */
function ourTime(figure: FigureFabric, settled: Float64Array): number {
  let began = performance.now();
  const { relaxation } = bodyToRelax(figure, 0, RATIO);
  let took = performance.now() - began;
  const at = (node: number, axis: number): number => relaxation.positions[3 * node + axis]!;
  while (off(at, settled) > NEAR && relaxation.outcome === 'going') {
    began = performance.now();
    relaxation.run(5);
    took += performance.now() - began;
  }
  return took;
}

/**
 * Until a shape is right within 1 %: ours from the fabric on, and a general force layout with the same springs and pressure,
 * from the unstuffed surface, as it has no profile to begin from.
 */
export async function relaxShape(): Promise<Result[]> {
  const results: Result[] = [];
  const times: number[] = [];
  for (const [most, straight] of [
    [36, 9],
    [60, 24],
    [120, 54],
  ] as const) {
    const figure = ball(most, straight);
    const whole = bodyToRelax(figure, 0, RATIO);
    const flat = bodyToRelax(figure, 0, RATIO, { firmness: 0 });
    const start = flat.relaxation.positions.slice();
    whole.relaxation.run(Number.MAX_SAFE_INTEGER);
    const settled = whole.relaxation.positions;
    const ours = median(Array.from({ length: 7 }, () => ourTime(figure, settled)));
    times.push(ours);
    const name = `${whole.net.nodes.toLocaleString('en')} stitches, until the shape is right within 1 %`;
    const baseline = layoutTime(whole.net, start, settled);
    results.push({ name, ours, baseline, baselineName: 'd3-force-3d, the same springs', unit: 'ms' });
    const again = median(Array.from({ length: 3 }, () => settling(figure)));
    results.push({
      name: `${whole.net.nodes.toLocaleString('en')} stitches, until it has settled`,
      ours: again,
      baseline: ours,
      baselineName: 'ours within 1 %',
      unit: 'ms',
    });
  }
  await Promise.resolve();
  return results;
}

function settling(figure: FigureFabric): number {
  const began = performance.now();
  bodyToRelax(figure, 0, RATIO).relaxation.run(Number.MAX_SAFE_INTEGER);
  return performance.now() - began;
}
