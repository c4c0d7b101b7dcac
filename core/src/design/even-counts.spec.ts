import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { evenCounts, type CountRules } from './even-counts.js';

describe('whole counts for wished ones', () => {
  it('are the cheapest of all that keep the rules, as plain enumeration finds', () => {
    const usual: CountRules = { steepest: 2, first: [3, 4], mostShut: 4, change: 0.7, odd: 0.3 };
    const own = fc.record({
      steepest: fc.integer({ min: 0, max: 3 }),
      turns: fc.boolean(),
      uses: fc.integer({ min: 2, max: 6 }),
      step: fc.integer({ min: -2, max: 2 }),
      only: fc.option(fc.integer({ min: -1, max: 1 }), { freq: 5 }),
    });
    const priceOf = (counts: readonly number[], wished: readonly number[], rules: CountRules): number =>
      counts.reduce((sum, count, k) => {
        const [step, before] = [count - counts[k - 1]!, counts[k - 1]! - counts[k - 2]!];
        const mine = rules.own?.[k];
        const straight = step > 0 ? (rules.straight ?? 0) : 0;
        const regular = step % (straight > 0 ? 6 : 3) === 0;
        const divides = (counts[k - 1]! - 2 * straight) % step === 0 && (Math.abs(step) > 2 || regular);
        const free = k === 0 || step === 0 || (mine?.uses === counts[k - 1] && mine?.step === step);
        const small = Math.min(1, Math.max(0, counts[k - 1]! - 2 * straight) / 12);
        const uneven = free ? 0 : small * rules.odd * (divides ? (regular ? 0 : 0.5) : 1);
        const unusual = k === 0 && count !== 3 ? rules.change : 0;
        const turn = k > 1 && step !== before && !mine?.turns ? rules.change * Math.min(1, counts[k - 1]! / 12) : 0;
        const stitch = Math.max(1, (rules.loose ?? 0) * wished[k]!);
        return sum + ((count - wished[k]!) / stitch) ** 2 + uneven + unusual + turn;
      }, 0);
    fc.assert(
      fc.property(
        fc.array(
          fc.tuple(
            fc.integer({ min: 20, max: 80 }).map((tenths) => tenths / 10),
            own,
          ),
          { minLength: 3, maxLength: 5 },
        ),
        fc.constantFrom(usual, { ...usual, loose: 0.3 }, { ...usual, straight: 1 }, { ...usual, rising: 3 }),
        fc.boolean(),
        (rounds, rules, owned) => {
          const wished = rounds.map(([wish]) => wish);
          const all: CountRules = owned ? { ...rules, own: rounds.map(([, mine]) => mine) } : rules;
          let found: number[][] = rules.first.map((count) => [count]);
          for (let k = 1; k < wished.length; k++) {
            const { steepest = 2, only = null } = all.own?.[k] ?? {};
            found = found.flatMap((counts) =>
              [-2, -1, 0, 1, 2]
                .filter(
                  (step) =>
                    Math.abs(step) <= steepest && (only === null || only === step) && (step >= 0 || k >= (all.rising ?? 0)),
                )
                .map((step) => counts.at(-1)! + step)
                .filter((next) => next >= 1 && next <= 2 * counts.at(-1)! && 2 * next >= counts.at(-1)!)
                .map((next) => [...counts, next]),
            );
          }
          const prices = found.filter((counts) => counts.at(-1)! <= 4).map((counts) => priceOf(counts, wished, all));
          const best = evenCounts(wished, all);
          if (prices.length === 0) expect(best).toBeNull();
          else expect(priceOf(best!, wished, all)).toBeCloseTo(Math.min(...prices), 9);
        },
      ),
      { numRuns: 300 },
    );
  });

  it('are the wished ones where those keep every rule at no price', () => {
    for (const counts of [
      [6, 12, 18, 24, 24, 24, 18, 12, 6],
      [6, 12, 18, 18, 18],
    ])
      expect(evenCounts(counts, { steepest: 6, first: [6], mostShut: null, change: 0, odd: 0 })).toEqual(counts);
  });

  it('are none where the rules leave no way', () => {
    const rules: CountRules = { steepest: 1, first: [6], mostShut: 3, change: 1, odd: 1 };
    expect(evenCounts([6, 5, 4], rules)).toBeNull();
    expect(evenCounts([6, 5, 4, 3], rules)).toEqual([6, 5, 4, 3]);
  });
});
