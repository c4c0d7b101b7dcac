import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { outlineOf, plainOutline, ringsOf, scaleProfile, unitProfile } from '../shape/index.js';
import { deviations, firstRounds, fitRounds, primitive, PRIMITIVES, wishProblems, writeRounds, type Wish } from './index.js';

const STITCH = { width: 5, height: 4.8 };
const stitches = fc.record({
  width: fc.integer({ min: 30, max: 90 }).map((tenths) => tenths / 10),
  ratio: fc.integer({ min: 90, max: 102 }).map((percent) => percent / 100),
});

/** What no plan may do: ruffle, gape, or work more than one change into a stitch. */
function expectWorkable(counts: readonly number[], shut: boolean, steepest = 6): void {
  counts.slice(1).forEach((makes, i) => {
    const uses = counts[i]!;
    expect(Math.abs(makes - uses)).toBeLessThanOrEqual(steepest);
    expect(makes <= 2 * uses && 2 * makes >= uses).toBe(true);
  });
  if (shut) expect(counts.at(-1)!).toBeLessThanOrEqual(8);
}

describe('rounds for a wished shape', () => {
  it('of a ball lie on the ball, whatever the yarn and the hook', () => {
    fc.assert(
      fc.property(stitches, fc.integer({ min: 8, max: 22 }), ({ width, ratio }, wide) => {
        const across = wide * width;
        const fit = fitRounds(primitive({ is: 'ball', across }), { width, height: ratio * width })!;
        expectWorkable(fit.counts, true);
        // Against the ball itself, its middle where the found shape has its own.
        const rings = ringsOf(fit.profile);
        const [low, high] = [rings[0]!.z, rings.at(-1)!.z];
        const off = rings.map(({ r, z }) => Math.abs(Math.hypot(r, z - (low + high) / 2) - across / 2));
        expect(off.reduce((sum, each) => sum + each, 0) / off.length / width, `${wide} × ${width}`).toBeLessThan(0.3);
        expect(fit.off / width).toBeLessThan(0.2);
      }),
      { numRuns: 25 },
    );
  }, 60_000);

  it.each([
    [{ is: 'egg', across: 60, tall: 80 }, 0.2],
    [{ is: 'drop', across: 60, tall: 90 }, 0.2],
    [{ is: 'cone', across: 60, tall: 80 }, 0.2],
    [{ is: 'tube', across: 40, tall: 90 }, 0.2],
    // Stuffing rounds the edge of its foot: that is told, not hidden.
    [{ is: 'cup', across: 60, tall: 50 }, 0.45],
  ] as const)('of %j lie on it within a share of a stitch, on average', (shape, share) => {
    const fit = fitRounds(primitive(shape), STITCH)!;
    expectWorkable(fit.counts, primitive(shape).end === 'shut');
    expect(fit.off / STITCH.width).toBeLessThan(share);
    expect(fit.worst).toBeGreaterThanOrEqual(fit.off);
    expect(fit.off).toBeCloseTo(deviations(fit.profile, primitive(shape)).reduce((sum, each) => sum + each, 0) / 61, 9);
  });

  it('of a tall tube and a cone have the counts of the cylinder and the cone in closed form', () => {
    const tube = fitRounds(primitive({ is: 'tube', across: 40, tall: 120 }), STITCH)!;
    // Stuffing stretches a tube by a share that is known; its girth is 2πr.
    expect(Math.abs(tube.counts[12]! - (Math.PI * 40) / STITCH.width)).toBeLessThanOrEqual(2);
    const cone = fitRounds(primitive({ is: 'cone', across: 60, tall: 100 }), STITCH)!;
    const slope = (cone.counts[16]! - cone.counts[6]!) / 10;
    expect(slope).toBeCloseTo((2 * Math.PI * STITCH.height * (30 / Math.hypot(30, 100))) / STITCH.width, 0);
  });

  it('of a ball go as the sine of the angle from its pole, as a crocheted sphere does (from memory: the cosine rule)', () => {
    const across = 100;
    const { counts } = fitRounds(primitive({ is: 'ball', across }), STITCH)!;
    const most = (Math.PI * across) / STITCH.width;
    counts.forEach((count, k) => {
      const angle = (Math.PI * (k + 1)) / (counts.length + 0.5);
      // Stuffing rounds what is worked a little flat, so its counts are some fewer half way up.
      expect(Math.abs(count - most * Math.sin(angle)), `R${k + 1}`).toBeLessThanOrEqual(5);
    });
  });

  it('of the shape that rounds of the demo have are those rounds again, each within a stitch', () => {
    const demo = new URL('../../../demo/', import.meta.url);
    let [tried, same] = [0, 0];
    for (const file of readdirSync(demo).filter((name) => name.endsWith('.md'))) {
      for (const part of checkPattern(read(readFileSync(new URL(file, demo), 'utf8'))).parts) {
        const outline = outlineOf(fabricOf(part));
        if (outline.start.is !== 'ring' || outline.heights.some((height) => height !== 1) || outline.counts.length < 3) continue;
        // A brim that gains a third at once is no curve that stuffing makes.
        if (outline.counts.some((count, k) => k > 0 && Math.abs(count - outline.counts[k - 1]!) > 6)) continue;
        const plain = plainOutline(outline.counts, { shut: outline.shut });
        const profile = scaleProfile(unitProfile(plain, STITCH.height / STITCH.width), STITCH.width);
        const wish: Wish = { points: ringsOf(profile).map(({ r, z }) => ({ r, z })), end: outline.shut ? 'shut' : 'open' };
        const fit = fitRounds(wish, STITCH, { first: [...new Set([outline.counts[0]!, 6, 5, 4, 3])] })!;
        const label = `${file} ${part.part.name}: ${fit.counts.join(' ')}`;
        expect(fit.counts.length, label).toBe(outline.counts.length);
        expect(fit.off / STITCH.width, label).toBeLessThan(0.1);
        const off = fit.counts.map((count, k) => Math.abs(count - outline.counts[k]!));
        expect(Math.max(...off), label).toBeLessThanOrEqual(1);
        tried++;
        if (Math.max(...off) === 0) same++;
      }
    }
    expect(tried).toBeGreaterThan(12);
    expect(same / tried).toBeGreaterThanOrEqual(0.75);
  }, 60_000);

  it('are answered at once by the surface alone, which keeps the same rules and is fitted better by the best answer', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PRIMITIVES),
        fc.integer({ min: 8, max: 16 }),
        fc.integer({ min: 8, max: 24 }),
        (is, wide, high) => {
          const wish = primitive({ is, across: wide * STITCH.width, tall: high * STITCH.height });
          const first = firstRounds(wish, STITCH)!;
          const oval = (wish.straight ?? 0) > 0;
          expectWorkable(first, wish.end === 'shut', oval ? 8 : 6);
          // An oval and a tube begin on what they are long; only a ring is drawn here.
          if (oval || wish.points[0]!.r > 0) return;
          const drawn = scaleProfile(
            unitProfile(plainOutline(first, { shut: wish.end === 'shut' }), STITCH.height / STITCH.width),
            STITCH.width,
          );
          const offs = deviations(drawn, wish);
          const best = fitRounds(wish, STITCH)!;
          // A tenth of a stitch is what the price of even rounds may cost it.
          expect(best.off).toBeLessThan(offs.reduce((sum, each) => sum + each, 0) / offs.length + STITCH.width / 10);
        },
      ),
      { numRuns: 20 },
    );
  }, 60_000);

  it('are written as a pattern that counts without a slip', () => {
    for (const is of PRIMITIVES) {
      const { counts } = fitRounds(primitive({ is, across: 55, tall: 70 }), STITCH)!;
      for (const terms of ['US', 'UK'] as const) {
        const reading = read(`Piece\n${terms} terms\n${writeRounds(counts, terms).join('\n')}`);
        const count = checkPattern(reading);
        expect([...reading.diagnostics, ...count.diagnostics].filter(({ severity }) => severity === 'error')).toEqual([]);
        expect(
          count.parts[0]!.rounds.map(({ makes }) => makes),
          `${is} in ${terms}`,
        ).toEqual(counts);
      }
    }
  });
});

describe('an outline', () => {
  const points = (...pairs: readonly (readonly [number, number])[]): Wish => ({
    points: pairs.map(([r, z]) => ({ r, z })),
    end: 'shut',
  });

  it.each([
    [points([0, 0]), ['too-few-points']],
    // A first point off the axis is an open rim.
    [points([5, 0], [20, 10], [0, 30]), []],
    [points([0, 0], [20, 10], [3, 30]), ['off-axis']],
    [points([0, 0], [-4, 10], [0, 30]), ['beyond-axis']],
    [points([0, 0], [30, 0], [10, 30], [10, 5], [40, 20], [0, 40]), ['crosses-itself']],
    [points([0, 0], [600, 500], [0, 1000]), ['too-large']],
    [points([0, 0], [20, 10], [0, 30]), []],
  ])('that cannot be crocheted says why: %#', (wish, codes) => {
    expect(wishProblems(wish).map(({ code }) => code)).toEqual(codes);
  });
});
