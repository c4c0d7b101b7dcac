import type { StitchFrames } from './stitch-frames.js';
import { FRAME } from './stitch-frames.js';
import { add, times, type Vector } from './vector.js';

/** Where a pair of eyes is set: on the line between two rounds, so many stitches free between them, to the front. */
export interface EyeSpots {
  /** Index of the piece in the body. */
  readonly piece: number;
  /** The round below them, 0-based, as its first stitch and the number of its stitches. */
  readonly first: number;
  readonly count: number;
  readonly between: number;
}

/**
 * The two places, each with the direction outwards from it. The front is opposite the start of the round, which lies at the
 * back (common practice). Null where the piece has no such stitches.
 */
export function eyeSpots(
  { piece, row, frames, count: all }: StitchFrames,
  { piece: of, first, count, between }: EyeSpots,
): readonly { readonly at: Vector; readonly out: Vector }[] | null {
  const start = piece.indexOf(of);
  if (start < 0 || count < 4) return null;
  const half = Math.min((between + 1) / 2, count / 4);
  return [-half, half].flatMap((aside) => {
    const place = first + Math.round((count - 1) / 2 + aside);
    const index = start + place;
    if (index >= all || row[index] !== place) return [];
    const [foot, up, out] = [0, 6, 9].map((from): Vector => {
      const k = FRAME * index + from;
      return [frames[k]!, frames[k + 1]!, frames[k + 2]!];
    }) as [Vector, Vector, Vector];
    // Between two rounds is at the top of the lower one.
    return [{ at: add(foot, up), out: times(out, 1 / (Math.hypot(...out) || 1)) }];
  });
}
