import { asWritten, placesOf, type Places } from '@lemniscus/core/assembly';
import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { stitchAngles, UPRIGHT } from '@lemniscus/core/spacing';
import { describe, expect, it } from 'vitest';
import { dialLayout, dialPins } from './dial-model';
import { pinMapModel, targetAt } from './pin-map-model';

const STITCH = { width: 5, height: 4.8 };
const TEXT = `## Body
R1: 6 sc in ring (6)
R2: inc × 6 (12)
R3: (1 sc, inc) × 6 (18)
R4: (2 sc, inc) × 6 (24)
R5–R14: sc around (24)
Set the eyes between R8 and R9, 5 stitches between them.
R15: (2 sc, dec) × 6 (18)

## Arm (make 2)
R1: 6 sc in ring (6)
R2–R9: sc around (6)

## Put together
Arm 1: on Body, at R10, 5 stitches left of the front
Arm 2: mirrors Arm 1
`;

function placed(hand: 'left' | 'right' = 'right'): Places {
  const count = checkPattern(read(TEXT));
  return placesOf(count, { made: asWritten(count, STITCH), lean: UPRIGHT, hand, stitch: STITCH, eyeMm: 10 });
}
const mapOf = (places: Places) => pinMapModel(places.walls.get('0/1')!, places.fronts.get('0/1')!, places.places);

describe('the pin map', () => {
  it('has every round as long as it is and every stitch once, the head hanging from its start', () => {
    const model = mapOf(placed());
    const { wall } = model;
    for (const { round, to, stitches } of model.rounds) {
      expect(2 * to.half).toBeCloseTo(2 * Math.PI * wall.radius[round]!, 6);
      expect(stitches.match(/M/g)).toHaveLength(wall.counts[round]!);
    }
    expect(wall.upright).toBe(false);
    expect(model.rounds[0]!.to.y).toBeLessThan(model.rounds.at(-1)!.to.y);
    expect(model.height).toBeCloseTo(wall.along.at(-1)!, 6);
  });

  it('shows eyes and pairs on either side of the front, whichever hand works', () => {
    for (const hand of ['left', 'right'] as const) {
      const { features } = mapOf(placed(hand));
      const x = (key: string): number => features.find((feature) => feature.key === key)!.x;
      expect(x('eye 1')).toBeLessThan(0);
      expect(x('eye 1')).toBeCloseTo(-x('eye 2'), 6);
      expect(x('arm 1 1')).toBeLessThan(x('eye 1'));
      expect(x('arm 1 1')).toBeCloseTo(-x('arm 2 2'), 6);
    }
  });

  it('finds the round and the way from the front under a point, where a pin stands as elsewhere', () => {
    const model = mapOf(placed());
    for (const { place, pins } of model.features) {
      const { round, fromFront } = targetAt(model, pins[0]!.x, pins[0]!.y, place.gap);
      expect(round).toBe(place.pins[0]!.round);
      expect(fromFront).toBeCloseTo(place.pins[0]!.fromFront, 6);
    }
    expect(targetAt(model, 1e6, 1e6, true)).toEqual({ round: 13, fromFront: 0.5 });
    expect(targetAt(model, -1e6, -1e6, false)).toEqual({ round: 0, fromFront: -0.5 });
  });

  it('draws an edge high enough to take hold of on a screen, and true on paper', () => {
    const text =
      '## Panel\nRow 1: ch 31, 30 sc (30)\nRow 2: ch 1, turn, sc across (30)\n\n## Tail (make 2)\nRow 1: ch 5, 4 sc (4)\n\n## Put together\nTails: on Panel, at R2, evenly over stitches 1 to 30\n';
    const count = checkPattern(read(text));
    const places = placesOf(count, { made: asWritten(count, STITCH), lean: UPRIGHT, hand: 'right', stitch: STITCH, eyeMm: 10 });
    const [wall, front] = [places.walls.get('0/1')!, places.fronts.get('0/1')!];
    const [screen, paper] = [pinMapModel(wall, front, places.places), pinMapModel(wall, front, places.places, true)];
    expect(paper.tall).toBe(1);
    expect(screen.height).toBeCloseTo(screen.tall * paper.height, 6);
    expect(screen.height).toBeGreaterThan(0.3 * screen.half);
    const { pins, place } = screen.features[0]!;
    expect(targetAt(screen, pins[0]!.x, pins[0]!.y, place.gap).round).toBe(1);
  });
});

describe('pins on the dial', () => {
  it('stand in their holes on rounds that are shown, and nowhere else', () => {
    const { walls, places } = placed();
    const { fabric } = walls.get('0/1')!.made;
    const angles = stitchAngles(fabric);
    const pins = places.flatMap((place) => place.pins);
    const shown = (round: number) => dialPins(fabric, angles, dialLayout(fabric, angles, round), pins);
    expect(shown(3)).toEqual([]);
    expect(shown(7)).toHaveLength(2);
    expect(shown(9)).toHaveLength(4);
    const [one, two] = shown(7);
    // Five stitches of twenty-four between the eyes.
    expect(Math.abs(one!.angle - two!.angle)).toBeCloseTo(5 / 24, 6);
  });
});
