import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { add, lengthOf, minus, times, type Vector } from '../vector/index.js';
import { curveOf, knotsBetween, look, passes, runsOf, type Camera, type Strand } from './index.js';

const tenth = fc.integer({ min: -50, max: 50 }).map((tenths) => tenths / 10);
const place: fc.Arbitrary<Vector> = fc.tuple(tenth, tenth, tenth);
const knots = fc
  .array(place, { minLength: 2, maxLength: 7 })
  .filter((all) => all.every((knot, i) => i === 0 || lengthOf(minus(knot, all[i - 1]!)) > 0.3));
const angle = fc.integer({ min: 0, max: 62 }).map((tenths) => tenths / 10);
const STRAIGHT_ON: Camera = { tilt: 0, way: 1 };

/** Turned about the axis that points at whoever looks, and about the one that goes up. */
function turned([x, y, z]: Vector, about: number, up: number): Vector {
  const [a, b] = [x * Math.cos(about) - y * Math.sin(about), x * Math.sin(about) + y * Math.cos(about)];
  return [a * Math.cos(up) + z * Math.sin(up), b, z * Math.cos(up) - a * Math.sin(up)];
}

function expectNear(found: readonly Vector[], wished: readonly Vector[]): void {
  expect(found).toHaveLength(wished.length);
  for (const [i, point] of found.entries()) expect(lengthOf(minus(point, wished[i]!))).toBeLessThan(1e-6);
}

describe('the curve of a strand', () => {
  it('goes through its knots, the same way back, and turns as they turn', () => {
    fc.assert(
      fc.property(knots, fc.integer({ min: 1, max: 9 }), angle, angle, place, (all, per, about, up, by) => {
        const curve = curveOf(all, per);
        expect(curve).toHaveLength((all.length - 1) * per + 1);
        expectNear(
          all.map((_, i) => curve[i * per]!),
          all,
        );
        expectNear(curveOf(all.toReversed(), per).toReversed(), curve);
        const moved = (point: Vector): Vector => add(turned(point, about, up), by);
        expectNear(curveOf(all.map(moved), per), curve.map(moved));
        expectNear(
          curveOf(
            all.map((knot) => times(knot, 3)),
            per,
          ),
          curve.map((point) => times(point, 3)),
        );
      }),
      { numRuns: 60 },
    );
  });

  it('stays on a line whose knots are on it, in their order, and makes no loop between close ones', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 1, max: 40 }), { minLength: 2, maxLength: 6 }), place, (steps, way) => {
        if (lengthOf(way) < 0.5) return;
        let at = 0;
        const along = [0, ...steps].map((step) => (at += step / 10));
        const curve = curveOf(
          along.map((share) => times(way, share)),
          6,
        );
        for (let i = 1; i < curve.length; i++) {
          const step = minus(curve[i]!, curve[i - 1]!);
          // Forwards: no step turns back.
          expect(step[0] * way[0] + step[1] * way[1] + step[2] * way[2]).toBeGreaterThan(-1e-9);
        }
      }),
    );
  });

  it('comes from one drawing to the next with its ends where they were, and lies as the next one says at last', () => {
    fc.assert(
      fc.property(knots, knots, fc.integer({ min: 0, max: 10 }), (from, to, tenths) => {
        expectNear(knotsBetween(from, to, 1), to);
        const begun = knotsBetween(from, to, 0);
        expectNear([begun[0]!, begun.at(-1)!], [from[0]!, from.at(-1)!]);
        const [early, late] = [knotsBetween(from, to, tenths / 20), knotsBetween(from, to, tenths / 10)];
        // It goes straight: half of the share is half of the way.
        expectNear(
          early,
          begun.map((knot, i) => times(add(knot, late[i]!), 0.5)),
        );
      }),
    );
  });
});

describe('a strand and a loop', () => {
  const ring = (corners: number, radius: number): Vector[] =>
    Array.from({ length: corners }, (_, i) => [
      radius * Math.cos((2 * Math.PI * i) / corners),
      radius * Math.sin((2 * Math.PI * i) / corners),
      0,
    ]);

  it('pass as often as the strand goes through, whichever way it goes and however both are turned', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 12 }),
        fc.array(fc.boolean(), { minLength: 1, maxLength: 5 }),
        fc.array(fc.tuple(tenth, tenth), { minLength: 6, maxLength: 6 }),
        angle,
        angle,
        (corners, inside, spots, about, up) => {
          // Each time it comes from the other side, through the loop, its very middle at times, or well beside it.
          const strand = inside.flatMap((within, i): Vector[] => {
            const [dx, dy] = spots[i]!;
            const at: readonly [number, number] = within ? [dx / 40, dy / 40] : [9 + dx / 10, 9 + dy / 10];
            const far = i % 2 === 0 ? -3 : 3;
            return [
              [at[0], at[1], far],
              [at[0], at[1], -far],
            ];
          });
          const loop = ring(corners, 2);
          const through = passes(strand, loop);
          const between = strand.slice(1, -1).length / 2;
          expect(between).toBe(inside.length - 1);
          expect(through).toBe(inside.filter(Boolean).length);
          expect(passes(strand.toReversed(), loop)).toBe(through);
          const move = (point: Vector): Vector => turned(point, about, up);
          expect(passes(strand.map(move), loop.map(move))).toBe(through);
        },
      ),
      { numRuns: 400 },
    );
    expect(passes(ring(4, 1), ring(2, 1))).toBe(0);
  });
});

describe('the runs of strands', () => {
  const strands = fc.array(fc.record({ knots, radius: fc.constantFrom(0.1, 0.2, 0.3) }), { minLength: 1, maxLength: 4 });
  const named = (all: readonly { readonly knots: readonly Vector[]; readonly radius: number }[]): Strand[] =>
    all.map((strand, i) => ({ id: `${i}`, ...strand }));

  it('are each strand whole, end to end, once', () => {
    fc.assert(
      fc.property(strands, angle, (all, tilt) => {
        const given = named(all);
        const runs = runsOf(given, { tilt: tilt / 4, way: 1 });
        for (const { id, knots: own } of given) {
          const mine = runs.filter(({ strand }) => strand === id).sort((a, b) => a.from - b.from);
          expect(mine.filter(({ ends }) => ends[0])).toHaveLength(1);
          expect(mine.filter(({ ends }) => ends[1])).toHaveLength(1);
          for (let i = 1; i < mine.length; i++) expect(mine[i]!.points[0]).toEqual(mine[i - 1]!.points.at(-1));
          const [start, end] = [own[0]!, own.at(-1)!].map((knot) => look(knot, { tilt: tilt / 4, way: 1 }));
          expect(mine[0]!.points[0]![0]).toBeCloseTo(start![0], 6);
          expect(mine.at(-1)!.points.at(-1)![1]).toBeCloseTo(end![1], 6);
          for (const { points, radii } of mine) expect(radii).toHaveLength(points.length);
        }
      }),
      { numRuns: 80 },
    );
  });

  it('of two straight strands come so that the nearer is drawn over the other, from either hand', () => {
    fc.assert(
      fc.property(
        angle,
        angle,
        fc.integer({ min: 5, max: 20 }),
        fc.boolean(),
        fc.boolean(),
        (one, other, apart, swapped, left) => {
          // Too nearly the same way they lie on one another all along.
          const between = Math.abs(Math.sin(one - other));
          if (between < 0.3) return;
          const camera: Camera = { tilt: 0, way: left ? -1 : 1 };
          const bar = (id: string, way: number, depth: number): Strand => ({
            id,
            radius: 0.3,
            knots: [-3, 3].map((far): Vector => [far * Math.cos(way), far * Math.sin(way), depth]),
          });
          const pair = [bar('far', one, 0), bar('near', other, apart / 10)];
          const runs = runsOf(swapped ? pair.toReversed() : pair, camera);
          const crossing = runs.findIndex(({ strand, over }) => strand === 'near' && over.length > 0);
          expect(crossing).toBeGreaterThanOrEqual(0);
          expect(runs.findIndex(({ strand }) => strand === 'far')).toBeLessThan(crossing);
          expect(runs.filter(({ strand, over }) => strand === 'far' && over.length > 0)).toHaveLength(0);
        },
      ),
    );
  });

  it('of a strand that goes over one and under the next are two, and mirrored for the other hand', () => {
    const across = (id: string, x: number): Strand => ({
      id,
      radius: 0.2,
      knots: [
        [x, -2, 0],
        [x, 2, 0],
      ],
    });
    const weft: Strand = {
      id: 'weft',
      radius: 0.2,
      knots: [
        [-3, 0, 0],
        [-1, 0, 0.5],
        [1, 0, -0.5],
        [3, 0, 0],
      ],
    };
    const order = (camera: Camera) => runsOf([weft, across('left', -1), across('right', 1)], camera).map(({ strand }) => strand);
    const runs = runsOf([weft, across('left', -1), across('right', 1)], STRAIGHT_ON);
    expect(runs.filter(({ strand }) => strand === 'weft')).toHaveLength(2);
    expect(order(STRAIGHT_ON)).toEqual(order({ tilt: 0, way: -1 }));
    const seen = order(STRAIGHT_ON);
    expect(seen.indexOf('left')).toBeLessThan(seen.lastIndexOf('weft'));
    expect(seen.indexOf('weft')).toBeLessThan(seen.indexOf('right'));
  });
});
