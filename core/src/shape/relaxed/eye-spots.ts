import type { StitchFrames } from './stitch-frames.js';
import { FRAME } from './stitch-frames.js';
import { add, times, type Vector } from '../../vector/index.js';

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
  const apart = Math.min(between, count >> 1);
  const low = Math.floor((count - apart) / 2);
  return [low, low + apart].flatMap((hole) => {
    // A post sits in a hole, between two stitches and at the top of the round.
    const rows = [hole - 1, hole].map((stitch) => start + first + ((stitch + count) % count));
    if (rows.some((index) => index >= all || row[index] !== index - start)) return [];
    const [one, two] = rows.map((index) => ({
      top: add(read(frames, index, 0), read(frames, index, 6)),
      out: read(frames, index, 9),
    }));
    const out = add(one!.out, two!.out);
    return [{ at: times(add(one!.top, two!.top), 0.5), out: times(out, 1 / (Math.hypot(...out) || 1)) }];
  });
}

function read(frames: Float32Array, index: number, from: number): Vector {
  const k = FRAME * index + from;
  return [frames[k]!, frames[k + 1]!, frames[k + 2]!];
}
