import { constant } from '../constants/index.js';
import type { Fabric } from '../fabric/index.js';
import {
  believable,
  estimateStitch,
  outside,
  refuse,
  type MeasuredStitch,
  type Refusal,
  type StitchSize,
  type YarnAndHook,
} from '../gauge/index.js';
import { isFlatLie } from './lie.js';
import { measure, type Measures } from './measures.js';
import { outlineOf } from './outline.js';
import { FIRM, unitProfile } from './profile/profile.js';
import { relaxedProfile } from './relaxed/relaxed-profile.js';

/** A finished part as measured: its widest width and its height, mm. */
export interface MeasuredPart {
  readonly widthMm: number;
  /** Null when only the width was measured. */
  readonly heightMm: number | null;
}

/** What a measured part says: its stitch, and how far stuffing stretched it, where a swatch says what is stitch and what is stuffing. */
export interface FittedPart {
  readonly ok: true;
  readonly stitch: MeasuredStitch;
  readonly stretch: number | null;
}

/** The stuffed shape is a model, and a stuffed part gives under the ruler (our own estimate). */
const MODEL_SPREAD = constant('spread of the shape');
const RULER_OUT_MM = constant('ruler on a piece out');

const LENGTHS = [5, 3_000] as const;
/** Height over width of a stitch is looked for between these. */
const RATIOS = [0.6, 1.6] as const;
/** Stuffing stretches a part by this much at most before it gapes (our own estimate). */
const MOST_STRETCH = 0.08;
/** How often what the rounds alone say is set right by the relaxed shape; each time it is off by a tenth of what it was. */
const CORRECTIONS = 3;
/** Further apart than this the two models are not brought together. */
const SURE = 0.12;

/**
 * The stitch that makes a part come out at the size it was measured: height over width from the part's slenderness, by halving
 * on its rounds, set right by the relaxed shape; then the width from its diameter. Where the stitch is known from a swatch,
 * what the part is wider than that stitch makes it is the stuffing's stretch, up to what fabric bears.
 */
export function stitchOfPart(
  fabric: Fabric,
  { widthMm, heightMm }: MeasuredPart,
  tools: YarnAndHook,
  swatch: StitchSize | null = null,
): FittedPart | Refusal<keyof MeasuredPart> {
  const wrong =
    outside('widthMm', widthMm, 'Width', LENGTHS, ' mm') ??
    (heightMm === null ? null : outside('heightMm', heightMm, 'Height', LENGTHS, ' mm'));
  if (wrong) return wrong;
  const part = new PartModel(fabric);
  const table = estimateStitch(tools.yarnWeight, tools.hookMm);
  const usual = swatch ? swatch.height / swatch.width : table.height / table.width;
  const stretch = swatch && part.stuffed ? part.stretchFor(usual, widthMm / swatch.width) : null;
  const ratio = heightMm === null ? usual : part.ratioFor(heightMm / widthMm, stretch ?? FIRM);
  if (ratio === null)
    return refuse(
      'heightMm',
      'No stitch makes this part so high for its width. Measure both again, in millimetres, stuffed and standing.',
    );
  const { diameter } = part.best(ratio, stretch ?? FIRM);
  const width = widthMm / diameter;
  if (!believable(width / table.width))
    return refuse(
      'widthMm',
      `About ${(diameter * table.width).toFixed(0)} mm was to be expected with this yarn and hook. Measure again, in millimetres, where it is widest.`,
    );
  const spread = Math.hypot(MODEL_SPREAD, RULER_OUT_MM / widthMm);
  return { ok: true, stitch: { ...tools, width, height: heightMm === null ? null : width * ratio, spread }, stretch };
}

/** The sizes of a part in stitch widths, quickly by its rounds or rightly by every stitch. */
class PartModel {
  private readonly outline;

  constructor(private readonly fabric: Fabric) {
    this.outline = outlineOf(fabric);
  }

  get stuffed(): boolean {
    return !isFlatLie(this.outline.lie) && this.outline.lie !== 'hollow';
  }

  quick(ratio: number, stretch: number): Measures {
    return measure(unitProfile(this.outline, ratio, stretch));
  }

  best(ratio: number, stretch: number): Measures {
    return measure(relaxedProfile(this.fabric, ratio, stretch));
  }

  /** Height over width of the stitch for which the part is so much higher than wide; null when none is near enough. */
  ratioFor(wanted: number, stretch: number): number | null {
    const slender = ({ height, diameter }: Measures): number => height / diameter;
    const quick = (target: number): number | null => halve(RATIOS, (ratio) => slender(this.quick(ratio, stretch)), target);
    let ratio = quick(wanted);
    for (let turn = 0; turn < CORRECTIONS && ratio !== null; turn++) {
      const off = slender(this.best(ratio, stretch)) / slender(this.quick(ratio, stretch));
      // A small part of short stitches buckles, and says nothing sure of its stitch.
      if (Math.abs(off - 1) > SURE) break;
      ratio = quick(wanted / off);
    }
    return ratio;
  }

  /** The stretch at which the part is so many stitch widths across: none, or as much as fabric bears, where it is out of reach. */
  stretchFor(ratio: number, across: number): number {
    const off = this.best(ratio, FIRM).diameter / this.quick(ratio, FIRM).diameter;
    const at = (stretch: number): number => off * this.quick(ratio, stretch).diameter;
    if (across <= at(0)) return 0;
    return halve([0, MOST_STRETCH], at, across) ?? MOST_STRETCH;
  }
}

/** Where a growing function comes to a value within bounds, by halving; null where it does not. */
function halve([from, to]: readonly [number, number], of: (x: number) => number, value: number): number | null {
  if (of(from) > value || of(to) < value) return null;
  let [low, high] = [from, to];
  for (let step = 0; step < 20; step++) {
    const middle = (low + high) / 2;
    if (of(middle) < value) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
