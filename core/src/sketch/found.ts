import {
  firstRounds,
  fitSteps,
  judgeRounds,
  misfits,
  nearestWish,
  type FitOptions,
  type Mended,
  type Misfit,
  type RoundFit,
  type Wish,
} from '../design/index.js';
import type { StitchSize } from '../gauge/index.js';
import { wishOf } from './curve.js';
import type { SketchPart } from './sketch.js';
import type { Rounded } from './text.js';

/** Rounds for a part of a sketch, and how they lie against what was drawn. */
export interface Found {
  /** What was drawn, or the nearest to it that can be crocheted. */
  readonly wish: Wish;
  readonly mended: readonly Mended[];
  readonly fit: RoundFit;
  readonly misfits: readonly Misfit[];
}

/** A part to be written, with the rounds found for it. */
export function roundedOf(part: SketchPart, found: Found | null): Rounded {
  return found ? { part, counts: found.fit.counts, bend: found.fit.bend } : { part, counts: null };
}

/** What a part is worked with. */
export interface SketchGauge {
  readonly stitch: StitchSize;
  /** Share by which stuffing stretches it. */
  readonly stretch: number;
}

/**
 * Rounds for a part, step by step: yields how much is done, 0 to 1. What was set by hand is judged as it is.
 *
 * @param rim stitches of what it grows out of, where it does
 * @returns null where there is no outline yet, or nothing that can be worked comes near it
 */
export function* findSteps(part: SketchPart, { stitch, stretch }: SketchGauge, rim?: number): Generator<number, Found | null> {
  const near = nearestWish(wishOf(part.outline), stitch);
  if (!near) return null;
  const { wish, mended } = near;
  const options = optionsOf(part, stretch, rim);
  const fit = part.counts ? judgeRounds(part.counts, wish, stitch, options) : yield* fitSteps(wish, stitch, options);
  return fit && { wish, mended, fit, misfits: misfits(fit, wish, stitch) };
}

/** A first answer while an outline is being dragged: rounds of the surface alone, and the shape they make. */
export function firstFound(part: SketchPart, gauge: SketchGauge, rim?: number): Found | null {
  if (part.counts) return findRounds(part, gauge, rim);
  const near = nearestWish(wishOf(part.outline), gauge.stitch);
  const counts = near && firstRounds(near.wish, gauge.stitch, optionsOf(part, gauge.stretch, rim));
  if (!near || !counts) return null;
  const fit = judgeRounds(counts, near.wish, gauge.stitch, optionsOf(part, gauge.stretch, rim));
  return { ...near, fit, misfits: misfits(fit, near.wish, gauge.stitch) };
}

/** The same at once. */
export function findRounds(part: SketchPart, gauge: SketchGauge, rim?: number): Found | null {
  const steps = findSteps(part, gauge, rim);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

function optionsOf({ first, stuffed, worked }: SketchPart, stretch: number, rim: number | undefined): FitOptions {
  return {
    firmness: stuffed ? stretch : 0,
    worked,
    ...(first === null ? {} : { first: [first] }),
    ...(rim === undefined ? {} : { rim }),
  };
}
