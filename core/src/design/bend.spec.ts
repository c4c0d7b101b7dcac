import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, figureFabric } from '../fabric/index.js';
import { heightOf } from '../gauge/index.js';
import { read, type StitchName } from '../notation/index.js';
import { bodyToRelax } from '../shape/index.js';
import { relaxedRings, ringNormal } from '../shape/relaxed/rings.js';
import { bendOfRound, bendRounds, describeBend, fitRounds, primitive, turnOf, writePart } from './index.js';

const STITCH = { width: 5, height: 4.8 };
const NAMES = ['sc', 'hdc', 'dc'] as const;

/** Six more a round up to its widest, straight, and down again. */
function sausage(widest: number, long: number): number[] {
  const up = Array.from({ length: widest / 6 }, (_, i) => 6 * (i + 1));
  return [...up, ...Array<number>(long).fill(widest), ...up.toReversed().slice(1)];
}

/** Degrees between the planes of two rounds of a part, relaxed stitch by stitch. */
function relaxedBend(lines: readonly string[], from: number, to: number): number {
  const count = checkPattern(read(['## Bean', ...lines, 'Fasten off and draw it shut.'].join('\n')));
  expect(count.diagnostics).toEqual([]);
  const { net, relaxation } = bodyToRelax(figureFabric(count), 0, STITCH.height / STITCH.width);
  relaxation.run(10_000);
  const rings = relaxedRings(net.pieces[0]!, relaxation.positions);
  const [a, b] = [ringNormal(rings[from - 1]!), ringNormal(rings[to - 1]!)];
  const cos = a.reduce((sum, each, k) => sum + each * b[k]!, 0) / (Math.hypot(...a) * Math.hypot(...b));
  return (Math.acos(Math.min(1, cos)) * 180) / Math.PI;
}

describe('rounds that bend', () => {
  it.each([
    [18, 10, 40],
    [24, 14, 35],
    [24, 20, 55],
    [36, 16, 25],
  ])(
    'a part of %i stitches, %i of them straight, bend it by %i degrees, as its stitches do when they are relaxed',
    (widest, long, wished) => {
      const counts = sausage(widest, long);
      const bend = bendRounds(counts, wished, STITCH);
      const lines = writePart(counts, { terms: 'US', bends: bend.rounds });
      const [from, to] = [widest / 6, widest / 6 + long + 1];
      // Half a round is the nearest that whole rounds come.
      expect(Math.abs(bend.degrees - wished)).toBeLessThanOrEqual(turnOf(widest, 'hdc', 'sc', STITCH) / 2 + 1e-9);
      const relaxed = relaxedBend(lines, from, to);
      expect(Math.abs(relaxed - bend.degrees) / bend.degrees, `relaxed ${relaxed}`).toBeLessThan(0.2);
      expect(relaxedBend(writePart(counts, { terms: 'US' }), from, to), 'a spiral’s own').toBeLessThan(8);
    },
  );

  it('are rounds without a change, side by side in each stitch, never further than was wished and as near as they come', () => {
    const counts = fc
      .array(fc.integer({ min: -6, max: 6 }), { minLength: 4, maxLength: 30 })
      .map((steps) =>
        steps.reduce<number[]>((all, step) => [...all, Math.max(4, all.at(-1)! + (step % 3 === 0 ? step : 0))], [6]),
      );
    fc.assert(
      fc.property(counts, fc.integer({ min: 1, max: 180 }), fc.constantFrom(...NAMES), (rounds, wished, worked) => {
        const { rounds: bent, degrees } = bendRounds(rounds, wished, STITCH, worked);
        let [sum, most] = [0, 0];
        for (const [round, name] of bent) {
          expect(rounds[round - 1]).toBe(rounds[round - 2]);
          expect(rounds[round - 1]!).toBeGreaterThanOrEqual(10);
          expect(heightOf(name)).toBeGreaterThan(heightOf(worked));
          const turn = turnOf(rounds[round - 1]!, name, worked, STITCH);
          sum += turn;
          most = Math.max(most, turn);
        }
        expect(degrees).toBeCloseTo(sum, 9);
        expect(degrees).toBeLessThanOrEqual(wished + most / 2 + 1e-9);
        // What is short of it is said.
        expect(describeBend({ rounds: bent, degrees }, wished).some((line) => line.includes(' of '))).toBe(
          bent.size > 0 || degrees < 0.8 * wished,
        );
      }),
      { numRuns: 200 },
    );
  });

  it('turn by the first harmonic of their heights, whatever stitch they begin on', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 40 }),
        fc.constantFrom<readonly [StitchName, StitchName]>(['sc', 'hdc'], ['sc', 'dc'], ['hdc', 'dc']),
        fc.nat(),
        (half, [low, high], start) => {
          const heights = Array.from({ length: 2 * half }, (_, i) => heightOf((i + start) % (2 * half) < half ? low : high));
          // A sum over so many stitches stands for the integral over the circle.
          expect(bendOfRound(heights, STITCH) / turnOf(2 * half, high, low, STITCH)).toBeCloseTo(1, half < 10 ? 1 : 2);
          expect(
            bendOfRound(
              heights.map(() => 1),
              STITCH,
            ),
          ).toBe(0);
        },
      ),
    );
  });

  it('make a bean as long along its middle as was wished, straight where nobody wished it bent', () => {
    const bean = primitive({ is: 'bean', across: 92, tall: 36 });
    const bent = fitRounds(bean, STITCH)!;
    expect(bent.bend.degrees).toBeGreaterThan(0.8 * bean.bend!);
    expect(bent.off).toBeLessThan(STITCH.width / 3);
    const straight = fitRounds({ ...bean, bend: 0 }, STITCH)!;
    expect(straight.bend.rounds.size).toBe(0);
    // Half of a round taller takes the place of rounds.
    expect(bent.counts.length).toBeLessThan(straight.counts.length);
    const high = bent.counts.reduce((sum, _, k) => sum + (1 + heightOf(bent.bend.rounds.get(k + 1) ?? 'sc')) / 2, 0);
    expect(Math.abs(high - straight.counts.length)).toBeLessThan(1.6);
  });
});
