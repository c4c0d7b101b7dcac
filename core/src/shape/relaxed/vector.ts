import type { Vector } from '../../vector/index.js';

/** Where a node is, of places that lie one after another. */
export const at = (x: ArrayLike<number>, node: number): Vector => [x[3 * node]!, x[3 * node + 1]!, x[3 * node + 2]!];
