import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenCounts, unevenness, type CountRules } from './even-counts.js';

/** Twelve stitches and more are seen in full; fewer by their share (see `SEEN`). */
const seen = (stitches: number): number => Math.min(1, stitches / 12);

/** What counts cost, by the rules as they are told: nothing is shared with the search. */
function costOf(counts: readonly number[], wished: readonly number[], rules: CountRules): number {
  const { steepest, first, change, odd, mostShut, own } = rules;
  if (mostShut !== null && counts.at(-1)! > mostShut) return Infinity;
  if (!first.includes(counts[0]!)) return Infinity;
  let cost = counts[0] === first[0] ? 0 : change;
  let before = 0;
  for (const [round, count] of counts.entries()) {
    cost += ((count - wished[round]!) / Math.max(1, (rules.loose ?? 0) * wished[round]!)) ** 2;
    if (round === 0) continue;
    const from = counts[round - 1]!;
    const step = count - from;
    const mine = own?.[round];
    if (Math.abs(step) > Math.min(steepest, mine?.steepest ?? steepest)) return Infinity;
    if (count > 2 * from || 2 * count < from || (step < 0 && round < (rules.rising ?? 0))) return Infinity;
    if (mine && mine.only !== null && mine.only !== step) return Infinity;
    if (!(mine?.uses === from && mine.step === step)) cost += odd * unevenness(from, step, rules.usual ?? first[0]!);
    if (round > 1 && step !== before && !mine?.turns) cost += change * seen(from);
    before = step;
  }
  return cost;
}

/** Every row of counts up to `most`, one after another. */
function* rows(length: number, most: number): Generator<number[]> {
  if (length === 0) return void (yield []);
  for (const row of rows(length - 1, most)) for (let count = 1; count <= most; count++) yield [...row, count];
}

const MOST = 11;
const tenths = (most: number) => fc.integer({ min: 0, max: 10 * most }).map((n) => n / 10);
const ownRound = fc.record({
  steepest: fc.integer({ min: 0, max: 4 }),
  turns: fc.boolean(),
  uses: fc.integer({ min: 1, max: MOST }),
  step: fc.integer({ min: -3, max: 3 }),
  only: fc.option(fc.integer({ min: -2, max: 3 }), { freq: 4 }),
});
const rulesFor = (rounds: number) =>
  fc.record(
    {
      steepest: fc.integer({ min: 1, max: 3 }),
      first: fc.uniqueArray(fc.integer({ min: 3, max: 6 }), { minLength: 1, maxLength: 3 }),
      mostShut: fc.option(fc.integer({ min: 3, max: 8 })),
      change: tenths(4),
      odd: tenths(4),
      loose: fc.constantFrom(0, 0.2),
      usual: fc.constantFrom(2, 3, 6),
      rising: fc.integer({ min: 0, max: 3 }),
      own: fc.array(ownRound, { minLength: rounds, maxLength: rounds }),
    },
    { requiredKeys: ['steepest', 'first', 'mostShut', 'change', 'odd'] },
  );
const problem = fc
  .integer({ min: 2, max: 4 })
  .chain((rounds) =>
    fc.tuple(fc.array(tenths(9), { minLength: rounds, maxLength: rounds }), rulesFor(rounds) as fc.Arbitrary<CountRules>),
  );

describe('whole counts for wished ones', () => {
  it('cost as little as any row of counts does, tried one by one, or there is none', () => {
    fc.assert(
      fc.property(problem, ([wished, rules]) => {
        let least = Infinity;
        for (const row of rows(wished.length, MOST)) least = Math.min(least, costOf(row, wished, rules));
        const found = evenCounts(wished, rules);
        if (!found) {
          expect(least).toBe(Infinity);
          return;
        }
        // It may find dearer rows nowhere, and cheaper ones only among larger counts than were tried.
        expect(costOf(found, wished, rules)).toBeLessThanOrEqual(least + 1e-9);
        if (Math.max(...found) <= MOST) expect(costOf(found, wished, rules)).toBeCloseTo(least, 9);
      }),
      { numRuns: 60 },
    );
  }, 60_000);

  it('are the wished ones where those keep every rule at no price', () => {
    for (const counts of [
      [6, 12, 18, 24, 24, 24, 18, 12, 6],
      [6, 12, 18, 18, 18],
    ]) {
      const rules = { steepest: 6, first: [6], mostShut: null, change: 0, odd: 0 };
      expect(evenCounts(counts, rules)).toEqual(counts);
    }
  });

  it('are none where a rule leaves no way', () => {
    const rules = { steepest: 2, first: [6], mostShut: 3, change: 1, odd: 1 };
    expect(evenCounts([6, 9], { ...rules, steepest: 1 })).toBeNull();
    expect(evenCounts([6, 6, 4, 3], rules)?.at(-1)).toBeLessThanOrEqual(3);
  });
});
