import { LOOPS, roundLength, type Change, type Fabric } from '@lemniscus/core/fabric';
import type { Loop } from '@lemniscus/core/notation';
import { apart, changesIn, RIB_REACH, startAngles } from '@lemniscus/core/spacing';

/** An increase or decrease on the unrolled wall. */
export interface MapChange {
  readonly round: number;
  readonly change: Exclude<Change, 'plain'>;
  /** Around the part: 0 at the left edge, 1 at the right, which is the same place. */
  readonly x: number;
  /** The nearest change of the round of changes below, as a step sideways; null where there is none near. */
  readonly below: { readonly round: number; readonly step: number } | null;
  /** 1 where it stands right above that change, 0 half-way between two. */
  readonly aligned: number;
}

export interface MapModel {
  readonly changes: readonly MapChange[];
  /** Where each round begins, 0 to 1. */
  readonly starts: readonly number[];
  /** The loop a whole round is worked in, which shows as a ridge. */
  readonly loops: readonly Loop[];
  readonly counts: readonly number[];
}

export const wrap = (turns: number): number => turns - Math.floor(turns);

/**
 * The part unrolled: rounds upward, true angles across.
 * @param angles of every stitch, from `stitchAngles`
 */
export function mapModel(fabric: Fabric, angles: Float64Array): MapModel {
  const changes: MapChange[] = [];
  let below: { readonly round: number; readonly angles: readonly number[] } | null = null;
  for (let round = 0; round < fabric.roundCount; round++) {
    const own = changesIn(fabric, angles, round);
    if (below && round - below.round > RIB_REACH) below = null;
    for (const { angle, change } of own) {
      const near: number | undefined = below?.angles.reduce((a, b) => (apart(b, angle) < apart(a, angle) ? b : a));
      const half = below ? 0.5 / below.angles.length : 0;
      const aligned = near === undefined ? 0 : Math.max(0, 1 - apart(near, angle) / half);
      const step = near === undefined ? 0 : near - angle - Math.round(near - angle);
      changes.push({ round, change, x: wrap(angle), below: below && aligned > 0 ? { round: below.round, step } : null, aligned });
    }
    if (own.length > 0) below = { round, angles: own.map(({ angle }) => angle) };
  }
  const middleLoop = (round: number): Loop =>
    LOOPS[fabric.loop[(fabric.roundStart[round]! + fabric.roundStart[round + 1]!) >> 1]!] ?? 'both';
  const rounds = Array.from({ length: fabric.roundCount }, (_, round) => round);
  return {
    changes,
    starts: Array.from(startAngles(fabric, angles), wrap),
    loops: rounds.map(middleLoop),
    counts: rounds.map((round) => roundLength(fabric, round)),
  };
}
