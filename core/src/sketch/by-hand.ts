import type { SketchPart } from './sketch.js';

/** Stitches a round may gain before it ruffles (the checks warn at one and a half times what lies flat). */
const STEEPEST = 9;
const LEAST = 3;

/**
 * A count set by hand, brought to the nearest that can be worked over its neighbours: the rounds after it follow as far as
 * they must.
 *
 * @param round 0-based
 */
export function withCount(counts: readonly number[], round: number, wished: number): readonly number[] {
  const next = counts.map((count) => count);
  next[round] = round === 0 ? clamp(wished, LEAST, 16) : within(next[round - 1]!, wished);
  for (let k = round + 1; k < next.length; k++) {
    const near = within(next[k - 1]!, next[k]!);
    if (near === next[k]) break;
    next[k] = near;
  }
  return next;
}

/** The nearest count that can be worked over another: one change a stitch, and no ruffle. */
function within(below: number, wished: number): number {
  return clamp(wished, Math.max(LEAST, Math.ceil(below / 2), below - STEEPEST), Math.min(2 * below, below + STEEPEST));
}

const clamp = (value: number, least: number, most: number): number => Math.max(least, Math.min(most, Math.round(value)));

/** A round more after another, or without one; two rounds stay. */
export function withRound(counts: readonly number[], round: number): readonly number[] {
  return [...counts.slice(0, round + 1), counts[round]!, ...counts.slice(round + 1)];
}

export function withoutRound(counts: readonly number[], round: number): readonly number[] {
  if (counts.length <= 2 || round === 0) return counts;
  const rest = counts.filter((_, k) => k !== round);
  return round < rest.length ? withCount(rest, round, rest[round]!) : rest;
}

/** So many rounds more, or fewer, where it is widest; two rounds stay. */
export function longerBy(counts: readonly number[], rounds: number): readonly number[] {
  let next = counts;
  for (let i = 0; i < Math.abs(rounds); i++) {
    const widest = next.lastIndexOf(Math.max(...next));
    next = rounds > 0 ? withRound(next, widest) : withoutRound(next, widest);
  }
  return next;
}

/** The rounds of a part in another colour from one on; the next colour begins where it did. */
export function painted(part: SketchPart, from: number, to: number, name: string): SketchPart {
  const colourAt = (round: number): string =>
    [...part.colours].sort((a, b) => a.from - b.from).findLast((colour) => colour.from <= round)?.name ?? '';
  const after = colourAt(to + 1);
  const kept = part.colours.filter((colour) => colour.from < from || colour.from > to + 1);
  const colours = [...kept, { from, name }, { from: to + 1, name: after }].sort((a, b) => a.from - b.from);
  // A colour that goes on is no change.
  return { ...part, colours: colours.filter((colour, i) => colour.name !== '' && colour.name !== colours[i - 1]?.name) };
}
