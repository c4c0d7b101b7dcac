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

/** The cheapest way to each count by each step, for one round; infinite where there is none. */
interface Layer {
  readonly cost: Float64Array;
  /** Where in the layer below it came from. */
  readonly before: Int32Array;
  /** For each count, where the cheapest way to it lies, whatever the step; −1 where there is none. */
  readonly best: Int32Array;
}

/**
 * Whole counts nearest to wished ones (least squares), at a price for every irregularity: the cheapest of all, found round
 * by round. Where two cost the same the smaller counts stand.
 *
 * @returns null where no counts keep the rules
 */
export function evenCounts(wished: readonly number[], rules: CountRules): readonly number[] | null {
  const most = Math.ceil(Math.max(...wished, ...rules.first)) + 2 * rules.steepest;
  const layers: Layer[] = [];
  for (const [round, wish] of wished.entries()) {
    const last = round === wished.length - 1;
    const highest = last && rules.mostShut !== null ? Math.min(most, rules.mostShut) : most;
    layers.push(layerOf(layers[round - 1] ?? null, round, { wish, most, highest }, rules));
  }
  return trace(layers, 2 * rules.steepest + 1);
}

/** A round's wished count, most stitches that are thought of, and most that it may have. */
interface Bounds {
  readonly wish: number;
  readonly most: number;
  readonly highest: number;
}

function layerOf(below: Layer | null, round: number, { wish, most, highest }: Bounds, rules: CountRules): Layer {
  const { steepest } = rules;
  const steps = 2 * steepest + 1;
  const cost = new Float64Array((most + 1) * steps).fill(Infinity);
  const before = new Int32Array((most + 1) * steps);
  const own = rules.own?.[round];
  const reach = Math.min(steepest, own?.steepest ?? steepest);
  const least = round < (rules.rising ?? 0) ? 0 : -reach;
  for (let count = 1; count <= highest; count++) {
    const off = ((count - wish) / Math.max(1, (rules.loose ?? 0) * wish)) ** 2;
    if (!below) {
      if (!rules.first.includes(count)) continue;
      cost[count * steps + steepest] = off + (count === rules.first[0] ? 0 : rules.change);
      before[count * steps + steepest] = -1;
      continue;
    }
    for (let step = least; step <= reach; step++) {
      const from = count - step;
      if (from < 1 || from > most || !isWorkable(from, count) || (own?.only ?? step) !== step) continue;
      const turning = round === 1 || own?.turns === true ? 0 : rules.change * shareSeen(from);
      const at = cheapest(below, from, from * steps + step + steepest, turning);
      if (at < 0) continue;
      const uneven = own?.uses === from && own.step === step ? 0 : unevennessIn(from, step, rules) * rules.odd;
      const turned = at === from * steps + step + steepest ? 0 : turning;
      cost[count * steps + step + steepest] = below.cost[at]! + turned + uneven + off;
      before[count * steps + step + steepest] = at;
    }
  }
  return { cost, before, best: bestOf(cost, steps) };
}

/** The cheapest way on from a count: to go on as before, or, at a price, from another step; the smaller step where they are alike. */
function cheapest({ cost, best }: Layer, count: number, same: number, turning: number): number {
  const any = best[count]!;
  if (any < 0) return -1;
  const [onward, turned] = [cost[same]!, cost[any]! + turning];
  return turned < onward || (turned === onward && any < same) ? any : same;
}

function bestOf(cost: Float64Array, steps: number): Int32Array {
  const best = new Int32Array(cost.length / steps).fill(-1);
  for (let at = 0; at < cost.length; at++) {
    if (cost[at] === Infinity) continue;
    const count = Math.floor(at / steps);
    if (best[count]! < 0 || cost[at]! < cost[best[count]!]!) best[count] = at;
  }
  return best;
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
const unevennessIn = (from: number, step: number, { first, usual = first[0] ?? 1, straight = 0 }: CountRules): number =>
  straight > 0 && step > 0 ? unevenness(from - 2 * straight, step, OVAL) : unevenness(from, step, usual);

function trace(layers: readonly Layer[], steps: number): readonly number[] | null {
  const last = layers.at(-1);
  if (!last) return [];
  let at = -1;
  for (const here of last.best) if (here >= 0 && (at < 0 || last.cost[here]! < last.cost[at]!)) at = here;
  if (at < 0) return null;
  const counts: number[] = [];
  for (let round = layers.length - 1; round >= 0; round--) {
    counts.push(Math.floor(at / steps));
    at = layers[round]!.before[at]!;
  }
  return counts.reverse();
}
