import { along, type Vector } from '../vector/index.js';
import { LEAN, ROW } from './fabric-edge.js';
import { lyingLoop, standingLoop, throughV } from './loops.js';
import type { Ground } from './work.js';

/** Stitches of the first round of a disc. */
export const FIRST_ROUND = 6;

/**
 * An edge laid into a ring, seen from outside: the rows grow away from the middle.
 *
 * @param inner how far the lowest row lies from the middle, in stitch widths
 * @param turned where along the edge the top of the picture is
 * @param tilt how far the V's on the edge are turned to the eye, in radians
 */
export function ringGround(inner: number, turned = 0, tilt = 0.42, widths = FIRST_ROUND): Ground {
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  return ([x, y, z]) => {
    const angle = (2 * Math.PI * (x - turned)) / widths;
    const radius = inner + y * cos - z * sin;
    return [Math.sin(angle) * radius, Math.cos(angle) * radius, z * cos + y * sin];
  };
}

/** How far along the first stitch of round `k` is closed, in its own widths: so that posts lean no more than on an edge. */
const firstTop = (k: number): number => (k === 1 ? LEAN : (k * (firstTop(k - 1) - 0.5)) / (k - 1) + LEAN - 0.5);

/** Where stitch `j` of round `k` (1-based) is closed, along the edge and up. */
export const topInRound = (k: number, j: number): Vector => [(j + firstTop(k)) / k, k * ROW, 0];

/** The middle of the V that stitch `j` of round `k` has; of round 0, the ring. */
export function vInRound(k: number, j: number): Vector {
  if (k === 0) return [j, 0, 0];
  const [a, b] = [topInRound(k, j - 1), topInRound(k, j)];
  return [(a[0] + b[0]) / 2, a[1], 0];
}

/** The stitch of the round below that stitch `j` of round `k` stands in: six of a round are increases. */
export const parentInRound = (k: number, j: number): number => (k === 1 ? j : Math.floor((j * (k - 1)) / k));

/** Round `k` of a disc that grows by six. */
export function discRound(k: number): readonly Vector[] {
  return Array.from({ length: FIRST_ROUND * k }, (_, j) => j).flatMap((j) => [
    ...lyingLoop(topInRound(k, j - 1), topInRound(k, j), 1 / k),
    ...standingLoop(throughV(vInRound(k - 1, parentInRound(k, j)), 'both'), topInRound(k, j), 1 / k),
  ]);
}

/** A closed ring at a distance from the middle. */
export function circle(middle: Vector, radius: number, knots = 24, turns = 1, from = 0): readonly Vector[] {
  return Array.from({ length: knots + 1 }, (_, i) => {
    const angle = from + (2 * Math.PI * turns * i) / knots;
    return along(middle, [[Math.sin(angle), Math.cos(angle), 0], radius]);
  });
}

/** A disc is seen so far from above its edge that both strands of its V's show, in radians. */
export const DISC_TILT = 0.6;

/**
 * An edge laid round a chain: two straight sides and two half rings. Each place along the edge goes straight out from the
 * chain, so that stitches stand over those they hang on.
 *
 * @param inner how far the lowest row lies from the chain
 * @param straight length of a side
 * @param even how far from the chain the row lies whose stitches are all as wide
 */
export function ovalGround(inner: number, straight: number, even: number, widths: number): Ground {
  const [cos, sin] = [Math.cos(DISC_TILT), Math.sin(DISC_TILT)];
  const half = Math.PI * even;
  const round = 2 * (straight + half);
  return ([x, y, z]) => {
    const radius = inner + y * cos - z * sin;
    const at = ((((x / widths) % 1) + 1) % 1) * round;
    const depth = z * cos + y * sin;
    if (at < straight) return [at - straight / 2, radius, depth];
    if (at < straight + half) return arc(straight / 2, 1, (at - straight) / even, radius, depth);
    if (at < 2 * straight + half) return [straight / 2 - (at - straight - half), -radius, depth];
    return arc(-straight / 2, -1, (at - 2 * straight - half) / even, radius, depth);
  };
}

/** On a half ring about (`middle`, 0), `angle` on from its beginning at the top or the bottom. */
const arc = (middle: number, side: 1 | -1, angle: number, radius: number, depth: number): Vector => [
  middle + side * Math.sin(angle) * radius,
  side * Math.cos(angle) * radius,
  depth,
];
