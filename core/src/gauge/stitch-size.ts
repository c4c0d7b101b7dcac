import { HOOK_RANGE } from '../bounds/index.js';
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
const FIT = 1.67;
const HOOK_SHARE = 0.8;

/** Height over width of a single crochet for which six more stitches a round lie flat: 2π·height/width = 6 (common practice). */
export const HEIGHT_OVER_WIDTH = 6 / (2 * Math.PI);

/** The share by which one maker's stitches differ from another's with the same yarn and hook (our own estimate). */
export const HAND_SPREAD = 0.1;

/**
 * Estimates a single crochet from yarn weight and hook.
 * @param hookMm hook size, mm
 * @returns width and height, mm, give or take `HAND_SPREAD`
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
