import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { stitchAngles } from '@lemniscus/core/spacing';
import { read } from '@lemniscus/core/notation';
import { describe, expect, it } from 'vitest';
import { DIAL, dialModel, type DialModel } from './dial-model';

const fabric = fabricOf(
  checkPattern(
    read(
      'With black:\nR1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5: (3 sc, inc) × 6\nR6: (4 sc, inc) × 6\nR7: (5 sc, inc) × 6\nR8: (5 sc, dec) × 6. Change to white.\nR9: in BLO, sc around',
    ),
  ).parts[0]!,
);
const angles = stitchAngles(fabric);
const at = (round: number, action: number): DialModel => dialModel(fabric, angles, { round, action });
const outermost = (model: DialModel) => model.stitches.filter((stitch) => stitch.depth === 0);

describe('the dial', () => {
  it('shows the whole current round: worked, the action at hand, and what is ahead', () => {
    const states = (round: number, action: number): string =>
      outermost(at(round, action))
        .map((stitch) => stitch.state[0])
        .join('');
    expect(states(0, 0)).toBe('naaaaa');
    // The second action of R3 is an increase: two stitches are at hand.
    expect(states(2, 1)).toBe('wnnaaaaaaaaaaaaaaa');
    expect(states(2, 11)).toBe('wwwwwwwwwwwwwwwwnn');
  });

  it('lays the work counter to the clock: angles grow along the round, one turn in all, and the spiral widens', () => {
    for (const round of [1, 4, 7]) {
      const ring = outermost(at(round, 0));
      for (let i = 1; i < ring.length; i++) {
        expect(ring[i]!.angle - ring[i - 1]!.angle).toBeCloseTo(1 / ring.length, 9);
        expect(ring[i]!.radius).toBeGreaterThan(ring[i - 1]!.radius);
      }
      expect(ring[ring.length - 1]!.radius).toBeLessThanOrEqual(DIAL.outer);
    }
  });

  it('puts the action at hand under the hook, an increase by the middle of its two stitches', () => {
    const model = at(2, 1);
    const near = outermost(model).filter((stitch) => stitch.state === 'next');
    expect(model.hook).toBeCloseTo((near[0]!.angle + near[1]!.angle) / 2, 9);
    expect(model.marker.angle).toBeLessThan(outermost(model)[0]!.angle);
  });

  it('draws a change where it falls: an increase over one parent, a decrease over two, in every round shown', () => {
    const decreases = at(7, 3).changes.filter((change) => change.depth === 0);
    expect(decreases).toHaveLength(6);
    for (const { change, made, parents, done } of decreases) {
      expect([change, done]).toEqual(['decrease', false]);
      expect(made[0]).toBe(made[1]);
      expect(parents[1] - parents[0]).toBeCloseTo(1 / 42, 9);
      expect(Math.abs(made[0] - (parents[0] + parents[1]) / 2)).toBeLessThan(1 / 24);
    }
    const below = at(7, 3).changes.filter((change) => change.depth === 1);
    expect(below.map((change) => change.change)).toEqual(Array<string>(6).fill('increase'));
    expect(
      below.every((change) => change.done && change.parents[0] === change.parents[1] && change.made[1] > change.made[0]),
    ).toBe(true);
  });

  it('leaves room for the count in the middle, keeps to its frame, and carries colour and loop', () => {
    for (let round = 0; round < fabric.roundCount; round++) {
      const { stitches, reach } = at(round, 0);
      for (const { radius } of stitches) {
        expect(radius).toBeGreaterThanOrEqual(DIAL.clear);
        expect(radius).toBeLessThan(DIAL.half);
      }
      expect(reach).toBeLessThanOrEqual(DIAL.outer);
    }
    const last = at(8, 0);
    expect(new Set(outermost(last).map((stitch) => `${stitch.colour} ${stitch.loop}`))).toEqual(new Set(['white back']));
    expect(new Set(last.stitches.filter((stitch) => stitch.depth === 1).map((stitch) => stitch.colour))).toEqual(
      new Set(['black']),
    );
  });

  it('keeps its places for actions that make no stitch: skips, chains that only lift, joins', () => {
    const joined = fabricOf(
      checkPattern(
        read('R1: 12 sc in ring, join with sl st\nR2: ch 1, sk 2, 10 sc, join with sl st\nR3: ch 1, sc around, join with sl st'),
      ).parts[0]!,
    );
    const turns = stitchAngles(joined);
    for (let round = 0; round < joined.roundCount; round++) {
      for (let action = 0; action < joined.roundAction[round + 1]! - joined.roundAction[round]!; action++) {
        const { hook, reach } = dialModel(joined, turns, { round, action });
        expect(Number.isFinite(hook) && reach > DIAL.clear, `${round}/${action}`).toBe(true);
      }
    }
  });

  it('puts the marker where the maker does: in the first stitch, in the last one before, or between', () => {
    const of = (marked: 'first' | 'last' | null) => dialModel(fabric, angles, { round: 4, action: 0 }, marked).marker.angle;
    const first = fabric.roundStart[4]!;
    expect(of('first')).toBe(angles[first]);
    expect(of('last')).toBe(angles[first - 1]);
    expect(of(null)).toBeLessThan(of('first'));
  });
});
