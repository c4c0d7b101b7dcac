import type { Fabric } from '../fabric/index.js';
import { STITCHES, STITCH_NAMES, type StitchName } from '../notation/index.js';

/**
 * Height of a stitch over that of a single crochet: as many times as its circle takes more increases to lie flat
 * (8, 12 and 18 to six; common practice). A slip stitch lies on the one below and adds none (common practice).
 */
export function heightOf(stitch: StitchName): number {
  return stitch === 'sl st' ? 0 : STITCHES[stitch].growth / STITCHES.sc.growth;
}

/** Mean height of each round in single crochets; 1 for rounds without stitches, 0 for one of slip stitches. */
export function roundHeights({ roundCount, roundStart, stitch }: Fabric): number[] {
  return Array.from({ length: roundCount }, (_, round) => {
    const first = roundStart[round]!;
    const end = roundStart[round + 1]!;
    let sum = 0;
    for (let row = first; row < end; row++) sum += heightOf(STITCH_NAMES[stitch[row]!]!);
    return end > first ? sum / (end - first) : 1;
  });
}
