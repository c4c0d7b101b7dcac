/** What a work step may be like: how much a round may grow or close, and how rounds begin and end. */
export interface CountRules {
  /** Stitches a round may gain or lose: more would ruffle or gape. */
  readonly steepest: number;
  /** Stitches that the first round may have, the usual one first: another costs as much as a change. */
  readonly first: readonly number[];
  /** Most stitches that are drawn shut; null where the end stays open. */
  readonly mostShut: number | null;
  /** Price of a round that does not go on as the one before. */
  readonly change: number;
  /** Price of changes that do not divide the round evenly; of ones that do, but are no multiple of the usual, half of it. */
  readonly odd: number;
  /** A count this share of the wish off is one stitch off, where that is more than a stitch; 0 where it is not said. */
  readonly loose?: number;
  /** Stitches a round usually changes by; those of the usual first round where it is not said. */
  readonly usual?: number;
  /** Plain stitches of either side of an oval, whose changes divide its ends; 0 where it is round. */
  readonly straight?: number;
  /** So many rounds from the first do not lose stitches; 0 where it is not said. */
  readonly rising?: number;
  /** Rounds that may differ from that, beside the wished counts: where a pattern that is made anew had a reason of its own. */
  readonly own?: readonly OwnRound[];
}

/** What one round may do of its own. */
export interface OwnRound {
  /** Stitches it may gain or lose. */
  readonly steepest: number;
  /** It need not go on as the one before. */
  readonly turns: boolean;
  /** Stitches it was worked over, and its step, which costs nothing over so many. */
  readonly uses: number;
  readonly step: number;
  /** The one step it can take, where it is worked so that there is no other. */
  readonly only: number | null;
}

interface Cell {
  readonly cost: number;
  readonly before: number;
}

/**
 * Whole counts nearest to wished ones (least squares), at a price for every irregularity: the cheapest of all, found round
 * by round. Where two cost the same the smaller counts stand.
 *
 * @returns null where no counts keep the rules
 */
export function evenCounts(wished: readonly number[], rules: CountRules): readonly number[] | null {
  const { steepest } = rules;
  const most = Math.ceil(Math.max(...wished, ...rules.first)) + 2 * steepest;
  const steps = 2 * steepest + 1;
  const size = (most + 1) * steps;
  const layers: (Cell | undefined)[][] = [];
  for (const [round, wish] of wished.entries()) {
    const layer = new Array<Cell | undefined>(size);
    const last = round === wished.length - 1;
    for (let count = 1; count <= most; count++) {
      if (round === 0 && !rules.first.includes(count)) continue;
      if (last && rules.mostShut !== null && count > rules.mostShut) continue;
      const off = ((count - wish) / Math.max(1, (rules.loose ?? 0) * wish)) ** 2;
      if (round === 0) {
        layer[count * steps + steepest] = { cost: off + (count === rules.first[0] ? 0 : rules.change), before: -1 };
        continue;
      }
      const reach = Math.min(steepest, rules.own?.[round]?.steepest ?? steepest);
      for (let step = -reach; step <= reach; step++) {
        const from = count - step;
        const only = rules.own?.[round]?.only ?? null;
        if ((only !== null && step !== only) || (step < 0 && round < (rules.rising ?? 0))) continue;
        if (from < 1 || from > most || !isWorkable(from, count)) continue;
        const best = cheapest(layers[round - 1]!, from, step, steps, rules, round);
        if (best) layer[count * steps + step + steepest] = { cost: best.cost + off, before: best.before };
      }
    }
    layers.push(layer);
  }
  return trace(layers, steps);
}

/** A stitch takes one increase at most, and a decrease two stitches. */
const isWorkable = (from: number, to: number): boolean => to <= 2 * from && 2 * to >= from;

/** One change, or two, draw a round to one side (our own estimate). */
const LOPSIDED = 2;
/** In a round of fewer stitches than this a change, and a turn, is seen less, by share (our own estimate). */
const SEEN = 12;
const shareSeen = (stitches: number): number => Math.min(1, Math.max(0, stitches) / SEEN);

/**
 * How uneven a round of so many changes is, 0 to 1: nothing where they divide it and are a multiple of the usual, all where
 * they do not divide it, or are too few to go round it; less in a small round.
 */
export function unevenness(from: number, step: number, usual: number): number {
  if (step === 0) return 0;
  const regular = step % usual === 0;
  const divides = from % step === 0;
  const lopsided = Math.abs(step) <= LOPSIDED && !regular;
  return shareSeen(from) * (!divides || lopsided ? 1 : regular ? 0 : 0.5);
}

/** Half of it at either end (common practice: three). */
const OVAL = 6;

/** An oval grows at its ends, and closes all round. */
const unevennessIn = (from: number, step: number, usual: number, straight: number): number =>
  straight > 0 && step > 0 ? unevenness(from - 2 * straight, step, OVAL) : unevenness(from, step, usual);

function cheapest(
  below: readonly (Cell | undefined)[],
  from: number,
  step: number,
  steps: number,
  { steepest, change, odd, first, usual = first[0] ?? 1, straight = 0, own }: CountRules,
  round: number,
): Cell | null {
  const mine = own?.[round];
  const uneven = mine?.uses === from && mine.step === step ? 0 : unevennessIn(from, step, usual, straight) * odd;
  const turning = round === 1 || mine?.turns === true ? 0 : change * shareSeen(from);
  let best: Cell | null = null;
  for (let before = -steepest; before <= steepest; before++) {
    const at = from * steps + before + steepest;
    const cell = below[at];
    if (!cell) continue;
    const cost = cell.cost + uneven + (before === step ? 0 : turning);
    if (!best || cost < best.cost) best = { cost, before: at };
  }
  return best;
}

function trace(layers: readonly (readonly (Cell | undefined)[])[], steps: number): readonly number[] | null {
  const last = layers.at(-1);
  if (!last) return [];
  let at = -1;
  for (const [i, cell] of last.entries()) if (cell && (at < 0 || cell.cost < last[at]!.cost)) at = i;
  if (at < 0) return null;
  const counts: number[] = [];
  for (let round = layers.length - 1; round >= 0; round--) {
    counts.unshift(Math.floor(at / steps));
    at = layers[round]![at]!.before;
  }
  return counts;
}
