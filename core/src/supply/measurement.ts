import { constant } from '../constants/index.js';
import type { Firmness } from '../notation/index.js';
import {
  believe,
  gaugeOf,
  madeWith,
  stitchOfSwatch,
  YARN_PRIOR,
  yarnWeight,
  type Belief,
  type Evidence,
  type Gauge,
  type Hand,
  type MeasuredStitch,
  type StitchSize,
  type Swatch,
  type YarnAndHook,
} from '../gauge/index.js';
import type { Fabric } from '../fabric/index.js';
import { FIRM } from '../shape/index.js';
import { pieceYarn } from './piece-yarn.js';

/** What a maker measured or weighed, with the yarn and hook it was made with. */
export type Measurement = { readonly id: string; readonly takenAt: number } & YarnAndHook &
  (
    | ({ readonly kind: 'swatch' } & Swatch)
    | {
        readonly kind: 'part';
        readonly part: string;
        readonly widthMm: number;
        readonly heightMm: number | null;
        /** The stitch that makes the part come out so, mm. */
        readonly stitchWidth: number;
        readonly stitchHeight: number | null;
        readonly spread: number;
        /** How far stuffing stretched it, a share, where a swatch of the same yarn and hook told the two apart. */
        readonly stretch?: number | undefined;
      }
    | {
        readonly kind: 'weight';
        readonly part: string;
        readonly grams: number;
        readonly metresPer100g: number;
        readonly runs: YarnRuns;
      }
    | {
        readonly kind: 'stuffing';
        readonly part: string;
        readonly grams: number;
        readonly firmness: Firmness;
        readonly volumeMm3: number;
      }
  );

/** How much yarn a part takes, apart from the size of its stitches: mm = across · width + up · height + fixed. */
export interface YarnRuns {
  readonly across: number;
  readonly up: number;
  /** Turns around the strand, and tails; mm. */
  readonly fixed: number;
}

/** The runs of a part: its yarn is linear in the stitch, so three stitches tell them. */
export function yarnRuns(fabric: Fabric, strand: number, endTail: number): YarnRuns {
  const total = (width: number, height: number): number =>
    pieceYarn(fabric, { width, height }, strand, endTail).length.reduce((sum, one) => sum + one, 0);
  const fixed = total(0, 0);
  return { across: total(1, 0) - fixed, up: total(0, 1) - fixed, fixed };
}

/** Every stitch that was measured. Swatches that no longer pass as such are left out. */
export function stitchesMeasured(measurements: readonly Measurement[]): MeasuredStitch[] {
  return measurements.flatMap((one): MeasuredStitch[] => {
    const { yarnWeight: weight, hookMm } = one;
    if (one.kind === 'swatch') {
      const read = stitchOfSwatch(one, one);
      return read.ok ? [read.stitch] : [];
    }
    return one.kind === 'part'
      ? [{ yarnWeight: weight, hookMm, width: one.stitchWidth, height: one.stitchHeight, spread: one.spread }]
      : [];
  });
}

/** The swatch of this yarn and hook that was measured last, both ways; null where there is none. */
export function swatchOf({ yarnWeight: weight, hookMm }: YarnAndHook, measurements: readonly Measurement[]): StitchSize | null {
  const swatches = measurements
    .filter((one) => one.kind === 'swatch' && one.yarnWeight === weight && one.hookMm === hookMm)
    .sort((a, b) => b.takenAt - a.takenAt);
  for (const { stitch } of swatches.flatMap((one) => (one.kind === 'swatch' ? passed(stitchOfSwatch(one, one)) : [])))
    if (stitch.height !== null) return { width: stitch.width, height: stitch.height };
  return null;
}

function passed<Read extends { readonly ok: boolean }>(read: Read): Extract<Read, { readonly ok: true }>[] {
  return read.ok ? [read as Extract<Read, { readonly ok: true }>] : [];
}

/**
 * How far this maker's stuffing stretches a part, a share: the mean of what measured parts said of it, of this yarn and hook
 * where there are such; as far as usual where none said anything.
 */
export function handStretch({ yarnWeight: weight, hookMm }: YarnAndHook, measurements: readonly Measurement[]): number {
  const told = measurements.flatMap((one) =>
    one.kind === 'part' && one.stretch !== undefined
      ? [{ stretch: one.stretch, own: one.yarnWeight === weight && one.hookMm === hookMm }]
      : [],
  );
  const own = told.some((one) => one.own) ? told.filter((one) => one.own) : told;
  return own.length === 0 ? FIRM : own.reduce((sum, { stretch }) => sum + stretch, 0) / own.length;
}

/** The gauge of a yarn and hook in this maker's hand. */
export function handGauge(tools: YarnAndHook, hand: Hand | null, measurements: readonly Measurement[]): Gauge {
  return gaugeOf(tools, hand, stitchesMeasured(measurements));
}

/** A kitchen scale is out by half a gram, a piece by a few percent (our own estimate). */
const SCALE_OUT_G = constant('scale out');
const PIECE_SPREAD = constant('spread of a weighed piece');

/** The share of its yarn that goes up in a single crochet: two heights beside three widths and a turn round the strand. */
const UPWARD = constant('share of yarn that goes up');

/**
 * The maker's own factor on yarn lengths, from parts that were weighed. It stands for the stitch and the model together, as
 * only what both come to can be weighed: before that it is as unsure as both, and a part that was weighed says both at once.
 */
export function yarnBelief(tools: YarnAndHook, hand: Hand | null, measurements: readonly Measurement[]): Belief {
  const evidence = measurements.flatMap((one): Evidence[] => {
    if (one.kind !== 'weight') return [];
    const { stitch } = handGauge(one, hand, measurements);
    const expected = one.runs.across * stitch.width + one.runs.up * stitch.height + one.runs.fixed;
    const used = (one.grams / 100) * one.metresPer100g * 1_000;
    const spread = Math.hypot(PIECE_SPREAD, SCALE_OUT_G / one.grams);
    return expected > 0 ? [{ ratio: used / expected, spread, made: madeWith(one) }] : [];
  });
  const { width, slim } = handGauge(tools, hand, measurements).spread;
  const spread = Math.hypot(YARN_PRIOR.spread, width, UPWARD * slim);
  return believe(evidence, madeWith(tools), { ...YARN_PRIOR, spread });
}

/** Thickness of the strand of a make's yarn, mm. */
export function strandOf({ yarnWeight: weight }: YarnAndHook): number {
  return yarnWeight(weight).strand;
}
