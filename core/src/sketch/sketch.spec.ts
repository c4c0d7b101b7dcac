import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bendRounds, nearestWish, PRIMITIVES, wishProblems } from '../design/index.js';
import { checkPattern, fabricOf, figureFabric, roundColours } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { measure } from '../shape/index.js';
import {
  fewPoints,
  findRounds,
  longerBy,
  outlineOfMeasures,
  outlineOfPrimitive,
  outlineSize,
  painted,
  partOf,
  plainPart,
  rimOf,
  sketchText,
  stretched,
  TEMPLATES,
  wishOf,
  withCount,
  withoutRound,
  withPart,
  withRound,
  type SketchOutline,
  type SketchPart,
} from './index.js';

const GAUGE = { stitch: { width: 5, height: 4.8 }, stretch: 0.02 };
const DEMO = new URL('../../../demo/', import.meta.url);
const demo = readdirSync(DEMO)
  .filter((file) => file.endsWith('.md'))
  .map((file) => readFileSync(new URL(file, DEMO), 'utf8'));
const countOf = (text: string) => checkPattern(read(text));
const errorsIn = (text: string) => countOf(text).diagnostics.filter(({ severity }) => severity === 'error');
const part = (name: string, outline: SketchOutline, more: Partial<SketchPart> = {}): SketchPart => ({
  ...plainPart(name, name, outline),
  ...more,
});
const stepsOf = (counts: readonly number[]) => counts.slice(1).map((makes, i) => [counts[i]!, makes] as const);

describe('a template', () => {
  it.each(TEMPLATES.map((template) => [template.name, template] as const))(
    '%s is found within a stitch and counts',
    (_name, { outline }) => {
      const found = findRounds(part('Body', outline), GAUGE)!;
      expect(found.mended).toEqual([]);
      // An oval is less sure: its rounds grow at its ends alone; and stuffing rounds the foot of what stands.
      const stands = outline.points.some(({ edge }) => edge);
      expect(found.fit.off).toBeLessThan(outline.straight > 0 ? 2.5 : stands ? 1.6 : 1.2);
      const text = sketchText(
        { name: 'Trial', hookMm: 3.5 },
        [{ part: part('Body', outline), counts: found.fit.counts }],
        'Medium',
      );
      const count = countOf(text);
      expect(
        count.diagnostics.filter(({ severity }) => severity !== 'hint'),
        text,
      ).toEqual([]);
      expect(count.parts[0]!.rounds.map(({ makes }) => makes)).toEqual(found.fit.counts);
      const edges = outline.points.filter(({ edge }) => edge).length;
      expect(text.match(/in BLO/g)?.length ?? 0).toBe(edges);
    },
  );

  it('can be made any size, and is that size when it is stuffed', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...TEMPLATES.filter(({ outline }) => outline.straight === 0)),
        fc.integer({ min: 45, max: 140 }),
        ({ outline }, across) => {
          const size = outlineSize(outline);
          const tall = (across * size.tall) / size.across;
          const wanted = stretched(outline, { across, tall });
          expect(outlineSize(wanted)).toEqual({
            across: expect.closeTo(across, 6) as number,
            tall: expect.closeTo(tall, 6) as number,
          });
          const { diameter, height } = measure(findRounds(part('Body', wanted), GAUGE)!.fit.profile);
          expect(Math.abs(diameter - across)).toBeLessThan(2 * GAUGE.stitch.width);
          // Stuffing rounds the foot of what stands: half a stitch more.
          expect(Math.abs(height - tall)).toBeLessThan(2.5 * GAUGE.stitch.height);
        },
      ),
      { numRuns: 20 },
    );
  }, 60_000);
});

describe('an outline', () => {
  it.each(PRIMITIVES)('of a %s goes through few points and stays what it was', (is) => {
    const outline = outlineOfPrimitive({ is, across: 60, tall: 50 });
    expect(outline.points.length).toBeLessThan(12);
    const found = findRounds(part('Body', outline), GAUGE)!;
    const text = sketchText({ name: is, hookMm: 3.5 }, [{ part: part('Body', outline), counts: found.fit.counts }], 'Medium');
    expect(errorsIn(text), text).toEqual([]);
  });

  it('meets the middle line at a right angle, unless it ends in a corner there', () => {
    const { points } = wishOf(TEMPLATES.find(({ id }) => id === 'pear')!.outline);
    // The first piece of the curve climbs far less than it goes out.
    expect(Math.abs((points[1]!.z - points[0]!.z) / (points[1]!.r - points[0]!.r))).toBeLessThan(0.25);
  });

  it('of many points is drawn again by few, within what is asked', () => {
    fc.assert(
      fc.property(fc.integer({ min: 20, max: 90 }), fc.integer({ min: 20, max: 90 }), (r, z) => {
        const curve = Array.from({ length: 60 }, (_, i) => ({
          r: i === 0 || i === 59 ? 0 : r * Math.sin((Math.PI * i) / 59),
          z: z * (1 - Math.cos((Math.PI * i) / 59)),
        }));
        const again = wishOf({ points: fewPoints(curve, 1.5), end: 'shut', straight: 0 }).points;
        for (const point of curve) {
          const off = Math.min(...again.map((each) => Math.hypot(each.r - point.r, each.z - point.z)));
          expect(off).toBeLessThan(0.12 * Math.max(r, z) + 2);
        }
      }),
      { numRuns: 30 },
    );
  });

  it('whatever is drawn, the nearest to it can be crocheted, and what is well drawn is left alone', () => {
    const spot = fc.record({ r: fc.integer({ min: -20, max: 900 }), z: fc.integer({ min: -200, max: 1_500 }) });
    fc.assert(
      fc.property(fc.array(spot, { minLength: 2, maxLength: 9 }), fc.constantFrom('shut', 'open'), (points, end) => {
        const near = nearestWish({ points, end }, GAUGE.stitch)!;
        expect(wishProblems(near.wish)).toEqual([]);
        expect(near.mended.length === 0).toBe(near.wish.points === points);
        expect(nearestWish(near.wish, GAUGE.stitch)!.mended).toEqual([]);
      }),
      { numRuns: 200 },
    );
    expect(nearestWish({ points: [{ r: 0, z: 0 }], end: 'shut' }, GAUGE.stitch)).toBeNull();
  });

  it('that no stitch can follow says where and why', () => {
    const neck = part('Body', {
      end: 'shut',
      straight: 0,
      points: [
        [0, 0],
        [25, 10],
        [25, 40],
        [1, 55],
        [1, 75],
        [20, 90],
        [0, 110],
      ].map(([r, z]) => ({ r: r!, z: z!, corner: false, edge: false })),
    });
    const { misfits, fit } = findRounds(neck, GAUGE)!;
    const thin = misfits.find(({ reason }) => reason === 'narrower than a ring')!;
    expect(thin.mm).toBeGreaterThan(1);
    expect(thin.round).toBeGreaterThan(3);
    expect(thin.round).toBeLessThan(fit.counts.length - 3);
  });

  it('of measurements is so wide, so tall, and stands on an edge where that is asked', () => {
    const { diameter, height } = measure(findRounds(part('Body', outlineOfMeasures(70, 90, true)), GAUGE)!.fit.profile);
    expect(Math.abs(diameter - 70)).toBeLessThan(7);
    expect(Math.abs(height - 90)).toBeLessThan(9);
    expect(outlineOfMeasures(70, 90, true).points.filter(({ edge }) => edge)).toHaveLength(1);
    expect(outlineOfMeasures(70, 90, false).points.some(({ edge }) => edge)).toBe(false);
  });
});

describe('counts set by hand', () => {
  const start = fc.integer({ min: 4, max: 8 });
  const rounds = fc.array(fc.integer({ min: -7, max: 7 }), { minLength: 3, maxLength: 20 });

  it('are the nearest that can be worked, and only the rounds after them follow', () => {
    fc.assert(
      fc.property(start, rounds, fc.nat(), fc.integer({ min: -50, max: 200 }), (first, steps, at, wished) => {
        const counts = steps.reduce<readonly number[]>(
          (all, step) => withCount([...all, all.at(-1)!], all.length, all.at(-1)! + step),
          [first],
        );
        const round = at % counts.length;
        const next = withCount(counts, round, wished);
        expect(next.slice(0, round)).toEqual(counts.slice(0, round));
        for (const [uses, makes] of stepsOf(next)) expect(makes <= 2 * uses && 2 * makes >= uses && makes >= 3).toBe(true);
        if (round > 0 && wished === counts[round]) expect(next).toEqual(counts);
        expect(withoutRound(withRound(counts, round), round + 1)).toEqual(counts);
      }),
    );
  });

  it('are more, or fewer, where it is widest, and can still be worked', () => {
    fc.assert(
      fc.property(start, rounds, fc.integer({ min: 1, max: 6 }), (first, steps, more) => {
        const counts = steps.reduce<readonly number[]>(
          (all, step) => withCount([...all, all.at(-1)!], all.length, all.at(-1)! + step),
          [first],
        );
        const long = longerBy(counts, more);
        expect(long).toHaveLength(counts.length + more);
        expect(Math.max(...long)).toBe(Math.max(...counts));
        expect(long.filter((count) => count < Math.max(...counts))).toEqual(
          counts.filter((count) => count < Math.max(...counts)),
        );
        expect(longerBy(long, -more)).toEqual(counts);
        const short = longerBy(counts, -more);
        expect(short.length).toBeGreaterThanOrEqual(2);
        for (const [uses, makes] of stepsOf(short)) expect(makes <= 2 * uses && 2 * makes >= uses).toBe(true);
      }),
    );
  });

  it('painted from one round to another change colour there and back', () => {
    const plain = part('Body', TEMPLATES[0]!.outline);
    const striped = painted(painted(plain, 4, 6, 'red'), 5, 5, 'white');
    expect(striped.colours).toEqual([
      { from: 1, name: 'white' },
      { from: 4, name: 'red' },
      { from: 5, name: 'white' },
      { from: 6, name: 'red' },
      { from: 7, name: 'white' },
    ]);
    expect(painted(striped, 1, 20, 'white').colours.filter(({ from }) => from <= 20)).toEqual([{ from: 1, name: 'white' }]);
    const { counts } = findRounds(striped, GAUGE)!.fit;
    const text = sketchText({ name: 'Striped', hookMm: 3.5 }, [{ part: striped, counts }], 'Medium');
    const colours = roundColours(fabricOf(countOf(text).parts[0]!));
    expect(colours.slice(0, 8)).toEqual(['white', 'white', 'white', 'red', 'white', 'red', 'white', 'white']);
  });
});

describe('a part of a pattern', () => {
  it('comes into a sketch with its rounds, and back out with the same', () => {
    for (const text of demo)
      for (const counted of countOf(text).parts) {
        const drawn = partOf(counted, GAUGE.stitch, 'x');
        if (typeof drawn === 'string') continue;
        const written = sketchText({ name: 'Again', hookMm: 3.5 }, [{ part: drawn, counts: drawn.counts }], 'Medium');
        const again = countOf(written).parts[0]!;
        expect(
          again.rounds.map(({ makes }) => makes),
          drawn.name,
        ).toEqual(drawn.counts);
        expect(again.part.copies).toBe(counted.part.copies);
        const colours = roundColours(fabricOf(counted)).slice(0, drawn.counts!.length);
        if (colours[0] !== '') expect(roundColours(fabricOf(again)), drawn.name).toEqual(colours);
        // What was drawn of it lies on it.
        expect(findRounds(drawn, GAUGE)!.fit.off, drawn.name).toBeLessThan(GAUGE.stitch.width);
      }
    const kite = countOf(demo.find((text) => text.includes('# Signal kite'))!);
    expect(partOf(kite.parts[0]!, GAUGE.stitch, 'x')).toBe('worked in rows');
  });

  it.each([
    [24, 10],
    [24, 20],
    [18, 13],
  ])(
    'that bends, of %i stitches and %i bent rounds, comes back in the stitch it is worked in, and bent as far',
    (widest, long) => {
      const up = Array.from({ length: widest / 6 }, (_, i) => 6 * (i + 1));
      const counts = [...up, ...Array<number>(long).fill(widest), ...up.toReversed().slice(1)];
      const bend = bendRounds(counts, 40, GAUGE.stitch);
      const bean = part('Bean', TEMPLATES[0]!.outline);
      const drawn = partOf(
        countOf(sketchText({ name: 'x', hookMm: 3.5 }, [{ part: bean, counts, bend }], 'Medium')).parts[0]!,
        GAUGE.stitch,
        'x',
      );
      if (typeof drawn === 'string') throw new Error(drawn);
      expect(drawn.worked).toBe('sc');
      expect(drawn.counts).toEqual(counts);
      // Rounded to a degree.
      expect(Math.abs(drawn.outline.bend! - bend.degrees)).toBeLessThan(2);
    },
  );

  it('takes the place of another, or comes after all, and leaves every other word alone', () => {
    const puffin = demo.find((text) => text.includes('# Harbour puffin'))!;
    const count = countOf(puffin);
    const outline = TEMPLATES[2]!.outline;
    const { counts } = findRounds(part('Head', outline), GAUGE)!.fit;
    const [, ...lines] = sketchText({ name: 'x', hookMm: 3.5 }, [{ part: part('Head', outline), counts }], 'Medium').split('## ');
    const written = `## ${lines[0]!.trimEnd()}`.split('\n');
    const replaced = withPart(puffin, count, written, 1);
    const again = countOf(replaced);
    expect(again.parts.map(({ part: each }) => [each.name, each.copies])).toEqual(
      count.parts.map(({ part: each }) => [each.name, each.copies]),
    );
    expect(again.parts[1]!.rounds.map(({ makes }) => makes)).toEqual(counts);
    for (const index of [0, 2, 3])
      expect(again.parts[index]!.rounds.map(({ makes }) => makes)).toEqual(count.parts[index]!.rounds.map(({ makes }) => makes));
    expect(again.pattern.makingUp.map(({ text }) => text)).toEqual(count.pattern.makingUp.map(({ text }) => text));
    const added = countOf(withPart(puffin, count, written, null));
    expect(added.parts.map(({ part: each }) => each.name)).toEqual(['Body', 'Wing', 'Beak', 'Foot', 'Head']);
    expect(added.pattern.makingUp).toHaveLength(count.pattern.makingUp.length);
    expect(errorsIn(withPart('', countOf(''), written, null))).toEqual([]);
  });
});

it('parts placed on one another have a making-up that is read again', () => {
  const body = part('Body', TEMPLATES[0]!.outline);
  const head = part('Head', TEMPLATES[2]!.outline, {
    place: { on: 'Body', height: { is: 'share', share: 0.9 }, round: { is: 'around' }, join: 'sewn' },
  });
  const ears = part('Ear', outlineOfPrimitive({ is: 'cone', across: 22, tall: 24 }), {
    copies: 2,
    place: { on: 'Head', height: { is: 'share', share: 0.8 }, round: { is: 'sides' }, join: 'sewn flat' },
  });
  const feet = part('Foot', outlineOfPrimitive({ is: 'cup', across: 24, tall: 14 }), {
    copies: 2,
    place: { on: 'Body', height: { is: 'share', share: 0.12 }, round: { is: 'pair', apart: 5, side: 'front' }, join: 'sewn' },
  });
  const parts = [body, head, ears, feet].map((each) => ({ part: each, counts: findRounds(each, GAUGE)!.fit.counts }));
  const text = sketchText({ name: 'Four parts', hookMm: 3.5 }, parts, 'Medium');
  const count = countOf(text);
  expect(
    count.diagnostics.filter(({ severity }) => severity !== 'hint'),
    text,
  ).toEqual([]);
  expect(
    count.pattern.makingUp.map(({ placing }) => [placing?.subject.name, placing?.host?.name, placing?.subject.part]),
  ).toEqual([
    ['Head', 'Body', 1],
    ['Ear', 'Head', 2],
    ['Foot', 'Body', 3],
  ]);
});

it('a body grows out of its legs: as many stitches as both have, and the chains on both sides, in any order of the parts', () => {
  const legs = part('Leg', outlineOfPrimitive({ is: 'tube', across: 22, tall: 40 }), { copies: 2 });
  const grows = { from: 'Leg', chains: 3 };
  const leg = findRounds(legs, GAUGE)!.fit.counts;
  const rim = rimOf(grows, 2, leg.at(-1)!);
  expect(rim).toBe(2 * leg.at(-1)! + 6);
  const spots = [
    [25, 0],
    [30, 20],
    [20, 55],
    [0, 70],
  ].map(([r, z], i) => ({ r: r!, z: z!, corner: i === 0, edge: false }));
  const body = part('Body', { points: spots, end: 'shut', straight: 0 }, { grows });
  const found = findRounds(body, GAUGE, rim)!;
  expect(found.fit.counts[0]).toBe(rim);
  expect(found.fit.off).toBeLessThan(GAUGE.stitch.width);
  const text = sketchText(
    { name: 'Walker', hookMm: 3.5 },
    [
      { part: body, counts: found.fit.counts },
      { part: legs, counts: leg },
    ],
    'Medium',
  );
  const count = countOf(text);
  expect(
    count.diagnostics.filter(({ severity }) => severity !== 'hint'),
    text,
  ).toEqual([]);
  expect(count.parts.map(({ part: each }) => each.name)).toEqual(['Leg', 'Body']);
  expect(figureFabric(count).bodyStart).toEqual([0, 3]);
});

it.each(['hdc', 'dc'] as const)('in %s, where the maker asks for it, there are fewer rounds and the same ball', (worked) => {
  const outline = outlineOfPrimitive({ is: 'ball', across: 80 });
  const [low, tall] = [part('Ball', outline), part('Ball', outline, { worked })];
  const [one, other] = [low, tall].map((each) => findRounds(each, GAUGE)!.fit);
  // Twice as many increases lie flat in double crochet, which is twice as high; a third more in half double.
  expect(other!.counts.length).toBeLessThan(one!.counts.length * (worked === 'dc' ? 0.62 : 0.86));
  for (const { profile } of [one!, other!]) expect(Math.abs(measure(profile).diameter - 80)).toBeLessThan(2 * GAUGE.stitch.width);
  const text = sketchText({ name: 'Ball', hookMm: 3.5 }, [{ part: tall, counts: other!.counts }], 'Medium');
  const count = countOf(text);
  expect(
    count.diagnostics.filter(({ severity }) => severity !== 'hint'),
    text,
  ).toEqual([]);
  expect(text).toContain(`${other!.counts[0]} ${worked} in ring`);
  expect(count.parts[0]!.rounds.map(({ makes }) => makes)).toEqual(other!.counts);
});
