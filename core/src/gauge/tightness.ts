import { constant } from '../constants/index.js';
import type { Gauge, YarnAndHook } from './gauge.js';
import { HOOK_RANGE } from '../bounds/index.js';
import { HOOKS } from './hook.js';
import { hookForWidth } from './stitch-size.js';
import { yarnWeight, type YarnWeightNumber } from './yarn-weight.js';

/**
 * A single crochet is two strands wide where its legs lie side by side; what is left of its width is the gap. Between a
 * tenth and nine tenths of a strand suits stuffed work (our own bounds: for medium yarn they come to hooks of 3.25 to
 * 4.75 mm, and makers use 3.5 to 5, common practice).
 */
const LEGS = 2;
const GAP = { least: constant('least gap'), most: constant('most gap') } as const;

export interface Tightness {
  readonly verdict: 'tight' | 'suits' | 'loose';
  /** Gap between neighbouring stitches and thickness of the strand, mm. */
  readonly gap: number;
  readonly strand: number;
  /** Hooks that suit a stuffed piece in this yarn and hand, mm. */
  readonly hooks: readonly [number, number];
}

/**
 * Hooks that suit a stuffed piece, mm, to the nearest quarter: smaller than the label says, so that no stuffing shows
 * (common practice).
 * @param factor the hand's stitch width over the table's
 */
export function stuffedHooks(number: YarnWeightNumber, factor = 1): readonly [number, number] {
  const { strand } = yarnWeight(number);
  const quarter = (gap: number): number => {
    const hook = hookForWidth(number, ((LEGS + gap) * strand) / factor);
    return Math.min(HOOK_RANGE.max, Math.max(1, Math.round(hook * 4) / 4));
  };
  return [quarter(GAP.least), quarter(GAP.most)];
}

/** Hooks that are sold and suit; the nearest one where none lies in the range. */
export function soldStuffedHooks(number: YarnWeightNumber, factor = 1): readonly number[] {
  const [low, high] = stuffedHooks(number, factor);
  const inside = HOOKS.filter((hook) => hook >= low && hook <= high);
  if (inside.length > 0) return inside;
  const middle = (low + high) / 2;
  return [HOOKS.reduce((best, hook) => (Math.abs(hook - middle) < Math.abs(best - middle) ? hook : best))];
}

/** Whether fabric in this yarn, hook and hand holds its stuffing, and can be worked at all. */
export function tightnessOf({ yarnWeight: number, hookMm }: YarnAndHook, { stitch, factor }: Gauge): Tightness {
  const { strand } = yarnWeight(number);
  const hooks = stuffedHooks(number, factor);
  const verdict = hookMm < hooks[0] ? 'tight' : hookMm > hooks[1] ? 'loose' : 'suits';
  return { verdict, gap: Math.max(0, stitch.width - LEGS * strand), strand, hooks };
}
