import { constant } from '../constants/index.js';
import {
  believable,
  outside,
  refuse,
  type MeasuredStitch,
  type Refusal,
  type YarnAndHook,
  estimateStitch,
} from '../gauge/index.js';
import { measure } from './measures.js';
import type { Outline } from './outline.js';
import { unitProfile } from './profile/profile.js';

/** A finished part as measured: its widest width and its height, mm. */
export interface MeasuredPart {
  readonly widthMm: number;
  /** Null when only the width was measured. */
  readonly heightMm: number | null;
}

/** The stuffed shape is a model, and a stuffed part gives under the ruler (our own estimate). */
const MODEL_SPREAD = constant('spread of the shape');
const RULER_OUT_MM = constant('ruler on a piece out');

const LENGTHS = [5, 3_000] as const;
/** Height over width of a stitch is looked for between these. */
const RATIOS = [0.6, 1.6] as const;

/**
 * The stitch that makes a part come out at the size it was measured: height over width from the part's slenderness, by
 * halving, then the width from its diameter.
 */
export function stitchOfPart(
  part: Outline,
  { widthMm, heightMm }: MeasuredPart,
  tools: YarnAndHook,
): { readonly ok: true; readonly stitch: MeasuredStitch } | Refusal<keyof MeasuredPart> {
  const wrong =
    outside('widthMm', widthMm, 'Width', LENGTHS, ' mm') ??
    (heightMm === null ? null : outside('heightMm', heightMm, 'Height', LENGTHS, ' mm'));
  if (wrong) return wrong;
  const table = estimateStitch(tools.yarnWeight, tools.hookMm);
  const usual = table.height / table.width;
  const ratio = heightMm === null ? usual : ratioOfSlenderness(part, heightMm / widthMm);
  const width = widthMm / measure(unitProfile(part, ratio ?? usual)).diameter;
  if (ratio === null)
    return refuse(
      'heightMm',
      'No stitch makes this part so high for its width. Measure both again, in millimetres, stuffed and standing.',
    );
  if (!believable(width / table.width)) {
    const expected = measure(unitProfile(part, ratio)).diameter * table.width;
    return refuse(
      'widthMm',
      `About ${expected.toFixed(0)} mm was to be expected with this yarn and hook. Measure again, in millimetres, where it is widest.`,
    );
  }
  const spread = Math.hypot(MODEL_SPREAD, RULER_OUT_MM / widthMm);
  return { ok: true, stitch: { ...tools, width, height: heightMm === null ? null : width * ratio, spread } };
}

/** The stitch ratio for which the part is so much higher than wide; null when none is near enough. */
function ratioOfSlenderness(part: Outline, wanted: number): number | null {
  const slenderness = (ratio: number): number => {
    const { height, diameter } = measure(unitProfile(part, ratio));
    return height / diameter;
  };
  let [low, high]: readonly [number, number] = RATIOS;
  if (slenderness(low) > wanted || slenderness(high) < wanted) return null;
  for (let step = 0; step < 24; step++) {
    const middle = (low + high) / 2;
    if (slenderness(middle) < wanted) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
