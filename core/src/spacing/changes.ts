import { constant } from '../constants/index.js';
import { changeOf, roundLength, type Change, type Fabric } from '../fabric/index.js';

/** An increase or decrease of a round. */
export interface RoundChange {
  readonly change: Exclude<Change, 'plain'>;
  readonly action: number;
  /** Its middle around the axis, turns. */
  readonly angle: number;
}

export function changesIn(fabric: Fabric, angles: Float64Array, round: number): RoundChange[] {
  const found: RoundChange[] = [];
  for (let action = fabric.roundAction[round]!; action < fabric.roundAction[round + 1]!; action++) {
    const change = changeOf(fabric, action);
    if (change === 'plain') continue;
    const from = fabric.actionStart[action]!;
    const to = fabric.actionStart[action + 1]! - 1;
    found.push({ change, action, angle: (angles[from]! + angles[to]!) / 2 });
  }
  return found;
}

/** How evenly a round's changes are spaced, in plain stitches between them, around the whole round. */
export interface Evenness {
  readonly changes: number;
  readonly smallest: number;
  readonly largest: number;
  /** Standard deviation of the gaps, stitches. */
  readonly deviation: number;
}

/** Plain stitches before each change of a round from the marker on, and after the last: one run more than there are changes. */
export function plainRuns(fabric: Fabric, round: number): number[] {
  const runs = [0];
  for (let action = fabric.roundAction[round]!; action < fabric.roundAction[round + 1]!; action++) {
    if (changeOf(fabric, action) !== 'plain') runs.push(0);
    else runs[runs.length - 1]! += fabric.actionStart[action + 1]! - fabric.actionStart[action]!;
  }
  return runs;
}

/** @returns null for a round without changes. With one change its gap is all the rest of the round. */
export function evennessOf(fabric: Fabric, round: number): Evenness | null {
  const [first, ...rest] = plainRuns(fabric, round);
  if (first === undefined || rest.length === 0) return null;
  // The round closes on itself: what ends it and what begins it is one gap.
  const gaps = [...rest.slice(0, -1), rest.at(-1)! + first];
  const mean = gaps.reduce((sum, each) => sum + each, 0) / gaps.length;
  const deviation = Math.sqrt(gaps.reduce((sum, each) => sum + (each - mean) ** 2, 0) / gaps.length);
  return { changes: gaps.length, smallest: Math.min(...gaps), largest: Math.max(...gaps), deviation };
}

/** Distance of two angles the short way round, turns: 0 to 0.5. */
export function apart(a: number, b: number): number {
  const turns = Math.abs(a - b) % 1;
  return Math.min(turns, 1 - turns);
}

/** Changes further apart than this many rounds do not build a rib together (our own estimate). */
export const RIB_REACH = constant('reach of a rib');

/**
 * How far the changes of a run of rounds line up: for each change the nearest one in the round of changes below, 1 where
 * it stands right above, 0 where it stands half-way between two. Only changes up to `RIB_REACH` rounds below count. The
 * mean over the run.
 * @param from first round, 0-based; `to` is past the last
 * @returns null when no two rounds of the run with changes are that near
 */
export function stackingOf(fabric: Fabric, angles: Float64Array, from: number, to: number): number | null {
  let below: { readonly round: number; readonly changes: readonly RoundChange[] } | null = null;
  let sum = 0;
  let count = 0;
  for (let round = from; round < to; round++) {
    const own = changesIn(fabric, angles, round);
    if (own.length === 0) continue;
    if (below && round - below.round <= RIB_REACH) {
      const half = 0.5 / below.changes.length;
      for (const { angle } of own) {
        const nearest = Math.min(...below.changes.map((each) => apart(each.angle, angle)));
        sum += Math.max(0, 1 - nearest / half);
        count++;
      }
    }
    below = { round, changes: own };
  }
  return count === 0 ? null : sum / count;
}

/**
 * How far from a circle a run of rounds will look: the share by which the radius swells at the corners.
 *
 * A fit to what the relaxed shape did (docs/spacing.md): the radius swings by 4.8 % where changes stack and by 1.4 % where
 * they alternate, so the swing is taken as 4.8 % of how well the changes agree at their own number of corners, and 1.2 %
 * at twice that number. Rounds weigh by their stitches. Six corners and eight do not cancel each other: each number swings
 * by itself, and swings add up. One change a round makes no corner: it only moves the middle.
 * @returns 0 for a run without changes
 */
export function cornerOf(fabric: Fabric, angles: Float64Array, from: number, to: number): number {
  const swings = new Map<number, Swing>();
  let weight = 0;
  for (let round = from; round < to; round++) {
    const changes = changesIn(fabric, angles, round);
    if (changes.length === 0) continue;
    const length = roundLength(fabric, round);
    weight += length;
    if (changes.length === 1) continue;
    const swing = swings.get(changes.length) ?? { own: { x: 0, y: 0 }, twice: { x: 0, y: 0 } };
    swings.set(changes.length, swing);
    for (const { angle } of changes) {
      const turn = 2 * Math.PI * changes.length * angle;
      add(swing.own, length / changes.length, turn);
      add(swing.twice, length / changes.length, 2 * turn);
    }
  }
  let sum = 0;
  for (const { own, twice } of swings.values())
    sum += Math.hypot(STACKED_SWING * Math.hypot(own.x, own.y), ALTERNATING_SWING * Math.hypot(twice.x, twice.y));
  return weight === 0 ? 0 : sum / weight;
}

interface Swing {
  readonly own: { x: number; y: number };
  readonly twice: { x: number; y: number };
}

function add(to: { x: number; y: number }, share: number, turn: number): void {
  to.x += share * Math.cos(turn);
  to.y += share * Math.sin(turn);
}

const STACKED_SWING = constant('corner of stacked changes');
const ALTERNATING_SWING = constant('corner of alternating changes');
