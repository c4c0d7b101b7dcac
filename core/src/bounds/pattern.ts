/** Bounds on what a text may ask for, so that a slip of the finger ("× 999999") is a message and not a frozen screen. */
export const BOUNDS = {
  /** Largest number read as a count or repeat. The longest round of a toy has a few hundred stitches. */
  count: 10_000,
  /** Highest round number. */
  rounds: 5_000,
  /** Most copies of one part. */
  copies: 200,
  /** Parts of one pattern. */
  parts: 300,
  /** Groups inside groups. */
  depth: 16,
  /** Stitches in one part. */
  partStitches: 500_000,
  /** Lines of pattern text: three hundred parts of thirty rounds, and more. */
  lines: 10_000,
  /** UTF-16 units of pattern text. */
  text: 2_000_000,
} as const;
