import { WAYS, type Fabric } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import type { Profile } from './profile.js';

/** Whether a part is worked flat, in turned rows, rather than around. */
export function isFlat(fabric: Fabric): boolean {
  const turned = fabric.roundWay.reduce((sum, way) => sum + (WAYS[way] === 'turned' ? 1 : 0), 0);
  return turned * 2 > fabric.roundCount;
}

/**
 * The outline of flat work lying on the table: as wide as its stitches, one stitch height a row. `r` is half the width.
 * @param counts stitches of each row
 */
export function flatProfile(counts: readonly number[], { width, height }: StitchSize): Profile {
  return {
    r: Float64Array.from(counts, (count) => (count * width) / 2),
    z: Float64Array.from(counts, (_, row) => (row + 1) * height),
    pole: 0,
    tip: null,
  };
}
