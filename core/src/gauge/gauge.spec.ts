import { readFileSync } from 'node:fs';
import { describe, expect, it } from 'vitest';
import { estimateStitch, gaugeOf, HEIGHT_OVER_WIDTH, stuffedHooks, US_HOOKS, usHookName, YARN_WEIGHTS } from './index.js';

describe('gauge', () => {
  // Craft Yarn Council, Standard Yarn Weight System, recalled: single crochet in 4 in, and hook in mm.
  it.each([
    [1, 21, 32, 2.25, 3.5],
    [2, 16, 20, 3.5, 4.5],
    [3, 12, 17, 4.5, 5.5],
    [4, 11, 14, 5.5, 6.5],
    [5, 8, 11, 6.5, 9],
    [6, 7, 9, 9, 15],
  ] as const)('weight %i makes %i to %i stitches in 4 in on its label hooks', (number, few, many, thin, thick) => {
    expect(YARN_WEIGHTS[number]!.hook).toEqual([thin, thick]);
    expect(YARN_WEIGHTS[number]!.gauge).toEqual([few, many]);
    const inFourInches = (hook: number): number => 101.6 / estimateStitch(number, hook).width;
    // Weight 6 has the widest range of hooks; its table's gauge goes with the thinner ones.
    const largest = number === 6 ? 10 : thick;
    expect(inFourInches(thin)).toBeLessThanOrEqual(many * 1.01);
    expect(inFourInches(largest)).toBeGreaterThanOrEqual(few);
  });

  it('is as near to the table as docs/gauge.md says, and within the stated give or take', () => {
    // Craft Yarn Council, Standard Yarn Weight System, recalled.
    const doc = readFileSync(new URL('../../../docs/gauge.md', import.meta.url), 'utf8');
    const rows = [...doc.matchAll(/^\| (\d) [A-Z][^|]*\|(.*)\|$/gm)].map(([, number, cells]) => ({
      weight: YARN_WEIGHTS[Number(number)]!,
      numbers: [...cells!.matchAll(/-?\d+(?:\.\d+)?/g)].map(([found]) => Number(found)),
    }));
    expect(rows.map(({ weight }) => weight.number)).toEqual([1, 2, 3, 4, 5, 6]);
    for (const { weight, numbers } of rows) {
      const { number, hook, gauge } = weight;
      const [thin, thick] = hook.map((mm) => 101.6 / estimateStitch(number, mm).width);
      const off = [Math.round(100 * (gauge[1] / thin! - 1)), Math.round(100 * (gauge[0] / thick! - 1))];
      expect(numbers.slice(4, 6)).toEqual([Number(thin!.toFixed(1)), Number(thick!.toFixed(1))]);
      expect(numbers.slice(6)).toEqual(off.map((share) => share + 0));
      // What is said of the width before anything is measured covers what the table says of it, light and super bulky too.
      for (const [end, share] of off.entries()) {
        const { spread } = gaugeOf({ yarnWeight: number, hookMm: hook[end]! }, null, []);
        expect(Math.abs(Math.log(1 + share / 100))).toBeLessThanOrEqual(spread.width);
      }
    }
  });

  it('keeps the open-ended weights: lace somewhere on its label hooks, jumbo at 15 mm', () => {
    // Same system; lace is given in double crochet, which is as wide as single, and jumbo as 6 and fewer.
    const lace = [1.6, 1.9, 2.25].map((hook) => 101.6 / estimateStitch(0, hook).width);
    expect(lace.filter((count) => count >= 32 && count <= 42).length).toBeGreaterThanOrEqual(2);
    expect(101.6 / estimateStitch(7, 15).width).toBeLessThanOrEqual(6);
  });

  it('knows US hooks by millimetres', () => {
    // Craft Yarn Council's hook table, recalled.
    const said = 'B 2.25, C 2.75, D 3.25, E 3.5, F 3.75, G 4, 7 4.5, H 5, I 5.5, J 6, K 6.5, L 8, M/N 9, N/P 10';
    expect(US_HOOKS.map(({ name, mm }) => `${name} ${mm}`).join(', ')).toBe(said);
    expect(usHookName(4)).toBe('G');
    expect(usHookName(4.25)).toBeNull();
  });

  it('grows with hook and weight, and keeps a stitch nearly as high as wide', () => {
    for (const { number } of YARN_WEIGHTS) {
      expect(estimateStitch(number, 5).width).toBeGreaterThan(estimateStitch(number, 4).width);
      if (number > 0) expect(estimateStitch(number, 4).width).toBeGreaterThan(estimateStitch((number - 1) as 0, 4).width);
    }
    // Six more a round lie flat when 2π·height/width is 6 (common practice).
    expect(2 * Math.PI * HEIGHT_OVER_WIDTH).toBeCloseTo(6, 9);
  });

  it('suggests hooks that makers of stuffed pieces use', () => {
    // Common practice: medium with 3.5 to 5 mm, bulky and super bulky plush with 4 to 6.5 mm.
    expect(stuffedHooks(4)).toEqual([3.25, 4.75]);
    expect(stuffedHooks(5)).toEqual([4.5, 6.75]);
    for (const { number, hook } of YARN_WEIGHTS) expect(stuffedHooks(number)[1]).toBeLessThan(Math.sqrt(hook[0] * hook[1]));
  });

  it.each([0, -3, 500, Number.NaN, Number.POSITIVE_INFINITY])('refuses a hook of %d mm with both bounds', (hook) => {
    expect(() => estimateStitch(4, hook)).toThrow(/0\.5 to 30 mm/);
  });
});
