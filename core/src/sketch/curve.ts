import type { Wish, WishPoint } from '../design/index.js';
import type { SketchOutline, SketchPoint } from './sketch.js';

/** Pieces that a curve between two points is made of. */
const PIECES = 8;

/**
 * The outline as it goes through its points: a smooth curve through those that are none of a corner (a centripetal
 * Catmull-Rom spline, which makes no loops; Yuksel et al. 2011, from memory), which meets the middle line at a right angle
 * where its first or last point lies on it.
 */
export function wishOf({ points, end, straight, bend = 0 }: SketchOutline): Wish {
  const curve: WishPoint[] = [];
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i]!, points[i + 1]!];
    const before = a.corner ? null : (points[i - 1] ?? mirrored(a, b));
    const after = b.corner ? null : (points[i + 2] ?? mirrored(b, a));
    const pieces = a.corner && b.corner ? 1 : PIECES;
    for (let k = 0; k < pieces; k++) curve.push(between(before ?? onward(b, a), a, b, after ?? onward(a, b), k / pieces));
  }
  const last = points.at(-1);
  if (last) curve.push({ r: last.r, z: last.z });
  return {
    points: curve.map(({ r, z }) => ({ r: Math.max(0, r), z })),
    end,
    ...(straight > 0 ? { straight } : {}),
    ...(bend > 0 && straight === 0 ? { bend } : {}),
  };
}

/** On the axis the other half of the outline goes on; elsewhere it goes on as it came. */
const mirrored = (at: SketchPoint, from: SketchPoint): WishPoint => (at.r === 0 ? { r: -from.r, z: from.z } : onward(from, at));

const onward = (from: WishPoint, to: WishPoint): WishPoint => ({ r: 2 * to.r - from.r, z: 2 * to.z - from.z });

function between(p0: WishPoint, p1: WishPoint, p2: WishPoint, p3: WishPoint, share: number): WishPoint {
  const knot = (t: number, a: WishPoint, b: WishPoint): number => t + Math.max(1e-6, Math.sqrt(Math.hypot(b.r - a.r, b.z - a.z)));
  const t0 = 0;
  const t1 = knot(t0, p0, p1);
  const t2 = knot(t1, p1, p2);
  const t3 = knot(t2, p2, p3);
  const t = t1 + (t2 - t1) * share;
  const mix = (a: WishPoint, b: WishPoint, from: number, to: number): WishPoint => {
    const part = (t - from) / (to - from);
    return { r: a.r + (b.r - a.r) * part, z: a.z + (b.z - a.z) * part };
  };
  const [a, b, c] = [mix(p0, p1, t0, t1), mix(p1, p2, t1, t2), mix(p2, p3, t2, t3)];
  return mix(mix(a, b, t0, t2), mix(b, c, t1, t3), t1, t2);
}

/** A few points, of many, that the curve goes through again: where it bends most, and where it is widest or narrowest. */
export function fewPoints(curve: readonly WishPoint[], near: number): readonly SketchPoint[] {
  const last = curve.length - 1;
  const kept = new Set([0, last]);
  const split = (from: number, to: number): void => {
    let [far, at] = [near, -1];
    for (let i = from + 1; i < to; i++) {
      const off = offLine(curve[i]!, curve[from]!, curve[to]!);
      if (off > far) [far, at] = [off, i];
    }
    if (at < 0) return;
    kept.add(at);
    split(from, at);
    split(at, to);
  };
  split(0, last);
  return [...kept]
    .sort((a, b) => a - b)
    .map((i): SketchPoint => ({ r: curve[i]!.r, z: curve[i]!.z, corner: isCorner(curve, i), edge: false }));
}

function offLine(point: WishPoint, a: WishPoint, b: WishPoint): number {
  const length = Math.hypot(b.r - a.r, b.z - a.z);
  if (length === 0) return Math.hypot(point.r - a.r, point.z - a.z);
  return Math.abs((b.r - a.r) * (a.z - point.z) - (a.r - point.r) * (b.z - a.z)) / length;
}

/** Turns sharper than this between two pieces of a curve are corners (our own estimate). */
const SHARP = Math.PI / 3;

function isCorner(curve: readonly WishPoint[], i: number): boolean {
  const [a, b, c] = [curve[i - 1], curve[i]!, curve[i + 1]];
  if (!a || !c) return false;
  const turn = Math.atan2(c.z - b.z, c.r - b.r) - Math.atan2(b.z - a.z, b.r - a.r);
  return Math.abs(Math.atan2(Math.sin(turn), Math.cos(turn))) > SHARP;
}
