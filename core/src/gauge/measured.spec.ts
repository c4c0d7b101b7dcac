import { convert } from 'convert';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf } from '../fabric/index.js';
import { MM_IN, read } from '../notation/index.js';
import {
  believe,
  estimateStitch,
  gaugeOf,
  hookForWidth,
  hookNames,
  lengthWords,
  roundHeights,
  soldStuffedHooks,
  stitchOfSwatch,
  stitchYarn,
  tightnessOf,
  YARN_WEIGHTS,
  yarnWeight,
  type MeasuredStitch,
  type YarnAndHook,
} from './index.js';

const MEDIUM: YarnAndHook = { yarnWeight: 4, hookMm: 3.5 };
const tools = fc.record({
  yarnWeight: fc.constantFrom(0, 1, 2, 3, 4, 5, 6, 7),
  hookMm: fc.double({ min: 1, max: 15, noNaN: true }),
});

/** A swatch somebody could make: `factor` times the table's stitch. */
const swatch = fc
  .tuple(tools, fc.double({ min: 0.7, max: 1.4, noNaN: true }), fc.integer({ min: 10, max: 40 }))
  .map(([kit, factor, stitches]) => {
    const table = estimateStitch(kit.yarnWeight, kit.hookMm);
    return {
      kit: kit,
      swatch: {
        stitches,
        widthMm: stitches * table.width * factor,
        rounds: stitches,
        heightMm: stitches * table.height * factor,
      },
    };
  });

function measured(kit: YarnAndHook, width: number, height: number | null = null): MeasuredStitch {
  return { ...kit, width, height, spread: 0.03 };
}

describe('gauge from measurements', () => {
  it('is nearly what was measured, for the yarn and hook it was measured with, and surer than the table', () => {
    fc.assert(
      fc.property(swatch, ({ kit, swatch: one }) => {
        const read = stitchOfSwatch(one, kit);
        fc.pre(one.widthMm >= 5 && one.heightMm >= 5);
        if (!read.ok) throw new Error(read.message);
        const gauge = gaugeOf(kit, null, [read.stitch]);
        const table = gaugeOf(kit, null, []);
        // Inverse variance, worked by hand: of the way from the table to the swatch, its share of the weights.
        const share = table.spread.width ** 2 / (table.spread.width ** 2 + read.stitch.spread ** 2);
        const way = Math.log(gauge.stitch.width / table.stitch.width) / Math.log(one.widthMm / one.stitches / table.stitch.width);
        if (Math.abs(one.widthMm / one.stitches / table.stitch.width - 1) > 0.01) expect(way).toBeCloseTo(share, 6);
        expect(gauge.spread.width).toBeLessThan(table.spread.width);
        expect(gauge.spread.height).toBeLessThan(table.spread.height);
        expect(gauge.from).toBe('here');
      }),
    );
  });

  it('narrows with every further measurement, whatever it says', () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 4, max: 8, noNaN: true }), { minLength: 1, maxLength: 8 }), (widths) => {
        const spreads = widths.map(
          (_, n) =>
            gaugeOf(
              MEDIUM,
              null,
              widths.slice(0, n + 1).map((width) => measured(MEDIUM, width)),
            ).spread.width,
        );
        for (let n = 1; n < spreads.length; n++) expect(spreads[n]!).toBeLessThan(spreads[n - 1]!);
      }),
    );
  });

  it('says of heights that were not measured that height over width is still from the table', () => {
    const table = gaugeOf(MEDIUM, null, []);
    const widths = gaugeOf(MEDIUM, null, [measured(MEDIUM, 5.6)]);
    expect(widths.spread.slim).toBe(table.spread.slim);
    expect(widths.spread.height).toBeGreaterThan(3 * widths.spread.width);
    const both = gaugeOf(MEDIUM, null, [measured(MEDIUM, 5.6, 5.2)]);
    expect(both.spread.slim).toBeLessThan(table.spread.slim / 2);
    expect(both.spread.width).toBe(widths.spread.width);
  });

  it('shifts other hooks towards what was measured, but not all the way', () => {
    const loose = measured(MEDIUM, estimateStitch(4, 3.5).width * 1.2);
    const other = gaugeOf({ yarnWeight: 4, hookMm: 4.5 }, null, [loose]);
    const table = estimateStitch(4, 4.5).width;
    expect(other.stitch.width / table).toBeGreaterThan(1.1);
    expect(other.stitch.width / table).toBeLessThan(1.2);
    expect(other.from).toBe('elsewhere');
    // Ten swatches with one hook are one witness for another hook.
    const ten = gaugeOf({ yarnWeight: 4, hookMm: 4.5 }, null, Array<MeasuredStitch>(10).fill(loose));
    expect(ten.spread.width).toBeGreaterThan(other.spread.width * 0.8);
  });

  it('says the less of a yarn and hook the further the table is from what was measured', () => {
    const swatch = measured(MEDIUM, estimateStitch(4, 3.5).width * 1.2);
    const says = (yarnWeight: YarnAndHook['yarnWeight'], hookMm: number): number => {
      const [table, then] = [[], [swatch]].map((all) => gaugeOf({ yarnWeight, hookMm }, null, all).spread.width ** -2);
      return (then! - table!) ** -0.5;
    };
    // Another hook in the same yarn shares what the table misses; super bulky yarn on its thick hook is missed otherwise.
    expect(says(4, 3.75)).toBeLessThan(says(4, 5.5));
    expect(says(4, 5.5)).toBeLessThan(says(6, 15));
  });

  it.each([
    [{ stitches: 0, widthMm: 50, rounds: null, heightMm: null }, 'stitches'],
    [{ stitches: -4, widthMm: 50, rounds: null, heightMm: null }, 'stitches'],
    [{ stitches: 20, widthMm: Number.NaN, rounds: null, heightMm: null }, 'widthMm'],
    [{ stitches: 20, widthMm: 11, rounds: null, heightMm: null }, 'widthMm'],
    [{ stitches: 20, widthMm: 108, rounds: 20, heightMm: null }, 'heightMm'],
    [{ stitches: 20, widthMm: 108, rounds: 2, heightMm: 104 }, 'heightMm'],
  ])('refuses %j at %s', (bad, field) => {
    const read = stitchOfSwatch(bad, MEDIUM);
    expect(read.ok ? null : read.field).toBe(field);
    expect(read.ok ? '' : read.message).not.toMatch(/NaN|Infinity/);
  });
});

describe('tightness', () => {
  it('suits exactly the hooks it names, and a loose hand takes smaller ones', () => {
    for (const { number } of YARN_WEIGHTS) {
      for (const hookMm of soldStuffedHooks(number)) {
        const kit = { yarnWeight: number, hookMm };
        const gauge = gaugeOf(kit, null, []);
        expect(tightnessOf(kit, gauge).verdict).toBe('suits');
      }
      const { hooks } = tightnessOf({ yarnWeight: number, hookMm: 4 }, gaugeOf({ yarnWeight: number, hookMm: 4 }, 'loose', []));
      const { hooks: tight } = tightnessOf(
        { yarnWeight: number, hookMm: 4 },
        gaugeOf({ yarnWeight: number, hookMm: 4 }, 'tight', []),
      );
      expect(hooks[1]).toBeLessThan(tight[1]);
    }
  });

  it('finds the hook for a width, as the inverse of the estimate', () => {
    fc.assert(
      fc.property(tools, ({ yarnWeight: number, hookMm }) => {
        expect(hookForWidth(number as 4, estimateStitch(number as 4, hookMm).width)).toBeCloseTo(hookMm, 6);
      }),
    );
  });
});

describe('names and units', () => {
  it('names hooks in the US and the old UK way, and says where names differ', () => {
    // Craft Yarn Council's hook table, recalled; old UK 7 is 4.5 mm, and 4.0 and 4.25 mm are both sold as G (common practice).
    expect(hookNames(4.5)).toEqual({ us: '7', oldUk: '7', doubt: null });
    expect(hookNames(4).doubt).toContain('US G');
    expect(hookNames(4.25)).toMatchObject({ us: null, oldUk: null });
    expect(hookNames(4.25).doubt).toContain('Millimetres decide');
  });

  it('converts as the units library `convert` does', () => {
    expect(MM_IN['in']).toBe(convert(1, 'inch').to('mm'));
    fc.assert(
      fc.property(fc.double({ min: 1, max: 250, noNaN: true }), (mm) => {
        expect(lengthWords(mm, 'inches')).toBe(`${convert(mm, 'mm').to('inch').toFixed(1)} in`);
      }),
    );
  });
});

describe('heights', () => {
  it('add up by what is worked: a slip stitch lies on the one below and adds none', () => {
    // Common practice.
    const fabric = fabricOf(
      checkPattern(read('R1: 6 sc in ring\nR2: sl st around\nR3: dc around\nR4: (1 sc, 1 dc) × 3')).parts[0]!,
    );
    expect(roundHeights(fabric)).toEqual([1, 0, 2, 1.5]);
  });
});

describe('yarn in a stitch', () => {
  it('keeps 360 sc in medium yarn well under 70 m and 50 g', () => {
    // Common practice.
    for (const hook of [3.5, 4, 5]) {
      const metres = (360 * stitchYarn('sc', estimateStitch(4, hook), yarnWeight(4).strand)) / 1_000;
      expect(metres).toBeGreaterThan(8);
      expect(metres).toBeLessThan(35);
      expect((metres * 100) / yarnWeight(4).metres).toBeLessThan(25);
    }
  });

  it('takes about 41 mm a stitch for a blanket of sc in medium yarn', () => {
    // From memory: about 1,740 m for 42,000 stitches at 14 stitches in 4 in.
    expect(stitchYarn('sc', { width: 101.6 / 14, height: 101.6 / 16 }, 2.4) / 41).toBeGreaterThan(0.85);
    expect(stitchYarn('sc', { width: 101.6 / 14, height: 101.6 / 16 }, 2.4) / 41).toBeLessThan(1.15);
  });

  it('takes more the taller the stitch', () => {
    const lengths = (['ch', 'sl st', 'sc', 'hdc', 'dc', 'tr'] as const).map((name) =>
      stitchYarn(name, estimateStitch(4, 4), 2.4),
    );
    expect([...lengths].sort((a, b) => a - b)).toEqual(lengths);
  });
});

describe('what is believed', () => {
  const prior = { factor: 1, spread: 0.1, transfer: 0.05 };
  const evidence = fc.array(
    fc.record({
      ratio: fc.double({ min: 0.7, max: 1.4, noNaN: true }),
      spread: fc.double({ min: 0.01, max: 0.3, noNaN: true }),
      made: fc.constantFrom('a', 'b', 'c'),
    }),
    { minLength: 1, maxLength: 8 },
  );

  it('lies between what was predicted and what was measured, in whatever order it came', () => {
    fc.assert(
      fc.property(evidence, (all) => {
        const { factor, spread } = believe(all, 'a', prior);
        const ratios = [1, ...all.map((one) => one.ratio)];
        expect(factor).toBeGreaterThanOrEqual(Math.min(...ratios) - 1e-9);
        expect(factor).toBeLessThanOrEqual(Math.max(...ratios) + 1e-9);
        expect(spread).toBeLessThanOrEqual(prior.spread + 1e-12);
        const turned = believe([...all].reverse(), 'a', prior);
        expect(turned.factor).toBeCloseTo(factor, 9);
        expect(turned.spread).toBeCloseTo(spread, 9);
      }),
    );
  });

  it('makes no jump for a hair, and more or better evidence never widens it', () => {
    fc.assert(
      fc.property(evidence, fc.nat(7), fc.double({ min: 0, max: 1, noNaN: true }), (all, pick, better) => {
        const before = believe(all, 'a', prior);
        const at = pick % all.length;
        const hair = all.map((one, i) => (i === at ? { ...one, ratio: one.ratio + 1e-7, spread: one.spread + 1e-7 } : one));
        const after = believe(hair, 'a', prior);
        expect(Math.abs(after.factor - before.factor)).toBeLessThan(1e-4);
        expect(Math.abs(after.spread - before.spread)).toBeLessThan(1e-4);
        const surer = all.map((one, i) => (i === at ? { ...one, spread: one.spread * (0.3 + 0.7 * better) } : one));
        expect(believe(surer, 'a', prior).spread).toBeLessThanOrEqual(before.spread + 1e-12);
        expect(believe(all.toSpliced(at, 1), 'a', prior).spread).toBeGreaterThanOrEqual(before.spread - 1e-12);
      }),
    );
  });

  it('lets no poor measurement here outweigh three good ones elsewhere', () => {
    const elsewhere = ['b', 'c', 'd'].map((made) => ({ ratio: 1.2, spread: 0.03, made }));
    const { factor, spread } = believe([...elsewhere, { ratio: 1, spread: 0.144, made: 'a' }], 'a', prior);
    // Weights by hand: 100 at 1, three of 1/(0.03² + 0.05²) at 1.2, 1/0.144² at 1.
    const weights = [100, 3 / (0.03 ** 2 + 0.05 ** 2), 1 / 0.144 ** 2] as const;
    const sum = weights[0] + weights[1] + weights[2];
    expect(factor).toBeCloseTo(Math.exp((weights[1] * Math.log(1.2)) / sum), 9);
    expect(spread).toBeCloseTo(1 / Math.sqrt(sum), 9);
    expect(factor).toBeGreaterThan(1.13);
  });

  it('is the geometric mean of equally sure measurements: twice as much and half as much cancel out', () => {
    const both = [2, 0.5].map((ratio) => ({ ratio, spread: 0.02, made: 'a' }));
    expect(believe(both, 'a', prior).factor).toBeCloseTo(1, 9);
    expect(believe([], 'a', prior)).toEqual({ factor: 1, spread: 0.1, from: 'tables', count: 0 });
  });
});
