import fc from 'fast-check';
import { expect, test } from 'vitest';
import { checkPattern, fabricOf } from '../fabric/index.js';
import { HOOKS, YARN_WEIGHTS } from '../gauge/index.js';
import { read } from '../notation/index.js';
import { measure, openings, outlineOf, scaleProfile, unitProfile } from '../shape/index.js';
import { anyPattern, numbersIn } from '../test/any-pattern.js';
import {
  chooseYarn,
  EMPTY_KIT,
  eyeAdvice,
  fillingOf,
  handGauge,
  needsList,
  plannedParts,
  plansFor,
  statedKit,
  supplyOf,
  thingsSaid,
  usedSince,
  waysToWidth,
  type Situation,
  type Yarn,
} from './index.js';

const hold = fc.record({
  yarnWeight: fc.constantFrom(...YARN_WEIGHTS.map((one) => one.number)),
  hookMm: fc.constantFrom(...HOOKS),
});
const yarn = fc.record<Yarn>({
  id: fc.constantFrom('red', 'plain', 'other'),
  name: fc.constant('Quay'),
  yarnWeight: fc.constantFrom(0, 4, 7),
  fibre: fc.constant('cotton'),
  colour: fc.constantFrom('red', ''),
  metresPer100g: fc.constantFrom(null, 1, 200, 1_000),
  grams: fc.constantFrom(0, 0.1, 50, 5_000),
  weighedAt: fc.constant(0),
  dyeLot: fc.constant(''),
  ballGrams: fc.constantFrom(null, 50),
  price: fc.constantFrom(null, 3.5),
});
const place = fc.record({ round: fc.nat(12), action: fc.nat(20) });

/** Numbers that make no sense on a screen: none at all, or less than nothing. */
const senseless = (value: unknown): [string, number][] =>
  numbersIn(value).filter(([, number]) => !Number.isFinite(number) || number < 0);

test('whatever stands in the pattern, lies in the basket and is held in the hand, every amount and size is a number', () => {
  fc.assert(
    fc.property(
      anyPattern,
      hold,
      fc.array(yarn, { maxLength: 3 }),
      place,
      fc.integer({ min: 1, max: 100 }),
      (text, tools, yarns, at, copies) => {
        const count = checkPattern(read(text));
        const fabrics = count.parts.map(fabricOf);
        const basket = yarns.map((one) => ({ yarn: one, free: one.grams }));
        const red = yarns.find((one) => one.id === 'red');
        const kit = { ...(red ? chooseYarn(EMPTY_KIT, null, 'red', red.id) : EMPTY_KIT), copies };
        const parts = plannedParts(
          count,
          (part) => fabrics[part] ?? null,
          () => at,
        );
        const situation: Situation = { parts, tools, kit, measurements: [], basket };
        const supply = supplyOf(situation);
        expect(senseless(supply.demands)).toEqual([]);
        expect(senseless(Object.fromEntries(usedSince(situation, () => ({ round: 0, action: 0 }))))).toEqual([]);
        for (const demand of supply.demands)
          for (const plan of plansFor(situation, demand.key)) expect(senseless(plan)).toEqual([]);
        const { stitch } = handGauge(tools, kit.hand, []);
        expect(stitch.width).toBeGreaterThan(0);
        const stuffing = fabrics.flatMap((fabric) => {
          if (fabric.stitchCount === 0) return [];
          const shape = outlineOf(fabric);
          const profile = scaleProfile(unitProfile(shape, stitch.height / stitch.width), stitch.width);
          const size = measure(profile);
          expect(senseless([size, openings(profile), profile.r])).toEqual([]);
          const advice = eyeAdvice({
            headMm: size.diameter,
            stitches: 12,
            stitchWidth: stitch.width,
            apart: null,
            pattern: null,
          });
          expect(senseless(advice)).toEqual([]);
          for (const { hookMm, off } of waysToWidth(
            stitch.width,
            YARN_WEIGHTS.map((one) => one.number),
            null,
            [],
          ))
            expect([HOOKS.includes(hookMm), Number.isFinite(off)]).toEqual([true, true]);
          return [{ part: 'Part', pieces: 1, firmness: 'firm' as const, grams: fillingOf(size.volume, 'firm'), spread: 0.3 }];
        });
        const list = needsList({
          tools,
          kit,
          demands: supply.demands,
          stuffing,
          eyes: { mm: 12, count: 2 * copies },
          things: thingsSaid(count.pattern),
          sewn: parts.length > 1,
        });
        expect(list.filter(({ what, why }) => /NaN|Infinity|undefined|\[object/.test(`${what} ${why}`))).toEqual([]);
        expect(senseless(statedKit(count.pattern))).toEqual([]);
      },
    ),
    { numRuns: 60 },
  );
});
