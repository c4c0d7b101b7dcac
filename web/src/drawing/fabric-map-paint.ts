import type { Fabric } from '@lemniscus/core/fabric';
import { scaleLinear } from 'd3-scale';
import { area, curveStep } from 'd3-shape';
import { wrap, type MapChange, type MapModel } from './fabric-map-model';
import { yarnPaint } from './yarn-colour';

export interface MapPalette {
  readonly paper: string;
  readonly ink: string;
  readonly soft: string;
  readonly line: string;
  readonly act: string;
  readonly actWash: string;
  readonly increase: string;
  readonly decrease: string;
  readonly shade: string;
}

/** Where things lie on the map, CSS pixels. */
export interface MapLayout {
  readonly width: number;
  readonly height: number;
  readonly row: number;
  /** Left edge and width of the unrolled wall; the counts stand to its right. */
  readonly left: number;
  readonly wall: number;
}

const MARGIN = { left: 52, right: 8, top: 12, bottom: 12 };
const COUNTS = 96;
const LEAST_ROW = 9;
const MOST_ROW = 34;

export function layoutOf(rounds: number, width: number, height: number, counts: boolean): MapLayout {
  const space = Math.max(0, height - MARGIN.top - MARGIN.bottom);
  const row = Math.min(MOST_ROW, Math.max(LEAST_ROW, space / Math.max(1, rounds)));
  const own = row * rounds + MARGIN.top + MARGIN.bottom;
  const right = MARGIN.right + (counts ? COUNTS : 0);
  return { width, height: own, row, left: MARGIN.left, wall: Math.max(40, width - MARGIN.left - right) };
}

/** The round under a point of the map, or null beyond it. */
export function roundAt({ height, row }: MapLayout, rounds: number, y: number): number | null {
  const round = Math.floor((height - MARGIN.bottom - y) / row);
  return round >= 0 && round < rounds ? round : null;
}

interface Scene {
  readonly context: CanvasRenderingContext2D;
  readonly layout: MapLayout;
  readonly palette: MapPalette;
  /** Middle of a round's band. */
  readonly y: (round: number) => number;
}

export function paintMap(
  context: CanvasRenderingContext2D,
  layout: MapLayout,
  palette: MapPalette,
  content: {
    readonly fabric: Fabric;
    readonly angles: Float64Array;
    readonly model: MapModel;
    readonly colours: readonly string[];
    readonly labels: readonly string[];
    readonly lit: number | null;
    readonly counts: boolean;
  },
): void {
  const y = (round: number): number => layout.height - MARGIN.bottom - (round + 0.5) * layout.row;
  const scene: Scene = { context, layout, palette, y };
  const { model, colours, labels, lit } = content;
  paintBands(scene, model, colours, lit);
  context.save();
  context.beginPath();
  context.rect(layout.left, 0, layout.wall, layout.height);
  context.clip();
  paintStitches(scene, content.fabric, content.angles, model.counts);
  for (const change of model.changes) paintLink(scene, change);
  for (const change of model.changes) paintChange(scene, change, model.counts[change.round]!);
  paintStarts(scene, model.starts);
  context.restore();
  paintLabels(scene, labels, lit);
  if (content.counts) paintCounts(scene, model.counts, lit);
}

function paintBands(
  { context, layout, palette, y }: Scene,
  { loops }: MapModel,
  colours: readonly string[],
  lit: number | null,
): void {
  const { left, wall, row } = layout;
  colours.forEach((colour, round) => {
    const top = y(round) - row / 2;
    context.globalAlpha = 0.3;
    context.fillStyle = yarnPaint(colour).fill;
    context.fillRect(left, top, wall, row + 0.5);
    context.globalAlpha = 1;
    if (round === lit) {
      context.fillStyle = palette.actWash;
      context.fillRect(0, top, left + wall, row);
      context.strokeStyle = palette.act;
      context.lineWidth = 1.5;
      context.strokeRect(left, top, wall, row);
    }
    if (loops[round] !== 'both') {
      // A ridge of loops left behind, below the round.
      context.strokeStyle = palette.ink;
      context.lineWidth = 2;
      context.setLineDash(loops[round] === 'back' ? [] : [5, 4]);
      segment(context, left, top + row, left + wall, top + row);
      context.setLineDash([]);
    }
  });
}

function paintStitches(
  { context, layout, palette, y }: Scene,
  fabric: Fabric,
  angles: Float64Array,
  counts: readonly number[],
): void {
  const { left, wall, row } = layout;
  context.strokeStyle = palette.soft;
  context.lineWidth = 1;
  context.globalAlpha = 0.42;
  context.beginPath();
  for (let stitch = 0; stitch < fabric.stitchCount; stitch++) {
    const round = fabric.round[stitch]!;
    const cell = wall / counts[round]!;
    if (cell < 4) continue;
    const half = Math.min(cell * 0.32, row * 0.45);
    const x = left + wrap(angles[stitch]!) * wall;
    const middle = y(round);
    context.moveTo(x - half, middle - row * 0.26);
    context.lineTo(x, middle + row * 0.26);
    context.lineTo(x + half, middle - row * 0.26);
  }
  context.stroke();
  context.globalAlpha = 1;
}

/** A line from a change to the nearest one below, the bolder the better they line up: stacked changes show as ribs. */
function paintLink({ context, layout, palette, y }: Scene, { x, round, below, aligned, change }: MapChange): void {
  if (!below) return;
  context.strokeStyle = change === 'increase' ? palette.increase : palette.decrease;
  context.globalAlpha = 0.1 + 0.5 * aligned ** 2;
  context.lineWidth = 1 + 4 * aligned ** 2;
  for (const turn of [-1, 0, 1]) {
    const from = layout.left + (x + turn) * layout.wall;
    segment(context, from, y(round), from + below.step * layout.wall, y(below.round));
  }
  context.globalAlpha = 1;
}

/** An increase opens upward, a decrease closes upward. */
function paintChange({ context, layout, palette, y }: Scene, { x, round, change }: MapChange, count: number): void {
  const { left, wall, row } = layout;
  const wide = Math.max(3.2, Math.min((wall / count) * 0.7, row * 0.55));
  const high = row * 0.44;
  const up = change === 'increase' ? 1 : -1;
  context.strokeStyle = change === 'increase' ? palette.increase : palette.decrease;
  context.lineWidth = Math.max(1.8, Math.min(3, row * 0.14));
  context.lineCap = 'round';
  context.beginPath();
  for (const turn of [-1, 0, 1]) {
    const at = left + (x + turn) * wall;
    const middle = y(round);
    context.moveTo(at, middle + up * high);
    context.lineTo(at, middle);
    context.moveTo(at - wide, middle - up * high);
    context.lineTo(at, middle);
    context.lineTo(at + wide, middle - up * high);
  }
  context.stroke();
  context.lineCap = 'butt';
}

/** The start of every round, joined: how the marker creeps. */
function paintStarts({ context, layout, palette, y }: Scene, starts: readonly number[]): void {
  const { left, wall, row } = layout;
  context.fillStyle = palette.act;
  starts.forEach((start, round) => {
    if (Number.isNaN(start)) return;
    for (const turn of [0, 1]) {
      context.beginPath();
      context.arc(left + (start + turn) * wall, y(round), Math.min(3, row * 0.18), 0, 2 * Math.PI);
      context.fill();
    }
  });
}

function paintLabels({ context, layout, palette, y }: Scene, labels: readonly string[], lit: number | null): void {
  const every = Math.max(1, Math.ceil(20 / layout.row));
  context.textAlign = 'right';
  context.textBaseline = 'middle';
  labels.forEach((label, round) => {
    if (round !== lit && ((round + 1) % every !== 0 || (lit !== null && Math.abs(round - lit) < every))) return;
    context.font = `${round === lit ? 700 : 400} 13px 'Atkinson Hyperlegible Next Variable', sans-serif`;
    context.fillStyle = round === lit ? palette.ink : palette.soft;
    context.fillText(label, layout.left - 6, y(round));
  });
}

/** Stitches of each round beside the wall, at the same height. */
function paintCounts({ context, layout, palette, y }: Scene, counts: readonly number[], lit: number | null): void {
  const left = layout.left + layout.wall + 14;
  const x = scaleLinear()
    .domain([0, Math.max(1, ...counts)])
    .range([left, layout.width - 34]);
  const bars = area<number>()
    .x0(left)
    .x1((round) => x(counts[round]!))
    .y((round) => y(round))
    .curve(curveStep)
    .context(context);
  context.fillStyle = palette.shade;
  context.beginPath();
  bars(counts.map((_, round) => round));
  context.fill();
  // The curve ends in the middle of the first and last band.
  for (const round of [0, counts.length - 1])
    context.fillRect(left, y(round) - layout.row / 2, x(counts[round]!) - left, layout.row);
  context.textAlign = 'left';
  let last = Number.POSITIVE_INFINITY;
  counts.forEach((count, round) => {
    const changed = count !== counts[round - 1];
    if (round !== lit && (!changed || last - y(round) < 15)) return;
    last = y(round);
    const up = count > (counts[round - 1] ?? 0);
    context.font = `${round === lit ? 700 : 600} 13px 'Atkinson Hyperlegible Next Variable', sans-serif`;
    context.fillStyle = round === lit || !changed ? palette.ink : up ? palette.increase : palette.decrease;
    context.fillText(String(count), x(count) + 5, y(round));
  });
}

function segment(context: CanvasRenderingContext2D, x1: number, y1: number, x2: number, y2: number): void {
  context.beginPath();
  context.moveTo(x1, y1);
  context.lineTo(x2, y2);
  context.stroke();
}
