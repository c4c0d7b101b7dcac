/** A whole turn, radians. */
export const TURN = 2 * Math.PI;

/** Half of how far apart the two layers of pressed work lie, stitch widths (our own estimate: a strand and a half). */
export const LAYER = 0.25;

/** Puts a node at a place. */
export function set(at: Float64Array, node: number, x: number, y: number, z: number): void {
  at[3 * node] = x;
  at[3 * node + 1] = y;
  at[3 * node + 2] = z;
}

/** Numbers from 0 to 1 that follow from a seed (mulberry32, public domain). */
export function seeded(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}
