import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { alg, Graph } from '@dagrejs/graphlib';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { Matrix3 } from 'three';
import { bodyOf, checkPattern, fabricOf, figureFabric, roundLength } from '../fabric/index.js';
import { applyEdits, read } from '../notation/index.js';
import { bodyShape, bodyToRelax, measure } from '../shape/index.js';
import { measuredLean, UPRIGHT } from '../spacing/index.js';
import { ballText } from '../test/solids.js';
import {
  alongEdge,
  assemblyOf,
  asWritten,
  bestOrder,
  booked,
  checkPlaces,
  describeProblem,
  evenly,
  finishingOf,
  lookOver,
  lookWords,
  moved,
  placesOf,
  placingEdits,
  seamsOf,
  seamWords,
  shortWay,
  spotOf,
  stanceOf,
  turnedBy,
  withPlacing,
  type Place,
  type Places,
  type Step,
} from './index.js';

const DEMO = join(import.meta.dirname, '../../../demo');
const STITCH = { width: 5, height: 4.8 };
const OPTIONS = { stitch: STITCH, eyeMm: 10, secondsPerStitch: 4 };

const counted = (text: string) => checkPattern(read(text));
function placed(text: string, more: Partial<Parameters<typeof placesOf>[1]> = {}): Places {
  const count = counted(text);
  return placesOf(count, { made: asWritten(count, STITCH), lean: UPRIGHT, hand: 'right', stitch: STITCH, eyeMm: 10, ...more });
}
const codes = ({ problems }: Places): string[] => problems.map(({ code }) => code);
const one = ({ places }: Places, name: string, copy = 1): Place =>
  places.find(({ feature, copy: own }) => feature.name === name && own === copy)!;

/** A tube that stands on a flat base of back loops, `rounds` rounds of 48. */
const TUBE = (rounds: number): string =>
  `${ballText(48, 0).split('\n').slice(0, 9).join('\n')}\nR9: in BLO, sc around (48)\nR10-R${9 + rounds}: sc around (48)\n`;
const LIMB = '\n## Limb (make 2)\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R6: sc around (12)\n';

describe('places', () => {
  it('lie on a tube where unrolling it says: along by rounds, round by stitches, both hands mirrored', () => {
    const text = `${TUBE(30)}${LIMB}\n## Put together\nLimb 1: on Ball, at R24, 12 stitches left of the front\nLimb 2: on Ball, at R34, 6 stitches right of the front`;
    const right = placed(text);
    const [a, b] = [one(right, 'Limb 1'), one(right, 'Limb 2', 2)];
    expect(codes(right)).toEqual([]);
    expect(a.pins[0]!.fromFront).toBeCloseTo(-0.25, 6);
    expect(b.pins[0]!.fromFront).toBeCloseTo(0.125, 6);
    // Ten rounds further up, along a wall that is stretched a little where it is stuffed.
    expect(b.pins[0]!.alongMm - a.pins[0]!.alongMm).toBeGreaterThanOrEqual(10 * STITCH.height * 0.99);
    expect((b.pins[0]!.alongMm - a.pins[0]!.alongMm) / (10 * STITCH.height)).toBeCloseTo(1, 1);
    const girth = 2 * Math.PI * a.wall.radius[a.first]!;
    expect(girth / (48 * STITCH.width)).toBeCloseTo(1, 1);
    expect(a.pins[0]!.aroundMm).toBeCloseTo(-girth / 4, 6);
    // A left-handed maker goes the other way round: the same side seen from the front is as far the other way from the start.
    const left = one(placed(text, { hand: 'left' }), 'Limb 1');
    expect(left.pins[0]!.fromFront).toBeCloseTo(-0.25, 6);
    expect(left.pins[0]!.after + a.pins[0]!.after).toBe(48);
  });

  it('lie on a ball along its arc and a chord apart', () => {
    const { places } = placed(`${ballText(48, 12)}\nSet the eyes between R14 and R15, 11 stitches between them.\n`);
    const [eye] = places;
    const { wall, across, pins } = eye!;
    const { diameter, height } = measure(wall.made.profile);
    // Half-way up a sphere-like ball the arc is a quarter of the girth through both poles, taken between the two diameters.
    const quarter = (Math.PI / 8) * (diameter + height);
    expect(pins[0]!.alongMm / quarter).toBeGreaterThan(0.9);
    expect(pins[0]!.alongMm / quarter).toBeLessThan(1.1);
    expect(across! / (diameter * Math.sin((Math.PI * 11) / 48))).toBeCloseTo(1, 1);
  });

  it('lie on a cone along its slope, a chord apart that grows with its rounds', () => {
    const rounds = Array.from({ length: 14 }, (_, i) => `R${i + 2}: (${i + 1} sc, inc) x 3 (${6 + 3 * i})`);
    const text = `## Cone\nR1: 3 sc in ring (3)\n${rounds.join('\n')}\n${LIMB}\n## Put together\nLimb: on Cone, at R6, at both sides`;
    const far = placed(text.replace('at R6', 'at R12'));
    const [low, high] = [one(placed(text), 'Limb'), one(far, 'Limb')];
    // Along the slope a round is as long as a stitch is high.
    expect((high.pins[0]!.alongMm - low.pins[0]!.alongMm) / (6 * STITCH.height)).toBeCloseTo(1, 1);
    // Straight across is the count over pi: at the top of the round, half-way to the next (a twenty-fourth more), stretched as stuffed.
    const wide = high.across! / ((37.5 * STITCH.width) / Math.PI);
    expect(wide).toBeGreaterThan(1);
    expect(wide).toBeLessThan(1.08);
    expect(high.across! / low.across! / (37.5 / 19.5)).toBeCloseTo(1, 1);
  });

  it('of eyes leave the stitches between them that are asked for, the front half-way, at every lean and with either hand', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: -6, max: 6 }),
        fc.constantFrom('left' as const, 'right' as const),
        (between, crept, hand) => {
          const lean = measuredLean(crept, 10, 'right', hand);
          const text = `${TUBE(20)}Set the eyes between R20 and R21, ${between} stitches between them.\n${LIMB}\n## Put together\nLimb 1: on Ball, at R26, centred between Eyes\nLimb 2: on Ball, at R26, opposite Eyes`;
          const all = placed(text, { lean, hand });
          const [left, right] = [one(all, 'Eyes'), one(all, 'Eyes', 2)];
          expect((((left.pins[0]!.after - right.pins[0]!.after) % 48) + 48) % 48).toBe(
            left.wall.leftward > 0 ? between : 48 - between,
          );
          expect(left.pins[0]!.fromFront).toBeCloseTo(-right.pins[0]!.fromFront, 9);
          expect(left.pins[0]!.fromFront).toBeLessThan(0);
          // Whatever is centred or opposite is so within a quarter of a stitch.
          expect(Math.abs(one(all, 'Limb 1').pins[0]!.fromFront) * 48).toBeLessThanOrEqual(0.2501);
          expect(Math.abs(Math.abs(one(all, 'Limb 2', 2).pins[0]!.fromFront) - 0.5) * 48).toBeLessThanOrEqual(0.2501);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('of a pair are each other’s mirror image, or the difference is said', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 20, max: 30 }),
        fc.constantFrom('a third', 'a quarter', 'a sixth', '5 stitches', '8 stitches'),
        (round, far) => {
          const aside = far.endsWith('stitches') ? `${far} left` : `${far} round left`;
          const text = `${TUBE(20)}R30: (6 sc, dec) x 6 (42)\nR31-R33: sc around (42)\n${LIMB}\n## Put together\nLimb 1: on Ball, at R${round}, ${aside} of the front\nLimb 2: mirrors Limb 1`;
          const all = placed(text);
          const [a, b] = [one(all, 'Limb 1').pins[0]!, one(all, 'Limb 2', 2).pins[0]!];
          const differ = Math.abs(a.fromFront + b.fromFront) * one(all, 'Limb 1').wall.counts[a.round]!;
          expect(Math.sign(a.fromFront)).toBe(-1);
          expect(codes(all).includes('pair-differs')).toBe(differ > 0.2);
        },
      ),
      { numRuns: 40 },
    );
  });

  it('follow a host as it was altered: two rounds more and two stitches fewer', () => {
    const text = `${TUBE(20)}${LIMB}\n## Put together\nLimb 1: on Ball, at R24, a quarter round left of the front`;
    const count = counted(text);
    const altered = counted(
      text.replace('R10-R29: sc around (48)', 'R10: 46 sc, dec (47)\nR11: 45 sc, dec (46)\nR12-R29: sc around (46)'),
    );
    const written = asWritten(count, STITCH);
    const made = asWritten(altered, STITCH);
    const [as, is] = [written, made].map((of) =>
      one(placesOf(count, { made: of, lean: UPRIGHT, hand: 'right', stitch: STITCH, eyeMm: 10 }), 'Limb 1'),
    );
    expect(as!.wall.counts[23]).toBe(48);
    expect(is!.wall.counts[23]).toBe(46);
    // The same side of the piece: a quarter to the left, to a quarter of a stitch.
    expect(Math.abs(is!.pins[0]!.fromFront + 0.25) * 46).toBeLessThanOrEqual(0.26);
    expect(is!.pins[0]!.after).not.toBe(as!.pins[0]!.after);
  });

  it.each([
    ['Limb 1: on Ball, at R40', 'no-round', 'There is no R40 on Ball: it has 29 rounds.'],
    ['Limb 1: on Ball, R24 to R40', 'no-round', 'There is no R40 on Ball: it has 29 rounds.'],
    [
      'Limb 1: on Limb 2, at R3, centred between Eyes',
      'not-placed-yet',
      'Eyes has no place yet, and Limb 1 goes by it. Say where Eyes goes.',
    ],
    ['Bead: on Limb 1, at R3\nLimbs: on Limb 1, at R4', 'on-itself', 'Limb cannot go on itself.'],
    ['Limbs: on Limb 1, at R3', 'on-itself', 'Limb cannot go on itself.'],
    ['Spots: 60 on Ball, at R20, evenly from the front', 'too-many', '60 do not fit over 48 stitches: at most one a stitch.'],
    ['Spots: 3 on Ball, at R20, evenly over stitches 5 to 6', 'too-many', '3 do not fit over 2 stitches: at most one a stitch.'],
    [
      'Spots: 3 on Ball, at R20, evenly over stitches 40 to 60',
      'no-stitch',
      'There is no stitch 60 in that round of Ball: it has 48.',
    ],
    ['Limb 1: 1 round below Limb 2\nLimb 2: 1 round below Limb 1', 'no-host', 'Say what Limb 1 goes on, as in “on Body”.'],
    [
      'Limb 1: on Ball, 1 round below Limb 2\nLimb 2: on Ball, 1 round below Limb 1',
      'places-in-a-circle',
      'Limb 2 goes by Limb 1, and Limb 1 goes by Limb 2. Say the round of one of them.',
    ],
    ['Limb 1: on Ball, at R20\nLimb 1: on Ball, at R22', 'placed-twice', 'Limb 1 has a place already; this line is not used.'],
    ['Limb 1: on Ball, at the left', 'no-height', 'Say at which round Limb 1 goes, as in “at R12”.'],
    ['Limb 1: on Ball, at R20, at the left\nLimb 2: on Ball, at R21, at the left', 'overlaps', null],
    [
      'Limb 1: on Ball, at R1, at the left\nLimb 2: on Ball, at R20, tip down, after stitch 90',
      'no-stitch',
      'There is no stitch 90 in that round of Ball: it has 48.',
    ],
  ])('say what is wrong with “%s”', (lines, code, words) => {
    const all = placed(`${TUBE(20)}${LIMB}\n## Put together\n${lines}`);
    const problem = all.problems.find((each) => each.code === code);
    expect(problem, codes(all).join()).toBeDefined();
    if (words) expect(describeProblem(problem!)).toBe(words);
    expect(problem!.span).not.toBeNull();
  });

  it('lie over all the round where a cap is sewn on, and under it nothing shows', () => {
    const text = `${TUBE(20)}R30: (4 sc, dec) x 8 (40)\n\n## Cap\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: inc x 12 (24)\nR4: inc x 24 (48)\n${LIMB}\n## Put together\nCap: on Ball, at R24, sewn\nLimb 1: on Ball, at R27, at the left`;
    const all = placed(text);
    expect(one(all, 'Cap').around).toBe(true);
    expect(codes(all)).toContain('hidden');
  });
});

describe('what is dragged', () => {
  const TEXT = `${TUBE(20)}Set the eyes between R20 and R21, 9 stitches between them.\n${LIMB}\n## Bead\nR1: 6 sc in ring (6)\n\n## Put together\nLimb 1: on Ball, R24 to R27, a quarter round left of the front, tip down\nLimb 2: mirrors Limb 1\nBead: on Ball, 2 rounds below Eyes, centred between Eyes\n`;

  it('is where its line, written and read again, puts it; the other of its pair follows', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('Eyes', 'Limb 1', 'Limb 2', 'Bead'),
        fc.integer({ min: 10, max: 26 }),
        fc.integer({ min: -23, max: 23 }),
        (name, round, aside) => {
          const count = counted(TEXT);
          const all = placed(TEXT);
          const place = all.places.find(({ feature }) => feature.name === name)!;
          const change = moved(all, place, { round, fromFront: aside / 48 });
          const options = { made: asWritten(count, STITCH), lean: UPRIGHT, hand: 'right' as const, stitch: STITCH, eyeMm: 10 };
          const shown = placesOf(withPlacing(count, change), options);
          const text = applyEdits(TEXT, placingEdits(TEXT, count, change));
          const again = placed(text);
          const pins = ({ places }: Places): string[] =>
            places
              .map(
                ({ feature, copy, pins: own }) =>
                  `${feature.id} ${copy}: ${own.map((pin) => `${pin.round} ${pin.after} ${pin.in}`).join()}`,
              )
              .sort();
          expect(pins(again), text.slice(-260)).toEqual(pins(shown));
          const at = again.places.find(({ feature, copy }) => feature.name === name && copy === place.copy)!;
          expect(at.first).toBe(round);
          if (name !== 'Eyes') expect(Math.abs(shortWay(at.pins[0]!.fromFront - aside / 48)) * 48).toBeLessThanOrEqual(0.76);
          if (name.startsWith('Limb')) {
            const [a, b] = ['Limb 1', 'Limb 2'].map(
              (each) => again.places.find(({ feature }) => feature.name === each)!.pins[0]!,
            );
            expect(Math.abs(shortWay(a!.fromFront + b!.fromFront)) * 48).toBeLessThanOrEqual(0.51);
          }
        },
      ),
      { numRuns: 80 },
    );
  });

  it('gets a line of its own where none places it, and a section where there is none', () => {
    const text = `${TUBE(20)}${LIMB}`;
    const count = counted(`${text}\n## Put together\nLimb 1: on Ball, at R24`);
    const all = placed(`${text}\n## Put together\nLimb 1: on Ball, at R24`);
    const change = moved(all, all.places[0]!, { round: 12, fromFront: 0 });
    const bare = { ...change, feature: { ...change.feature, said: { is: 'note' as const, part: 0, note: 0 } } };
    const written = applyEdits(text, placingEdits(text, counted(text), bare));
    expect(written.endsWith('\n\n## Put together\nLimb 1: on Ball, at R13, at the front\n')).toBe(true);
    expect(count.pattern.makingUp).toHaveLength(1);
  });

  it('stays where the maker put it, and the other of its pair follows', () => {
    const put = (feature: { readonly id: string }, copy: number) =>
      feature.id === 'limb 1' && copy === 1 ? { round: 22, after: 30, inside: false } : null;
    const all = placed(TEXT, { put });
    const [a, b] = [one(all, 'Limb 1').pins[0]!, one(all, 'Limb 2', 2).pins[0]!];
    expect([a.round, a.after]).toEqual([21, 30]);
    expect(b.round).toBe(21);
    expect(Math.abs(a.fromFront + b.fromFront) * 48).toBeLessThanOrEqual(0.26);
  });
});

describe('a limb in its place', () => {
  const shapeOf = (text: string, part: number) => {
    const figure = figureFabric({ parts: counted(text).parts });
    const body = bodyToRelax(figure, bodyOf(figure, part, 0), STITCH.height / STITCH.width);
    body.relaxation.run(400);
    return { shape: bodyShape(body, { upright: true, front: null }), piece: 0 };
  };
  const TEXT = `${TUBE(16)}R26: (4 sc, dec) x 8 (40)\n${LIMB}\n## Put together\nLimb 1: on Ball, at R18, a quarter round left of the front, tip down\nLimb 2: mirrors Limb 1`;

  it('is turned as a whole, its edge on the wall, and mirrors its twin', () => {
    const count = counted(TEXT);
    const all = placed(TEXT);
    const [host, limb] = [shapeOf(TEXT, 0), shapeOf(TEXT, 1)];
    const { fabric } = asWritten(count, STITCH)(1)!;
    const edge = (place: Place): readonly number[] => {
      const { turn, at } = stanceOf(place, host, limb, fabric)!;
      // A rotation: columns of length one at right angles, right-handed.
      const matrix = new Matrix3().set(turn[0]!, turn[3]!, turn[6]!, turn[1]!, turn[4]!, turn[7]!, turn[2]!, turn[5]!, turn[8]!);
      expect(matrix.determinant()).toBeCloseTo(1, 6);
      expect(
        matrix
          .clone()
          .multiply(matrix.clone().transpose())
          .elements.map((each) => Math.round(each * 1e6) / 1e6 + 0),
      ).toEqual(new Matrix3().elements);
      const spot = spotOf(host.shape, 0, place, place.pins[0]!)!;
      const rim = Array.from({ length: 12 }, (_, i) => limb.shape.stitches.node[fabric.roundStart[5]! + i]!);
      const middle = [0, 1, 2].map((axis) =>
        rim.reduce((sum, node) => sum + limb.shape.positions[3 * node + axis]! / rim.length, 0),
      ) as [number, number, number];
      const moved = turnedBy(turn, middle).map((each, axis) => each + at[axis]!);
      for (const [axis, each] of moved.entries()) expect(each).toBeCloseTo(spot.at[axis]!, 3);
      // Its tip hangs below its edge.
      const tip = turnedBy(
        turn,
        [0, 1, 2].map((axis) => limb.shape.positions[3 * limb.shape.stitches.node[0]! + axis]!) as unknown as [
          number,
          number,
          number,
        ],
      );
      expect(tip[1] + at[1]).toBeLessThan(spot.at[1] - 2);
      return spot.at;
    };
    const [left, right] = [edge(one(all, 'Limb 1')), edge(one(all, 'Limb 2', 2))];
    expect(left[0]!).toBeLessThan(-3);
    expect(Math.abs(left[0]! + right[0]!)).toBeLessThan(1.2);
  });

  it.each(['', ', tip down', ', tip front'])('that is bent bends as its twin does in a mirror%s', (tip) => {
    const arm =
      '## Arm (make 2)\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R14: 6 sc, 6 hdc (12)\nR15: sc around (12)\nFasten off.';
    const text = `${TUBE(16)}R26: (4 sc, dec) x 8 (40)\n${arm}\n## Put together\nArm: on Ball, at R18, one at each side${tip}`;
    const all = placed(text);
    const [host, limb] = [shapeOf(text, 0), shapeOf(text, 1)];
    const { fabric } = asWritten(counted(text), STITCH)(1)!;
    const middleOf = (turn: readonly number[], round: number): readonly number[] => {
      const nodes = Array.from({ length: 12 }, (_, i) => limb.shape.stitches.node[fabric.roundStart[round]! + i]!);
      const mean = [0, 1, 2].map((axis) => nodes.reduce((sum, node) => sum + limb.shape.positions[3 * node + axis]! / 12, 0));
      return turnedBy(turn, mean as unknown as [number, number, number]);
    };
    /** From between its ends to its middle: towards its outer side. */
    const bow = (copy: number): readonly number[] => {
      const { turn } = stanceOf(one(all, 'Arm', copy), host, limb, fabric)!;
      const [start, middle, end] = [middleOf(turn, 2), middleOf(turn, 8), middleOf(turn, 14)];
      return middle.map((each, axis) => each - (start[axis]! + end[axis]!) / 2);
    };
    const [left, right] = [bow(1), bow(2)];
    expect(Math.hypot(...left)).toBeGreaterThan(0.5);
    const off = Math.hypot(left[0]! + right[0]!, left[1]! - right[1]!, left[2]! - right[2]!);
    // A wall of stitches is no smooth tube: the two ways out of it differ by some degrees.
    expect(off / Math.hypot(...left)).toBeLessThan(0.35);
  });
});

describe('the look over', () => {
  it('holds both of a pair, a spread, and what is single to their numbers', () => {
    const text = `${TUBE(20)}Set the eyes between R20 and R21, 9 stitches between them.\n${LIMB}\n## Put together\nLimb 1: on Ball, at R24, 8 stitches left of the front\nLimb 2: mirrors Limb 1\nBead: on Ball, at R22, centred between Eyes\nSpots: 5 on Ball, at R26, evenly from the front`;
    const looks = lookOver(placed(text));
    const pair = looks.find((look) => look.is === 'pair' && look.name === 'Limb 1 and Limb 2');
    expect(pair).toMatchObject({ one: { stitches: 8, side: 'left', round: 24 }, two: { stitches: 8, side: 'right', round: 24 } });
    expect(looks.find(({ is }) => is === 'spread')).toMatchObject({ gaps: expect.arrayContaining([9, 10]) as number[] });
    expect(looks.filter(({ is }) => is === 'single').map((look) => lookWords(look).ask)).toEqual(['Bead: where it should be?']);
    expect(lookWords(pair!).should).toMatch(
      /^R24 of Ball, 8 stitches from the front on both sides \(about \d+ mm\), \d+ mm straight across\.$/,
    );
  });
});

it('an editor is told what is wrong at its place, once', () => {
  const text = `${TUBE(20)}R30: 24 sc, 2 sc through fin, 22 sc (48)\n${LIMB}\n## Put together\nLimb 1: on Ball, at R60`;
  const found = checkPlaces(counted(text));
  expect(found.map(({ message, span }) => `${text.slice(span.from, span.to)} | ${message}`)).toEqual([
    'Limb 1: on Ball, at R60 | There is no R60 on Ball: it has 30 rounds.',
    'R30: 24 sc, 2 sc through fin, 22 sc (48) | R30 of Ball needs fin, and no part is called that. Add it, or change the round.',
  ]);
});

describe('spreads', () => {
  /** The Euclidean rhythm as it is usually built: pulses and rests paired off until one remainder is left (Bjorklund 2003). */
  function bjorklund(pulses: number, steps: number): number[] {
    let heads = Array.from({ length: pulses }, () => [1]);
    let tails = Array.from({ length: steps - pulses }, () => [0]);
    while (tails.length > 1 && heads.length > 0) {
      const pairs = Math.min(heads.length, tails.length);
      const joined = Array.from({ length: pairs }, (_, i) => [...heads[i]!, ...tails[i]!]);
      tails = heads.length > pairs ? heads.slice(pairs) : tails.slice(pairs);
      heads = joined;
    }
    const beats = [...heads, ...tails].flat();
    const at = beats.flatMap((beat, i) => (beat ? [i] : []));
    return at.map((place, i) => ((at[(i + 1) % at.length]! - place + steps - 1) % steps) + 1);
  }

  it('have the gaps of the Euclidean rhythm, turned so that the wide ones lie at the back', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 24 }), fc.integer({ min: 0, max: 60 }), (count, more) => {
        const stitches = count + more;
        const places = evenly(count, stitches);
        const gaps = places.map((place, i) => (places[i + 1] ?? stitches) - place);
        const rhythm = bjorklund(count, stitches);
        const turns = gaps.map((_, turn) => [...gaps.slice(turn), ...gaps.slice(0, turn)].join());
        expect(turns).toContain(rhythm.join());
        if (count > 1 && stitches % count === 1) {
          // A single wide gap lies as near to half a round from the first as any gap does.
          const wide = gaps.indexOf(Math.max(...gaps));
          expect(Math.abs(wide - (count - 1) / 2)).toBeLessThanOrEqual(0.5);
        }
      }),
    );
  });

  it('along an edge begin and end at its ends, and mirror each other', () => {
    fc.assert(
      fc.property(fc.integer({ min: 2, max: 20 }), fc.integer({ min: 0, max: 60 }), (count, more) => {
        const stitches = count + more;
        const places = alongEdge(count, stitches);
        expect([places[0], places.at(-1)]).toEqual([0, stitches - 1]);
        expect(new Set(places).size).toBe(count);
        const gaps = places.slice(1).map((place, i) => place - places[i]!);
        expect(Math.max(...gaps) - Math.min(...gaps)).toBeLessThanOrEqual(2);
        expect(
          places
            .map((place) => stitches - 1 - place)
            .reverse()
            .filter((place, i) => Math.abs(place - places[i]!) > 1),
        ).toEqual([]);
      }),
    );
  });
});

it.each(readdirSync(DEMO).filter((name) => name.endsWith('.md')))(
  'what the demo’s %s places fits, its seams share nothing',
  (file) => {
    const { problems } = assemblyOf(counted(readFileSync(join(DEMO, file), 'utf8')), OPTIONS);
    expect(problems.filter(({ severity }) => severity !== 'hint').map(describeProblem)).toEqual([]);
  },
);

it('a piece shorter than the rounds it is to lie over does not reach, and one as long does', () => {
  const limb = (rounds: number): string => `\n## Limb\nR1: 6 sc in ring (6)\nR2-R${rounds}: sc around (6)\n`;
  const reaches = (rounds: number): boolean =>
    !codes(placed(`${TUBE(30)}${limb(rounds)}\n## Put together\nLimb: on Ball, R20 to R30, at the left, sewn flat`)).includes(
      'too-short',
    );
  // Ten rounds of the wall, and a fifth more that crochet gives.
  expect([5, 7, 11, 14].map(reaches)).toEqual([false, false, true, true]);
});

describe('joins', () => {
  it('book every stitch of a limb’s edge once, and none of the wall twice under an open edge', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 4 }),
        fc.integer({ min: 20, max: 34 }),
        fc.integer({ min: 0, max: 47 }),
        fc.constantFrom('sewn', 'sewn flat'),
        (sixes, round, aside, join) => {
          const limb = `\n## Limb\nR1: 6 sc in ring (6)\nR2: ${sixes === 1 ? 'sc around' : `(${'inc, '.repeat(1)}) x 6`.replace(', )', ')')}\n${sixes > 2 ? `R3: (${sixes > 2 ? '1 sc, inc' : 'sc'}) x 6\n` : ''}R4-R6: sc around\n`;
          const text = `${TUBE(30)}${limb}\n## Put together\nLimb: on Ball, at R${round}, ${aside} stitches left of the front, ${join}`;
          const count = counted(text);
          const place = one(placed(text), 'Limb');
          const made = asWritten(count, STITCH)(1)!;
          const pairs = booked(place, made, STITCH);
          const edge = roundLength(made.fabric, made.fabric.roundCount - 1);
          expect(pairs.map((pair) => pair.edge)).toEqual(Array.from({ length: edge }, (_, i) => i));
          const wall = pairs.map((pair) => `${pair.round} ${pair.stitch}`);
          const most = Math.max(...wall.map((each) => wall.filter((other) => other === each).length));
          expect(most).toBe(join === 'sewn' ? 1 : edge > 1 ? 2 : 1);
          for (const pair of pairs) expect(pair.stitch).toBeLessThan(place.wall.counts[pair.round]!);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('tell of stitches that two seams take, once, while they do, and of an edge with more stitches than the wall', () => {
    const limb = (name: string) => `\n## ${name}\nR1: 6 sc in ring (6)\nR2: (inc, inc, 1 sc) x 2 (10)\nR3-R6: sc around (10)\n`;
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 12 }), fc.constantFrom('sewn', 'sewn flat'), (apart, join) => {
        const text = `${TUBE(30)}${limb('Arm')}${limb('Fin')}\n## Put together\nArm: on Ball, at R26, at the front, ${join}\nFin: on Ball, at R26, ${apart} stitches left of the front, ${join}`;
        const count = counted(text);
        const all = placed(text);
        const made = asWritten(count, STITCH);
        const [a, b] = seamsOf(all.places, made, STITCH).map(
          ({ stitches }) => new Set(stitches.map(({ round, stitch }) => `${round} ${stitch}`)),
        );
        const shared = [...a!].filter((each) => b!.has(each)).length;
        // Two rings may lie over one another and share none: that is told as what it is.
        const told = codes(all).filter((code) => code === 'shares-stitches' || code === 'overlaps');
        if (shared > 0) expect(told, `${apart} apart`).toHaveLength(1);
        if (told.includes('shares-stitches')) expect(shared).toBeGreaterThan(0);
        if (apart >= 6) expect(told).toEqual([]);
      }),
      { numRuns: 26 },
    );
    const wide = `${ballText(12, 3)}\n## Cap\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: (1 sc, inc) x 6 (18)\nR4: (2 sc, inc) x 6 (24)\nR5: (3 sc, inc) x 6 (30)\n\n## Put together\nCap: on Ball, at R4, sewn flat`;
    expect(placed(wide).problems).toContainEqual(expect.objectContaining({ code: 'stitches-twice', stitches: 3 }));
  });

  it('say in words the very stitches they take, over the start of the round too', () => {
    const limb = '\n## Arm\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R6: sc around (12)\n';
    const words = (where: string): string => {
      const text = `${TUBE(30)}${limb}\n## Put together\nArm: on Ball, at R26, ${where}, sewn flat`;
      const count = counted(text);
      return seamWords(seamsOf(placed(text).places, asWritten(count, STITCH), STITCH)[0]!);
    };
    // Six stitches in two layers, half of them each side of the place: 24 is opposite the start.
    expect(words('at the front')).toBe('Sew all 12 stitches of its edge in both layers to stitches 22 to 27 of R26.');
    expect(words('at the start')).toBe('Sew all 12 stitches of its edge in both layers to stitches 46 to 3 of R26.');
  });

  it('of a pair that was put elsewhere are as far across as they are now', () => {
    const text = `${TUBE(30)}${LIMB}\n## Put together\nLimb: on Ball, at R26, at both sides`;
    const put = (_feature: unknown, copy: number) => (copy === 1 ? { round: 26, after: 18, inside: false } : null);
    const [before, after] = [placed(text), placed(text, { put })];
    const [one1, two1] = after.places;
    expect(
      one1!.across! / (2 * one1!.wall.radius[25]! * Math.sin(Math.abs(Math.PI * (one1!.pins[0]!.turns - two1!.pins[0]!.turns)))),
    ).toBeCloseTo(1, 9);
    expect(one1!.across).toBeLessThan(before.places[0]!.across!);
  });
});

describe('the order', () => {
  const step = (id: string, waits: readonly string[]): Step => ({
    id,
    kind: 'work',
    piece: { part: Number(id) % 7, copy: 1 },
    name: id,
    feature: null,
    rounds: [0, 1],
    of: 1,
    stitches: 1,
    colours: ['red', 'red'],
    waits: waits.map((each) => ({ step: each, because: 'both made' })),
    minutes: 1,
  });

  it('is a topological one, and finds a circle where graphlib does', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(14), fc.nat(14)), { maxLength: 30 }), (edges) => {
        const graph = new Graph();
        const steps = Array.from({ length: 15 }, (_, i) =>
          step(`${i}`, [...new Set(edges.filter(([, to]) => to === i).map(([from]) => `${from}`))]),
        );
        for (const { id } of steps) graph.setNode(id);
        for (const [from, to] of edges) graph.setEdge(`${from}`, `${to}`);
        const { order, circle } = bestOrder(steps);
        expect(order.length).toBe(15);
        expect(circle.length === 0).toBe(alg.isAcyclic(graph));
        if (circle.length === 0) {
          const at = new Map(order.map(({ id }, i) => [id, i]));
          for (const [from, to] of edges) expect(at.get(`${from}`)!).toBeLessThan(at.get(`${to}`)!);
        } else {
          const cycles = alg.findCycles(graph).map((own) => own.slice().sort().join());
          expect(circle.every((id) => cycles.some((own) => own.split(',').includes(id)))).toBe(true);
        }
      }),
    );
  });

  const order = (text: string) => assemblyOf(counted(text), OPTIONS).order;
  const before = (text: string, first: string, then: string): void => {
    const ids = order(text).steps.map(({ id }) => id);
    expect(
      ids.findIndex((id) => id.startsWith(first)),
      `${first} in ${ids.join(', ')}`,
    ).toBeGreaterThanOrEqual(0);
    expect(ids.indexOf(ids.find((id) => id.startsWith(first))!)).toBeLessThan(ids.findIndex((id) => id.startsWith(then)));
  };

  it('has limbs ready before they are worked in, legs before they are joined, eyes in while it is open', () => {
    const limb = (name: string) => `## ${name} (make 2)\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\n\n`;
    const seal = `${limb('Flipper')}## Body\nR1: 6 sc in ring\nR2: inc x 6 (12)\nR3: 2 sc, 2 sc through flipper, 4 sc, 2 sc through flipper, 2 sc (12)\nR4-R9: sc around (12)\nSet the eyes between R4 and R5, 3 stitches between them.\nR10: dec x 6 (6)\n`;
    before(seal, 'work flipper/1', 'work body/1 2');
    before(seal, 'work flipper/2', 'work body/1 2');
    before(seal, 'set eye', 'work body/1 9');
    const keeper = `${limb('Leg')}## Body\nR1: join legs with ch 3, sc around (30)\nR2: sc around (30)\n`;
    before(keeper, 'work leg/2', 'work body/1');
    // The body is written first, but cannot be begun first.
    before(
      keeper.split('## Body')[1]!.replace(/^/, '## Body') + limb('\n## Leg').replace('## \n', ''),
      'work leg/1',
      'work body/1',
    );
  });

  it('explains a piece that is missing, too few of it, and pieces that wait for one another', () => {
    const ball = 'R1: 6 sc in ring (6)\nR2: inc x 6 (12)\n';
    const missing = order(`## Body\n${ball}R3: 5 sc, 2 sc through fin, 5 sc (12)\n`);
    expect(missing.problems).toMatchObject([{ code: 'missing-piece', name: 'fin', host: 'Body', round: 3 }]);
    const few = order(`## Fin\n${ball}\n## Body\n${ball}R3: 2 sc through fin, 4 sc, 2 sc through fin, 4 sc (12)\n`);
    expect(few.problems).toMatchObject([{ code: 'too-few-copies', name: 'Fin', copies: 1, needed: 2 }]);
    const circle = order(`## Fin\n${ball}R3: 2 sc through arm, 10 sc (12)\n\n## Arm\n${ball}R3: 2 sc through fin, 10 sc (12)\n`);
    expect(circle.problems.map(({ code }) => code)).toContain('circle');
    expect(circle.steps.map(({ id }) => id)).toContain('work fin/1');
  });
});

describe('finishing', () => {
  const list = (text: string, sewn: boolean) => {
    const [part] = counted(text).parts;
    return finishingOf(part!, fabricOf(part!), sewn, STITCH.width);
  };

  it('draws shut what is closed, leaves a tail three times the seam, and keeps to what the pattern says', () => {
    const ball = '## Ball\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nStuff firmly.\nR3: dec x 6 (6)\n';
    expect(list(ball, false).map((each) => each.do)).toEqual(['top up', 'cut', 'draw shut', 'hide the ends']);
    const tube = '## Tube\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: inc x 12 (24)\nR4-R8: sc around (24)\nStuff lightly.\n';
    // 24 stitches of 5 mm, three times, and 15 cm to knot and hide.
    expect(list(tube, true)).toContainEqual({ do: 'leave a tail', mm: 510, said: false });
    expect(list(`${tube}Fasten off and leave 25 cm of yarn for sewing.\n`, true)).toContainEqual({
      do: 'leave a tail',
      mm: 250,
      said: true,
    });
  });
});

it('turns are taken the short way', () => {
  expect([0.75, -0.75, 1.1, 0.5].map((turn) => Number(shortWay(turn).toFixed(9)))).toEqual([-0.25, 0.25, 0.1, 0.5]);
});
