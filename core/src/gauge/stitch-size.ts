import { constant } from '../constants/index.js';
import { HOOK_RANGE } from '../bounds/index.js';
import { INCH } from '../notation/index.js';
import { yarnWeight, type YarnWeightNumber } from './yarn-weight.js';

/** A single crochet as worked, mm. */
export interface StitchSize {
  readonly width: number;
  readonly height: number;
}

/**
 * Width of a single crochet = 1.67 · hook^0.8 · strand^0.2, all in mm. Our own fit to the Craft Yarn Council's table
 * (recalled) over the label's hooks, for weights 1 to 5 within 12 % (docs/gauge.md has how near); medium yarn on 3.5 mm makes
 * stitches of about 5.4 mm. The 0.8 says that the hook decides most of it, the 0.2 that a thicker strand takes room of its
 * own.
 */
const FIT = constant('stitch width');
const HOOK_SHARE = constant('hook share');

/** Height over width of a single crochet for which six more stitches a round lie flat: 2π·height/width = 6 (common practice). */
export const HEIGHT_OVER_WIDTH = constant('height over width');

/** The share by which one maker's stitches differ from another's with the same yarn and hook (our own estimate). */
export const HAND_SPREAD = constant('spread of hands');

/** The length gauges are given over, mm. */
const FOUR_INCHES = 4 * INCH;
const BEYOND_SPREAD = constant('spread beyond the label');

/** Where the model may be out: by how much it misses the table's stitches, in logarithms, and how often a hook is doubled beyond the label's. */
function modelAt(number: YarnWeightNumber, hookMm: number): { readonly missed: number; readonly beyond: number } {
  const { gauge, hook } = yarnWeight(number);
  const on = Math.min(hook[1], Math.max(hook[0], hookMm));
  const along = Math.log(on / hook[0]) / Math.log(hook[1] / hook[0]);
  const stitches = gauge[1] * (gauge[0] / gauge[1]) ** along;
  return { missed: Math.log((estimateStitch(number, on).width * stitches) / FOUR_INCHES), beyond: Math.log2(hookMm / on) };
}

/**
 * How far the model may be out with a yarn and hook, as a share, whoever works: by how much it misses the table on the
 * label's hooks, and the further beyond those the more. Hooks for stuffed work lie beyond.
 * @throws RangeError as `estimateStitch`
 */
export function modelSpread(number: YarnWeightNumber, hookMm: number): number {
  const { missed, beyond } = modelAt(number, hookMm);
  return Math.hypot(missed, BEYOND_SPREAD * beyond);
}

/** How far the model may be out between one yarn and hook and another: what it misses at both alike takes nothing away. */
export function modelApart(one: readonly [YarnWeightNumber, number], other: readonly [YarnWeightNumber, number]): number {
  const here = modelAt(...one);
  const there = modelAt(...other);
  return Math.hypot(here.missed - there.missed, BEYOND_SPREAD * (here.beyond - there.beyond));
}

/**
 * Estimates a single crochet from yarn weight and hook.
 * @param hookMm hook size, mm
 * @returns width and height, mm, give or take `HAND_SPREAD` and `modelSpread`
 * @throws RangeError when the hook is no number from `HOOK_RANGE`
 */
export function estimateStitch(number: YarnWeightNumber, hookMm: number): StitchSize {
  if (!(hookMm >= HOOK_RANGE.min && hookMm <= HOOK_RANGE.max)) {
    throw new RangeError(`A hook of ${hookMm} mm is out of range: from ${HOOK_RANGE.min} to ${HOOK_RANGE.max} mm.`);
  }
  const { strand } = yarnWeight(number);
  const width = FIT * hookMm ** HOOK_SHARE * strand ** (1 - HOOK_SHARE);
  return { width, height: width * HEIGHT_OVER_WIDTH };
}

/** The hook that makes stitches of this width by the table, mm; the inverse of `estimateStitch`, not held to any range. */
export function hookForWidth(number: YarnWeightNumber, width: number): number {
  const { strand } = yarnWeight(number);
  return (width / (FIT * strand ** (1 - HOOK_SHARE))) ** (1 / HOOK_SHARE);
}
