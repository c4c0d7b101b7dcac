import { fabricOf, type PatternCount } from '../fabric/index.js';
import { yarnWeight, type StitchSize, type YarnWeightNumber } from '../gauge/index.js';
import { USUAL_PACE } from '../making/index.js';
import { measure, outlineOf, scaleProfile, unitProfile } from '../shape/index.js';
import { pieceYarn } from '../supply/index.js';

/** Yarn and stitches to reckon with: sizes in mm. */
export interface Hands {
  readonly stitch: StitchSize;
  readonly yarnWeight: YarnWeightNumber;
  /** Stitches a minute; the usual ones where the maker's own are not known. */
  readonly pace?: number;
}

/** What all copies of all parts take. */
export interface Takes {
  readonly stitches: number;
  readonly metres: number;
  /** Of a usual yarn of that weight, give or take a quarter. */
  readonly grams: number;
  readonly hours: number;
}

/** Stitches, yarn and time of a figure; sewing and stuffing are not in it. */
export function takes({ parts }: Pick<PatternCount, 'parts'>, { stitch, yarnWeight: weight, pace = USUAL_PACE }: Hands): Takes {
  const { strand, metres: per100 } = yarnWeight(weight);
  let stitches = 0;
  let mm = 0;
  for (const counted of parts) {
    const fabric = fabricOf(counted);
    const length = pieceYarn(fabric, stitch, strand).length.reduce((sum, each) => sum + each, 0);
    stitches += counted.part.copies * fabric.stitchCount;
    mm += counted.part.copies * length;
  }
  return { stitches, metres: mm / 1_000, grams: mm / 10 / per100, hours: stitches / pace / 60 };
}

/** How tall the tallest of some parts is, stuffed by itself; mm. */
export function tallest(
  { parts }: Pick<PatternCount, 'parts'>,
  stitch: StitchSize,
  only: ReadonlySet<number> | null = null,
): number {
  const heights = parts.map((counted, index) => {
    if (only && !only.has(index)) return 0;
    const outline = outlineOf(fabricOf(counted));
    return measure(scaleProfile(unitProfile(outline, stitch.height / stitch.width), stitch.width)).height;
  });
  return Math.max(0, ...heights);
}
