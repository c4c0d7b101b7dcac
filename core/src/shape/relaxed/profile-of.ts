import type { Profile } from '../profile/profile.js';
import { mainRounds } from '../profile/net.js';
import { isRing, type FabricNet, type NetPiece } from './fabric-net.js';
import { measureRelaxed, widestWays } from './measure-relaxed.js';
import { axisOf, reach, relaxedRings, ringNormal, type RelaxedRing } from './rings.js';
import { dot, lengthOf, mean, minus, type Vector } from '../../vector/index.js';
import { at } from './vector.js';

/**
 * A relaxed piece round by round, as a profile: as wide as its rounds, an oval in its two widths, along the way from its start
 * to its end. Lengths as in `x`.
 */
export function profileOfRelaxed(net: FabricNet, index: number, x: ArrayLike<number>, settled: boolean): Profile {
  const piece = net.pieces[index]!;
  const { outline, pressed } = piece;
  const rings = relaxedRings(piece, x);
  const anchors = anchorsOf(piece, x);
  const start = anchors.length > 0 ? mean(anchors) : (rings[0]?.centre ?? [0, 0, 0]);
  const tip = piece.tip >= 0 ? at(x, piece.tip) : null;
  const axis = axisOf(rings, start, tip);
  const foot = dot(start, axis);
  const n = outline.counts.length;
  const [r, s, z] = [new Float64Array(n), new Float64Array(n), new Float64Array(n)];
  const ring = isRing(net.pieces, piece);
  let along = 0;
  for (const [i, each] of rings.entries()) {
    if (i > 0) along += lengthOf(minus(each.centre, rings[i - 1]!.centre));
    const { half, straight } = widthsOf(each, axis, outline.start.is === 'chain');
    r[each.round] = half;
    s[each.round] = straight;
    // A ring is as high as it is long, as its tube was.
    z[each.round] = ring ? along : dot(each.centre, axis) - foot;
  }
  return {
    r,
    s,
    z,
    base: baseOf(piece, anchors),
    pole: 0,
    tip: tip && dot(tip, axis) - foot,
    main: mainRounds(outline),
    flat: false,
    ring: outline.endsMeet,
    stuffed: pressed,
    settled,
    relaxed: true,
    enclosed: outline.below.length === mainRounds(outline) ? measureRelaxed(net, index, x).volume : null,
  };
}

function anchorsOf({ piece, first }: NetPiece, x: ArrayLike<number>): Vector[] {
  return Array.from({ length: piece.anchors }, (_, i) => at(x, first + piece.fabric.stitchCount + i));
}

/** A round ring is as wide as the regular one of its area: where it ruffles, its girth would make it too wide. */
function widthsOf(ring: RelaxedRing, axis: Vector, oval: boolean): { half: number; straight: number } {
  const { points } = ring;
  const stitches = Math.max(3, points.length);
  if (!oval)
    return { half: Math.sqrt(lengthOf(ringNormal(ring)) / (stitches * Math.sin((2 * Math.PI) / stitches))), straight: 0 };
  const [long, short] = widestWays(points, axis);
  const half = reach(points, short) / 2;
  return { half, straight: Math.max(0, reach(points, long) / 2 - half) };
}

function baseOf({ outline: { start } }: NetPiece, anchors: readonly Vector[]): { r: number; s: number } {
  if (start.is === 'ring') return { r: 0, s: 0 };
  if (start.is === 'chain') return { r: 0, s: start.straight / 2 };
  const centre = mean(anchors);
  const far = anchors.reduce((sum, one) => sum + Math.hypot(one[0] - centre[0], one[1] - centre[1], one[2] - centre[2]), 0);
  return { r: far / Math.max(1, anchors.length), s: 0 };
}
