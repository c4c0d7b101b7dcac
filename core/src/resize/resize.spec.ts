import { readdirSync, readFileSync } from 'node:fs';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, fabricOf, figureFabric, roundColours, roundLengths, type PatternCount } from '../fabric/index.js';
import { print, read } from '../notation/index.js';
import { isFlatLie, measure, outlineOf, scaleProfile, unitProfile } from '../shape/index.js';
import { statedKit } from '../supply/index.js';
import { aimAt, changePart, describeNoChange, LARGEST, resize, SMALLEST, takes, tallest, type Change } from './index.js';

const DEMO = new URL('../../../demo/', import.meta.url);
const texts = readdirSync(DEMO)
  .filter((file) => file.endsWith('.md'))
  .map((file) => [file, readFileSync(new URL(file, DEMO), 'utf8')] as const);
const textOf = (name: string): string => texts.find(([file]) => file.startsWith(name))![1];
const counted = (text: string): PatternCount => checkPattern(read(text));
const made = (text: string, by: number, only?: ReadonlySet<number>) => resize(text, counted(text), by, only ?? null);
const partOf = (count: PatternCount, name: string) => count.parts.find(({ part }) => part.name === name)!;
const RATIO = 0.96;

const demo = fc.constantFrom(...texts);
const factor = fc.integer({ min: 45, max: 260 }).map((percent) => percent / 100);

describe('a pattern resized', () => {
  it('by 1 is the same, letter by letter, however it is written', () => {
    for (const [file, text] of texts) {
      const { pattern } = counted(text);
      for (const written of [text, print(pattern, 'UK'), print(pattern, 'US', 'long')])
        expect(made(written, 1).text, file).toBe(written);
    }
  });

  it('is written in the words and terms it was written in: in the clear form, short or in full, it stays in it', () => {
    for (const [file, text] of texts)
      for (const terms of ['US', 'UK'] as const)
        for (const form of ['short', 'long'] as const) {
          const written = print(counted(text).pattern, terms, form);
          const { text: larger, count } = made(written, 1.3);
          expect(print(count.pattern, terms, form), `${file}, ${terms}, ${form}`).toBe(larger);
        }
  });

  it('uses and makes what it says in every round, whatever the size, and leaves no word that nobody can follow', () => {
    fc.assert(
      fc.property(demo, factor, ([file, text], by) => {
        const { count, looks, parts } = made(text, by);
        expect(looks, file).toEqual([]);
        expect(
          // In the very small an opening closes before it can be stuffed: that is said, and true.
          count.diagnostics.filter(({ severity }) => severity === 'error' || (severity === 'warning' && by >= 0.7)),
          `${file} × ${by}`,
        ).toEqual([]);
        for (const [index, { part, rounds }] of count.parts.entries()) {
          expect(
            rounds.every(({ ok }) => ok),
            `${part.name} × ${by}`,
          ).toBe(true);
          expect(rounds.map(({ makes }) => makes)).toEqual(parts[index]!.after);
        }
        expect(count.pattern.makingUp.map(({ placing }) => placing?.subject.name)).toEqual(
          counted(text).pattern.makingUp.map(({ placing }) => placing?.subject.name),
        );
      }),
      { numRuns: 50 },
    );
  }, 120_000);

  it.each(['ch 10, join to form a ring', 'Foundation: ch 10, sl st in first ch to form a ring'])(
    'takes the line along that it begins on: %s',
    (chain) => {
      const text = `Tube\nUS terms\n\n## Tube\n${chain}\nR1: sc around (10)\nR2-R12: sc around (10)\n`;
      expect(made(text, 1).text).toBe(text);
      const { text: larger, count } = made(text, 2);
      expect(larger).toContain('R1: ch 20, join to form a ring, 20 sc in ring (20)');
      expect(larger).not.toContain('10');
      expect(count.diagnostics).toEqual([]);
    },
  );

  it('is so much wider and longer, as its stuffed shape shows', () => {
    fc.assert(
      fc.property(demo, fc.integer({ min: 60, max: 260 }), ([file, text], percent) => {
        const by = percent / 100;
        const [before, after] = [counted(text), made(text, by).count];
        for (const [index, { part }] of before.parts.entries()) {
          const [one, other] = [before, after].map(({ parts }) => outlineOf(fabricOf(parts[index]!)));
          // What is a few rounds long has no size to compare: a round more or less is all of it.
          if (isFlatLie(one!.lie) || one!.counts.length < 8) continue;
          const [was, is] = [one!, other!].map((outline) => measure(scaleProfile(unitProfile(outline, RATIO), 1)));
          const label = `${file}, ${part.name} × ${by}`;
          // Counts step by six: a round may be three stitches off, and a brim that grows a third out of its loops by four.
          const brim = fabricOf(before.parts[index]!).loop.some((loop) => loop > 0);
          const widest = Math.max(brim ? 4 / Math.PI : 1.25, 0.08 * by * was!.diameter);
          expect(Math.abs(is!.diameter - by * was!.diameter), label).toBeLessThan(widest);
          expect(Math.abs(is!.wall - by * was!.wall), label).toBeLessThan(Math.max(2, 0.08 * by * was!.wall));
        }
      }),
      { numRuns: 16 },
    );
  }, 120_000);

  it('changes colour at the same height, and keeps each edge one round', () => {
    fc.assert(
      fc.property(demo, fc.integer({ min: 70, max: 250 }), ([file, text], percent) => {
        const by = percent / 100;
        const [before, after] = [counted(text), made(text, by).count];
        for (const [index, { part }] of before.parts.entries()) {
          const [old, now] = [before, after].map(({ parts }) => fabricOf(parts[index]!));
          const stripes = (colours: readonly string[]) =>
            colours.flatMap((colour, round) => (round > 0 && colour !== colours[round - 1] ? [{ colour, round }] : []));
          const [was, is] = [stripes(roundColours(old!)), stripes(roundColours(now!))];
          expect(
            is.map(({ colour }) => colour),
            `${file}, ${part.name} × ${by}`,
          ).toEqual(was.map(({ colour }) => colour));
          is.forEach(({ round }, i) => expect(Math.abs(round - by * was[i]!.round), `${part.name} × ${by}`).toBeLessThan(2.5));
          const edges = (fabric: typeof old) =>
            Array.from({ length: fabric!.roundCount }, (_, round) => fabric!.loop[fabric!.roundStart[round]!]!).filter(
              (loop) => loop > 0,
            );
          expect(edges(now), `${part.name} × ${by}`).toEqual(edges(old));
        }
      }),
      { numRuns: 24 },
    );
  }, 60_000);

  it('holds limbs, bridges and layers together: the figure is as many bodies, with as many pieces in each', () => {
    fc.assert(
      fc.property(demo, factor, ([file, text], by) => {
        const { count } = made(text, by);
        const [before, after] = [figureFabric(counted(text)), figureFabric(count)];
        expect(after.bodyStart, `${file} × ${by}`).toEqual(before.bodyStart);
        for (const { part } of count.parts)
          for (const line of part.lines)
            for (const item of line.items)
              if (item.kind === 'work' && item.through && item.through.part !== null) {
                // A limb is pressed flat: half its last round lies against the wall.
                const limb = roundLengths(fabricOf(count.parts[item.through.part]!)).at(-1)!;
                expect(Math.abs(Number(item.count) - limb / 2), `${file} × ${by}`).toBeLessThanOrEqual(0.5);
              }
      }),
      { numRuns: 24 },
    );
  }, 60_000);

  it('of one part leaves the others, but for what is worked onto it', () => {
    const puffin = textOf('harbour-puffin');
    const wings = made(puffin, 1.4, new Set([1]));
    const [body, wing, ...others] = wings.parts;
    for (const part of [body!, ...others]) expect(part.after, part.name).toEqual(part.before);
    expect(wing!.after.length).toBeGreaterThan(wing!.before.length);
    expect(wings.text).toContain('two 14 mm eyes');
    expect(wings.text.slice(0, wings.text.indexOf('## Wing'))).toBe(puffin.slice(0, puffin.indexOf('## Wing')));
    const legs = made(textOf('lamp-keeper'), 1.5, new Set([0]));
    expect(legs.count.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
    const [leg, keeper] = legs.parts;
    const bridge = keeper!.after[0]! - 2 * leg!.after.at(-1)!;
    expect([bridge % 2, bridge > 0]).toEqual([0, true]);
  });

  it('takes words, eyes and places with it', () => {
    const { text, count } = made(textOf('harbour-puffin'), 1.5);
    const [before, after] = [counted(textOf('harbour-puffin')), count].map((each) => partOf(each, 'Body'));
    expect(statedKit(count.pattern).eyeMm).toBe(20);
    const eyes = after!.part.notes.flatMap(({ facts }) => facts).find((fact) => fact.is === 'eyes')!;
    expect(eyes.rounds).toEqual([eyes.rounds![0], eyes.rounds![0] + 1]);
    // As high up the wall, and as far round, as they were.
    expect(eyes.rounds![0] / after!.rounds.length).toBeCloseTo(9 / before!.rounds.length, 1);
    expect(eyes.apart!.count / after!.rounds[eyes.rounds![0] - 1]!.makes).toBeCloseTo(9 / 48, 1);
    expect(text).toContain('Try the place first: the backs do not come off again.');
    const wing = count.pattern.makingUp.find(({ placing }) => placing?.subject.copy === 1)!.placing!.height!;
    expect(wing.is === 'rounds' && (wing.last - wing.first + 1) / after!.rounds.length).toBeCloseTo(10 / 31, 1);
  });

  it.each([
    ['leave 30 cm of yarn for sewing', 2, 'leave 60 cm of yarn for sewing'],
    ['leave a 12 in tail', 1.5, 'leave a 18 in tail'],
    ['leave a 300 mm tail', 2, 'leave a 600 mm tail'],
    // A tail that sews is no shorter than one can sew with; one that is only hidden stays.
    ['leave 25 cm of yarn for sewing', 0.6, 'leave 20 cm of yarn for sewing'],
    ['leave a 15 cm tail', 2, 'leave a 15 cm tail'],
    ['leave 30 cm of yarn for sewing', 1, 'leave 30 cm of yarn for sewing'],
  ])('“%s” becomes, %d times as large, “%s”', (words, by, longer) => {
    const text = `## Arm\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3-R9: sc around (12)\nFasten off, ${words}.\n`;
    const [, , unit] = /(\d+) (cm|in|mm)/.exec(longer)!;
    expect(made(text, by).text).toMatch(new RegExp(longer.replace(/\d+/, '\\d+')));
    const [was, now] = [longer, made(text, by).text].map((each) => Number(/leave (?:a )?(\d+)/.exec(each)![1]));
    // Rounds are whole, so an edge is only nearly so much longer.
    expect(Math.abs(now! - was!)).toBeLessThanOrEqual(unit === 'cm' ? 5 : unit === 'mm' ? 20 : 1);
    if (by === 1 || words.includes('15 cm')) expect(now).toBe(was);
  });

  it('of a pattern in one long line, or none at all, is counted too', () => {
    for (const text of [
      'Ball: R1: 6 sc in ring (6). R2: inc x6 (12). R3: sc around (12). R4: dec x6 (6).',
      '# Nothing\n\nNo rounds here.',
      '',
    ]) {
      const { count } = made(text, 1.5);
      expect(
        count.diagnostics.map(({ code }) => code),
        text,
      ).toEqual(counted(text).diagnostics.map(({ code }) => code));
      expect(count.parts.length).toBe(counted(text).parts.length);
      expect(made(text, 1).text).toBe(text);
    }
  });

  it.each([0, SMALLEST - 0.01, LARGEST + 0.01, Number.NaN])('by %d is refused', (by) => {
    expect(() => made(textOf('harbour-puffin'), by)).toThrow(RangeError);
  });
});

const HANDS = { stitch: { width: 5, height: 4.8 }, yarnWeight: 4 } as const;

describe('a pattern made to an aim', () => {
  const puffin = textOf('harbour-puffin');
  const keeper = textOf('lamp-keeper');

  it.each([90, 150, 210])('of %d mm is as tall within a round', (mm) => {
    for (const text of [puffin, keeper]) {
      const { by, reached, made: tall } = aimAt(text, counted(text), { to: 'height', mm }, HANDS)!;
      expect(Math.abs(reached - mm)).toBeLessThanOrEqual(HANDS.stitch.height);
      expect(tallest(tall.count, HANDS.stitch)).toBe(reached);
      expect(Math.sign(by - 1)).toBe(Math.sign(mm - tallest(counted(text), HANDS.stitch)));
    }
  });

  it.each([15, 40, 100])('of %d g of yarn uses nearly all of it, and never more', (grams) => {
    const { reached, made: used } = aimAt(puffin, counted(puffin), { to: 'yarn', grams }, HANDS)!;
    expect(reached).toBeLessThanOrEqual(grams);
    expect(reached).toBeGreaterThan(0.9 * grams);
    expect(takes(used.count, HANDS).grams).toBe(reached);
  });

  it('of eyes goes by what the pattern names, and by nothing where it names none', () => {
    const { by, made: small } = aimAt(puffin, counted(puffin), { to: 'eyes', mm: 8 }, HANDS)!;
    expect(by).toBeCloseTo(8 / 14, 2);
    expect(statedKit(small.count.pattern).eyeMm).toBe(8);
    const tower = textOf('striped-lighthouse');
    expect(aimAt(tower, counted(tower), { to: 'eyes', mm: 8 }, HANDS)).toBeNull();
  });
});

describe('a part changed by a step', () => {
  const puffin = textOf('harbour-puffin');
  const step = (text: string, part: number, change: Change) => changePart(text, counted(text), part, change, HANDS.stitch);
  const shapeOf = (count: PatternCount, part: number) => {
    const { width, height } = HANDS.stitch;
    const outline = outlineOf(fabricOf(count.parts[part]!));
    return measure(scaleProfile(unitProfile(outline, height / width), width));
  };

  it.each([
    ['taller', (was: number, is: number) => is > 1.08 * was],
    ['flatter', (was: number, is: number) => is < 0.93 * was],
  ] as const)('is %s, as wide as it was, and still counts', (how, holds) => {
    for (const text of [puffin, textOf('lamp-keeper'), textOf('striped-lighthouse')]) {
      const made = step(text, 0, { is: 'shape', how });
      if ('code' in made) throw new Error(describeNoChange(made));
      const [was, is] = [shapeOf(counted(text), 0), shapeOf(made.count, 0)];
      expect(holds(was.height, is.height), `${was.height} to ${is.height}`).toBe(true);
      expect(Math.abs(is.diameter / was.diameter - 1)).toBeLessThan(0.08);
      expect(made.count.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
    }
  });

  it('is rounder: more of the room it would have as an ellipsoid; pointier: less at its end', () => {
    const fill = ({ volume, diameter, height }: ReturnType<typeof shapeOf>): number =>
      volume / ((Math.PI / 6) * diameter ** 2 * height);
    const [round, point] = (['rounder', 'pointier'] as const).map((how) => {
      const made = step(puffin, 0, { is: 'shape', how });
      if ('code' in made) throw new Error(describeNoChange(made));
      return made;
    });
    const was = fill(shapeOf(counted(puffin), 0));
    expect(Math.abs(fill(shapeOf(round!.count, 0)) - 1)).toBeLessThan(Math.abs(was - 1));
    expect(fill(shapeOf(point!.count, 0))).toBeLessThan(was - 0.03);
  });

  it('is longer by as many rounds, where it is straight, and back again letter by letter in its counts', () => {
    for (const [part, rounds] of [
      [0, 3],
      [1, 1],
      [2, 4],
    ] as const) {
      const long = step(puffin, part, { is: 'longer', rounds });
      if ('code' in long) throw new Error(describeNoChange(long));
      expect(long.parts[part]!.after).toHaveLength(long.parts[part]!.before.length + rounds);
      const back = step(long.text, part, { is: 'longer', rounds: -rounds });
      if ('code' in back) throw new Error(describeNoChange(back));
      expect(back.parts[part]!.after).toEqual(long.parts[part]!.before);
    }
  });

  it('starts with as many as is asked, and changes by as many', () => {
    for (const count of [4, 8]) {
      const made = step(puffin, 0, { is: 'start', count });
      if ('code' in made) throw new Error(describeNoChange(made));
      const { after, before } = made.parts[0]!;
      expect(after[0]).toBe(count);
      expect(after).toHaveLength(before.length);
      const steps = after.slice(1).map((each, i) => Math.abs(each - after[i]!));
      expect(steps.filter((each) => each % count === 0).length).toBeGreaterThan(0.7 * steps.length);
      expect(made.count.diagnostics.filter(({ severity }) => severity === 'error')).toEqual([]);
    }
  });

  it('says why it cannot be changed so', () => {
    const kite = textOf('signal-kite');
    expect(step(kite, 0, { is: 'shape', how: 'rounder' })).toEqual({ code: 'not-from-a-ring' });
    expect(step(puffin, 1, { is: 'shape', how: 'rounder' })).toEqual({ code: 'flat' });
    expect(step(puffin, 2, { is: 'longer', rounds: -2 })).toEqual({ code: 'not-so-many-rounds', most: 0 });
    expect(step(puffin, 9, { is: 'longer', rounds: 1 })).toEqual({ code: 'no-part' });
  });
});

describe('patterns as people write them', () => {
  const ways: readonly (readonly [string, string])[] = [
    [
      'with a slip in it',
      'Buoy\nR1: 6 sc in MR (6)\nR2: inc x 6 (12)\nR3: 1 sc, inc, (2 sc, inc) x 3, 1 sc (18)\nR4: sc around (18)\nR5: (sc, dec) x 6 (12)\nR6: dec x 6 (6)',
    ],
    [
      'with a chain that counts, joined',
      'Coaster (the starting ch 1 counts as a stitch)\nR1: in a magic ring, ch 1 (counts as 1 sc), 7 sc, join with sl st (8)\nR2: ch 1 (counts as 1 sc), sc in same st, inc in each remaining st, join with sl st (16)',
    ],
    [
      'with a skirt on loops left over',
      'Mushroom\nR1: 6 sc in MR (6)\nR2: inc x 6 (12)\nR3: (sc, inc) x 6 (18)\nR4: BLO (sc, dec) x 6 (12)\nR5-7: sc around (12)\n\nSkirt\nR1: join yarn in the front loops left over from R4, sc around (18)\nR2: (sc, inc) x 9 (27)',
    ],
    [
      'with letters for stitches',
      'Ear (make 2)\nR1: 6X in MR (6)\nR2: 6V (12)\nR3: (X, V)x6 (18)\nR4: (2X, V)x6 (24)\nR5-R7: 24X (24)\nR8: (2X, A)x6 (18)',
    ],
    [
      'with rounds taken over',
      'Leg\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: sc around (12)\nR4: same as R3 (12)\nR5: (2 sc, dec) x 3 (9)\nR6: repeat R5 ending on (7)',
    ],
    [
      'until it is long enough',
      'Tail\nR1: 6 sc in ring (6)\nR2: inc x 6 (12)\nR3: sc around until 5 cm long (12)\nR4: dec x 6 (6)',
    ],
  ];

  it.each(ways)('%s are as they were by 1, and have no more slips in any other size', (_name, text) => {
    expect(made(text, 1).text).toBe(text);
    const before = counted(text).diagnostics.filter(({ severity }) => severity === 'error').length;
    for (const by of [0.7, 1.3, 1.8, 2.5]) {
      const { count, text: other } = made(text, by);
      expect(count.diagnostics.filter(({ severity }) => severity === 'error').length, `× ${by}\n${other}`).toBeLessThanOrEqual(
        before,
      );
      expect(count.parts.map(({ part }) => part.name)).toEqual(counted(text).parts.map(({ part }) => part.name));
    }
  });

  it('says what it leaves as it is', () => {
    // Nine points over a ring of eighteen: nobody can say what the ninth of a crown of fifteen is.
    const crown = 'Crown\nR1: 18 sc into the ring (18)\nR2: sc around (18)\nR3: (sc, ch 3, sl st in 3rd ch from hook, sc) x 9';
    expect(made(crown, 1).looks).toEqual([]);
    const { looks, count } = made(crown, 0.8);
    expect(looks.length + count.diagnostics.filter(({ severity }) => severity === 'error').length).toBeGreaterThan(0);
  });
});
