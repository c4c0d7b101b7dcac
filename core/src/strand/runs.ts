import { curveOf } from './curve.js';
import { look, type Camera } from './camera.js';
import { lengthOf, minus, type Vector } from '../vector/index.js';

/** Something long and round: yarn, thread, a hook, a needle, a finger. */
export interface Strand {
  readonly id: string;
  readonly knots: readonly Vector[];
  /** Half its thickness in stitch widths; at each knot, where it differs. */
  readonly radius: number | readonly number[];
}

/** A piece of a strand that lies on one layer, as it is seen. */
export interface Run {
  readonly strand: string;
  /** On paper: to the right, down, in stitch widths; both ends are points of the neighbouring runs too. */
  readonly points: readonly (readonly [number, number])[];
  /** Half its thickness, one for each point. */
  readonly radii: readonly number[];
  /** How far along its strand it begins, in stitch widths, so that marks along the strand go on. */
  readonly from: number;
  /** How near it lies, on average, whatever it is looked at from: less than 0 is behind the work. */
  readonly near: number;
  /** Where it lies over another: index ranges of its points, both ends included. */
  readonly over: readonly (readonly [number, number])[];
  /** Whether each end is the strand's own. */
  readonly ends: readonly [boolean, boolean];
}

interface Seen {
  readonly strand: number;
  readonly at: number;
  readonly x: number;
  readonly y: number;
  readonly depth: number;
  readonly near: number;
  readonly radius: number;
  /** Length of the strand up to here. */
  readonly along: number;
}

/** Pieces between two knots, at least, and their greatest length: shorter than any strand is thick. */
const SMOOTH = 3;
const PIECE = 0.16;
/** A strand does not cover itself nearer than this many of its thicknesses. */
const OWN = 1.6;

/** More rows of cells than any drawing has. */
const ROWS = 1 << 16;

const OVER = 1;
const UNDER = 2;

/**
 * Strands as runs, from the back to the front: each is cut wherever it goes from over to under another, so that drawing the
 * runs one after the other, each with a casing, has every crossing right. Where strands lie over one another in a circle
 * the deeper goes first.
 */
export function runsOf(strands: readonly Strand[], camera: Camera): readonly Run[] {
  const seen = strands.map((strand, i) => project(strand, i, camera));
  const pairs = overlaps(seen.flat());
  const sides = seen.map((points) => new Uint8Array(points.length));
  for (const [upper, lower] of pairs) {
    sides[upper.strand]![upper.at]! |= OVER;
    sides[lower.strand]![lower.at]! |= UNDER;
  }
  const runOf = seen.map((points) => new Uint32Array(points.length));
  const runs: { strand: number; first: number; last: number }[] = [];
  for (const [strand, points] of seen.entries()) {
    for (const [first, last] of cuts(sides[strand]!)) {
      runOf[strand]!.fill(runs.length, first, last + 1);
      runs.push({ strand, first, last: Math.min(last + 1, points.length - 1) });
    }
  }
  const depths = runs.map(({ strand, first, last }) => mean(seen[strand]!.slice(first, last + 1).map(({ depth }) => depth)));
  const order = backToFront(
    depths,
    pairs.map(([upper, lower]) => [runOf[upper.strand]![upper.at]!, runOf[lower.strand]![lower.at]!] as const),
  );
  return order.map((run) => asRun(runs[run]!, strands, seen, sides));
}

function project({ knots, radius }: Strand, strand: number, camera: Camera): readonly Seen[] {
  const pieces = knots.slice(1).map((knot, i) => Math.max(SMOOTH, Math.ceil(lengthOf(minus(knot, knots[i]!)) / PIECE)));
  const radii = [
    ...pieces.flatMap((count, i) => Array.from({ length: count }, (_, k) => radiusAt(radius, i + k / count))),
    radiusAt(radius, knots.length - 1),
  ];
  const curve = curveOf(knots, pieces);
  let along = 0;
  let before: Vector | null = null;
  return curve.map((point, at) => {
    const [x, y, depth] = look(point, camera);
    if (before) along += Math.hypot(x - before[0], y - before[1]);
    before = [x, y, depth];
    return { strand, at, x, y, depth, near: point[2], radius: radii[at]!, along };
  });
}

function radiusAt(radius: Strand['radius'], knot: number): number {
  if (typeof radius === 'number') return radius;
  const low = Math.min(Math.floor(knot), radius.length - 1);
  const high = Math.min(low + 1, radius.length - 1);
  return radius[low]! + (radius[high]! - radius[low]!) * (knot - low);
}

/** Points that cover each other, the upper first. */
function overlaps(points: readonly Seen[]): readonly (readonly [Seen, Seen])[] {
  const cell = 2 * Math.max(0.05, ...points.map(({ radius }) => radius));
  const grid = new Map<number, Seen[]>();
  const found: (readonly [Seen, Seen])[] = [];
  for (const point of points) {
    const [column, row] = [Math.floor(point.x / cell), Math.floor(point.y / cell)];
    for (let dx = -1; dx <= 1; dx++)
      for (let dy = -1; dy <= 1; dy++)
        for (const other of grid.get((column + dx) * ROWS + row + dy) ?? [])
          if (covers(point, other)) found.push(point.depth > other.depth ? [point, other] : [other, point]);
    const key = column * ROWS + row;
    const there = grid.get(key);
    if (there) there.push(point);
    else grid.set(key, [point]);
  }
  return found;
}

function covers(a: Seen, b: Seen): boolean {
  const reach = a.radius + b.radius;
  const [dx, dy] = [a.x - b.x, a.y - b.y];
  if (dx * dx + dy * dy > reach * reach) return false;
  return a.strand !== b.strand || Math.abs(a.along - b.along) > OWN * reach;
}

/** Index ranges of a strand that lie on one layer: cut half way between where it is over and where it is under another. */
function cuts(sides: Uint8Array): readonly (readonly [number, number])[] {
  const ranges: [number, number][] = [];
  let first = 0;
  let known = -1;
  for (let i = 0; i < sides.length; i++) {
    if (sides[i] === 0) continue;
    if (known >= 0 && sides[i] !== sides[known]) {
      // One point is no run: the last of a strand stays with the one before it.
      const cut = Math.min(Math.ceil((known + i) / 2), sides.length - 2);
      if (cut > first) {
        ranges.push([first, cut - 1]);
        first = cut;
      }
    }
    known = i;
  }
  ranges.push([first, sides.length - 1]);
  return ranges;
}

/** Runs in an order in which each comes after all that it lies over; of several that could be next, the deepest. */
function backToFront(depths: readonly number[], pairs: readonly (readonly [number, number])[]): readonly number[] {
  const above = depths.map(() => new Set<number>());
  const below = depths.map(() => 0);
  for (const [upper, lower] of pairs) {
    if (upper === lower || above[lower]!.has(upper)) continue;
    above[lower]!.add(upper);
    below[upper]!++;
  }
  const waiting = new Set(depths.keys());
  const byDepth = [...depths.keys()].sort((a, b) => depths[a]! - depths[b]!);
  const order: number[] = [];
  let ready = byDepth.filter((run) => below[run] === 0);
  while (waiting.size > 0) {
    if (ready.length === 0) ready = [byDepth.find((run) => waiting.has(run))!];
    const next: number[] = [];
    for (const run of ready) {
      if (!waiting.delete(run)) continue;
      order.push(run);
      for (const over of above[run]!) {
        below[over] = below[over]! - 1;
        if (below[over] === 0) next.push(over);
      }
    }
    ready = next.sort((a, b) => depths[a]! - depths[b]!);
  }
  return order;
}

function asRun(
  { strand, first, last }: { readonly strand: number; readonly first: number; readonly last: number },
  strands: readonly Strand[],
  seen: readonly (readonly Seen[])[],
  sides: readonly Uint8Array[],
): Run {
  const points = seen[strand]!.slice(first, last + 1);
  return {
    strand: strands[strand]!.id,
    points: points.map(({ x, y }) => [x, y]),
    radii: points.map(({ radius }) => radius),
    from: points[0]!.along,
    near: mean(points.map(({ near }) => near)),
    over: rangesWhere(points, ({ at }) => Boolean((sides[strand]?.[at] ?? 0) & OVER)),
    ends: [first === 0, last === seen[strand]!.length - 1],
  };
}

function rangesWhere<T>(items: readonly T[], holds: (item: T) => boolean): readonly (readonly [number, number])[] {
  const ranges: [number, number][] = [];
  for (const [i, item] of items.entries()) {
    if (!holds(item)) continue;
    const open = ranges.at(-1);
    if (open?.[1] === i - 1) open[1] = i;
    else ranges.push([i, i]);
  }
  return ranges;
}

const mean = (values: readonly number[]): number => values.reduce((sum, each) => sum + each, 0) / Math.max(values.length, 1);
