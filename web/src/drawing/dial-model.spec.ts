import { checkPattern, fabricOf, type Fabric } from '@lemniscus/core/fabric';
import { stitchAngles } from '@lemniscus/core/spacing';
import { actionsIn } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { MarkedStitch } from '@lemniscus/core/notation';
import { DIAL, dialActions, dialBelow, dialHook, dialLayout, placeAt, seenAt, type DialLayer } from './dial-model';

const fabric = fabricOf(
  checkPattern(
    read(
      'With black:\nR1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5: (3 sc, inc) × 6\nR6: (4 sc, inc) × 6\nR7: (5 sc, inc) × 6\nR8: (5 sc, dec) × 6. Change to white.\nR9: in BLO, sc around',
    ),
  ).parts[0]!,
);

function dialOf(of: Fabric, round: number, action: number, marked: MarkedStitch | null = null) {
  const angles = stitchAngles(of);
  const layout = dialLayout(of, angles, round);
  return {
    layout,
    now: dialActions(of, angles, layout, 0, actionsIn(of, round), action),
    below: dialBelow(of, angles, layout),
    hook: dialHook(of, angles, layout, action, marked),
  };
}
const at = (round: number, action: number) => dialOf(fabric, round, action);
const ofText = (text: string): Fabric => fabricOf(checkPattern(read(text)).parts[0]!);

const JOINED = 'R1: 12 sc in ring, join with sl st\nR2: ch 1, sk 2, 10 sc, join with sl st\nR3: ch 1, sc around, join with sl st';
const OVAL =
  'R1: ch 7, 5 sc, 4 sc in last ch, on the other side 4 sc, 3 sc in last ch\nR2: sc around\nR3: sc around\nR4: (2 sc, inc) × 2';

describe('the dial', () => {
  it('shows the whole current round: worked, the action at hand, and what is ahead', () => {
    const states = (round: number, action: number): string =>
      at(round, action)
        .now.stitches.map((stitch) => stitch.state[0])
        .join('');
    expect(states(0, 0)).toBe('naaaaa');
    // The second action of R3 is an increase: two stitches are at hand.
    expect(states(2, 1)).toBe('wnnaaaaaaaaaaaaaaa');
    expect(states(2, 11)).toBe('wwwwwwwwwwwwwwwwnn');
  });

  it('lays the work counter to the clock: angles grow along the round, one turn in all, and the spiral widens', () => {
    for (const round of [1, 4, 7]) {
      const ring = at(round, 0).now.stitches;
      for (let i = 1; i < ring.length; i++) {
        expect(ring[i]!.angle - ring[i - 1]!.angle).toBeCloseTo(1 / ring.length, 9);
        expect(ring[i]!.radius).toBeGreaterThan(ring[i - 1]!.radius);
      }
      expect(ring[ring.length - 1]!.radius).toBeLessThanOrEqual(DIAL.outer);
    }
  });

  it('puts the action at hand under the hook, an increase by the middle of its two stitches', () => {
    const { now, hook } = at(2, 1);
    const near = now.stitches.filter((stitch) => stitch.state === 'next');
    expect(hook.angle).toBeCloseTo((near[0]!.angle + near[1]!.angle) / 2, 9);
    expect(hook.marker.angle).toBeLessThan(now.stitches[0]!.angle);
  });

  it('draws a change where it falls: an increase over one parent, a decrease over two, in every round shown', () => {
    const decreases = at(7, 3).now.changes;
    expect(decreases).toHaveLength(6);
    for (const { change, made, parents, done } of decreases) {
      expect([change, done]).toEqual(['decrease', false]);
      expect(made[0]).toBe(made[1]);
      expect(parents[1] - parents[0]).toBeCloseTo(1 / 42, 9);
      expect(Math.abs(made[0] - (parents[0] + parents[1]) / 2)).toBeLessThan(1 / 24);
    }
    const below = at(7, 3).below.changes.filter((change) => change.depth === 1);
    expect(below.map((change) => change.change)).toEqual(Array<string>(6).fill('increase'));
    expect(
      below.every((change) => change.done && change.parents[0] === change.parents[1] && change.made[1] > change.made[0]),
    ).toBe(true);
  });

  it('leaves room for the count in the middle, keeps to its frame, and carries colour and loop', () => {
    for (let round = 0; round < fabric.roundCount; round++) {
      const { now, below, hook } = at(round, 0);
      for (const { radius } of [...now.stitches, ...below.stitches]) {
        expect(radius).toBeGreaterThanOrEqual(DIAL.clear);
        expect(radius).toBeLessThan(DIAL.half);
      }
      expect(hook.reach).toBeLessThanOrEqual(DIAL.outer);
    }
    const last = at(8, 0);
    expect(new Set(last.now.stitches.map((stitch) => `${stitch.colour} ${stitch.loop}`))).toEqual(new Set(['white back']));
    expect(new Set(last.below.stitches.filter((stitch) => stitch.depth === 1).map((stitch) => stitch.colour))).toEqual(
      new Set(['black']),
    );
  });

  it('keeps its places for actions that make no stitch: skips, chains that only lift, joins', () => {
    const joined = ofText(JOINED);
    for (let round = 0; round < joined.roundCount; round++) {
      for (let action = 0; action < joined.roundAction[round + 1]! - joined.roundAction[round]!; action++) {
        const { angle, reach } = dialOf(joined, round, action).hook;
        expect(Number.isFinite(angle) && reach > DIAL.clear, `${round}/${action}`).toBe(true);
      }
    }
  });

  it('puts the marker where the maker does: in the first stitch, in the last one before, or between', () => {
    const angles = stitchAngles(fabric);
    const of = (marked: MarkedStitch | null) => dialOf(fabric, 4, 0, marked).hook.marker.angle;
    const first = fabric.roundStart[4]!;
    expect(of('first')).toBe(angles[first]);
    expect(of('last')).toBe(angles[first - 1]);
    expect(of(null)).toBeLessThan(of('first'));
  });

  it('gives tall stitches room and a post, and lets shorter ones of their round stand lower', () => {
    const tall = ofText('R1: 12 sc in ring\nR2: (1 sc, 1 hdc, 1 dc, 1 tr) × 3\nR3: sc around');
    const { now, layout } = dialOf(tall, 1, 0);
    expect(now.stitches).toHaveLength(12);
    const [sc, hdc, dc, tr] = now.stitches.slice(0, 4);
    const posts = [sc, hdc, dc, tr].map((stitch) => stitch!.post);
    expect(posts[0]).toBe(0);
    for (let i = 1; i < 4; i++) expect(posts[i]).toBeGreaterThan(posts[i - 1]!);
    // Each stands as much higher as its post is longer, but for the spiral's own rise.
    expect(Math.abs(tr!.radius - sc!.radius - (tr!.post - sc!.post))).toBeLessThan(DIAL.step / 3);
    // Nothing stands in the round below.
    for (const { row, radius } of now.stitches)
      expect(radius - layout.radius(tall.firstParent[row]!)).toBeGreaterThan(DIAL.step * 0.9);
  });

  it('shows what is passed over, and where a joined round is closed; its rounds are rings', () => {
    const joined = ofText(JOINED);
    const { now } = dialOf(joined, 1, 0);
    expect(now.skips).toHaveLength(1);
    expect(now.seams).toHaveLength(1);
    expect(new Set(now.stitches.map((stitch) => stitch.radius)).size).toBe(1);
    const skipped = ofText('R1: 12 sc in ring\nR2: 4 sc, sk 2, 6 sc');
    const angles = stitchAngles(skipped);
    const [skip] = dialOf(skipped, 1, 0).now.skips;
    expect(skip!.angle).toBeCloseTo((angles[4]! + angles[5]!) / 2, 9);
  });

  it('finds the place before the worked stitch under a finger, wherever the work is turned to', () => {
    for (const oval of [fabric, ofText(OVAL)]) {
      for (const [round, action] of [
        [2, 5],
        [1, 9],
      ] as const) {
        const { layout, now, below, hook } = dialOf(oval, round, action);
        const layers = [now, below];
        for (const stitch of layers.flatMap((layer: DialLayer) => layer.stitches)) {
          const [x, y] = seenAt(layout.track, hook, stitch.angle, stitch.radius);
          const place = placeAt(oval, layout, layers, hook, x, y);
          if (stitch.state !== 'worked') continue;
          const from = oval.roundAction[place!.round]! + place!.action;
          // The action that makes this stitch: an increase is not ripped by half.
          expect(oval.actionStart[from]).toBeLessThanOrEqual(stitch.row);
          expect(oval.actionStart[from + 1]).toBeGreaterThan(stitch.row);
        }
        expect(placeAt(oval, layout, layers, hook, 0, 0)).toBeNull();
      }
    }
  });

  it('keeps the stitch at hand under the hook on an oval, the count clear, and the whole of it in the picture', () => {
    const oval = ofText(OVAL);
    for (let round = 0; round < oval.roundCount; round++) {
      for (let action = 0; action < oval.roundAction[round + 1]! - oval.roundAction[round]!; action++) {
        const { layout, now, below, hook } = dialOf(oval, round, action);
        expect(layout.track.half).toBeGreaterThan(20);
        const [x, y] = seenAt(layout.track, hook, hook.angle, hook.reach);
        expect(Math.abs(x)).toBeLessThan(1e-9);
        expect(y).toBeLessThan(-DIAL.clear);
        for (const { angle, radius } of [...now.stitches, ...below.stitches]) {
          const far = Math.hypot(...seenAt(layout.track, hook, angle, radius));
          expect(far).toBeGreaterThanOrEqual(DIAL.clear - 1e-9);
          expect(far).toBeLessThan(DIAL.half);
        }
      }
    }
  });

  it('has a place for everything in rounds that make nothing, as they are while a pattern is being written', () => {
    const lines = ['6 sc in ring', 'sk 6', 'sc around', '', 'inc × 6', 'dec × 3', 'ch 3', 'bobble', 'sk 2, 3 dc in same st'];
    const numbers = (value: unknown): number[] =>
      typeof value === 'number' ? [value] : value && typeof value === 'object' ? Object.values(value).flatMap(numbers) : [];
    fc.assert(
      fc.property(
        fc.array(fc.constantFrom(...lines), { minLength: 1, maxLength: 7 }),
        fc.constantFrom('first', 'last', null),
        (rounds, marked) => {
          const of = ofText(rounds.map((words, i) => `R${i + 1}: ${words}`).join('\n'));
          for (let round = 0; round < of.roundCount; round++) {
            for (let action = 0; action < actionsIn(of, round); action++) {
              const { now, below, hook } = dialOf(of, round, action, marked);
              expect(numbers([now, below, hook]).filter((number) => !Number.isFinite(number))).toEqual([]);
            }
          }
        },
      ),
    );
  });

  it('shows every stitch of the round at hand, also of mixed heights on an oval', () => {
    const tall = ofText(OVAL.replace('R2: sc around', 'R2: 8 sc, 4 tr, 4 dc'));
    expect(dialOf(tall, 1, 0).now.stitches).toHaveLength(16);
  });
});
