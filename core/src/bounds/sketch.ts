/** How large a sketch may be: what lies beyond is a mistake (our own bounds). */
export const SKETCH_BOUNDS = {
  /** Letters of a name. */
  name: 80,
  parts: 24,
  copies: 40,
  points: 80,
  /** Rounds of a part, and stitches of a round, set by hand. */
  rounds: 400,
  stitches: 1_000,
  colours: 60,
  edges: 20,
  /** Largest width or height of an outline, mm. */
  mm: 1_000,
  /** Furthest a part bends, degrees. */
  bend: 180,
} as const;
