import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { measuredLean, stitchAngles } from '@lemniscus/core/spacing';
import { describe, expect, it } from 'vitest';
import { mapModel } from './fabric-map-model';
import { layoutOf, roundAt } from './fabric-map-paint';

const fabricFor = (text: string) => fabricOf(checkPattern(read(text)).parts[0]!);

describe('the part unrolled', () => {
  const text =
    'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5–R9: sc around\nR10: in BLO, (2 sc, dec) × 6';
  const fabric = fabricFor(text);

  it('ties a change to the nearest one below, but not over many plain rounds', () => {
    const { changes, counts, loops } = mapModel(fabric, stitchAngles(fabric));
    expect(counts).toEqual([6, 12, 18, 24, 24, 24, 24, 24, 24, 18]);
    expect(loops[9]).toBe('back');
    const of = (round: number) => changes.filter((change) => change.round === round);
    expect(of(3)).toHaveLength(6);
    for (const { below, aligned } of of(3)) {
      expect(below!.round).toBe(2);
      expect(aligned).toBeGreaterThan(0.6);
      expect(Math.abs(below!.step)).toBeLessThan(0.5 / 6);
    }
    expect(of(9).map((change) => change.change)).toEqual(Array(6).fill('decrease'));
    expect(of(9).every((change) => change.below === null)).toBe(true);
  });

  it('shows the creep of a leaning hand in where rounds start', () => {
    const plain = fabricFor('R1: 24 sc in ring\nR2–R13: sc around');
    const { starts } = mapModel(plain, stitchAngles(plain, measuredLean(6, 12, 'right', 'right')));
    expect((1 - starts[12]!) * 24).toBeCloseTo(6, 6);
  });

  it('finds the round under a point, and none beyond', () => {
    const layout = layoutOf(10, 500, 400, true);
    for (let round = 0; round < 10; round++) {
      const middle = layout.height - 12 - (round + 0.5) * layout.row;
      expect(roundAt(layout, 10, middle)).toBe(round);
    }
    expect(roundAt(layout, 10, 2)).toBeNull();
    expect(roundAt(layout, 10, layout.height - 2)).toBeNull();
  });
});
