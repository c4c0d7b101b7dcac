import { constant } from '../constants/index.js';
import { LOOPS, roundLength, type Fabric, type PartCount } from '../fabric/index.js';
import { foundationOf, gatesOf, inLoop, type Part, type RoundLine, type Terms } from '../notation/index.js';
import { itemsOf, plainRuns, spread, type SpreadRound } from '../spacing/index.js';
import type { Alteration } from './alteration.js';
import { alike, asWritten, frameOf, itemsOfRound } from './round-words.js';
import { actionsOf } from './work-round.js';
import type { WrittenRound } from './written.js';

/** The two ways out of a count that is off, with what they cost, and which of them is better. */
export interface WaysOut {
  /** Rip back to the start of the round: stitches lost. */
  readonly ripStitches: number;
  /** Work on, with the next round in other words; null where that cannot be hidden. */
  readonly absorb: {
    /** The next round, as it is to be worked. */
    readonly words: string;
    readonly changes: readonly Alteration[];
  } | null;
  readonly advice: 'rip' | 'absorb';
  readonly why: WayReason;
}

/** Why one way out is the better one. */
export type WayReason =
  | {
      readonly is:
        | 'no round follows'
        | 'next stands elsewhere'
        | 'next must land on its count'
        | 'all stands on it'
        | 'too few to hide it'
        | 'mixed stitches'
        | 'counted on later'
        | 'placed from here soon';
    }
  | { readonly is: 'off by more than one'; readonly off: number }
  | { readonly is: 'a small round shows it'; readonly due: number }
  | { readonly is: 'a large round hides it'; readonly due: number; readonly change: 'increase' | 'decrease' };

/** From so many stitches on, one more or fewer is hard to see (our own estimate). */
const LARGE = constant('hides one more');

/**
 * @param round 0-based round that ended on `found`
 * @param written where each round is written in the pattern
 */
export function waysOut(
  { part, rounds }: PartCount,
  fabric: Fabric,
  written: (round: number) => WrittenRound,
  round: number,
  found: number,
  terms: Terms,
): WaysOut {
  const due = roundLength(fabric, round);
  const off = Math.abs(found - due);
  const rip = (why: WayReason): WaysOut => ({ ripStitches: found, absorb: null, advice: 'rip', why });
  const next = rounds[round + 1];
  if (!next || round + 1 >= fabric.roundCount) return rip({ is: 'no round follows' });
  const below = rounds[round]!.available;
  const respread = (at: number, as: SpreadRound): string | null =>
    wordsFor(part.lines[rounds[at]!.line]!, rounds[at]!.number, as, terms);
  if (next.available !== due || foundationOf(part.lines[next.line]!.items)) return rip({ is: 'next stands elsewhere' });
  if (!isPlainWork(part.lines[next.line]!)) return rip({ is: 'next must land on its count' });
  const to = roundLength(fabric, round + 1);
  const now = spreadOrNull(below, found, 0.5);
  const then = spreadOrNull(found, to, quietLead(fabric, round, found));
  if (below === 0) return rip({ is: 'all stands on it' });
  if (!now || !then) return rip({ is: 'too few to hide it' });
  const made = respread(round, now);
  const words = respread(round + 1, then);
  if (made === null || words === null) return rip({ is: 'mixed stitches' });
  const absorb = {
    words,
    changes: [
      { kind: 'instead' as const, ...written(round), text: made },
      { kind: 'instead' as const, ...written(round + 1), text: words },
    ],
  };
  const rhythm = actionsOf(fabric, round).some(({ change }) => change !== 'plain');
  const ahead = faceAhead(part, rounds, round) || limbAhead(part.lines.slice(next.line), fabric, round);
  const better = (advice: WaysOut['advice'], why: WayReason): WaysOut => ({ ripStitches: found, absorb, advice, why });
  if (off > 1) return better('rip', { is: 'off by more than one', off });
  if (rhythm) return better('rip', { is: 'counted on later' });
  if (ahead) return better('rip', { is: 'placed from here soon' });
  if (due < LARGE) return better('rip', { is: 'a small round shows it', due });
  return better('absorb', { is: 'a large round hides it', due, change: found > due ? 'decrease' : 'increase' });
}

/** Single crochets, increases and decreases through both loops, between what opens and closes the round. */
function isPlainWork({ items }: RoundLine): boolean {
  const how = alike(frameOf(items).stitches);
  return how?.stitch === 'sc' && how.loop === 'both';
}

/** The round worked in another spacing, opened and closed as it is written; null where its stitches differ. */
function wordsFor(line: RoundLine, number: number, as: SpreadRound, terms: Terms): string | null {
  const { opening, stitches, closing } = frameOf(itemsOfRound(line, number));
  const how = alike(stitches);
  return how && asWritten([...opening, ...inLoop(itemsOf(as, how), how.loop), ...closing], terms);
}

function spreadOrNull(uses: number, makes: number, lead: number): SpreadRound | null {
  if (uses < 1 || makes < 1 || makes > 2 * uses || 2 * makes < uses) return null;
  return spread(uses, makes, lead < 1 ? Math.floor((uses / Math.max(1, Math.abs(makes - uses))) * lead) : lead);
}

/** Where the first change goes so that it stands farthest from the changes of the round below. */
function quietLead(fabric: Fabric, round: number, found: number): number {
  const gaps = plainRuns(fabric, round);
  const changes = gaps.length - 1;
  if (changes === 0) return Math.floor(found / 2);
  const gap = Math.floor(roundLength(fabric, round) / changes);
  return Math.max(1, Math.floor(gaps[0]! + gap / 2) % Math.max(1, gap));
}

const SOON = 4;

/** Whether eyes or a face are set, by rounds or by the place where it is said, in the next rounds. */
function faceAhead(part: Part, rounds: PartCount['rounds'], round: number): boolean {
  const soon = rounds.slice(round, round + 1 + SOON);
  return gatesOf(part).some(({ kind, before, rounds: between }) => {
    if (kind !== 'eyes' && kind !== 'face') return false;
    const said = rounds.findIndex(({ line }) => line >= before);
    const set = (said > round && said <= round + SOON) || (said < 0 && rounds.length <= round + SOON);
    return set || soon.some(({ number }) => between !== null && number >= between[0] && number <= between[1]);
  });
}

function limbAhead(lines: readonly RoundLine[], fabric: Fabric, round: number): boolean {
  const end = fabric.roundStart[Math.min(fabric.roundCount, round + 1 + SOON)]!;
  for (let row = fabric.roundStart[round + 1]!; row < end; row++) {
    if (fabric.limb[row]! > 0 || LOOPS[fabric.loop[row]!] !== 'both') return true;
  }
  return lines.slice(0, SOON).some((line) => line.items.some((item) => item.kind === 'work' && item.through !== null));
}
