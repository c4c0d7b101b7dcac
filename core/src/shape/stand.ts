import type { Fabric } from '../fabric/index.js';

const BACK_LOOP = 1;

/**
 * Whether a part stands on its start: it begins as a flat disc that turns into the wall at a back-loop round, the edge
 * of a flat base (common practice). Others are drawn hanging from their start, like a head begun at the crown.
 */
export function standsOnStart(fabric: Fabric): boolean {
  // What begins on a chain, on legs or on an edge grows up from there.
  if (fabric.foundation) return true;
  for (let round = 1; round < fabric.roundCount; round++) {
    const first = fabric.roundStart[round]!;
    const length = fabric.roundStart[round + 1]! - first;
    const below = first - fabric.roundStart[round - 1]!;
    if (fabric.loop[first] === BACK_LOOP) return round >= 3 && length <= below;
    if (length <= below) return false;
  }
  return false;
}
