import { cornersOf, type Corners } from './corners.js';
import { isRing, type FabricNet } from './fabric-net.js';
import { acrossOf, axisOf, axisOfRing, facingOf, reach, relaxedRings, type RelaxedRing } from './rings.js';
import { add, cross, dot, lengthOf, minus, times, type Vector } from '../../vector/index.js';
import { at } from './vector.js';

/** What a relaxed piece measures; lengths in the unit of the positions. */
export interface RelaxedMeasures {
  /** Widest across its axis, and across that. */
  readonly diameter: number;
  readonly second: number;
  readonly height: number;
  /** Of its skin. */
  readonly area: number;
  /** What its skin encloses, open rims capped; 0 for flat work. */
  readonly volume: number;
  /** Across a circle of the girth of each round. */
  readonly openings: readonly number[];
  /** How far the way from its start to its end is off straight up from its rounds, degrees. */
  readonly lean: number;
  readonly corners: Corners;
}

/** Measures one piece of a body. */
export function measureRelaxed(net: FabricNet, index: number, x: ArrayLike<number>): RelaxedMeasures {
  const piece = net.pieces[index]!;
  const rings = relaxedRings(piece, x);
  const ends = endsOf(net, index, x);
  const ring = isRing(net.pieces, piece);
  const axis = ring
    ? axisOfRing(rings)
    : axisOf(rings, piece.piece.anchors === 1 ? ends[0]! : null, piece.tip >= 0 ? ends.at(-1)! : null);
  const points = [...rings.flatMap((ring) => ring.points), ...ends];
  const [one, two] = widestWays(points, axis);
  const { area, volume } = skinOf(net, index, x, rings);
  const facing = facingOf(rings);
  const lean = (Math.acos(Math.min(1, Math.max(-1, dot(axis, facing)))) * 180) / Math.PI;
  const openings = new Array<number>(piece.piece.fabric.roundCount).fill(0);
  for (const { round, girth, points: of } of rings)
    openings[round] = girth / (Math.max(3, of.length) * Math.sin(Math.PI / Math.max(3, of.length)));
  const flat = net.planar;
  return {
    // A row is as wide as its stitches, not only from the middle of its first to that of its last.
    diameter: reach(points, one) + (net.pieces[index]!.outline.lie === 'rows' ? 1 : 0),
    second: flat ? 0 : reach(points, two),
    height: reach(flat || ring ? points : [...rings.map(({ centre }) => centre), ...ends], axis),
    area,
    volume,
    openings,
    lean: flat || ring ? 0 : lean,
    corners: cornersOf(flat || ring ? [] : rings),
  };
}

/** The points a piece begins on and is drawn shut to. */
function endsOf({ pieces }: FabricNet, index: number, x: ArrayLike<number>): Vector[] {
  const { piece, first, tip } = pieces[index]!;
  const anchors = Array.from({ length: piece.anchors }, (_, i) => at(x, first + piece.fabric.stitchCount + i));
  return tip >= 0 ? [...anchors, at(x, tip)] : anchors;
}

/** The direction across the axis in which points lie widest apart, by their second moments, and the one across that. */
export function widestWays(points: readonly Vector[], axis: Vector): readonly [Vector, Vector] {
  const [u, v] = acrossOf(axis);
  const centre = times(points.reduce(add, [0, 0, 0]), 1 / Math.max(1, points.length));
  let [uu, vv, uv] = [0, 0, 0];
  for (const point of points) {
    const off = minus(point, centre);
    const [a, b] = [dot(off, u), dot(off, v)];
    uu += a * a;
    vv += b * b;
    uv += a * b;
  }
  const turn = Math.atan2(2 * uv, uu - vv) / 2;
  return [add(times(u, Math.cos(turn)), times(v, Math.sin(turn))), add(times(u, -Math.sin(turn)), times(v, Math.cos(turn)))];
}

/** Area of a piece's skin, and the volume within it: seen from its own middle, with its first and last rounds capped there. */
function skinOf(
  net: FabricNet,
  index: number,
  x: ArrayLike<number>,
  rings: readonly RelaxedRing[],
): { readonly area: number; readonly volume: number } {
  const own = net.pieces[index]!;
  const { piece, first, tip } = own;
  const end = first + piece.fabric.stitchCount + piece.anchors;
  const mine = (node: number): boolean => (node >= first && node < end) || node === tip;
  let [area, volume] = [0, 0];
  const from = rings[0]?.centre ?? [0, 0, 0];
  for (let t = 0; t < net.triangles.length; t += 3) {
    if (!mine(net.triangleStitch[t / 3]!)) continue;
    const [a, b, c] = [0, 1, 2].map((k) => at(x, net.triangles[t + k]!)) as [Vector, Vector, Vector];
    const normal = cross(minus(b, a), minus(c, a));
    area += lengthOf(normal) / 2;
    volume += dot(minus(a, from), normal) / 6;
  }
  if (net.planar) return { area, volume: 0 };
  const rim = tip < 0 && !isRing(net.pieces, own) ? rings.at(-1) : undefined;
  return { area, volume: Math.max(0, volume + (rim ? capVolume(rim, from) : 0)) };
}

/** What a flat cap over the last round adds, seen from a point. */
function capVolume({ points, centre }: RelaxedRing, from: Vector): number {
  return points.reduce((sum, point, i) => {
    const next = points[(i + 1) % points.length]!;
    return sum + dot(minus(centre, from), cross(minus(next, centre), minus(point, centre))) / 6;
  }, 0);
}
