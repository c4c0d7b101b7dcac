import { constant } from '../constants/index.js';
import { flatGrowth, loopsIn, type RoundLine } from '../notation/index.js';

/** How many times the flat growth a round may add before it is worth a word (our own estimate). */
const TOLERANCE = constant('growth that ruffles');

/** A round that few stitches close is drawn together anyway. */
const CLOSING = constant('closing anyway');

export interface Jump {
  readonly code: 'growth-ruffles' | 'growth-gathers';
  readonly by: number;
  readonly flat: number;
}

/** Whether a round grows or shrinks so fast that it ruffles or gathers; rounds in one loop do so on purpose. */
export function jumpOf(line: RoundLine, below: number, makes: number): Jump | null {
  const tallest = flatGrowth(line.items);
  const oneLoop = [...loopsIn(line.items)].some((loop) => loop !== 'both');
  if (tallest === 0 || below === 0 || oneLoop) return null;
  const by = Math.abs(makes - below);
  if (by <= tallest * TOLERANCE) return null;
  if (makes > below) return { code: 'growth-ruffles', by, flat: tallest };
  return makes > CLOSING ? { code: 'growth-gathers', by, flat: tallest } : null;
}
