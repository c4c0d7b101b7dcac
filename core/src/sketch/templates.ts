import { primitive, type Primitive } from '../design/index.js';
import { fewPoints } from './curve.js';
import type { SketchOutline, SketchPoint } from './sketch.js';

/** A plain body or head to begin with, invented here. */
export interface Template {
  readonly id: string;
  readonly name: string;
  readonly outline: SketchOutline;
}

type Spot = readonly [r: number, z: number, kind?: 'corner' | 'edge'];

const outline = (end: SketchOutline['end'], straight: number, ...spots: readonly Spot[]): SketchOutline => ({
  end,
  straight,
  points: spots.map(([r, z, kind]): SketchPoint => ({ r, z, corner: kind !== undefined, edge: kind === 'edge' })),
});

/** Sizes in mm, from where the work starts: the crown of what hangs, the base of what stands. Each is drawn for itself. */
export const TEMPLATES: readonly Template[] = [
  {
    id: 'pear',
    name: 'Pear body',
    outline: outline('shut', 0, [0, 0], [20, 14], [28, 34], [37, 66], [30, 90], [0, 100]),
  },
  {
    id: 'pot',
    name: 'Pot body, stands',
    outline: outline('shut', 0, [0, 0, 'corner'], [29, 0, 'edge'], [35, 22], [33, 52], [20, 74], [0, 82]),
  },
  { id: 'round head', name: 'Round head', outline: outline('open', 0, [0, 0], [26, 10], [35, 34], [26, 58], [14, 66]) },
  { id: 'broad head', name: 'Broad head', outline: outline('open', 0, [0, 0], [32, 8], [43, 28], [30, 50], [16, 57]) },
  {
    id: 'snout head',
    name: 'Head from its snout',
    outline: outline('shut', 0, [0, 0], [12, 3], [17, 16], [25, 28], [35, 46], [27, 70], [0, 82]),
  },
  { id: 'bell', name: 'Bell, open below', outline: outline('open', 0, [0, 0], [22, 7], [30, 28], [34, 56], [42, 72]) },
  {
    id: 'bottle',
    name: 'Head and body in one',
    outline: outline('shut', 0, [0, 0], [22, 10], [29, 28], [25, 44], [17, 58], [22, 68], [32, 96], [26, 122], [0, 130]),
  },
  {
    id: 'loaf',
    name: 'Loaf, on an oval',
    outline: outline('shut', 34, [0, 0, 'corner'], [24, 0, 'edge'], [29, 18], [22, 40], [0, 50]),
  },
];

/** A primitive as an outline with few points. */
export function outlineOfPrimitive(shape: Primitive): SketchOutline {
  const { points, end, straight = 0, bend = 0 } = primitive(shape);
  const few = fewPoints(points, 0.012 * Math.max(...points.map(({ r, z }) => Math.max(r, z))));
  // An egg and a drop are widest below, so their work starts at the tip.
  return {
    end,
    straight,
    bend,
    ring: shape.is === 'ring',
    points: shape.is === 'egg' || shape.is === 'drop' ? upended(few) : few,
  };
}

function upended(points: readonly SketchPoint[]): readonly SketchPoint[] {
  const high = Math.max(...points.map(({ z }) => z));
  return points.map((point) => ({ ...point, z: high - point.z })).reverse();
}

/** What somebody measured: so wide, so tall, and whether it stands. */
export function outlineOfMeasures(across: number, tall: number, stands: boolean): SketchOutline {
  const half = across / 2;
  if (!stands) return outlineOfPrimitive(across === tall ? { is: 'ball', across } : { is: 'egg', across, tall });
  return outline('shut', 0, [0, 0, 'corner'], [half * 0.8, 0, 'edge'], [half, tall * 0.3], [half * 0.85, tall * 0.72], [0, tall]);
}
