import { constant } from '../constants/index.js';
import { USUAL_PACE } from '../making/index.js';
import type { Bit } from './bits.js';
import { WORK_KINDS, type WorkKind } from './work-kind.js';

/** How long a stitch of each kind of round takes this maker, and how much that differs from one sitting to the next. */
export interface PaceByKind {
  /** Seconds a stitch. */
  readonly seconds: Readonly<Record<WorkKind, number>>;
  /** Standard deviation of the logarithm of a sitting's pace. */
  readonly spread: number;
  /** Whether it is this maker's own, or the common one as too little is known. */
  readonly own: boolean;
  /** Minutes that it was learned from. */
  readonly minutes: number;
}

/** So many minutes must be known of all, or of one kind, before they count. */
const KNOWN_MIN = { all: constant('minutes known for a plan'), kind: constant('minutes known') };
/** What a stitch of a kind takes beside the mean of all. */
const BESIDE: Readonly<Record<WorkKind, number>> = {
  starting: constant('starting beside the mean'),
  plain: 1,
  increases: constant('increases beside the mean'),
  closing: constant('closing beside the mean'),
  joining: 1,
  details: 1,
};
const USUAL_SPREAD = constant('spread of a sitting');

/** @param bits of all makes whose pace is the same: a maker's own */
export function paceByKind(bits: readonly Bit[]): PaceByKind {
  const timed = bits.filter((bit) => bit.timed && bit.stitches > 0);
  const minutes = sum(timed, ({ tookMs }) => tookMs) / 60_000;
  const own = minutes >= KNOWN_MIN.all;
  // What a stitch takes at the mean, once each kind is put beside it.
  const weight = sum(timed, ({ stitches, kind }) => stitches * BESIDE[kind]);
  const mean = own ? (minutes * 60) / weight : 60 / USUAL_PACE;
  const seconds = Object.fromEntries(
    WORK_KINDS.map((kind) => {
      const of = timed.filter((bit) => bit.kind === kind);
      const known = own && sum(of, ({ tookMs }) => tookMs) / 60_000 >= KNOWN_MIN.kind;
      return [kind, known ? sum(of, ({ tookMs }) => tookMs) / 1_000 / sum(of, ({ stitches }) => stitches) : mean * BESIDE[kind]];
    }),
  ) as Record<WorkKind, number>;
  return { seconds, spread: own ? spreadOf(timed, seconds) : USUAL_SPREAD, own, minutes };
}

const LEAST_SITTING_MS = constant('minutes known') * 60_000;

/** How sittings differ from what their stitches should have taken; the usual while there are fewer than four. */
function spreadOf(timed: readonly Bit[], seconds: Readonly<Record<WorkKind, number>>): number {
  const sittings = new Map<number, { took: number; due: number }>();
  for (const { sitting, tookMs, stitches, kind } of timed) {
    const { took, due } = sittings.get(sitting) ?? { took: 0, due: 0 };
    sittings.set(sitting, { took: took + tookMs, due: due + stitches * seconds[kind] * 1_000 });
  }
  const logs = [...sittings.values()].filter(({ took }) => took >= LEAST_SITTING_MS).map(({ took, due }) => Math.log(took / due));
  if (logs.length < 4) return USUAL_SPREAD;
  const mean = sum(logs, (log) => log) / logs.length;
  return Math.sqrt(sum(logs, (log) => (log - mean) ** 2) / (logs.length - 1));
}

function sum<T>(values: readonly T[], of: (value: T) => number): number {
  return values.reduce((all, value) => all + of(value), 0);
}
