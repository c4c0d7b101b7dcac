import type { Fabric } from './fabric.js';

/** The colour name most of each round is worked in. */
export function roundColours(fabric: Fabric): string[] {
  return Array.from({ length: fabric.roundCount }, (_, round) => {
    const middle = (fabric.roundStart[round]! + fabric.roundStart[round + 1]!) >> 1;
    return fabric.colours[fabric.colour[middle] ?? 0] ?? '';
  });
}
