import type { Belief, Gauge } from '../gauge/index.js';
import { START, type Position } from '../making/index.js';
import { fineness, type Yarn } from './basket.js';
import { colourKey, yarnFor } from './kit.js';
import { handGauge, strandOf, yarnBelief } from './measurement.js';
import { endOf, pieceYarn, yarnBetween, type PieceYarn } from './piece-yarn.js';
import { inOrder, type PlannedPart, type Situation } from './situation.js';

/** Where a yarn runs out: in this round of this piece, of the set with this number (1-based). */
export interface Stop {
  readonly piece: string;
  readonly name: string;
  readonly part: string;
  /** 0-based. */
  readonly round: number;
  readonly label: string;
  readonly set: number;
}

/** A part's share in a yarn, mm: in one piece from start to end, and in all its pieces what is still to be worked. */
export interface Portion {
  readonly part: string;
  readonly name: string;
  readonly colour: string;
  readonly onePiece: number;
  readonly left: number;
  readonly copies: number;
}

/** What a make asks of one yarn: a yarn of the basket, or a colour no yarn was chosen for. */
export interface Demand {
  /** The yarn's id, or "colour:" and the colour. */
  readonly key: string;
  readonly yarn: Yarn | null;
  /** Grams free for this make; null where no yarn was chosen. */
  readonly free: number | null;
  /** Colours of the pattern worked in it, as written. */
  readonly colours: readonly string[];
  readonly portions: readonly Portion[];
  /** Yarn for everything, and for what is still to be worked, all copies together. */
  readonly whole: { readonly mm: number; readonly grams: number };
  readonly left: { readonly mm: number; readonly grams: number };
  /** Give or take of all amounts, as a share. */
  readonly spread: number;
  /** Whether the free grams last: surely, perhaps, or not. */
  readonly verdict: 'enough' | 'close' | 'short' | 'not chosen';
  /** Where it is expected to run out, and where it may at the earliest. */
  readonly runsOut: Stop | null;
  readonly mayRunOut: Stop | null;
}

export interface Supply {
  readonly gauge: Gauge;
  /** The maker's own factor on yarn lengths. */
  readonly yarn: Belief;
  readonly demands: readonly Demand[];
}

interface Need {
  readonly yarn: Yarn | null;
  readonly colours: string[];
  readonly portions: Portion[];
  whole: number;
  left: number;
}

/** How much of every yarn a make takes, whether it lasts, and where it does not. */
export function supplyOf(situation: Situation): Supply {
  const { tools, kit, measurements, basket } = situation;
  const gauge = handGauge(tools, kit.hand, measurements);
  const yarn = yarnBelief(tools, kit.hand, measurements);
  const parts = inOrder(situation.parts, kit).map((part) => {
    const own = pieceYarn(part.fabric, gauge.stitch, strandOf(tools), part.endTail);
    return { part, yarn: { ...own, length: own.length.map((mm) => mm * yarn.factor) } };
  });
  const key = (part: PlannedPart, colour: string): string => {
    const id = yarnFor(kit, part.key, colour);
    return id !== null && basket.some((holding) => holding.yarn.id === id) ? id : `colour:${colourKey(colour)}`;
  };
  const needs = new Map<string, Need>();
  for (const each of parts) addNeeds(needs, each, situation, key);

  const demands = [...needs].map(([id, need]): Demand => {
    const { gramsPerMm, spread } = fineness(need.yarn, tools.yarnWeight);
    const all = Math.hypot(yarn.spread, spread);
    const free = basket.find((holding) => holding.yarn.id === id)?.free ?? null;
    const left = need.left * gramsPerMm;
    const stop = (margin: number): Stop | null =>
      free === null
        ? null
        : firstBeyond(parts, kit.copies, (part, colour) => key(part, colour) === id, free / gramsPerMm / margin);
    return {
      key: id,
      yarn: need.yarn,
      free,
      colours: need.colours,
      portions: need.portions,
      whole: { mm: need.whole, grams: need.whole * gramsPerMm },
      left: { mm: need.left, grams: left },
      spread: all,
      verdict: free === null ? 'not chosen' : left > free ? 'short' : left * (1 + all) > free ? 'close' : 'enough',
      runsOut: stop(1),
      mayRunOut: stop(1 + all),
    };
  });
  return { gauge, yarn, demands };
}

interface PartYarn {
  readonly part: PlannedPart;
  readonly yarn: PieceYarn;
}

function addNeeds(
  needs: Map<string, Need>,
  { part, yarn }: PartYarn,
  { kit, basket }: Situation,
  key: (part: PlannedPart, colour: string) => string,
): void {
  const { fabric, pieces, copies } = part;
  const whole = yarnBetween(fabric, yarn, START, endOf(fabric));
  const left = new Float64Array(whole.length);
  for (const piece of pieces) {
    const rest = yarnBetween(fabric, yarn, piece.at, endOf(fabric));
    rest.forEach((mm, colour) => (left[colour] = left[colour]! + mm));
  }
  fabric.colours.forEach((colour, index) => {
    const mm = whole[index] ?? 0;
    if (mm === 0) return;
    const id = key(part, colour);
    const need = needs.get(id) ?? {
      yarn: basket.find((holding) => holding.yarn.id === id)?.yarn ?? null,
      colours: [],
      portions: [],
      whole: 0,
      left: 0,
    };
    needs.set(id, need);
    if (!need.colours.includes(colour)) need.colours.push(colour);
    const stillToWork = (left[index] ?? 0) + mm * copies * (kit.copies - 1);
    need.portions.push({ part: part.key, name: part.name, colour, onePiece: mm, left: stillToWork, copies });
    need.whole += mm * copies * kit.copies;
    need.left += stillToWork;
  });
}

/** The first round, in the order of the work, in which more than `available` mm of the yarn is used; null when it lasts. */
function firstBeyond(
  parts: readonly PartYarn[],
  sets: number,
  takes: (part: PlannedPart, colour: string) => boolean,
  available: number,
): Stop | null {
  let used = 0;
  for (let set = 1; set <= sets; set++) {
    for (const { part, yarn } of parts) {
      const { fabric } = part;
      const own = Uint8Array.from(fabric.colours, (colour) => (takes(part, colour) ? 1 : 0));
      if (!own.includes(1)) continue;
      for (const piece of part.pieces) {
        const at: Position = set === 1 ? piece.at : START;
        for (let round = at.round; round < fabric.roundCount; round++) {
          const first = fabric.roundAction[round]! + (round === at.round ? at.action : 0);
          for (let action = first; action < fabric.roundAction[round + 1]!; action++) {
            if (own[yarn.colour[action]!]) used += yarn.length[action]!;
          }
          if (used > available)
            return { piece: piece.id, name: piece.name, part: part.key, round, label: part.labels[round] ?? '', set };
        }
      }
    }
  }
  return null;
}

/** Grams of every yarn (by demand key) used between an earlier state of the pieces and now. */
export function usedSince(situation: Situation, before: (piece: string) => Position): Map<string, number> {
  const then = {
    ...situation,
    kit: { ...situation.kit, copies: 1 },
    parts: situation.parts.map((part) => ({
      ...part,
      pieces: part.pieces.map((piece) => ({ ...piece, at: before(piece.id) })),
    })),
  };
  const now = { ...situation, kit: then.kit };
  const left = new Map(supplyOf(now).demands.map((demand) => [demand.key, demand.left.grams]));
  return new Map(supplyOf(then).demands.map(({ key, left: { grams } }) => [key, grams - (left.get(key) ?? 0)]));
}
