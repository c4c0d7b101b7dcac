import type { Loop } from '../stitch.js';
import type { Piece } from './piece.js';
import type { WorkedPieces } from './stitches.js';
import { isPrelude, type LastWorked } from './whole.js';

/** What a sequence has gathered so far. */
export interface Gathered {
  readonly pieces: Piece[];
  readonly depth: number;
  /** A loop said for the rest of the sequence, and one for the next item alone. */
  scope: Loop;
  once: Loop;
  last: LastWorked | null;
  /** Pieces looked through for stitches so far, and whether some were found. */
  seen: number;
  worked: boolean;
}

/** Whether stitches stand among the pieces so far. */
export function hasStitches(all: Gathered): boolean {
  while (!all.worked && all.seen < all.pieces.length) all.worked = !isPrelude(all.pieces[all.seen++]!);
  return all.worked;
}

export const gathered = (depth: number): Gathered => ({
  pieces: [],
  depth,
  scope: 'both',
  once: 'both',
  last: null,
  seen: 0,
  worked: false,
});

export function remember(all: Gathered, worked: WorkedPieces): Piece[] {
  all.last = { from: all.pieces.length, worked };
  return [...worked.pieces];
}
