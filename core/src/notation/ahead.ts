import { namesWork } from './layout/label.js';
import type { Line } from './layout/line.js';
import { saysWork } from './says-work.js';

/** How a part goes on after a line. */
export interface Ahead {
  /** The number of the next round that has one; null where none follows in the part, or it is counted on. */
  readonly number: number | null;
  /** Lines up to there that say what is worked and have no number, with the line itself. */
  readonly between: number;
}

/** Most lines that are looked ahead. */
const MOST_AHEAD = 40;

/** What follows from a line on, up to the next round with a label or the next marked heading. */
export function lookAhead(lines: readonly Line[], at: number): Ahead {
  let between = 0;
  for (const line of lines.slice(at, at + MOST_AHEAD)) {
    if (line.is === 'round') return { number: line.label.relative ? null : line.label.first, between };
    if (line.is === 'heading' && line.mark === 'marked') break;
    const works =
      (line.is === 'words' || line.is === 'heading') && (saysWork(line.tokens) === 'stitch' || namesWork(line.tokens));
    if (works) between++;
  }
  return { number: null, between };
}
