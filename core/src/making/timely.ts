import { WAYS, type Fabric, type PartCount } from '../fabric/index.js';
import { gatesOf, type Gate, type GateKind } from '../notation/index.js';
import { within, actionsIn } from './step.js';
import type { Position } from './log.js';

/** What must be done at its time. */
export type TimelyKind = GateKind | 'colour' | 'hand' | 'legs';

/** How near it is: seen ahead, to be done now, or the last time it can be done. */
export type Nearness = 'ahead' | 'now' | 'last chance';

export interface Timely {
  /** Names it among the piece's, for settling it. */
  readonly id: string;
  readonly kind: TimelyKind;
  /** The pattern's words, or '' for the tool's own judgement. */
  readonly text: string;
  /** Round it comes before, 0-based; the number of rounds at the end. */
  readonly round: number;
  readonly near: Nearness;
}

/** What the judgement goes by beside the fabric. */
export interface Openings {
  /** Diameter of the opening after each round, mm; empty while it is not known, or for flat work. */
  readonly openings: readonly number[];
  /** What a hand with stuffing needs, mm: 35 to 40 (common practice). */
  readonly handMm: number;
  /** Whether the part is stuffed. */
  readonly stuffed: boolean;
}

/** The work curls after three or four rounds and is turned right side out by the fifth (common practice). */
const RIGHT_SIDE = { from: 3, to: 5 } as const;
/** A part that is never wider than a hand is stuffed as it grows, every few rounds. */
const NARROW_EVERY = 6;
/** For so many rounds after its last chance a thing is still said. */
const PATIENCE = 2;
/** The opening is told so many rounds ahead. */
const AHEAD = 2;

/** Everything of a piece that has its time, in the order of the work. */
export function timelyOf(counted: PartCount, fabric: Fabric, at: Position, { openings, handMm, stuffed }: Openings): Timely[] {
  const { round, action } = within(fabric, at);
  const found: Timely[] = [];
  const said = gatesOf(counted.part);
  const roundOfLine = (line: number): number => {
    const first = counted.rounds.findIndex((each) => each.line >= line);
    return first < 0 ? fabric.roundCount : first;
  };
  const closes = closingRound(openings, handMm);
  const add = (kind: TimelyKind, text: string, before: number, last = before): void => {
    // What was let go by for some rounds was not wanted.
    if (round > last + PATIENCE) return;
    const near: Nearness =
      round > last || (round === last && kind !== 'right side') ? 'last chance' : round >= before ? 'now' : 'ahead';
    found.push({ id: text ? `${kind} ${text}` : `${kind} ${before}`, kind, text, round: before, near });
  };
  for (const gate of said) {
    const before = timeOf(gate, roundOfLine(gate.before), counted, closes);
    const corner = gate.kind === 'stuffing' ? lastCorner(fabric, before) : null;
    if (corner !== null) {
      // Between two layers there is room until the last corner is worked.
      const near: Nearness = round > before || (round === before && action >= corner) ? 'last chance' : 'ahead';
      if (round <= before + PATIENCE)
        found.push({ id: `${gate.kind} ${gate.text}`, kind: gate.kind, text: gate.text, round: before, near });
      continue;
    }
    // Eyes and stuffing can still be done until the hand does not fit any more.
    const needsHand = gate.kind === 'eyes' || gate.kind === 'stuffing' || gate.kind === 'face';
    add(gate.kind, gate.text, before, needsHand ? Math.max(before, closes ?? fabric.roundCount) : before);
  }
  const spiralFromRing =
    fabric.foundation === null && WAYS[fabric.roundWay[Math.min(1, fabric.roundCount - 1)] ?? 0] !== 'turned';
  const rightSideSaid = said.some((gate) => gate.kind === 'right side');
  if (spiralFromRing && !rightSideSaid && fabric.roundCount > RIGHT_SIDE.to)
    add('right side', '', RIGHT_SIDE.from, RIGHT_SIDE.to);
  const stuffingSaid = said.some((gate) => gate.kind === 'stuffing');
  if (stuffed && closes !== null && !stuffingSaid) add('stuffing', '', Math.max(1, closes - AHEAD), closes);
  if (stuffed && openings.length > NARROW_EVERY && Math.max(...openings) < handMm) {
    for (let before = NARROW_EVERY; before < fabric.roundCount; before += NARROW_EVERY) add('stuffing', '', before);
  }
  if (fabric.foundation?.from === 'bridge') add('legs', '', 0);
  return found
    .filter((one) => !(one.kind === 'right side' && !one.text && round > RIGHT_SIDE.to))
    .sort((a, b) => a.round - b.round);
}

/** The action of a round through two layers in which its last corner begins; null for other rounds. */
export function lastCorner(fabric: Fabric, round: number): number | null {
  if (fabric.foundations.get(round)?.from !== 'layers') return null;
  const [from, end] = [fabric.roundAction[round]!, fabric.roundAction[round + 1]!];
  for (let action = end - 1; action >= from; action--)
    if (fabric.actionStart[action + 1]! - fabric.actionStart[action]! > 1) return action - from;
  return null;
}

/**
 * The round that something said at a place is to be done before. Eyes between two rounds need those rounds, wherever that
 * is said; said too late, they are set as soon as their rounds are there.
 */
function timeOf({ rounds }: Gate, said: number, counted: PartCount, closes: number | null): number {
  if (!rounds) return said;
  const after = counted.rounds.findIndex(({ number }) => number > rounds[1]);
  if (after < 0) return said;
  return closes !== null && said > closes ? after : Math.max(said, after);
}

/** The round after which a hand does not fit any more: the last time it is narrower than a hand to the end. Null when never, or never wider. */
export function closingRound(openings: readonly number[], handMm: number): number | null {
  const last = openings.findLastIndex((mm) => mm >= handMm);
  return last < 0 || last === openings.length - 1 ? null : last + 1;
}

/** A change of colour that comes: from one to another, and the actions before the stitch that is finished in the new one. */
export interface ColourAhead {
  readonly from: string;
  readonly colour: string;
  readonly inActions: number;
}

/**
 * The next change of colour in this round or at its end. The old colour's last stitch is finished in the new one; between
 * that stitch and the next, at a join or a chain, it is still to be said.
 */
export function colourAhead(fabric: Fabric, at: Position): ColourAhead | null {
  const { round, action } = within(fabric, at);
  if (round >= fabric.roundCount) return null;
  const colourOf = (one: number): number | null => {
    const row = fabric.actionStart[one]!;
    return row < fabric.actionStart[one + 1]! ? fabric.colour[row]! : null;
  };
  const first = fabric.roundAction[round]! + action;
  let inHand = first;
  while (inHand > 0 && colourOf(inHand) === null) inHand--;
  const now = colourOf(inHand);
  if (now === null) return null;
  const end = fabric.roundAction[round + 1]!;
  let last = Math.max(first, inHand);
  for (let next = first + 1; next < fabric.actionCount; next++) {
    const colour = colourOf(next);
    if (colour === null) continue;
    if (colour !== now) return { from: fabric.colours[now]!, colour: fabric.colours[colour]!, inActions: last - first };
    if (next >= end) return null;
    last = next;
  }
  return null;
}

/** How long a piece is so far in its current line, in rounds: for runs without an end of their own. */
export function roundsInLine({ rounds }: PartCount, fabric: Fabric, at: Position): number {
  const { round, action } = within(fabric, at);
  const line = rounds[round]?.line;
  const first = rounds.findIndex((each) => each.line === line);
  return first < 0 ? 0 : round - first + (action >= actionsIn(fabric, round) ? 1 : 0);
}
