import { changeOf, roundLength, type Change, type Fabric, type PartCount, type RoundCount } from '../fabric/index.js';
import { printItem, type Item, type Terms, type Worked } from '../notation/index.js';
import type { Position } from './log.js';
import { stitchesDone, within } from './step.js';

/** Actions of one kind in a row: "3 sc", "inc". */
export interface Run {
  readonly words: string;
  /** What is worked, as it is written. */
  readonly work: Worked;
  readonly change: Change;
  readonly length: number;
  /** Actions of it already done. */
  readonly done: number;
}

/** What the maker needs to know right now. */
export interface Now {
  readonly round: RoundCount;
  /** 0-based. */
  readonly roundIndex: number;
  readonly roundCount: number;
  readonly stitches: number;
  readonly stitchesDone: number;
  /** The runs of the current group. */
  readonly runs: readonly Run[];
  /** 0-based group of the round, and how many there are. */
  readonly group: number;
  readonly groupCount: number;
  /** What the maker does after this group: the next group's words, the next round's, or null at the end. */
  readonly then: string | null;
  /** The next increase or decrease of the round after the action at hand, and the actions before it. */
  readonly nextChange: { readonly change: Change; readonly inActions: number } | null;
  /** Same rounds in a row that this one stands in: how many are done, of how many; null unless more than one. */
  readonly same: { readonly done: number; readonly of: number } | null;
}

/** @returns null when the piece is finished, or its part has no rounds. */
export function nowOf({ part, rounds }: PartCount, fabric: Fabric, at: Position, terms: Terms): Now | null {
  const position = within(fabric, at);
  if (position.round >= fabric.roundCount) return null;
  const first = fabric.roundAction[position.round]!;
  const end = fabric.roundAction[position.round + 1]!;
  const action = first + position.action;
  const group = fabric.actionGroup[action]!;
  const range = groupRange(fabric, position.round, action);
  const runs = runsOf(fabric, range, action, terms);
  const groupEnd = range[1];
  const round = rounds[position.round]!;
  const line = part.lines[round.line]!;
  const next = within(fabric, { round: position.round + 1, action: 0 }).round;
  return {
    round,
    roundIndex: position.round,
    roundCount: fabric.roundCount,
    stitches: roundLength(fabric, position.round),
    stitchesDone: stitchesDone(fabric, position).inRound,
    runs,
    group,
    groupCount: fabric.actionGroup[end - 1]! + 1,
    then:
      groupEnd < end
        ? groupWords(fabric, position.round, groupEnd, terms)
        : next < fabric.roundCount
          ? `${rounds[next]!.label}: ${groupWords(fabric, next, fabric.roundAction[next]!, terms)}`
          : null,
    nextChange: nextChangeAfter(fabric, action, end),
    same: line.last > line.first ? { done: round.number - line.first, of: line.last - line.first + 1 } : null,
  };
}

/** Actions of the group that an action of a round stands in, as [first, end). */
function groupRange(fabric: Fabric, round: number, action: number): readonly [number, number] {
  const first = fabric.roundAction[round]!;
  const end = fabric.roundAction[round + 1]!;
  const group = fabric.actionGroup[action]!;
  let from = action;
  let to = action + 1;
  while (from > first && fabric.actionGroup[from - 1] === group) from--;
  while (to < end && fabric.actionGroup[to] === group) to++;
  return [from, to];
}

function runsOf(fabric: Fabric, [from, to]: readonly [number, number], at: number, terms: Terms): Run[] {
  const runs: Run[] = [];
  for (let start = from; start < to;) {
    let end = start + 1;
    while (end < to && fabric.actionWork[end] === fabric.actionWork[start]) end++;
    const work = fabric.works[fabric.actionWork[start]!]!;
    const style = { terms, form: 'short' } as const;
    runs.push({
      work,
      words: printItem(work.kind === 'close' || work.kind === 'skip' ? work : ofCount(work, end - start), style),
      change: changeOf(fabric, start),
      length: end - start,
      done: Math.min(Math.max(0, at - start), end - start),
    });
    start = end;
  }
  return runs;
}

/** The same item worked so often; a chain that makes no row is one action whatever its length. */
function ofCount(work: Exclude<Worked, { kind: 'close' | 'skip' }>, count: number): Item {
  if (work.kind === 'spur') return count === 1 ? work : { kind: 'group', items: [work], times: count };
  if (work.kind === 'chain') return work.counts === work.count ? { ...work, count, counts: count } : work;
  // A chain that counts is one of the stitches the round begins with.
  return work.kind === 'start' && work.chain === 'counted' ? { ...work, count: count - 1 } : { ...work, count };
}

function groupWords(fabric: Fabric, round: number, action: number, terms: Terms): string {
  return runsOf(fabric, groupRange(fabric, round, action), action, terms)
    .map((run) => run.words)
    .join(', ');
}

function nextChangeAfter(fabric: Fabric, action: number, end: number): Now['nextChange'] {
  for (let next = action; next < end; next++) {
    const change = changeOf(fabric, next);
    if (change !== 'plain') return { change, inActions: next - action };
  }
  return null;
}
