/** What a work step may be like: how much a round may grow or close, and how rounds begin and end. */
export interface CountRules {
  /** Stitches a round may gain or lose: more would ruffle or gape. */
  readonly steepest: number;
  /** Stitches that the first round may have, the usual one first: another costs as much as a change. */
  readonly first: readonly number[];
  /** Most stitches that are drawn shut; null where the end stays open. */
  readonly mostShut: number | null;
  /** Price of a round that does not go on as the one before, and of a change that is no multiple of the usual first round. */
  readonly change: number;
  readonly odd: number;
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
      const off = (count - wish) ** 2;
      if (round === 0) {
        layer[count * steps + steepest] = { cost: off + (count === rules.first[0] ? 0 : rules.change), before: -1 };
        continue;
      }
      for (let step = -steepest; step <= steepest; step++) {
        const from = count - step;
        if (from < 1 || from > most || !isWorkable(from, count)) continue;
        const best = cheapest(layers[round - 1]!, from, step, steps, rules, round === 1);
        if (best) layer[count * steps + step + steepest] = { cost: best.cost + off, before: best.before };
      }
    }
    layers.push(layer);
  }
  return trace(layers, steps);
}

/** A stitch takes one increase at most, and a decrease two stitches. */
const isWorkable = (from: number, to: number): boolean => to <= 2 * from && 2 * to >= from;

function cheapest(
  below: readonly (Cell | undefined)[],
  from: number,
  step: number,
  steps: number,
  { steepest, change, odd, first }: CountRules,
  second: boolean,
): Cell | null {
  const [usual = 1] = first;
  const uneven = step % usual === 0 ? 0 : odd;
  let best: Cell | null = null;
  for (let before = -steepest; before <= steepest; before++) {
    const at = from * steps + before + steepest;
    const cell = below[at];
    if (!cell) continue;
    const cost = cell.cost + uneven + (before === step || second ? 0 : change);
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
