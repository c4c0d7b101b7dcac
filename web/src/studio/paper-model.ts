import { along, type WishPoint } from '@lemniscus/core/design';
import { ringsOf, type Profile } from '@lemniscus/core/shape';
import { outlineSize, wishOf, type SketchOutline, type SketchPoint } from '@lemniscus/core/sketch';
import { line } from 'd3-shape';

/** CSS pixels in a millimetre: 96 to the inch. */
export const TRUE_SCALE = 96 / 25.4;
/** Room round a drawing, mm. */
const MARGIN = 5;
const SCALES = [2, 1, 3 / 4, 1 / 2, 1 / 3, 1 / 5, 1 / 10, 1 / 20];

/** A piece of paper: how large a millimetre is on it, and where its middle line and its foot are; pixels. */
export interface Sheet {
  readonly width: number;
  readonly height: number;
  /** Pixels a millimetre. */
  readonly scale: number;
  /** Paper over the thing: 1 is true scale. */
  readonly times: number;
  readonly axis: number;
  /** Where a height of nothing is, and whether heights go up from there: what hangs from its start goes down. */
  readonly foot: number;
  readonly up: 1 | -1;
  /** Where the table is. */
  readonly table: number;
}

/** The largest scale at which an outline has room; true scale where that is enough. */
export function sheetFor(outline: SketchOutline, width: number, height: number, stands: boolean): Sheet {
  const { across, tall } = outlineSize(outline);
  const room = (times: number): boolean =>
    (across + 2 * MARGIN) * times * TRUE_SCALE <= width && (tall + 2 * MARGIN) * times * TRUE_SCALE <= height;
  // Only what is tiny is drawn larger than it is.
  const tiny = outline.points.length > 1 && Math.max(across, tall) < 24;
  const fitting = SCALES.filter((times) => times <= 1 || tiny);
  const times = fitting.find(room) ?? SCALES.at(-1)!;
  const scale = times * TRUE_SCALE;
  const low = outline.points.length > 0 ? Math.min(...outline.points.map(({ z }) => z)) : 0;
  const table = (height + tall * scale) / 2;
  const foot = stands ? table + low * scale : table - (low + tall) * scale;
  return { width, height, scale, times, axis: width / 2, foot, up: stands ? 1 : -1, table };
}

export const xOf = ({ axis, scale }: Sheet, r: number): number => axis + r * scale;
export const yOf = ({ foot, scale, up }: Sheet, z: number): number => foot - up * z * scale;

/** Where on the paper a pixel is, mm. */
export const spotAt = ({ axis, foot, scale, up }: Sheet, x: number, y: number): WishPoint => ({
  r: (x - axis) / scale,
  z: (up * (foot - y)) / scale,
});

const path = line<WishPoint>();

/** A line through points, on one side of the middle line or the other. */
export function pathOf(sheet: Sheet, points: readonly WishPoint[], side: 1 | -1 = 1): string {
  return path.x(({ r }) => xOf(sheet, side * r)).y(({ z }) => yOf(sheet, z))(points) ?? '';
}

/** The region between a shape and what was drawn, on both sides, to be filled by the even-odd rule. */
export function betweenPath(sheet: Sheet, wish: readonly WishPoint[], shape: readonly WishPoint[]): string {
  return ([1, -1] as const).map((side) => `${pathOf(sheet, [...wish, ...[...shape].reverse()], side)}Z`).join('');
}

/** The stuffed shape as it lies on what was drawn, mm. */
export function shapeOn(profile: Profile, lift: number): readonly WishPoint[] {
  return ringsOf(profile).map(({ r, z }) => ({ r, z: z + lift }));
}

/** An outline with one of its points elsewhere, or of another kind. */
export function withPoint(outline: SketchOutline, index: number, point: Partial<SketchPoint>): SketchOutline {
  const { points, end } = outline;
  const before = points[index]!;
  const next = { ...before, ...point };
  const first = index === 0 && before.r === 0;
  const last = index === points.length - 1 && end === 'shut';
  // What is on the middle line stays there: a pole is dragged up and down only.
  return { ...outline, points: points.with(index, { ...next, r: first || last ? 0 : Math.max(0, next.r) }) };
}

/** An outline with a point more on its curve, near a spot; and its index. */
export function withPointNear(
  outline: SketchOutline,
  spot: WishPoint,
): { readonly outline: SketchOutline; readonly index: number } {
  const curve = along(wishOf(outline).points);
  let [best, share] = [Infinity, 0];
  for (let i = 0; i <= 400; i++) {
    const at = curve.at(i / 400);
    const off = Math.hypot(at.r - spot.r, at.z - spot.z);
    if (off < best) [best, share] = [off, i / 400];
  }
  const at = curve.at(share);
  const index = Math.min(outline.points.length - 1, Math.max(1, indexAt(outline, share)));
  const point: SketchPoint = { r: at.r, z: at.z, corner: false, edge: false };
  return { outline: { ...outline, points: outline.points.toSpliced(index, 0, point) }, index };
}

/** How many points come before a share of the curve. */
function indexAt(outline: SketchOutline, share: number): number {
  const whole = along(wishOf(outline).points).wall;
  const before = outline.points.map(
    (_, i) => along(wishOf({ ...outline, points: outline.points.slice(0, i + 1) }).points).wall / whole,
  );
  return before.filter((each) => each <= share).length;
}

/** An outline without one of its points; two stay. */
export function withoutPoint(outline: SketchOutline, index: number): SketchOutline {
  if (outline.points.length <= 2) return outline;
  return closed({ ...outline, points: outline.points.toSpliced(index, 1) });
}

/** Upside down: what was its end is its start. */
export function turnedOver(outline: SketchOutline): SketchOutline {
  const high = Math.max(...outline.points.map(({ z }) => z));
  const low = Math.min(...outline.points.map(({ z }) => z));
  const points = outline.points.map((point) => ({ ...point, z: high + low - point.z })).reverse();
  const open = outline.points[0]!.r > 0;
  return { ...outline, points, end: open ? 'open' : 'shut' };
}

/** Its upper half as its lower half is. */
export function mirroredUp(outline: SketchOutline): SketchOutline {
  const [low, high] = [Math.min(...outline.points.map(({ z }) => z)), Math.max(...outline.points.map(({ z }) => z))];
  const middle = (low + high) / 2;
  const lower = outline.points.filter(({ z }) => z < middle - 0.5);
  const waist = outline.points.filter(({ z }) => Math.abs(z - middle) <= 0.5);
  const upper = [...lower].reverse().map((point) => ({ ...point, z: 2 * middle - point.z }));
  const between =
    waist.length > 0 ? waist : [{ r: along(wishOf(outline).points).at(0.5).r, z: middle, corner: false, edge: false }];
  return { ...outline, points: [...lower, ...between, ...upper], end: outline.points[0]!.r > 0 ? 'open' : 'shut' };
}

/** A last point on the middle line draws it shut. */
export function closed(outline: SketchOutline): SketchOutline {
  const last = outline.points.at(-1);
  return last ? { ...outline, end: last.r === 0 ? 'shut' : outline.end === 'shut' ? 'open' : outline.end } : outline;
}

/** A spot on the grid of stitches round and rounds up. */
export function snapped({ r, z }: WishPoint, { width, height }: { readonly width: number; readonly height: number }): WishPoint {
  const aStitch = width / (2 * Math.PI);
  return { r: Math.round(r / aStitch) * aStitch, z: Math.round(z / height) * height };
}

/** Where the end of a round lies on the shape, for a line across it; null for one that is not there. */
export function ringAt(profile: Profile, round: number, lift: number): WishPoint | null {
  const ring = ringsOf(profile)[round];
  return ring ? { r: ring.r, z: ring.z + lift } : null;
}
