import { constant } from '../constants/index.js';
import { believe, type Belief, type Evidence } from './evidence.js';
import { estimateStitch, HAND_SPREAD, modelApart, modelSpread, type StitchSize } from './stitch-size.js';
import type { YarnWeightNumber } from './yarn-weight.js';

/** How tightly a maker holds the yarn, as they say of themselves. */
export type Hand = 'tight' | 'middle' | 'loose';

/** Stitch width of each hand over the middle one, and what is left of the spread once the hand is said (our own estimate). */
export const HAND_FACTOR: Readonly<Record<Hand, number>> = {
  tight: constant('tight hand'),
  middle: 1,
  loose: constant('loose hand'),
};
const SAID_SPREAD = constant('spread of a said hand');

/** The share by which one hand's stitches differ from the model between yarns and hooks (our own estimate). */
const TRANSFER = constant('spread between yarns');

/**
 * The share by which height over width differs from hand to hand: published gauges come to 0.88 ± 0.08 (from memory), and
 * makers whose width is right often miss the height.
 */
const SLIM_SPREAD = constant('spread of slenderness');

/** What is in the hands. */
export interface YarnAndHook {
  readonly yarnWeight: YarnWeightNumber;
  readonly hookMm: number;
}

/** A stitch as it was measured, with what it was made. */
export interface MeasuredStitch extends YarnAndHook {
  /** Width and height, mm; the height is null when only widths were measured. */
  readonly width: number;
  readonly height: number | null;
  /** Give or take, as a share. */
  readonly spread: number;
}

/** How sure the lengths of a gauge are, as shares. */
export interface GaugeSpread {
  /** Of what runs along the rounds. */
  readonly width: number;
  /** Of what goes up: as sure as the width and as height over width together. */
  readonly height: number;
  /** Of height over width alone. */
  readonly slim: number;
}

export interface Gauge {
  readonly stitch: StitchSize;
  /** Give or take, as a share. */
  readonly spread: GaugeSpread;
  readonly from: Belief['from'];
  /** Measurements that went into it. */
  readonly count: number;
  /** Measured or said width over the table's: 1.05 is a looser hand. */
  readonly factor: number;
}

/** Names a yarn weight and hook, for telling measurements apart. */
export function madeWith({ yarnWeight, hookMm }: YarnAndHook): string {
  return `${yarnWeight}/${hookMm.toFixed(2)}`;
}

/**
 * The stitch to expect from a yarn and hook in this maker's hand.
 * @param hand as the maker says, null when they do not know
 * @param measured every stitch measured so far, with whatever yarn and hook
 * @throws RangeError when a hook is no number from `HOOK_RANGE`
 */
export function gaugeOf(tools: YarnAndHook, hand: Hand | null, measured: readonly MeasuredStitch[]): Gauge {
  const table = estimateStitch(tools.yarnWeight, tools.hookMm);
  const made = madeWith(tools);
  const evidence = (
    of: (one: MeasuredStitch, table: StitchSize) => number | null,
    apartOf: (one: MeasuredStitch) => number = () => 0,
  ): Evidence[] =>
    measured.flatMap((one) => {
      const ratio = of(one, estimateStitch(one.yarnWeight, one.hookMm));
      return ratio === null ? [] : [{ ratio, spread: one.spread, made: madeWith(one), apart: apartOf(one) }];
    });
  const width = believe(
    evidence(
      (one, { width }) => one.width / width,
      (one) => modelApart([one.yarnWeight, one.hookMm], [tools.yarnWeight, tools.hookMm]),
    ),
    made,
    {
      factor: hand ? HAND_FACTOR[hand] : 1,
      spread: Math.hypot(hand ? SAID_SPREAD : HAND_SPREAD, modelSpread(tools.yarnWeight, tools.hookMm)),
      transfer: TRANSFER,
    },
  );
  const slim = believe(
    evidence((one, { width, height }) => (one.height === null ? null : (one.height / one.width) * (width / height))),
    made,
    { factor: 1, spread: SLIM_SPREAD, transfer: TRANSFER },
  );
  return {
    stitch: { width: table.width * width.factor, height: table.height * width.factor * slim.factor },
    spread: { width: width.spread, height: Math.hypot(width.spread, slim.spread), slim: slim.spread },
    from: width.from,
    count: width.count,
    factor: width.factor,
  };
}
