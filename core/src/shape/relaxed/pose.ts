import { isFlatLie } from '../lie.js';
import { isRing, type FabricNet } from './fabric-net.js';
import { axisOf, axisOfRing, relaxedRings } from './rings.js';
import { add, cross, dot, mean, minus, times, unit, type Vector } from '../../vector/index.js';
import { at } from './vector.js';

export interface Pose {
  /** Whether the body stands on the start of its main piece, or hangs from it. */
  readonly upright: boolean;
  /** Round whose middle, opposite where it begins, faces forward, 0-based; the whole piece's where it is null. */
  readonly front: number | null;
}

/** The piece of a body with most stitches, which says how it stands. */
export function mainPiece({ pieces }: FabricNet): number {
  let most = 0;
  for (const [index, { piece }] of pieces.entries())
    if (piece.fabric.stitchCount > pieces[most]!.piece.fabric.stitchCount) most = index;
  return most;
}

/**
 * The positions turned so that the body stands: its main piece's axis up y, its front towards z, its foot on y = 0 and its
 * middle over the origin. The start of a round is taken to lie at the back (common practice). A new array.
 */
export function posed(net: FabricNet, x: ArrayLike<number>, { upright, front }: Pose): Float32Array {
  const flat = net.pieces.length > 0 && isFlatLie(net.pieces[mainPiece(net)]!.outline.lie);
  const [right, up, forward] = flat ? flatAxes(upright) : axesOf(net, x, upright, front);
  const out = new Float32Array(3 * net.nodes);
  let low = Infinity;
  const turned = Array.from({ length: net.nodes }, (_, node): Vector => {
    const point = at(x, node);
    const to: Vector = [dot(point, right), dot(point, up), dot(point, forward)];
    if (to[1] < low) low = to[1];
    return to;
  });
  const middle = mean(turned);
  for (const [node, [px, py, pz]] of turned.entries()) out.set([px - middle[0], py - low, pz - middle[2]], 3 * node);
  return out;
}

const flatAxes = (upright: boolean): readonly [Vector, Vector, Vector] =>
  upright
    ? [
        [1, 0, 0],
        [0, 1, 0],
        [0, 0, 1],
      ]
    : [
        [-1, 0, 0],
        [0, -1, 0],
        [0, 0, 1],
      ];

function axesOf(net: FabricNet, x: ArrayLike<number>, upright: boolean, front: number | null): readonly [Vector, Vector, Vector] {
  const piece = net.pieces[mainPiece(net)]!;
  const rings = relaxedRings(piece, x);
  const tip = piece.tip >= 0 ? at(x, piece.tip) : null;
  const along = isRing(net.pieces, piece) ? axisOfRing(rings) : axisOf(rings, null, tip);
  const up = upright ? along : times(along, -1);
  // An oval with no face is seen from its broad side: it begins at one of its ends.
  const share = front === null && piece.outline.start.is === 'chain' ? 0.25 : 0.5;
  const facing = rings
    .filter(({ round }) => front === null || round === front)
    .map(({ points, centre }) => minus(points[Math.floor(points.length * share)]!, centre))
    .reduce<Vector>(add, [0, 0, 0]);
  const level = minus(facing, times(up, dot(facing, up)));
  const forward = unit(level, unit(cross(up, [1, 0, 0]), [0, 0, 1]));
  return [cross(up, forward), up, forward];
}
