/** A whole turn, radians. */
export const TURN = 2 * Math.PI;

/** Half of how far apart the two layers of pressed work lie, stitch widths (our own estimate: a strand and a half). */
export const LAYER = 0.25;

/** Two edges that are sewn together lie so close, stitch widths (our own estimate: a strand). */
export const SEAM = 0.3;

/** Puts a node at a place. */
export function set(at: Float64Array, node: number, x: number, y: number, z: number): void {
  at[3 * node] = x;
  at[3 * node + 1] = y;
  at[3 * node + 2] = z;
}
