import type { PatternCount } from '../fabric/index.js';
import { statedKit } from '../supply/index.js';
import { LARGEST, resize, SMALLEST } from './resize.js';
import type { Reworked } from './rework.js';
import { takes, tallest, type Hands } from './takes.js';

/** What a figure is to become: its tallest part so tall, to take so much yarn, or to suit eyes of a size. */
export type Aim =
  | { readonly to: 'height'; readonly mm: number }
  | { readonly to: 'yarn'; readonly grams: number }
  | { readonly to: 'eyes'; readonly mm: number };

/** The factor that comes nearest to an aim, and what is reached with it; in mm or grams. */
export interface Aimed {
  readonly by: number;
  readonly reached: number;
  readonly made: Reworked;
}

/** Factors are tried in hundredths. */
const STEP = 100;

/**
 * How much larger or smaller a figure is made to reach an aim, the nearest hundredth. Yarn is never more than what is there.
 *
 * @returns null where the pattern says no eye size, or nothing it has can be measured
 */
export function aimAt(
  text: string,
  count: PatternCount,
  aim: Aim,
  hands: Hands,
  only: ReadonlySet<number> | null = null,
): Aimed | null {
  if (aim.to === 'eyes') {
    const { eyeMm } = statedKit(count.pattern);
    if (eyeMm === null) return null;
    const by = within(Math.round((STEP * aim.mm) / eyeMm)) / STEP;
    return { by, reached: eyeMm * by, made: resize(text, count, by, only) };
  }
  const reached = ({ count: made }: Pick<Reworked, 'count'>): number =>
    aim.to === 'height' ? tallest(made, hands.stitch, only) : takes(made, hands).grams;
  const wanted = aim.to === 'height' ? aim.mm : aim.grams;
  if (!(reached({ count }) > 0)) return null;
  const tried = new Map<number, Aimed>();
  const at = (hundredths: number): Aimed => {
    const known = tried.get(hundredths);
    if (known) return known;
    const made = resize(text, count, hundredths / STEP, only);
    const one = { by: hundredths / STEP, reached: reached(made), made };
    tried.set(hundredths, one);
    return one;
  };
  let [low, high] = [SMALLEST * STEP, LARGEST * STEP];
  while (high - low > 1) {
    const middle = Math.round((low + high) / 2);
    if (at(middle).reached <= wanted) low = middle;
    else high = middle;
  }
  const fitting = [low, high, low - 1, low + 1].filter((each) => within(each) === each).map(at);
  const allowed = aim.to === 'yarn' ? fitting.filter((each) => each.reached <= wanted) : fitting;
  const off = (each: Aimed): number => Math.abs(each.reached - wanted);
  return (allowed.length > 0 ? allowed : fitting).reduce((best, each) => (off(each) < off(best) ? each : best));
}

const within = (hundredths: number): number => Math.max(SMALLEST * STEP, Math.min(LARGEST * STEP, hundredths));
