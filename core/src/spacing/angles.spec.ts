import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { stitchAngles } from './index.js';

const turn = (angle: number): number => angle - Math.floor(angle);

describe('angles', () => {
  it('puts a plain round straight above the one below, stitch over stitch', () => {
    const fabric = fabricOf(checkPattern(read('R1: 12 sc in ring\nR2–R9: sc around')).parts[0]!);
    const angles = stitchAngles(fabric);
    for (let row = 12; row < fabric.stitchCount; row++) expect(turn(angles[row]! - angles[row - 12]! + 0.5)).toBeCloseTo(0.5, 9);
  });

  it('stacks increases that stand at the same place in every round, and staggers split ones', () => {
    const increases = (text: string): number[][] => {
      const fabric = fabricOf(checkPattern(read(text)).parts[0]!);
      const angles = stitchAngles(fabric);
      return [2, 3].map((round) => {
        const rows = Array.from({ length: fabric.stitchCount }, (_, row) => row).filter(
          (row) => fabric.round[row] === round && fabric.firstParent[row] === fabric.firstParent[row - 1],
        );
        return rows.map((row) => (angles[row]! + angles[row - 1]!) / 2);
      });
    };
    /** Greatest distance from an increase of the last round to the nearest of the round before, in gaps of a sixth. */
    const apart = ([below, above]: number[][]): number =>
      Math.max(...above!.map((one) => Math.min(...below!.map((other) => Math.abs(turn(one - other + 0.5) - 0.5))))) * 6;
    const start = 'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\n';
    expect(apart(increases(`${start}R4: (2 sc, inc) × 6`))).toBeLessThan(0.2);
    expect(apart(increases(`${start}R4: inc, (2 sc, inc) × 5, 2 sc`))).toBeGreaterThan(0.4);
  });
});
