import { HOOK_RANGE } from './hook.js';
import { yarnWeight, type YarnWeight, type YarnWeightNumber } from './yarn-weight.js';

/** A single crochet as worked, mm. */
export interface StitchSize {
  readonly width: number;
  readonly height: number;
}

const FOUR_INCHES_MM = 101.6;

/**
 * Share of a hook's change in size that reaches the stitch: a hook half as thick makes a stitch 0.57 as wide, as the
 * strand keeps its thickness. Our own estimate, chosen so that medium yarn on 3.5 mm makes stitches of about 5 mm.
 */
const HOOK_EXPONENT = 0.8;

/** Height over width of a single crochet for which six more stitches a round lie flat: 2π·height/width = 6 (common practice). */
export const HEIGHT_OVER_WIDTH = 6 / (2 * Math.PI);

const geometricMean = ([a, b]: readonly [number, number]): number => Math.sqrt(a * b);

/** The hook a label would name, mm: the middle of its range by ratio. */
export function labelHook(weight: YarnWeight): number {
  return geometricMean(weight.hook);
}

/**
 * Estimates a single crochet from yarn weight and hook.
 * @param hookMm hook size, mm
 * @returns width and height, mm. Expect a tenth more or less from one hand to another (our own estimate).
 * @throws RangeError when the hook is no number from `HOOK_RANGE`
 */
export function estimateStitch(number: YarnWeightNumber, hookMm: number): StitchSize {
  if (!(hookMm >= HOOK_RANGE.min && hookMm <= HOOK_RANGE.max)) {
    throw new RangeError(`A hook of ${hookMm} mm is out of range: from ${HOOK_RANGE.min} to ${HOOK_RANGE.max} mm.`);
  }
  const weight = yarnWeight(number);
  const onLabelHook = FOUR_INCHES_MM / geometricMean(weight.gauge);
  const width = onLabelHook * (hookMm / labelHook(weight)) ** HOOK_EXPONENT;
  return { width, height: width * HEIGHT_OVER_WIDTH };
}

/**
 * Hooks that suit a stuffed piece, mm: smaller than the label says, so that no stuffing shows (common practice).
 * Our own estimate of how much: 0.55 to 0.8 of the label's hook, to the nearest quarter millimetre.
 */
export function stuffedHooks(number: YarnWeightNumber): readonly [number, number] {
  const label = labelHook(yarnWeight(number));
  const quarter = (mm: number): number => Math.max(1, Math.round(mm * 4) / 4);
  return [quarter(label * 0.55), quarter(label * 0.8)];
}
