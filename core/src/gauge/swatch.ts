import { constant } from '../constants/index.js';
import type { MeasuredStitch, YarnAndHook } from './gauge.js';
import { outside, refuse, type Refusal } from './refusal.js';
import { estimateStitch } from './stitch-size.js';
import { yarnWeight } from './yarn-weight.js';

/** Stitches counted over a width, and rounds (or rows) over a height; mm. */
export interface Swatch {
  readonly stitches: number;
  readonly widthMm: number;
  /** Null, both of them, when only stitches were counted. */
  readonly rounds: number | null;
  readonly heightMm: number | null;
}

export type SwatchField = keyof Swatch;

/** Stitches of the same hand vary by so much anyway; a count is out by a quarter stitch, a ruler by a millimetre (our own estimate). */
const WITHIN_HAND = constant('spread within a hand');
const COUNT_OUT = constant('count out');
const RULER_OUT_MM = constant('ruler out');

/** Stitches further from the table than this are a slip of the pen: centimetres for millimetres, rounds for stitches. */
const BELIEVABLE = [0.5, 2] as const;
const COUNTS = [1, 300] as const;
const LENGTHS = [5, 2_000] as const;

/** The stitch of a swatch, or what is wrong with the numbers. */
export function stitchOfSwatch(
  { stitches, widthMm, rounds, heightMm }: Swatch,
  tools: YarnAndHook,
): { readonly ok: true; readonly stitch: MeasuredStitch } | Refusal<SwatchField> {
  const tall = rounds !== null || heightMm !== null;
  const wrong =
    outside('stitches', stitches, 'Stitches', COUNTS, '') ??
    outside('widthMm', widthMm, 'Their width', LENGTHS, ' mm') ??
    (tall ? outside('rounds', rounds, 'Rounds', COUNTS, '') : null) ??
    (tall ? outside('heightMm', heightMm, 'Their height', LENGTHS, ' mm') : null);
  if (wrong) return wrong;
  const width = widthMm / stitches;
  const height = rounds !== null && heightMm !== null ? heightMm / rounds : null;
  const table = estimateStitch(tools.yarnWeight, tools.hookMm);
  if (!believable(width / table.width)) return unlikely('widthMm', 'wide', width, table.width, tools);
  if (height !== null && !believable(height / table.height)) return unlikely('heightMm', 'high', height, table.height, tools);
  const spread = Math.hypot(WITHIN_HAND, COUNT_OUT / stitches, RULER_OUT_MM / widthMm);
  return { ok: true, stitch: { ...tools, width, height, spread } };
}

export function believable(ratio: number): boolean {
  return ratio >= BELIEVABLE[0] && ratio <= BELIEVABLE[1];
}

function unlikely(field: SwatchField, way: string, got: number, expected: number, tools: YarnAndHook): Refusal<SwatchField> {
  const yarn = yarnWeight(tools.yarnWeight).name.toLowerCase();
  return refuse(
    field,
    `That makes stitches ${got.toFixed(1)} mm ${way}, where ${yarn} yarn on ${tools.hookMm} mm makes about ` +
      `${expected.toFixed(1)} mm. Check the count, and that the length is in millimetres.`,
  );
}
