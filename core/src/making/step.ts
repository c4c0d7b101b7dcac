import type { Fabric } from '../fabric/index.js';
import type { Position } from './log.js';

export type Step = 'stitch' | 'group' | 'round';

/** Actions in a round of the fabric. */
export function actionsIn(fabric: Fabric, round: number): number {
  return fabric.roundAction[round + 1]! - fabric.roundAction[round]!;
}

/**
 * The position brought within the fabric, as a pattern may have been edited since. A round worked to its end is the
 * start of the next; the end of the last round is `{ round: roundCount, action: 0 }`.
 */
export function within(fabric: Fabric, { round, action }: Position): Position {
  if (round >= fabric.roundCount) return { round: fabric.roundCount, action: 0 };
  return action >= actionsIn(fabric, round) ? within(fabric, { round: round + 1, action: 0 }) : { round, action };
}

export function isFinished(fabric: Fabric, position: Position): boolean {
  return position.round >= fabric.roundCount;
}

/** Where one more stitch, group or round leads. Finished pieces stay where they are. */
export function stepFrom(fabric: Fabric, from: Position, step: Step): Position {
  const { round, action } = within(fabric, from);
  if (round >= fabric.roundCount || step === 'round')
    return within(fabric, { round: Math.min(round + 1, fabric.roundCount), action: 0 });
  if (step === 'stitch') return within(fabric, { round, action: action + 1 });
  const first = fabric.roundAction[round]!;
  const end = fabric.roundAction[round + 1]!;
  const group = fabric.actionGroup[first + action]!;
  let next = first + action + 1;
  while (next < end && fabric.actionGroup[next] === group) next++;
  return within(fabric, { round, action: next - first });
}

/** The start of this round, or of the one before when already there; rounds in which nothing is worked are passed over. */
export function roundStartBefore(fabric: Fabric, from: Position): Position {
  const { round, action } = within(fabric, from);
  if (action > 0) return { round, action: 0 };
  let before = round - 1;
  while (before > 0 && actionsIn(fabric, before) === 0) before--;
  return within(fabric, { round: Math.max(0, before), action: 0 });
}

/** Stitches made up to a position: in the whole piece and in its current round. */
export function stitchesDone(fabric: Fabric, from: Position): { readonly total: number; readonly inRound: number } {
  const { round, action } = within(fabric, from);
  if (round >= fabric.roundCount) return { total: fabric.stitchCount, inRound: 0 };
  const total = fabric.actionStart[fabric.roundAction[round]! + action]!;
  return { total, inRound: total - fabric.roundStart[round]! };
}

/** The place in a round with at most so many of its stitches made: an increase is not ripped by half. */
export function placeOfStitch(fabric: Fabric, round: number, stitches: number): Position {
  const first = fabric.roundAction[round]!;
  let action = 0;
  while (action < actionsIn(fabric, round) && fabric.actionStart[first + action + 1]! - fabric.roundStart[round]! <= stitches)
    action++;
  return within(fabric, { round, action });
}
