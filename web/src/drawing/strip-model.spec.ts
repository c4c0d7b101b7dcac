import { checkPattern, fabricOf, type Fabric } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isStrip, ROWS_BELOW, stripModel } from './strip-model';

const fabric = (text: string): Fabric => fabricOf(checkPattern(read(text)).parts[0]!);
const panel = fabric('Row 1: ch 11, 10 sc\nRows 2–9: ch 1, turn, sc across (10)');

const place = fc.tuple(fc.nat(8), fc.nat(20)).map(([round, action]) => ({
  round,
  action: Math.min(action, panel.roundAction[round + 1]! - panel.roundAction[round]! - 1),
}));

describe('the strip', () => {
  it('is for turned rows only', () => {
    expect(isStrip(panel)).toBe(true);
    expect(isStrip(fabric('R1: 6 sc in ring\nR2: inc × 6'))).toBe(false);
  });

  it('is worked towards the other hand, row after row, and mirrored for the left one', () => {
    fc.assert(
      fc.property(place, (at) => {
        const right = stripModel(panel, at, 1);
        const left = stripModel(panel, at, -1);
        expect([right.way, left.way]).toEqual([-1, 1]);
        expect(left.hook).toBeCloseTo(-right.hook, 9);
        expect(left.stitches.map((one) => -one.x)).toEqual(right.stitches.map((one) => one.x));
        const row = right.stitches.filter((one) => one.depth === 0);
        // What is worked lies on the side the row began at.
        for (const one of row) if (one.state === 'worked') expect(one.x).toBeGreaterThan(right.hook - 0.5);
        for (let i = 1; i < row.length; i++) expect(row[i]!.x).toBe(row[i - 1]!.x - 1);
      }),
    );
  });

  it('lays every stitch over the one it is worked into, and turns the strip over at a row’s end', () => {
    for (let round = 1; round < panel.roundCount; round++) {
      const model = stripModel(panel, { round, action: 0 });
      const xOf = (row: number): number | undefined => {
        const first = panel.roundStart[round]!;
        const depth = round - panel.round[row]!;
        const inRow = row - panel.roundStart[panel.round[row]!]!;
        return model.stitches.filter((one) => one.depth === depth)[inRow]?.x ?? (row < first ? undefined : Number.NaN);
      };
      for (let row = panel.roundStart[round]!; row < panel.roundStart[round + 1]!; row++)
        expect(xOf(row)).toBe(xOf(panel.firstParent[row]!));
      expect(Math.max(...model.stitches.map((one) => one.depth))).toBe(Math.min(round, ROWS_BELOW));
    }
    const before = stripModel(panel, { round: 3, action: 0 }).stitches.filter((one) => one.depth === 1);
    const after = stripModel(panel, { round: 4, action: 0 }).stitches.filter((one) => one.depth === 2);
    expect(after.map((one) => one.x)).toEqual(before.map((one) => -one.x));
  });
});
