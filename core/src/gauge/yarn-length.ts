import { constant } from '../constants/index.js';
import { changeOf, type Fabric } from '../fabric/index.js';
import { STITCHES, STITCH_NAMES, type StitchName, type YarnRuns } from '../notation/index.js';
import type { Prior } from './evidence.js';
import type { StitchSize } from './stitch-size.js';

/** Each further stitch worked together draws up one more loop: two strands up and half a width. */
const TOGETHER: YarnRuns = { across: 0.5, up: 1, around: 0 };

/** How far the model may be out before anything was weighed, and what weighing one yarn says of another (our own estimate). */
export const YARN_PRIOR: Prior = {
  factor: 1,
  spread: constant('spread of yarn'),
  transfer: constant('spread of yarn between yarns'),
};

/** Length of yarn in one stitch, mm. */
export function stitchYarn(stitch: StitchName, size: StitchSize, strand: number): number {
  return lengthOf(STITCHES[stitch].yarn, size, strand);
}

function lengthOf({ across, up, around }: YarnRuns, { width, height }: StitchSize, strand: number): number {
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
      if (work.kind === 'spur')
        return work.stitches.reduce(
          (sum, { stitch, count }) => sum + count * stitchYarn(stitch, size, strand),
          work.chains * chain,
        );
      return work.kind === 'close' && work.how === 'join' ? slip : 0;
    }
    let sum = 0;
    for (let row = from; row < end; row++) sum += lengths[fabric.stitch[row]!]!;
    return changeOf(fabric, action) === 'decrease' ? sum + (fabric.parentCount[from]! - 1) * together : sum;
  });
}
