import { constant } from '../constants/index.js';
import { ringRadius } from '../shape/index.js';

/** Diameters safety eyes are sold in, mm (common practice). */
export const EYE_SIZES: readonly number[] = [4, 5, 6, 7, 8, 9, 10, 12, 14, 15, 16, 18, 20, 24, 30, 40];

/** Eye diameter over the head's, and the share of the round the eyes are apart (common practice). */
export const EYE_OVER_HEAD = [constant('small eye'), constant('large eye')] as const;
export const EYES_APART = [constant('eyes near'), constant('eyes far')] as const;

/** Where a pattern sets the eyes. */
export interface EyePlace {
  /** Widest diameter of the head, mm. */
  readonly headMm: number;
  /** Stitches of the round they are set at, and the width of one, mm. */
  readonly stitches: number;
  readonly stitchWidth: number;
  /** Stitches apart as the pattern says, or null. */
  readonly apart: { readonly count: number; readonly reading: 'between' | 'unsaid' } | null;
  /** Eyes the pattern names, mm, and how much larger the head is here than as the pattern meant it; null when it names none. */
  readonly pattern: { readonly eyeMm: number; readonly factor: number } | null;
}

export interface EyeAdvice {
  /** Diameters that suit, mm. */
  readonly range: readonly [number, number];
  /** The size to get: the pattern's brought to this head, else the middle of the range, as eyes are sold. */
  readonly best: number;
  /** The pattern's size brought to this head, mm, unrounded; null when it names none. */
  readonly scaled: number | null;
  /** What "apart" can mean: stitches free between the eyes, and from middle to middle, straight across, mm. */
  readonly readings: readonly { readonly between: number; readonly mm: number; readonly meant: boolean }[];
  /** Stitches from eye to eye that suit, when the pattern says nothing. */
  readonly suits: readonly [number, number];
}

export function eyeAdvice({ headMm, stitches, stitchWidth, apart, pattern }: EyePlace): EyeAdvice {
  const range = [EYE_OVER_HEAD[0] * headMm, EYE_OVER_HEAD[1] * headMm] as const;
  const scaled = pattern ? pattern.eyeMm * pattern.factor : null;
  const wanted = scaled ?? (range[0] + range[1]) / 2;
  const best = EYE_SIZES.reduce((near, size) => (Math.abs(size - wanted) < Math.abs(near - wanted) ? size : near));
  const radius = ringRadius(stitches, stitchWidth);
  // A post sits in a hole: from hole to hole are as many steps as stitches between.
  const reading = (between: number, meant: boolean): EyeAdvice['readings'][number] => ({
    between,
    mm: 2 * radius * Math.sin((Math.PI * Math.min(between, stitches)) / Math.max(1, stitches)),
    meant,
  });
  return {
    range,
    best,
    scaled,
    readings: apart ? [reading(apart.count, true), ...(apart.reading === 'unsaid' ? [reading(apart.count - 1, false)] : [])] : [],
    suits: [Math.round(stitches * EYES_APART[0]), Math.round(stitches * EYES_APART[1])],
  };
}
