import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { STITCHES, type StitchName } from '../notation/index.js';
import { type Vector } from '../vector/index.js';
import { curveOf, knotsBetween, look, passes, runsOf } from '../strand/index.js';
import { CARDS, cardOf, type CardId } from '../technique/index.js';
import { topOver, vAt, workedRow } from './fabric-edge.js';
import { drawingOf, MOVES } from './index.js';
import { LOOP_KNOTS, throughV, type Under } from './loops.js';
import { singleOver } from './stitches.js';
import { loopsAt, workFrom, type Moment } from './work.js';

const BALL: Vector = [9, 3, -1];

const TALL: readonly (keyof typeof MOVES)[] = ['tall stitches', 'treble', 'puff'];

/** The loops of the working strand at a moment, each with the way that its strand takes. */
const curvesAt = (moment: Moment): readonly (readonly Vector[])[] =>
  loopsAt(moment, moment.loops.length, BALL).map((knots) => curveOf(knots, 8));

/** Yarn-overs that a stitch's sentence in the table tells: a loop that is drawn up or through is one, "twice" doubles the rest. */
function toldYarnOvers(stitch: StitchName): number {
  const [before, after = ''] = STITCHES[stitch].how.replace(/ It adds.*/, '').split(/twice: |three times: /);
  const times = STITCHES[stitch].how.includes('three times: ') ? 3 : 2;
  const wraps = /yarn over twice/i.test(before!) ? 1 : 0;
  const drawn = (text: string): number => (text.match(/yarn over|draw up a loop|draw a loop through/gi) ?? []).length;
  return drawn(before!) + wraps + times * drawn(after);
}

describe('drawn stitches', () => {
  it.each([
    ['sc', 'single crochet'],
    ['hdc', 'half double'],
    ['dc', 'tall stitches'],
    ['tr', 'treble'],
    ['sl st', 'slip stitch'],
  ] as const)('have the yarn-overs that the table of stitches tells of %s', (stitch, drawn) => {
    const { yarnOvers, draws, moments } = workFrom(topOver(2), MOVES[drawn]);
    expect(yarnOvers).toBe(toldYarnOvers(stitch));
    // Every yarn-over is a loop of the strand, and one loop is left on the hook, as before the stitch.
    expect(moments.at(-1)!.loops).toHaveLength(1 + yarnOvers);
    expect([moments[0]!.onHook.length, moments.at(-1)!.onHook.length]).toEqual([1, 1]);
    expect(draws.length).toBeGreaterThan(0);
  });

  it.each(Object.keys(MOVES) as (keyof typeof MOVES)[])(
    'of %s lead each loop through those that it was drawn through, and no other',
    (name) => {
      const worked = workFrom(topOver(2), MOVES[name]);
      const last = worked.moments.at(-1)!;
      const curves = curvesAt(last);
      for (const { loop, through } of worked.draws) {
        for (const [i, loopOf] of curves.entries()) {
          // What is drawn later goes through this one, not the other way round; what hangs on the hook is open. A stitch that
          // is taller than the row has its legs between the two strands of the V that rises to it: those are not held against it.
          const besidesTall = TALL.includes(name) && !through.includes(i);
          if (i >= loop || last.onHook.includes(i) || besidesTall) continue;
          const ends = last.loops[i]!.is === 'wrapped' ? 2 : 0;
          expect(
            passes(curves[loop]!, loopOf.slice(ends * 8, loopOf.length - ends * 8)),
            `${name}: loop ${loop} through loop ${i}`,
          ).toBe(through.includes(i) ? 2 : 0);
        }
      }
    },
  );

  it.each([
    ['both', 0],
    ['back', 2],
    ['front', 2],
  ] as const)('go under %s strands of the V below', (under: Under, crossings) => {
    const worked = workFrom(topOver(2), singleOver(3, under));
    const legs = curvesAt(worked.moments.at(-1)!)[1]!;
    const below = curveOf(workedRow(-1, 3, 4).slice(0, LOOP_KNOTS), 8);
    // Under both, it does not go through the V at all; under one, each leg goes between its two strands.
    expect(passes(legs, below)).toBe(crossings);
    const front = throughV(vAt(3), under)[2];
    expect(front[2] > 0.3).toBe(under !== 'back');
  });
});

describe('pictures of cards', () => {
  it.each(CARDS.map(({ id }) => id))('of %s are three to six, each to a step of the card, in their order', (id: CardId) => {
    const { frames, view } = drawingOf(id);
    expect(frames.length).toBeGreaterThanOrEqual(3);
    expect(frames.length).toBeLessThanOrEqual(6);
    const steps = frames.map(({ step }) => step);
    expect(steps).toEqual([...steps].sort((a, b) => a - b));
    expect(steps.at(-1)!).toBeLessThan(cardOf(id).steps.length);
    for (const { strands, seen } of frames) {
      expect(new Set(strands.map((strand) => strand.id)).size).toBe(strands.length);
      for (const { knots, radius } of strands) {
        expect(knots.length).toBeGreaterThan(1);
        expect(knots.flat().every(Number.isFinite)).toBe(true);
        if (typeof radius !== 'number') expect(radius).toHaveLength(knots.length);
      }
      // All pictures of all cards have one shape, so that they stand in one place.
      const [, , width, height] = seen?.view ?? view;
      expect(width / height).toBeCloseTo(1.6, 1);
    }
  });

  it.each(['single crochet', 'adjustable ring', 'whip stitch'] as const)('of %s are the mirror image for a left hand', (id) => {
    const { frames, camera } = drawingOf(id);
    const right = runsOf(frames[2]!.strands, camera);
    const left = runsOf(frames[2]!.strands, { ...camera, way: 1 });
    const shown = (runs: typeof right, way: number): unknown =>
      runs.map(({ strand, points }) => [strand, ...points.map(([x, y]) => `${(way * x + 0).toFixed(6)} ${y.toFixed(6)}`)]);
    expect(JSON.stringify(shown(left, -1)).replaceAll('-0.000000', '0.000000')).toBe(
      JSON.stringify(shown(right, 1)).replaceAll('-0.000000', '0.000000'),
    );
  });
});

describe('strands', () => {
  const place = fc.tuple(
    ...[0, 1, 2].map(() => fc.integer({ min: -200, max: 200 }).map((at) => at / 100)),
  ) as unknown as fc.Arbitrary<Vector>;

  it('go through their knots', () => {
    fc.assert(
      fc.property(fc.array(place, { minLength: 2, maxLength: 8 }), fc.integer({ min: 1, max: 6 }), (knots, per) => {
        const curve = curveOf(knots, per);
        expect(curve).toHaveLength((knots.length - 1) * per + 1);
        knots.forEach((knot, i) => expect(curve[i * per]).toEqual(knot));
      }),
    );
  });

  it('on their way begin at their ends and end where they go, whether they had as many knots or not', () => {
    const some = fc.array(place, { minLength: 2, maxLength: 7 });
    fc.assert(
      fc.property(some, some, (from, to) => {
        const near = (found: readonly Vector[], wanted: readonly Vector[]): void => {
          expect(found).toHaveLength(wanted.length);
          found.flat().forEach((value, k) => expect(value).toBeCloseTo(wanted.flat()[k]!, 9));
        };
        near(knotsBetween(from, to, 1), to);
        const begun = knotsBetween(from, to, 0);
        near([begun[0]!, begun.at(-1)!], [from[0]!, from.at(-1)!]);
        if (from.length === to.length) near(begun, from);
        const half = knotsBetween(from, to, 0.5);
        half.forEach((knot, i) =>
          knot.forEach((value, axis) => expect(value).toBeCloseTo((begun[i]![axis]! + to[i]![axis]!) / 2, 9)),
        );
      }),
    );
  });

  it('that cross lie over one another as their depths say, whichever comes first', () => {
    const camera = { tilt: 0, way: 1 } as const;
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(-0.9, -0.4, -0.05, 0.05, 0.4, 0.9), { minLength: 2, maxLength: 6 }),
        fc.boolean(),
        (depths, turned) => {
          // A fence: one strand across many uprights, which it goes over and under.
          const uprights = depths.map((depth, i) => ({
            id: `${i}`,
            radius: 0.1,
            knots: [[i, -1, depth] as Vector, [i, 1, depth] as Vector],
          }));
          const across = { id: 'across', radius: 0.1, knots: [[-1, 0, 0] as Vector, [depths.length, 0, 0] as Vector] };
          const strands = turned ? [across, ...uprights] : [...uprights, across];
          const order = runsOf(strands, camera);
          for (const [i, depth] of depths.entries()) {
            const upright = order.findIndex(
              ({ strand, points }) => strand === `${i}` && points.some(([, y]) => Math.abs(y) < 0.1),
            );
            const there = order.findIndex(
              ({ strand, points }) => strand === 'across' && points.some(([x]) => Math.abs(x - i) < 0.1),
            );
            expect(upright > there).toBe(depth > 0);
          }
        },
      ),
    );
  });

  it('that are looked at from above show what is near below, and lie as deep as they are high', () => {
    const [, down, depth] = look([0, 1, 0], { tilt: Math.PI / 2, way: 1 });
    expect(down).toBeCloseTo(0);
    expect(depth).toBeCloseTo(1);
    expect(look([0, 0, 1], { tilt: Math.PI / 2, way: 1 })[1]).toBeCloseTo(1);
  });

  it('through a loop and back pass it twice, and beside it never', () => {
    const loop: Vector[] = [
      [-1, -1, 0],
      [1, -1, 0],
      [1, 1, 0],
      [-1, 1, 0],
    ];
    fc.assert(
      fc.property(fc.double({ min: -3, max: 3, noNaN: true }), fc.double({ min: -3, max: 3, noNaN: true }), (x, y) => {
        fc.pre(
          Math.abs(Math.abs(x) - 1) > 0.01 && Math.abs(Math.abs(y) - 1) > 0.01 && Math.abs(Math.abs(x) - Math.abs(y)) > 0.01,
        );
        const strand: Vector[] = [
          [x, y, -1],
          [x, y, 1],
          [x, y + 0.001, 1],
          [x, y + 0.001, -1],
        ];
        expect(passes(strand, loop)).toBe(Math.abs(x) < 1 && Math.abs(y) < 1 ? 2 : 0);
      }),
    );
  });
});
