import { DIAL, type DialChange, type DialModel, type DialStitch } from './dial-model';
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

type Point = readonly [number, number];

/** Paints the dial, with the angle `under` (turns) at the top, where the hook is. Worked stitches lie clockwise of it. */
export function paintDial(context: CanvasRenderingContext2D, model: DialModel, under: number, palette: DialPalette): void {
  const at = (angle: number, radius: number): Point => {
    const screen = 2 * Math.PI * (under - angle) - Math.PI / 2;
    return [Math.cos(screen) * radius, Math.sin(screen) * radius];
  };
  const visible = (depth: number): number => (depth === 0 ? 1 : Math.max(0.34, 0.92 - depth * 0.14));
  for (const stitch of model.stitches) paintStitch(context, stitch, at, palette, visible(stitch.depth));
  for (const change of model.changes) paintFork(context, change, at, palette, visible(change.depth));
  paintMarker(context, model, at, palette);
  paintHook(context, model.reach, palette);
}

type Placing = (angle: number, radius: number) => Point;

/** A stitch top: two strands, one on either side of the round, that meet at the tip towards the work. */
function paintStitch(
  context: CanvasRenderingContext2D,
  { angle, radius, half, state, change, loop, colour, depth }: DialStitch,
  at: Placing,
  palette: DialPalette,
  alpha: number,
): void {
  const thick = Math.min(11.5, radius * half * 2 * Math.PI * 0.66);
  const paint = yarnPaint(colour);
  const edge = (palette.evening ? paint.eveningEdge : undefined) ?? paint.edge;
  context.globalAlpha = alpha;
  context.setLineDash(state === 'ahead' ? [3, 2.6] : []);
  const changed = change === 'increase' ? palette.increase : change === 'decrease' ? palette.decrease : null;
  context.lineWidth = state === 'next' ? 2.8 : changed ? 2.2 : depth === 0 ? 1.3 : 1;
  context.strokeStyle = state === 'next' ? palette.act : (changed ?? (state === 'ahead' ? palette.faint : edge));
  for (const side of [1, -1]) {
    leaf(context, angle, radius, half, side * thick, at);
    if (state === 'worked') {
      context.fillStyle = paint.fill;
      context.fill();
    } else if (state === 'next') {
      context.fillStyle = palette.paper;
      context.fill();
    }
    context.stroke();
  }
  if (loop !== 'both') {
    // The loop left behind shows as a ridge below (BLO) or above (FLO) the stitch.
    const ridge = radius + (loop === 'back' ? -1 : 1) * thick * 1.55;
    stroke(context, [at(angle + half * 0.9, ridge), at(angle - half * 0.9, ridge)]);
  }
  context.setLineDash([]);
  context.globalAlpha = 1;
}

function leaf(context: CanvasRenderingContext2D, angle: number, radius: number, half: number, thick: number, at: Placing): void {
  const tip = at(angle + half * 0.96, radius + Math.sign(thick));
  const back = at(angle - half * 1.1, radius + thick);
  const outer = at(angle + half * 0.1, radius + thick * 1.4);
  const inner = at(angle - half * 0.2, radius + thick * 0.1);
  context.beginPath();
  context.moveTo(...tip);
  context.quadraticCurveTo(...outer, ...back);
  context.quadraticCurveTo(...inner, ...tip);
  context.closePath();
}

/**
 * The fork of a change in the gap below its round, so that it reads by shape from afar: an increase grows out of one
 * stitch and opens into two, a decrease gathers two and closes into one.
 */
function paintFork(
  context: CanvasRenderingContext2D,
  { change, made, parents, radius, depth, done }: DialChange,
  at: Placing,
  palette: DialPalette,
  alpha: number,
): void {
  const middle = (made[0] + made[1]) / 2;
  const low = radius - 25;
  const knot = at(middle, radius - (change === 'increase' ? 15 : 10));
  context.globalAlpha = alpha;
  context.strokeStyle = change === 'increase' ? palette.increase : palette.decrease;
  context.lineWidth = (depth === 0 ? 4.2 : 3) * (done ? 1 : 0.8);
  context.lineCap = 'round';
  if (change === 'increase') {
    stroke(context, [at(middle, low), knot]);
    for (const angle of made) stroke(context, [knot, at(angle, radius + 1)]);
  } else {
    for (const angle of parents) stroke(context, [at(middle + (angle - middle) * 0.9, low), knot]);
    stroke(context, [knot, at(middle, radius + 1)]);
  }
  context.lineCap = 'butt';
  context.globalAlpha = 1;
}

/** The stitch marker at the round's start. */
function paintMarker(context: CanvasRenderingContext2D, { marker }: DialModel, at: Placing, palette: DialPalette): void {
  const from = at(marker.angle, marker.radius - 13);
  const to = at(marker.angle, marker.radius + 30);
  context.strokeStyle = palette.act;
  context.fillStyle = palette.act;
  context.lineWidth = 4.5;
  context.lineCap = 'round';
  stroke(context, [from, to]);
  context.lineCap = 'butt';
  context.beginPath();
  context.arc(...to, 6.5, 0, 2 * Math.PI);
  context.fill();
}

function paintHook(context: CanvasRenderingContext2D, reach: number, palette: DialPalette): void {
  const tip = -reach - 19;
  context.strokeStyle = palette.ink;
  context.lineWidth = 7;
  context.lineCap = 'round';
  context.lineJoin = 'round';
  context.beginPath();
  context.moveTo(0, Math.min(-DIAL.half + 6, tip - 30));
  context.lineTo(0, tip);
  context.quadraticCurveTo(0, tip + 14, 12, tip + 12);
  context.quadraticCurveTo(19, tip + 10, 18, tip + 2);
  context.stroke();
  context.lineCap = 'butt';
}

function stroke(context: CanvasRenderingContext2D, [from, to]: readonly [Point, Point]): void {
  context.beginPath();
  context.moveTo(...from);
  context.lineTo(...to);
  context.stroke();
}
