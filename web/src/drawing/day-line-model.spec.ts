import type { Bit, Mark, Sitting } from '@lemniscus/core/history';
import { dayAfter } from '@lemniscus/core/planning';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayLineModel, yarnStretches } from './day-line-model';

const FIRST = '2026-10-05';
const MINUTE = 60_000;
const begin = Date.parse(`${FIRST}T00:00:00Z`);

function sitting(day: number, minute: number, minutes: number): Sitting {
  const from = begin + day * 24 * 60 * MINUTE + minute * MINUTE;
  const to = from + minutes * MINUTE;
  return { from, to, ms: to - from, stitches: minutes * 8, pieces: ['a/1'], byHand: null, zone: 0, day: dayAfter(FIRST, day) };
}

const sittings = fc
  .array(fc.tuple(fc.nat(60), fc.integer({ min: 0, max: 1_380 }), fc.integer({ min: 0, max: 180 })), {
    minLength: 1,
    maxLength: 20,
  })
  .map((all) => all.map((each) => sitting(...each)).sort((a, b) => a.from - b.from));

describe('the line through the days', () => {
  it('lays each sitting under its day at its hour, longer ones longer, and loses none of those looked at', () => {
    fc.assert(
      fc.property(sittings, fc.nat(60), (all, last) => {
        const days = [FIRST, dayAfter(FIRST, last)] as const;
        const model = dayLineModel({ sittings: all, marks: [], days, stretches: () => [], zoneOf: () => 0 });
        const shown = all.filter(({ day }) => day <= days[1]);
        expect(model.bars.map((bar) => bar.sitting)).toEqual(shown);
        const minute = (one: Sitting): number => ((one.from - begin) / MINUTE) % 1_440;
        for (const [i, a] of model.bars.entries()) {
          expect(a.x + a.width / 2).toBeCloseTo(model.days.find(({ day }) => day === a.sitting.day)!.x, 6);
          expect(a.y).toBeGreaterThanOrEqual(0);
          expect(a.y + a.height).toBeLessThanOrEqual(model.height);
          const b = model.bars[i + 1];
          if (b) expect(Math.sign(a.y - b.y)).toBe(Math.sign(minute(a.sitting) - minute(b.sitting)));
        }
      }),
    );
  });

  it('keeps the marks of a day apart and in order, however many there are', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(40), { maxLength: 12 }), (minutes) => {
        const one = sitting(0, 1_200, 45);
        const marks = minutes.map((minute): Mark => ({ at: one.from + minute * MINUTE, piece: 'a/1', is: 'begun' }));
        const model = dayLineModel({ sittings: [one], marks, days: [FIRST, FIRST], stretches: () => [], zoneOf: () => 0 });
        expect(model.marks).toHaveLength(marks.length);
        const ys = model.marks.map(({ y }) => y);
        for (let i = 1; i < ys.length; i++)
          expect(ys[i]! - ys[i - 1]!).toBeGreaterThanOrEqual(ys[i]! < model.height - 30 ? 10 - 1e-9 : 0);
      }),
    );
  });

  it('fills a sitting with the yarns it was worked in, in their order, from its beginning to its end', () => {
    const one = sitting(0, 1_200, 40);
    const at = (minute: number, round: number): Bit => ({
      ...{ at: one.from + minute * MINUTE, tookMs: MINUTE, sitting: 0, piece: 'a/1', kind: 'plain', round, stitches: 8 },
      ...{ timed: true, zone: 0 },
    });
    const colours = ['black', 'black', 'white', 'black'];
    const stretches = yarnStretches([at(0, 0), at(10, 1), at(20, 2), at(30, 3)], one, ({ round }) => colours[round!]!);
    expect(stretches.map(({ colour }) => colour)).toEqual(['black', 'white', 'black']);
    expect(stretches[0]!.from).toBe(one.from);
    expect(stretches.at(-1)!.to).toBe(one.to);
    for (let i = 1; i < stretches.length; i++) expect(stretches[i]!.from).toBe(stretches[i - 1]!.to);
    // What is done by the way has no yarn.
    expect(yarnStretches([{ ...at(5, 0), round: null }], one, ({ round }) => (round === null ? null : 'red'))).toEqual([]);
  });
});
