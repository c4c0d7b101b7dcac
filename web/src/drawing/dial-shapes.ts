import { STITCHES, type StitchName } from '@lemniscus/core/notation';
import type { DialChange, DialHook, DialLayer, DialPlace, DialStitch } from './dial-model';
import { pointAt, type Track } from './dial-track';
import { yarnPaint } from './yarn-colour';

/** Colours of the page, read from its theme. */
export interface DialPalette {
  readonly paper: string;
  readonly ink: string;
  readonly faint: string;
  readonly act: string;
  readonly increase: string;
  readonly decrease: string;
  readonly evening: boolean;
}

/** Lines and areas of one look, laid out on the track: drawn in one go, wherever the work is turned to. */
export interface Shape {
  /** SVG path data in the dial's units. */
  readonly d: string;
  readonly alpha: number;
  readonly fill: string | null;
  readonly stroke: string;
  readonly width: number;
  readonly dashed: boolean;
}

type Look = Omit<Shape, 'd'>;
type Placing = (angle: number, radius: number) => string;

/** Yarn-overs that a stitch's post is crossed by, as stitch charts draw them (common practice). */
export const BARS: Readonly<Partial<Record<StitchName, number>>> = {
  dc: 1,
  tr: 2,
  fpdc: 1,
  bpdc: 1,
  fptr: 2,
  bptr: 2,
};

/** Gathers paths of the same look; looks come in the order they were first used. */
class Shapes {
  private readonly all = new Map<string, { readonly look: Look; readonly paths: string[] }>();

  add(look: Look, ...paths: readonly string[]): void {
    const key = `${look.alpha} ${look.fill} ${look.stroke} ${look.width} ${look.dashed}`;
    const known = this.all.get(key);
    if (known) known.paths.push(...paths);
    else this.all.set(key, { look, paths: [...paths] });
  }

  list(): readonly Shape[] {
    return [...this.all.values()].map(({ look, paths }) => ({ ...look, d: paths.join('') }));
  }
}

/** Lays a layer out as shapes, which hold until the layer, the track or the colours change. */
export function layerShapes(layer: DialLayer, track: Track, palette: DialPalette): readonly Shape[] {
  const at: Placing = (angle, radius) => point(pointAt(track, angle, radius));
  const shapes = new Shapes();
  for (const stitch of layer.stitches) addStitch(shapes, stitch, at, palette);
  for (const seam of layer.seams) addSeam(shapes, seam, track, palette);
  for (const skip of layer.skips) addSkip(shapes, skip, track, palette);
  for (const change of layer.changes) addFork(shapes, change, at, palette);
  if (layer.ring) addRing(shapes, layer.ring, track, palette);
  return shapes.list();
}

/** A pin: a small ring where something goes. */
export function pinShapes(
  pins: readonly { readonly angle: number; readonly radius: number }[],
  track: Track,
  { act, evening }: DialPalette,
): readonly Shape[] {
  return pins.map(({ angle, radius }) => {
    const [x, y] = pointAt(track, angle, radius);
    return {
      d: `M${x - PIN} ${y}a${PIN} ${PIN} 0 1 0 ${2 * PIN} 0a${PIN} ${PIN} 0 1 0 ${-2 * PIN} 0Z`,
      alpha: 1,
      fill: evening ? '#22272c' : '#fffdf8',
      stroke: act,
      width: 3.4,
      dashed: false,
    };
  });
}
const PIN = 6.5;

/** The stitch marker at the round's start. */
export function markerShapes({ angle, radius }: DialHook['marker'], track: Track, { act }: DialPalette): readonly Shape[] {
  const end = pointAt(track, angle, radius + 30);
  const look = { alpha: 1, stroke: act, dashed: false };
  return [
    { ...look, fill: null, width: 4.5, d: line(point(pointAt(track, angle, radius - 13)), point(end)) },
    { ...look, fill: act, width: 1, d: dot(end, 6) },
  ];
}

const point = ([x, y]: readonly [number, number]): string => `${x.toFixed(2)} ${y.toFixed(2)}`;
const line = (from: string, to: string): string => `M${from}L${to}`;
function dot([x, y]: readonly [number, number], radius: number): string {
  const [right, left] = [point([x + radius, y]), point([x - radius, y])];
  return `M${right}A${radius} ${radius} 0 1 1 ${left}A${radius} ${radius} 0 1 1 ${right}Z`;
}
const visible = (depth: number): number => (depth === 0 ? 1 : Math.max(0.34, 0.92 - depth * 0.14));

/** A stitch as its top is seen, with the post of a tall one below it. */
function addStitch(shapes: Shapes, one: DialStitch, at: Placing, palette: DialPalette): void {
  const { angle, radius, half, state, change, loop, colour, depth, stitch, post } = one;
  const thick = Math.min(11.5, radius * half * 2 * Math.PI * 0.66);
  const paint = yarnPaint(colour);
  const edge = (palette.evening ? paint.eveningEdge : undefined) ?? paint.edge;
  const changed = change === 'increase' ? palette.increase : change === 'decrease' ? palette.decrease : null;
  const look: Look = {
    alpha: visible(depth),
    dashed: state === 'ahead',
    width: state === 'next' ? 2.8 : changed ? 2.2 : depth === 0 ? 1.3 : 1,
    stroke: state === 'next' ? palette.act : (changed ?? (state === 'ahead' ? palette.faint : edge)),
    fill: state === 'worked' ? paint.fill : state === 'next' ? palette.paper : null,
  };
  const stroke: Look = { ...look, fill: null };
  if (STITCHES[stitch].look === 'bump' && stitch !== 'ch') {
    shapes.add(look, bead(angle, radius, half * 1.05, thick * 1.5, at));
    shapes.add({ ...stroke, width: 1.6 }, line(at(angle - half * 0.4, radius), at(angle + half * 0.4, radius)));
  } else if (stitch === 'ch') {
    shapes.add(look, bead(angle, radius, half * 0.9, thick * 0.6, at));
  } else {
    const flat = stitch === 'sl st' ? 0.5 : 1;
    for (const side of [1, -1]) shapes.add(look, leaf(angle, radius, half, side * thick * flat, at));
    if (post > 0)
      shapes.add(
        { ...stroke, dashed: false, width: 2.6 },
        postOf(angle, half, radius - thick, post + thick * 0.8, BARS[stitch] ?? 0, at),
      );
  }
  if (loop !== 'both') {
    // The loop left behind shows as a ridge below (BLO) or above (FLO) the stitch.
    const ridge = radius + (loop === 'back' ? -1 : 1) * thick * 1.55;
    shapes.add({ ...stroke, width: 2.6 }, line(at(angle + half * 0.9, ridge), at(angle - half * 0.9, ridge)));
  }
}

/** A stitch wider than this, turns either way, bends along its round. */
const BENDS_FROM = 0.03;
const BENT_STEPS = 7;

/** A strand of a wide stitch: as a leaf, but along the round. */
function bentLeaf(angle: number, radius: number, half: number, thick: number, at: Placing): string {
  const between = (from: Pair, over: Pair, to: Pair): string[] =>
    Array.from({ length: BENT_STEPS }, (_, i) => {
      const t = (i + 1) / BENT_STEPS;
      const mix = (k: 0 | 1): number => (1 - t) ** 2 * from[k] + 2 * t * (1 - t) * over[k] + t * t * to[k];
      return at(mix(0), mix(1));
    });
  const tip: Pair = [angle + half * 0.96, radius + Math.sign(thick)];
  const back: Pair = [angle - half * 1.02, radius + thick];
  const out = between(tip, [angle + half * 0.1, radius + thick * 1.4], back);
  const home = between(back, [angle - half * 0.2, radius + thick * 0.1], tip);
  return `M${at(...tip)}L${[...out, ...home].join('L')}Z`;
}
type Pair = readonly [number, number];

/** One strand of a stitch top; two of them meet at the tip towards the work. */
function leaf(angle: number, radius: number, half: number, thick: number, at: Placing): string {
  if (half > BENDS_FROM) return bentLeaf(angle, radius, half, thick, at);
  const tip = at(angle + half * 0.96, radius + Math.sign(thick));
  const outer = at(angle + half * 0.1, radius + thick * 1.4);
  const inner = at(angle - half * 0.2, radius + thick * 0.1);
  return `M${tip}Q${outer} ${at(angle - half * 1.1, radius + thick)}Q${inner} ${tip}Z`;
}

/** A chain or another bump from above: one rounded bump. */
function bead(angle: number, radius: number, half: number, thick: number, at: Placing): string {
  const tip = at(angle + half, radius);
  const side = (way: number): [string, string] => [
    at(angle + half * 0.7, radius + way * thick),
    at(angle - half * 0.7, radius + way * thick),
  ];
  const [outerTip, outerBack] = side(1);
  const [innerTip, innerBack] = side(-1);
  return `M${tip}C${outerTip} ${outerBack} ${at(angle - half, radius)}C${innerBack} ${innerTip} ${tip}Z`;
}

/** The post of a tall stitch, with a slanted bar for each of its yarn-overs. */
function postOf(angle: number, half: number, top: number, long: number, bars: number, at: Placing): string {
  let path = line(at(angle, top), at(angle, top - long));
  for (let bar = 1; bar <= bars; bar++) {
    const middle = top - (long * bar) / (bars + 1);
    path += line(at(angle - half * 0.4, middle - 3), at(angle + half * 0.4, middle + 3));
  }
  return path;
}

/**
 * The fork of a change in the gap below its round, so that it reads by shape from afar: an increase grows out of one
 * stitch and opens into two, a decrease gathers two and closes into one.
 */
function addFork(
  shapes: Shapes,
  { change, made, parents, radius, depth, done }: DialChange,
  at: Placing,
  palette: DialPalette,
): void {
  const middle = (made[0] + made[1]) / 2;
  const low = radius - 25;
  const top = radius + 1;
  const knot = at(middle, radius - (change === 'increase' ? 15 : 10));
  const lines =
    change === 'increase'
      ? [line(at(middle, low), knot), ...made.map((angle) => line(knot, at(angle, top)))]
      : [...parents.map((angle) => line(at(middle + (angle - middle) * 0.9, low), knot)), line(knot, at(middle, top))];
  shapes.add(
    {
      alpha: visible(depth),
      fill: null,
      dashed: false,
      stroke: change === 'increase' ? palette.increase : palette.decrease,
      width: (depth === 0 ? 4.2 : 3) * (done ? 1 : 0.8),
    },
    ...lines,
  );
}

/** The ring of yarn that the first round is worked into, drawn shut by its tail. */
function addRing(shapes: Shapes, { angle, radius, depth }: DialPlace, track: Track, { faint }: DialPalette): void {
  const look: Look = { alpha: visible(depth), fill: null, dashed: false, stroke: faint, width: 3 };
  const from = pointAt(track, angle, radius);
  const tail = `M${point(from)}Q${point(pointAt(track, angle - 0.05, radius - 6))} ${point(pointAt(track, angle - 0.11, radius - 20))}`;
  shapes.add(look, dot([0, 0], radius), tail);
}

/** The slip stitch that joins a round to its start, where the seam creeps. */
function addSeam(shapes: Shapes, { angle, radius, depth }: DialPlace, track: Track, { ink }: DialPalette): void {
  const [x, y] = pointAt(track, angle, radius + 10);
  shapes.add(
    { alpha: visible(depth), fill: ink, stroke: ink, dashed: false, width: 2 },
    line(point(pointAt(track, angle, radius - 17)), point([x, y])),
    dot([x, y], 3.4),
  );
}

/** A small cross over what is passed. */
function addSkip(shapes: Shapes, { angle, radius, depth }: DialPlace, track: Track, { ink }: DialPalette): void {
  const [x, y] = pointAt(track, angle, radius);
  shapes.add(
    { alpha: visible(depth), fill: null, stroke: ink, dashed: false, width: 2 },
    line(point([x - 5, y - 5]), point([x + 5, y + 5])),
    line(point([x - 5, y + 5]), point([x + 5, y - 5])),
  );
}

export const DASHES = [3, 2.6];

/** Paints shapes on a canvas that is set up in the dial's units. */
export function paintShapes(context: CanvasRenderingContext2D, shapes: readonly Shape[]): void {
  context.lineCap = 'round';
  for (const { d, alpha, fill, stroke, width, dashed } of shapes) {
    const path = new Path2D(d);
    context.globalAlpha = alpha;
    if (fill) {
      context.fillStyle = fill;
      context.fill(path);
    }
    context.strokeStyle = stroke;
    context.lineWidth = width;
    context.setLineDash(dashed ? DASHES : []);
    context.stroke(path);
  }
  context.globalAlpha = 1;
}
