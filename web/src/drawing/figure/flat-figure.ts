import type { BodyShape } from '@lemniscus/core/shape';
import { turnedBy, type Stance } from '@lemniscus/core/assembly';
import type { FigureBody } from './figure-body';
import type { FigureView } from './figure-view';

/** A facet of the figure on paper: a path in stitch widths, y downwards, and its colour. */
export interface Facet {
  readonly path: string;
  readonly fill: string;
  readonly stitch: number | null;
  /** How near it is to whoever looks. */
  readonly depth: number;
}

/** Of a figure put together so many facets are drawn, as they are drawn anew whenever something moves. */
const MOST_TOGETHER = 1_400;
/** Most facets drawn; a larger figure is drawn with every second, third … triangle joined into its neighbour's colour. */
const MOST = 9_000;

/**
 * The figure without WebGL: its surface from where it is looked at, far facets first, shaded by how they face the light.
 * @param colours CSS colour of each of the shape's colours
 */
export function flatFigure(shape: BodyShape, colours: readonly string[], view: FigureView): Facet[] {
  const seen = projected(shape.positions, view);
  const { triangles, stitches } = shape;
  const stitchAt = new Map(Array.from(stitches.node, (node, i) => [node, i] as const));
  const facets: Facet[] = [];
  const all = Math.min(triangles.length, 3 * MOST);
  for (let t = 0; t < all; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!].map((node) => seen(node)) as [Seen, Seen, Seen];
    const facing = (b.x - a.x) * (c.y - a.y) - (b.y - a.y) * (c.x - a.x);
    if (facing >= 0) continue;
    const stitch = stitchAt.get(triangles[t]!) ?? stitchAt.get(triangles[t + 1]!) ?? null;
    const light = lightOn(a, b, c);
    const base = stitch === null ? undefined : colours[stitches.colour[stitch]!];
    const fill = `color-mix(in oklab, ${base ?? '#e6dcc6'} ${Math.round(100 * light)}%, #15181c)`;
    const path = `M${at(a)}L${at(b)}L${at(c)}Z`;
    facets.push({ path, fill, stitch, depth: a.z + b.z + c.z });
  }
  return facets.sort((one, other) => one.depth - other.depth);
}

/** The facets of bodies in their places in one figure, far ones first whichever body they are of. */
export function flatTogether(bodies: readonly FigureBody[], view: FigureView): (Facet & { readonly body: number })[] {
  return bodies
    .flatMap(({ shape, paint, stance }, body) =>
      flatFigure(stance ? { ...shape, positions: stoodIn(shape.positions, stance) } : shape, paint.colours, view).map(
        (facet) => ({ ...facet, body }),
      ),
    )
    .filter((_facet, index, all) => all.length <= MOST_TOGETHER || index % Math.ceil(all.length / MOST_TOGETHER) === 0)
    .sort((one, other) => one.depth - other.depth);
}

function stoodIn(positions: ArrayLike<number>, { turn, at }: Stance): Float32Array {
  const moved = new Float32Array(positions.length);
  for (let i = 0; i < positions.length; i += 3) {
    const [x, y, z] = turnedBy(turn, [positions[i]!, positions[i + 1]!, positions[i + 2]!]);
    moved.set([x + at[0], y + at[1], z + at[2]], i);
  }
  return moved;
}

interface Seen {
  readonly x: number;
  /** Downwards. */
  readonly y: number;
  /** Towards whoever looks. */
  readonly z: number;
}

const at = ({ x, y }: Seen): string => `${x.toFixed(2)} ${y.toFixed(2)}`;

/** Where a node is seen, straight ahead without perspective. */
export function projected(positions: ArrayLike<number>, { turn, tip }: FigureView): (node: number) => Seen {
  const [ct, st, cp, sp] = [Math.cos(turn), Math.sin(turn), Math.cos(tip), Math.sin(tip)];
  return (node) => {
    const [px, py, pz] = [positions[3 * node]!, positions[3 * node + 1]!, positions[3 * node + 2]!];
    const [x, z] = [px * ct - pz * st, px * st + pz * ct];
    return { x, y: z * sp - py * cp, z: z * cp + py * sp };
  };
}

/** From 0.45 in the shade to 1 where it faces the light, over the left shoulder. */
function lightOn(a: Seen, b: Seen, c: Seen): number {
  const [ux, uy, uz] = [b.x - a.x, b.y - a.y, b.z - a.z];
  const [vx, vy, vz] = [c.x - a.x, c.y - a.y, c.z - a.z];
  const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx];
  const length = Math.hypot(nx, ny, nz) || 1;
  const towards = Math.abs((-0.45 * nx - 0.62 * ny + 0.64 * nz) / length);
  return 0.45 + 0.55 * towards;
}

/** The outline of the figure seen so, as a path in millimetres at true scale: as wide as it is at every height. */
export function outlinePath(
  positions: ArrayLike<number>,
  view: FigureView,
  mmPerUnit: number,
): { path: string; width: number; height: number } {
  const seen = projected(positions, view);
  const points = Array.from({ length: positions.length / 3 }, (_, node) => seen(node));
  const lows = Math.min(...points.map(({ y }) => y));
  const highs = Math.max(...points.map(({ y }) => y));
  const left = Math.min(...points.map(({ x }) => x));
  const right = Math.max(...points.map(({ x }) => x));
  const slices = Math.max(4, Math.round((highs - lows) / 0.5));
  const bounds = Array.from({ length: slices }, (_, i) => {
    const [from, to] = [lows + ((highs - lows) * i) / slices, lows + ((highs - lows) * (i + 1)) / slices];
    const own = points.filter(({ y }) => y >= from - 0.6 && y <= to + 0.6).map(({ x }) => x);
    return { y: (from + to) / 2, low: Math.min(...own), high: Math.max(...own) };
  }).filter(({ low, high }) => Number.isFinite(low) && Number.isFinite(high));
  const put = (x: number, y: number): string => `${((x - left) * mmPerUnit).toFixed(2)} ${((y - lows) * mmPerUnit).toFixed(2)}`;
  const down = bounds.map(({ y, high }) => put(high, y));
  const up = [...bounds].reverse().map(({ y, low }) => put(low, y));
  return { path: `M${[...down, ...up].join('L')}Z`, width: (right - left) * mmPerUnit, height: (highs - lows) * mmPerUnit };
}
