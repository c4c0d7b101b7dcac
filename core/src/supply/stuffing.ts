import { constant } from '../constants/index.js';
import type { Firmness } from '../notation/index.js';
import { believe, madeWith, type Belief, type Prior, type YarnAndHook } from '../gauge/index.js';
import type { Measurement } from './measurement.js';

/** Grams of fibre filling in a cm³ (from memory, give or take a third; filling differs, and so do hands). */
export const FILLING: Readonly<Record<Firmness, number>> = {
  soft: constant('soft filling'),
  medium: constant('medium filling'),
  firm: constant('firm filling'),
};
const FILLING_PRIOR: Prior = {
  factor: 1,
  spread: constant('spread of filling'),
  transfer: constant('spread of filling between yarns'),
};
const SCALE_OUT_G = constant('scale out');
const PIECE_SPREAD = constant('spread of a stuffed piece');

/** The maker's own factor on stuffing, from pieces whose stuffing was weighed. */
export function stuffingBelief(tools: YarnAndHook, measurements: readonly Measurement[]): Belief {
  const evidence = measurements.flatMap((one) =>
    one.kind === 'stuffing'
      ? [
          {
            ratio: one.grams / fillingOf(one.volumeMm3, one.firmness),
            spread: Math.hypot(PIECE_SPREAD, SCALE_OUT_G / one.grams),
            made: madeWith(one),
          },
        ]
      : [],
  );
  return believe(evidence, madeWith(tools), FILLING_PRIOR);
}

/** Grams of filling for a volume in mm³, before the maker's own factor. */
export function fillingOf(volumeMm3: number, firmness: Firmness): number {
  return (volumeMm3 / 1_000) * FILLING[firmness];
}
