import fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { assemblyOf } from '../assembly/index.js';
import { checkPattern, fabricOf } from '../fabric/index.js';
import type { PaceByKind } from '../history/index.js';
import { START } from '../making/index.js';
import { read } from '../notation/index.js';
import { normals, seeded } from '../random/index.js';
import {
  batchOf,
  calendarFile,
  changesOf,
  changesOneByOne,
  costOf,
  costOfChanges,
  dayAfter,
  daysBetween,
  doableNow,
  HORIZON_DAYS,
  isPossible,
  jobsOf,
  minutesOf,
  NO_WORK,
  portionFor,
  simulate,
  startBy,
  taskOf,
  waysOutOf,
  workFrom,
  type Hours,
  type Job,
  type Task,
  type Wish,
  type Work,
} from './index.js';

const FROM = '2026-11-30'; // a Monday
const EVENINGS: Hours = { week: [60, 60, 60, 60, 60, 60, 60], days: new Map() };
/** A known maker: 6 s a stitch, so much spread, learned in so many minutes. */
const pace = (spread: number, minutes = 30): PaceByKind => ({
  seconds: { starting: 6, plain: 6, increases: 6, closing: 6, joining: 6, details: 6 },
  spread,
  own: true,
  minutes,
});
const work = (stitches: number): Work => ({ ...NO_WORK, stitches: { ...NO_WORK.stitches, plain: stitches } });
const task = (stitches: number, by: string | null = null, id = 'one'): Task => ({ id, work: work(stitches), by });

/** The standard normal distribution (Abramowitz and Stegun, Handbook of Mathematical Functions, 26.2.17, from memory). */
function normalBelow(x: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(x));
  const tail =
    (Math.exp((-x * x) / 2) / Math.sqrt(2 * Math.PI)) *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return x >= 0 ? 1 - tail : tail;
}

describe('normal numbers', () => {
  it('fall below each place as often as they should', () => {
    const normal = normals(seeded(11));
    const drawn = Array.from({ length: 40_000 }, normal);
    for (const place of [-2.5, -1, -0.3, 0, 0.7, 1.6, 2.2]) {
      const share = normalBelow(place);
      const found = drawn.filter((each) => each < place).length / drawn.length;
      expect(Math.abs(found - share)).toBeLessThan(4 * Math.sqrt((share * (1 - share)) / drawn.length));
    }
  });
});

describe('a plan', () => {
  it('of one maker and one part has the chances and percentiles of the lognormal it is drawn from', () => {
    // 6,000 stitches at 6 s are ten hours; learned in one sitting, so its whole spread is left. Days differ not at all.
    const spread = 0.3;
    const known = { ...pace(spread), minutes: 30 };
    const runs = 4_000;
    // Half an hour a day in its third part of a day's hour: days so short that rounding up to one hardly counts.
    const hours: Hours = { week: Array.from({ length: 7 }, () => 6), days: new Map() };
    const due = 600;
    for (const last of [80, 100, 120, 160]) {
      const [ready] = simulate([task(6_000, dayAfter(FROM, last - 1))], { from: FROM, hours, pace: known, runs });
      // Over a hundred days what days differ by evens out: a hundredth of the variance beside the maker's own.
      const sigma = Math.sqrt(spread ** 2 + Math.log(1 + (Math.exp(spread ** 2) - 1) / 100));
      const expected = normalBelow((Math.log((last * 6) / due) + sigma ** 2 / 2) / sigma);
      expect(Math.abs(ready!.chance! - expected)).toBeLessThan(4 * Math.sqrt((expected * (1 - expected)) / runs) + 0.02);
    }
    const [ready] = simulate([task(6_000)], { from: FROM, hours, pace: known, runs });
    // The median and the tenth and ninetieth percentiles of the days, from the same closed form.
    const at = (z: number): number => (due / 6) * Math.exp(spread * z - spread ** 2 / 2);
    for (const [day, z] of [
      [ready!.early, -1.2816],
      [ready!.likely, 0],
      [ready!.late, 1.2816],
    ] as const)
      expect(daysBetween(FROM, day!) / at(z)).toBeCloseTo(1, 1);
    expect(ready!.minutes).toBe(due);
  });

  it('is the same as working it off minute by minute, event after event', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 0, max: 4_000 }), { minLength: 1, maxLength: 5 }),
        fc.array(fc.constantFrom(0, 30, 60, 150), { minLength: 7, maxLength: 7 }),
        fc.integer({ min: 1, max: 99 }),
        (stitches, week, seed) => {
          const hours = { week, days: new Map([[dayAfter(FROM, 2), 0]]) };
          const options = { from: FROM, hours, pace: pace(0.4, 120), seed, runs: 1, horizon: 200 };
          const all = simulate(
            stitches.map((own, i) => task(own, null, `${i}`)),
            options,
          );
          // The slow way: a clock that goes on in steps of a hundredth of a minute, with the same draws.
          const normal = normals(seeded(seed * 1_000_003));
          const factor = (spread: number): number => Math.exp(spread * normal() - spread ** 2 / 2);
          const slow = factor(0.4 / Math.sqrt(4));
          let [day, left, speed] = [-1, 0, 0];
          for (const [i, own] of stitches.entries()) {
            let due = (own / 10) * slow;
            while (due > 1e-6 && day < 200) {
              if (left <= 1e-9) {
                day++;
                left = day === 2 ? 0 : (week[day % 7] ?? 0);
                if (left > 0) speed = factor(0.4);
                continue;
              }
              const step = Math.min(left, due / speed, 0.5);
              left -= step;
              due -= step * speed;
            }
            const found = all[i]!.likely;
            if (due > 1e-6) expect(found).toBeNull();
            else expect(found).toBe(dayAfter(FROM, Math.max(0, day)));
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  it('is the same for the same seed, never later for less work or more hours, and says when there is no end', () => {
    const options = { from: FROM, hours: EVENINGS, pace: pace(0.3) };
    expect(simulate([task(9_000, '2026-12-20')], options)).toEqual(simulate([task(9_000, '2026-12-20')], options));
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 30_000 }), fc.integer({ min: 0, max: 5_000 }), (stitches, more) => {
        const [less, all] = [stitches, stitches + more].map((own) => simulate([task(own)], { ...options, runs: 40 })[0]!);
        expect(daysBetween(less!.likely!, all!.likely!)).toBeGreaterThanOrEqual(0);
        const longer = simulate([task(stitches)], {
          ...options,
          runs: 40,
          hours: { ...EVENINGS, week: EVENINGS.week.map(() => 90) },
        });
        expect(daysBetween(longer[0]!.likely!, less!.likely!)).toBeGreaterThanOrEqual(0);
      }),
      { numRuns: 30 },
    );
    const never = simulate([task(10, '2026-12-01')], { ...options, hours: { week: [0, 0, 0, 0, 0, 0, 0], days: new Map() } });
    expect(never[0]).toMatchObject({ likely: null, chance: 0 });
    const thousands = simulate([task(10_000 * 2_000)], options);
    expect(thousands[0]!.likely).toBeNull();
    expect(HORIZON_DAYS).toBe(1_826);
  });

  it('keeps days over the change of the clocks, in leap years, and with a day gone by', () => {
    expect(dayAfter('2026-03-28', 2)).toBe('2026-03-30');
    expect(dayAfter('2026-10-24', 2)).toBe('2026-10-26');
    expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
    expect(daysBetween('2026-03-01', '2026-04-01')).toBe(31);
    expect(simulate([task(10, '2026-01-01')], { from: FROM, hours: EVENINGS, pace: pace(0.3) })[0]!.chance).toBe(0);
  });
});

describe('ways out', () => {
  const wish = (id: string, copies: number, by: string | null): Wish => ({
    id,
    copies,
    by,
    first: work(3_000),
    each: work(3_000),
  });
  /** Five hours a copy, an hour on Mondays to Fridays. */
  const options = { from: FROM, hours: { week: [60, 60, 60, 60, 60, 0, 0], days: new Map() }, pace: pace(0.15, 600) };

  it('each bring it in time when the whole plan is made with them, and none that does less would', () => {
    const wishes = [wish('a', 1, null), wish('b', 4, '2026-12-18')];
    const planned = simulate(wishes.map(taskOf), options);
    expect(planned[1]!.chance).toBeLessThan(0.8);
    const ways = waysOutOf(wishes, 'b', options);
    expect(ways.map(({ is }) => is).sort()).toEqual(['fewer', 'longer evenings']);
    for (const way of ways) expect(way.chance).toBeGreaterThanOrEqual(0.8);
    const fewer = ways.find((way) => way.is === 'fewer')!;
    const one = (copies: number): number => simulate([wishes[0]!, { ...wishes[1]!, copies }].map(taskOf), options)[1]!.chance!;
    expect(one(fewer.copies)).toBeGreaterThanOrEqual(0.8);
    expect(one(fewer.copies + 1)).toBeLessThan(0.8);
    const two = [wish('a', 1, null), wish('b', 2, '2026-12-18')];
    const others = waysOutOf(two, 'b', options);
    expect(others.map(({ is }) => is)).toContain('first');
    const evenings = others.find((way) => way.is === 'more evenings')!;
    const chance = (days: readonly string[]): number =>
      simulate(two.map(taskOf), {
        ...options,
        hours: { ...options.hours, days: new Map(days.map((day) => [day, evenings.minutes])) },
      })[1]!.chance!;
    expect(evenings.days[0]).toBe('2026-12-05');
    expect(chance(evenings.days)).toBeGreaterThanOrEqual(0.8);
    expect(chance(evenings.days.slice(0, -1))).toBeLessThan(0.8);
  });

  it('say the last day to begin', () => {
    const last = startBy([wish('a', 1, '2026-12-31')], 'a', options)!;
    const from = (day: string): number => simulate([taskOf(wish('a', 1, '2026-12-31'))], { ...options, from: day })[0]!.chance!;
    expect(from(last)).toBeGreaterThanOrEqual(0.8);
    expect(from(dayAfter(last, 1))).toBeLessThan(0.8);
    expect(startBy([wish('a', 9, '2026-12-02')], 'a', options)).toBeNull();
    expect(startBy([wish('a', 9, null)], 'a', options)).toBeNull();
    expect(waysOutOf([wish('a', 9, '2026-11-02')], 'a', options)).toEqual([]);
  });
});

const jobs = (max: number): fc.Arbitrary<Job[]> =>
  fc
    .array(
      fc.record({
        part: fc.integer({ min: 0, max: 3 }),
        colours: fc.option(fc.tuple(fc.constantFrom('red', 'white', 'black'), fc.constantFrom('red', 'white', 'black')), {
          nil: null,
        }),
        units: fc.integer({ min: 1, max: 3 }),
        kind: fc.constantFrom('work' as const, 'work' as const, 'set' as const, 'join' as const),
        after: fc.array(fc.nat(20), { maxLength: 2 }),
      }),
      { minLength: 1, maxLength: max },
    )
    .map((all) =>
      all.map(({ after, ...job }, i): Job => ({
        ...job,
        id: `${i}`,
        name: `job ${i}`,
        rounds: null,
        minutes: 5,
        after: i === 0 ? [] : [...new Set(after.map((each) => `${each % i}`))],
      })),
    );

describe('a batch', () => {
  it('never takes more changes than one copy after the other, and does each job after those it comes after', () => {
    fc.assert(
      fc.property(jobs(16), fc.integer({ min: 1, max: 20 }), (all, copies) => {
        const { order, together, changes, oneByOne } = batchOf(all, copies);
        expect(oneByOne).toEqual(changesOneByOne(all, copies));
        expect(costOfChanges(changes)).toBeLessThanOrEqual(costOfChanges(oneByOne));
        expect(isPossible(order)).toBe(true);
        expect(order.map(({ id }) => id).sort()).toEqual(all.map(({ id }) => id).sort());
        if (together) expect(changes).toEqual(changesOf(order, copies));
      }),
    );
  });

  it('is the best of all orders, tried by brute force', () => {
    const permutations = (of: readonly Job[]): Job[][] =>
      of.length === 0 ? [[]] : of.flatMap((job) => permutations(of.filter((each) => each !== job)).map((rest) => [job, ...rest]));
    fc.assert(
      fc.property(jobs(5), (all) => {
        const least = Math.min(
          ...permutations(all)
            .filter(isPossible)
            .map((order) => costOfChanges(changesOf(order, 3))),
        );
        const { order, together, oneByOne } = batchOf(all, 3);
        const found = together ? costOfChanges(changesOf(order, 3)) : costOfChanges(oneByOne);
        expect(found).toBe(Math.min(least, costOfChanges(oneByOne)));
      }),
      { numRuns: 150 },
    );
  });

  it('of a figure with two wings cuts its body where the colour changes and the eyes go in, and tells tonight’s portion', () => {
    const text =
      '## Body\nWith black:\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3–R6: sc around (12). Change to white.\nR7–R10: sc around (12)\nSet the eyes between R8 and R9, 3 stitches between them.\nR11: dec × 6 (6)\n\n## Wing (make 2)\nWith black:\nR1: 6 sc in ring (6)\nR2–R5: sc around (6)\n\n## Put together\nWing: on Body, at R5, at both sides, sewn flat';
    const count = checkPattern(read(text));
    const { order } = assemblyOf(count, { stitch: { width: 5, height: 5 }, eyeMm: 8, secondsPerStitch: 6 });
    const fabrics = count.parts.map(fabricOf);
    const all = jobsOf(
      order.steps,
      (part) => fabrics[part]!,
      (part, [from, to]) => (fabrics[part]!.roundStart[to]! - fabrics[part]!.roundStart[from]!) / 10,
    );
    const works = all.filter(({ kind }) => kind === 'work');
    expect(works.map(({ part, rounds, colours, units }) => [part, rounds, colours, units])).toEqual(
      expect.arrayContaining([
        [0, [0, 6], ['black', 'black'], 1],
        [0, [6, 10], ['white', 'white'], 1],
        [1, [0, 5], ['black', 'black'], 2],
      ]),
    );
    // What is worked is all there is, once.
    expect(works.reduce((sum, { minutes, units }) => sum + minutes * units, 0)).toBeCloseTo(
      (fabrics[0]!.stitchCount + 2 * fabrics[1]!.stitchCount) / 10,
      9,
    );
    const batch = batchOf(all, 15);
    expect(batch.together).toBe(true);
    expect(batch.changes.yarn).toBe(1);
    // Black to white in each body, and back to black for its wings.
    expect(batch.oneByOne.yarn).toBe(30);
    const [tonight] = portionFor(batch, 15, new Map(), 60);
    expect(tonight!.minutes).toBeLessThanOrEqual(60);
    expect(tonight!.units * tonight!.job.minutes).toBeGreaterThan(60 - tonight!.job.minutes);
    const rest = portionFor(batch, 15, new Map([[tonight!.job.id, tonight!.job.units * 15]]), 60);
    expect(rest[0]!.job.id).not.toBe(tonight!.job.id);
    expect(portionFor(batch, 15, new Map(all.map(({ id, units }) => [id, units * 15])), 60)).toEqual([]);
  });
});

describe('work', () => {
  it('that is left of a piece and what is done of it are all of it', () => {
    const count = checkPattern(read('## Ball\nR1: 6 sc in ring\nR2: inc × 6\nR3–R5: sc around (12)\nR6: dec × 6'));
    const fabric = fabricOf(count.parts[0]!);
    const whole = workFrom(fabric, START);
    expect(minutesOf(whole, pace(0.3))).toBeCloseTo(fabric.stitchCount / 10, 9);
    expect(whole.stitches).toMatchObject({ starting: 6, increases: 12, plain: 36, closing: 6 });
    expect(workFrom(fabric, { round: 3, action: 2 }).stitches).toMatchObject({
      starting: 0,
      increases: 0,
      plain: 22,
      closing: 6,
    });
  });

  it('costs what goes into it, and says which price is not known', () => {
    const cost = costOf(
      {
        yarns: [
          { name: 'Quay black', grams: 20, pricePerGram: 0.08 },
          { name: 'Gull white', grams: 10, pricePerGram: null },
        ],
        eyes: 2,
        eyePrice: 0.15,
        stuffingGrams: 25,
        stuffingPricePerKilo: 12,
        minutes: 90,
      },
      { wage: 10, more: 20 },
    );
    expect(cost.lines.map(({ known }) => known)).toEqual([true, false, true, true]);
    expect(cost.materials).toBeCloseTo(1.6 + 0.3 + 0.3, 9);
    expect(cost).toMatchObject({ work: 15 });
    expect(cost.price).toBeCloseTo((2.2 + 15) * 1.2, 9);
  });
});

describe('what can be done now', () => {
  const fabric = fabricOf(
    checkPattern(
      read(
        '## Tube\nWith red:\nR1: 6 sc in ring\nR2: inc × 6 (12)\nR3–R7: sc around (12)\nChange to white.\nR8–R9: sc around (12)\nR10: dec × 6',
      ),
    ).parts[0]!,
  );
  const at = (round: number, action = 0) => ({ name: 'Tube', fabric, position: { round, action } });

  it('is the piece soonest worked to its end, and the longest straight run in one yarn', () => {
    expect(doableNow([at(1), at(9)], pace(0.3))).toMatchObject({
      soonest: { minutes: 0.6 },
      plain: null,
      colours: ['red', 'white'],
    });
    // Five rounds of twelve from the second on; two in white are too few.
    expect(doableNow([at(2)], pace(0.3)).plain).toEqual({ piece: 'Tube', rounds: [2, 7], stitches: 60 });
    expect(doableNow([at(1, 3)], pace(0.3)).plain).toMatchObject({ rounds: [2, 7] });
    expect(doableNow([at(7)], pace(0.3)).plain).toBeNull();
    expect(doableNow([at(10)], pace(0.3))).toEqual({ soonest: null, plain: null, colours: [] });
  });
});

describe('a calendar file', () => {
  it('is read back by ical.js as it was meant, whatever stands in it, to the minute on the night the clocks change', () => {
    const words = fc
      .string({ unit: 'grapheme', minLength: 1, maxLength: 80 })
      .filter((text) => !/[\p{Cc}\p{Zl}\p{Zp}]/u.test(text));
    fc.assert(
      fc.property(
        words,
        words,
        fc.integer({ min: 0, max: 2_000 }),
        fc.integer({ min: 0, max: 1_439 }),
        (title, note, days, minute) => {
          const day = dayAfter('2026-01-01', days);
          const from = Date.parse(`${day}T00:00:00Z`) + minute * 60_000;
          const file = calendarFile(
            'Plan',
            [
              { id: 'a', title, note, day },
              { id: 'b', title, note, from, to: from + 5_400_000 },
            ],
            Date.UTC(2026, 10, 27),
          );
          const events = new ICAL.Component(ICAL.parse(file) as unknown[])
            .getAllSubcomponents('vevent')
            .map((each) => new ICAL.Event(each));
          expect(events.map(({ summary, description }) => [summary, description])).toEqual([
            [title, note],
            [title, note],
          ]);
          expect(events[0]!.startDate.isDate).toBe(true);
          expect(events[0]!.startDate.toString()).toBe(day);
          expect(events[1]!.startDate.toUnixTime() * 1_000).toBe(from);
          expect(events[1]!.duration.toSeconds()).toBe(5_400);
          for (const line of file.split('\r\n')) expect(new TextEncoder().encode(line).length).toBeLessThanOrEqual(75);
        },
      ),
      { numRuns: 80 },
    );
    const night = calendarFile(
      'Plan',
      [{ id: 'n', title: 'x', note: '', from: Date.UTC(2026, 2, 29, 0, 30), to: Date.UTC(2026, 2, 29, 1, 30) }],
      0,
    );
    expect(night).toContain('DTSTART:20260329T003000Z');
  });
});
