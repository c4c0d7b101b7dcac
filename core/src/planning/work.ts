import type { Fabric } from '../fabric/index.js';
import { kindOfRound, WORK_KINDS, type PaceByKind, type WorkKind } from '../history/index.js';
import { stitchesDone, type Position } from '../making/index.js';

/** What is left to do: stitches by the kind of round, and minutes of what is no stitch. */
export interface Work {
  readonly stitches: Readonly<Record<WorkKind, number>>;
  readonly minutes: number;
}

export const NO_WORK: Work = {
  stitches: { starting: 0, plain: 0, increases: 0, closing: 0, joining: 0, details: 0 },
  minutes: 0,
};

/** The stitches a piece takes from a place in it to its end. */
export function workFrom(fabric: Fabric, position: Position): Work {
  const stitches = { ...NO_WORK.stitches };
  const done = stitchesDone(fabric, position).total;
  for (let round = 0; round < fabric.roundCount; round++) {
    const from = Math.max(done, fabric.roundStart[round]!);
    stitches[kindOfRound(fabric, round)] += Math.max(0, fabric.roundStart[round + 1]! - from);
  }
  return { stitches, minutes: 0 };
}

export function together(works: readonly Work[]): Work {
  const stitches = { ...NO_WORK.stitches };
  for (const work of works) for (const kind of WORK_KINDS) stitches[kind] += work.stitches[kind];
  return { stitches, minutes: works.reduce((sum, { minutes }) => sum + minutes, 0) };
}

/** The same work so many times. */
export function times({ stitches, minutes }: Work, copies: number): Work {
  const all = { ...stitches };
  for (const kind of WORK_KINDS) all[kind] *= copies;
  return { stitches: all, minutes: minutes * copies };
}

/** Minutes that work takes at a pace. */
export function minutesOf({ stitches, minutes }: Work, { seconds }: PaceByKind): number {
  return minutes + WORK_KINDS.reduce((sum, kind) => sum + stitches[kind] * seconds[kind], 0) / 60;
}
