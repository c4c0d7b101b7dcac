import { acrossOf, axisOf, relaxedRings } from './rings.js';
import { dot, mean, minus } from '../../vector/index.js';
import { isRing, type FabricNet } from './fabric-net.js';
import { SEAM, set, TURN } from './placing.js';
import { at } from './vector.js';

/**
 * A body as it is when it is sewn: a tube whose ends meet is laid round evenly, its outer side stretched and its inner side
 * squeezed as much. How real fabric folds inside is not worked out: pressure alone would kink it, and stuffing does not.
 *
 * @param x positions of a relaxed body
 */
export function asSewn(net: FabricNet, x: ArrayLike<number>): ArrayLike<number> {
  const piece = net.pieces[0];
  if (!piece || !isRing(net.pieces, piece)) return x;
  const rings = relaxedRings(piece, x);
  const anchors = Array.from({ length: piece.piece.anchors }, (_, i) => at(x, piece.first + piece.piece.fabric.stitchCount + i));
  const start = anchors.length > 0 ? mean(anchors) : rings[0]!.centre;
  const axis = axisOf(rings, start, null);
  const [right, deep] = acrossOf(axis);
  const way = Math.max(1, dot(minus(rings.at(-1)!.centre, start), axis) + SEAM);
  const out = new Float64Array(3 * net.nodes);
  for (let node = 0; node < net.nodes; node++) {
    const from = minus(at(x, node), start);
    const turn = (TURN * dot(from, axis)) / way;
    // Where it is too thick for its way round, its inner side ends at the middle.
    const far = Math.max(0, way / TURN + dot(from, right));
    set(out, node, far * Math.cos(turn), -dot(from, deep), -far * Math.sin(turn));
  }
  return out;
}
