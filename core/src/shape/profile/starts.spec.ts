import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf } from '../../fabric/index.js';
import { read } from '../../notation/index.js';
import { measure, openings, outlineOf, plainOutline, ringsOf, unitProfile, type Outline } from '../index.js';
import { profileNet, plainState, type ProfileNet } from './net.js';
import { pressureEnergy } from './pressure-energy.js';
import { ringEnergy } from './ring-energy.js';
import { shearEnergy, wallEnergy } from './wall-energy.js';

const RATIO = 0.96;
const inPattern = (text: string, part = 0): Outline => outlineOf(fabricOf(checkPattern(read(text)).parts[part]!));
const OVAL = `R1: ch 11, 2 sc in 2nd ch from hook, 8 sc, 4 sc in last ch, on the other side 8 sc, 2 sc in last ch (24)\nR2: inc × 2, 8 sc, inc × 4, 8 sc, inc × 2 (32)\nR3–R8: sc around (32)`;

describe('each energy of a profile', () => {
  const outlines: Outline[] = [
    plainOutline([6, 12, 18, 24, 24, 18, 12, 6]),
    inPattern(OVAL),
    plainOutline([30, 30, 24], { start: { is: 'open', around: 30 } }),
  ];
  const energies: Readonly<Record<string, (net: ProfileNet, x: Float64Array, force: Float64Array) => number>> = {
    rings: ringEnergy,
    walls: wallEnergy,
    shear: shearEnergy,
    pressure: pressureEnergy,
  };

  it.each(Object.keys(energies))('%s has its force as less its gradient', (name) => {
    const energy = energies[name]!;
    fc.assert(
      fc.property(fc.constantFrom(...outlines), fc.integer({ min: 1, max: 1_000 }), (outline, seed) => {
        const net = profileNet(outline, RATIO, 0.03);
        const x = plainState(outline, RATIO, 0.1).map((value, i) => value + 0.2 + 0.2 * Math.sin(seed * (i + 1)));
        const force = new Float64Array(x.length);
        energy(net, x, force);
        for (let i = 0; i < x.length; i++) {
          const at = (by: number): number =>
            energy(
              net,
              x.map((value, k) => (k === i ? value + by : value)),
              new Float64Array(x.length),
            );
          expect(force[i]!).toBeCloseTo(-(at(1e-6) - at(-1e-6)) / 2e-6, 4);
        }
      }),
      { numRuns: 12 },
    );
  });
});

describe('a part begins as it does', () => {
  it('on a bridge as wide as its stitches, not at a point', () => {
    const text = `## Leg (make 2)\nR1: 6 sc in ring\nR2: inc x 6\nR3-R6: sc around\n\n## Body\nR1: join legs with ch 3, sc around (30)\nR2-R8: sc around`;
    const outline = inPattern(text, 1);
    expect(outline.start).toEqual({ is: 'open', around: 30 });
    const [base, first] = ringsOf(unitProfile(outline, RATIO));
    // A ring of thirty stitch widths has a radius of 4.8 of them.
    expect(base!.r).toBeGreaterThan(4.5);
    expect(first!.r / base!.r).toBeCloseTo(1, 1);
  });

  it('with walls at least as high as they are: twelve rounds of 42, closed, are higher than 45 mm of 5.0 × 4.8 mm stitches', () => {
    const outline = plainOutline([...Array<number>(12).fill(42), 36, 30, 24, 18, 12, 6], { start: { is: 'open', around: 42 } });
    const { height, wall } = measure(unitProfile(outline, RATIO));
    expect(5 * height).toBeGreaterThan(12 * 4.8);
    expect(wall).toBeGreaterThan(17.5 * RATIO);
  });

  it('as an oval of two widths, that differ by its chain, flat or hollow', () => {
    const flat = inPattern(`${OVAL}\nDo not stuff.`);
    expect(flat).toMatchObject({ start: { is: 'chain', straight: 9 }, lie: 'hollow' });
    const profile = unitProfile(flat, RATIO);
    const { diameter, second, volume } = measure(profile);
    // Rounds that grow by eight stand a little wider than flat, and pull the straight together.
    expect(diameter - second).toBeGreaterThan(8);
    expect(diameter - second).toBeLessThan(9.1);
    // Around two half circles and two straights are its 32 stitches.
    expect(Math.abs((Math.PI * second + 2 * (diameter - second)) / 32 - 1)).toBeLessThan(0.04);
    expect(Math.abs((openings(profile).at(-1)! * Math.PI) / 32 - 1)).toBeLessThan(0.04);
    // A box of that oval, as high as the walls after the flat rounds.
    const oval = (Math.PI * second ** 2) / 4 + (diameter - second) * second;
    expect(Math.abs(volume / (oval * 5.5 * RATIO) - 1)).toBeLessThan(0.15);
    // Stuffing rounds it, and keeps it wider one way.
    const stuffed = measure(unitProfile(inPattern(OVAL), RATIO));
    expect(stuffed.diameter).toBeGreaterThan(1.15 * stuffed.second);
    expect(stuffed.diameter).toBeLessThan(diameter + 0.5);
  });

  it('in loops that were left: what grows out of them holds no stuffing, and does not follow what came before', () => {
    const skirt = inPattern(
      'R1: 6 sc in ring\nR2: inc x 6\nR3: (1 sc, inc) x 6\nR4: in BLO, sc around\nR5-R8: sc around\nR9: in front loops of R3, inc x 18',
    );
    expect(skirt.below.at(-1)).toBe(2);
    const [with_, without] = [
      skirt,
      { ...skirt, counts: skirt.counts.slice(0, -1), heights: skirt.heights.slice(0, -1), below: skirt.below.slice(0, -1) },
    ];
    expect(measure(unitProfile(with_, RATIO)).volume / measure(unitProfile(without, RATIO)).volume).toBeCloseTo(1, 1);
    expect(unitProfile(with_, RATIO).main).toBe(8);
  });

  it('and ends as it does: few stitches are drawn shut, but not where it lies flat', () => {
    const wing = 'R1: 6 sc in ring\nR2: inc x 6\nR3: sc around\nR4: dec x 6';
    expect(inPattern(wing).shut).toBe(true);
    const flat = inPattern(`${wing}\nPress flat.`);
    expect(flat).toMatchObject({ shut: false, lie: 'pressed' });
    expect(measure(unitProfile(flat, RATIO))).toMatchObject({ diameter: 6, volume: 0 });
  });
});

describe('a shape found from one that differs little', () => {
  const rounds = fc.array(fc.integer({ min: -3, max: 6 }), { minLength: 3, maxLength: 20 });
  const start = fc.constantFrom<Outline['start']>({ is: 'ring' }, { is: 'open', around: 12 }, { is: 'chain', straight: 5 });

  it('comes to the rest it comes to from anywhere, and in less haste to nearly that', () => {
    fc.assert(
      fc.property(rounds, start, fc.boolean(), fc.integer({ min: 0, max: 5 }), (steps, from, shut, more) => {
        let count = from.is === 'ring' ? 6 : 14;
        const counts = [count, ...steps.map((step) => (count = Math.max(6, count + step)))];
        const outline = plainOutline(counts, { shut, start: from });
        const other = counts.map((each, k) => each + ((k * more) % 4));
        const near = unitProfile(plainOutline(other, { shut, start: from }), RATIO);
        const alone = unitProfile(outline, RATIO);
        const helped = unitProfile(outline, RATIO, undefined, { near });
        const hasty = unitProfile(outline, RATIO, undefined, { near, within: 1e-3 });
        // An oval may have more than one rest.
        if (from.is === 'chain') expect(helped).toEqual(alone);
        if (from.is === 'chain' || !alone.settled || !helped.settled || !hasty.settled) return;
        for (const [k, r] of alone.r.entries()) {
          expect(Math.hypot(helped.r[k]! - r, helped.z[k]! - alone.z[k]!, helped.s[k]! - alone.s[k]!)).toBeLessThan(0.05);
          expect(Math.hypot(hasty.r[k]! - r, hasty.z[k]! - alone.z[k]!, hasty.s[k]! - alone.s[k]!)).toBeLessThan(0.5);
        }
      }),
      { numRuns: 60 },
    );
  });
});
