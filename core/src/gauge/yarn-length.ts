import { changeOf, type Fabric } from '../fabric/index.js';
import { STITCH_NAMES, type StitchName } from '../notation/index.js';
import type { Prior } from './evidence.js';
import type { StitchSize } from './stitch-size.js';

/** How often a stitch's strand runs across its width, up its height (in single crochets), and around a strand. */
interface Runs {
  readonly across: number;
  readonly up: number;
  readonly around: number;
}

/**
 * Our own model: a single crochet is the two legs of its V and the wrap that closes it (three widths), two strands up to
 * them, and a turn around a strand. With medium yarn on 5 mm that is about 43 mm, and a blanket of single crochet takes
 * about 41 mm a stitch (from memory). Others add the wraps they are made of.
 */
const RUNS: Readonly<Record<StitchName, Runs>> = {
  ch: { across: 3, up: 0, around: 0.5 },
  'sl st': { across: 3, up: 0.7, around: 0.5 },
  sc: { across: 3, up: 2, around: 1 },
  hdc: { across: 3, up: 2.7, around: 2 },
  dc: { across: 4, up: 4, around: 2 },
  tr: { across: 5, up: 5.4, around: 3 },
  puff: { across: 4, up: 8, around: 3 },
};

/** Each further stitch worked together draws up one more loop: two strands up and half a width. */
const TOGETHER: Runs = { across: 0.5, up: 1, around: 0 };

/** How far the model may be out before anything was weighed, and what weighing one yarn says of another (our own estimate). */
export const YARN_PRIOR: Prior = { factor: 1, spread: 0.15, transfer: 0.07 };

/** Length of yarn in one stitch, mm. */
export function stitchYarn(stitch: StitchName, size: StitchSize, strand: number): number {
  return lengthOf(RUNS[stitch], size, strand);
}

function lengthOf({ across, up, around }: Runs, { width, height }: StitchSize, strand: number): number {
  return across * width + up * height + around * Math.PI * strand;
}

/**
 * Yarn of each action of a fabric, mm: its stitches, and the chains, joins and turns that make no stitch.
 * @returns one length an action
 */
export function actionYarn(fabric: Fabric, size: StitchSize, strand: number): Float64Array {
  const lengths = STITCH_NAMES.map((name) => stitchYarn(name, size, strand));
  const together = lengthOf(TOGETHER, size, strand);
  const chain = stitchYarn('ch', size, strand);
  const slip = stitchYarn('sl st', size, strand);
  return Float64Array.from({ length: fabric.actionCount }, (_, action) => {
    const from = fabric.actionStart[action]!;
    const end = fabric.actionStart[action + 1]!;
    if (from === end) {
      const work = fabric.works[fabric.actionWork[action]!]!;
      if (work.kind === 'chain') return work.count * chain;
      return work.kind === 'close' && work.how === 'join' ? slip : 0;
    }
    let sum = 0;
    for (let row = from; row < end; row++) sum += lengths[fabric.stitch[row]!]!;
    return changeOf(fabric, action) === 'decrease' ? sum + (fabric.parentCount[from]! - 1) * together : sum;
  });
}
