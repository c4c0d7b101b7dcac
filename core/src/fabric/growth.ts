import type { Item, RoundLine, StitchName } from '../notation/index.js';

/**
 * Increases a round for which a circle lies flat: six in sc, and more the taller the stitch (common practice). The others
 * follow from height over width as six does from 2π·height/width.
 */
export const FLAT_GROWTH: Readonly<Record<StitchName, number>> = { 'sl st': 4, sc: 6, hdc: 8, dc: 12, tr: 18, ch: 6, puff: 10 };

/** How many times the flat growth a round may add before it is worth a word (our own estimate). */
const TOLERANCE = 1.5;

/** A round that few stitches close is drawn together anyway. */
const CLOSING = 12;

export interface Jump {
  readonly code: 'growth-ruffles' | 'growth-gathers';
  readonly by: number;
  readonly flat: number;
}

/** Whether a round grows or shrinks so fast that it ruffles or gathers; rounds in one loop do so on purpose. */
export function jumpOf(line: RoundLine, below: number, makes: number): Jump | null {
  const tallest = stitchesIn(line.items).reduce((most, stitch) => Math.max(most, FLAT_GROWTH[stitch]), 0);
  if (tallest === 0 || below === 0 || oneLoop(line.items)) return null;
  const by = Math.abs(makes - below);
  if (by <= tallest * TOLERANCE) return null;
  if (makes > below) return { code: 'growth-ruffles', by, flat: tallest };
  return makes > CLOSING ? { code: 'growth-gathers', by, flat: tallest } : null;
}

function stitchesIn(items: readonly Item[]): StitchName[] {
  return items.flatMap((item): StitchName[] => {
    if (item.kind === 'work') return [item.stitch];
    if (item.kind === 'cluster') return item.stitches.map(({ stitch }) => stitch);
    return item.kind === 'group' ? stitchesIn(item.items) : [];
  });
}

function oneLoop(items: readonly Item[]): boolean {
  return items.some(
    (item) =>
      ((item.kind === 'work' || item.kind === 'cluster') && item.loop !== 'both') ||
      (item.kind === 'group' && oneLoop(item.items)),
  );
}
