import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdits, oldNameIn, read, rewrite } from '../index.js';
import type { Named, Placing } from './placing.js';
import { printPlacing } from './print-placing.js';

const PARTS = `# Bird
US terms

## Body
R1: 6 sc in ring (6)
R2: inc × 6 (12)
R3–R30: sc around (12)

## Wing (make 2)
R1: 6 sc in ring (6)

## Rain hat
R1: 6 sc in ring (6)
`;
const placed = (line: string): Placing | null => read(`${PARTS}\n## Put together\n${line}\n`).pattern.makingUp[0]!.placing;
const clear = (line: string): string | null => {
  const placing = placed(line);
  return placing && printPlacing(placing);
};

describe('the making-up', () => {
  const named = fc.oneof(
    fc.record({ name: fc.constant('Wing'), part: fc.constant(1), copy: fc.constantFrom(null, 1, 2) }),
    fc.record({ name: fc.constant('Rain hat'), part: fc.constant(2), copy: fc.constant(null) }),
    fc.record({ name: fc.constantFrom('Eyes', 'Mouth'), part: fc.constant(null), copy: fc.constant(null) }),
  );
  const feature: fc.Arbitrary<Named> = fc.constantFrom(
    { name: 'Eyes', part: null, copy: null },
    { name: 'Wing', part: 1, copy: 2 },
  );
  const side = fc.constantFrom('front', 'back', 'left', 'right', 'start');
  const count = fc.integer({ min: 1, max: 40 });
  const toward = fc.constantFrom('left', 'right');
  const aside = fc.oneof(
    fc.record({ toward, stitches: count }),
    fc.record({ toward, turns: fc.constantFrom(1 / 2, 1 / 4, 1 / 3, 2 / 3, 3 / 8, 1 / 6, 5 / 16) }),
  );
  const height = fc.oneof(
    fc.constant(null),
    count.map((below) => ({ is: 'gap', below })),
    fc.tuple(count, count).map(([a, b]) => ({ is: 'rounds', first: Math.min(a, b), last: Math.max(a, b) })),
    fc.record({
      is: fc.constant('beside'),
      of: feature,
      rounds: fc.integer({ min: 1, max: 9 }),
      way: fc.constantFrom('above', 'below'),
    }),
    fc.constantFrom({ is: 'start' }, { is: 'edge' }),
  );
  const round = fc.oneof(
    fc.record({ is: fc.constant('side'), of: side, aside: fc.option(aside) }),
    fc.record({ is: fc.constant('centred'), of: feature, aside: fc.option(aside) }),
    fc.record({ is: fc.constant('opposite'), of: feature }),
    fc.record({
      is: fc.constant('apart'),
      apart: fc.record({ count, reading: fc.constantFrom('between', 'unsaid') }),
      side,
    }),
    fc.record({ is: fc.constant('evenly'), from: side }),
    fc.tuple(count, count).map(([a, b]) => ({ is: 'stitches', first: Math.min(a, b), last: Math.max(a, b) })),
    fc.array(count, { minLength: 1, maxLength: 3 }).map((stitches) => ({ is: 'after', stitches })),
    fc.constant({ is: 'sides' }),
  );
  const placing = fc.record({
    subject: named,
    host: fc.option(fc.constant({ name: 'Body', part: 0, copy: null })),
    height,
    round,
    count: fc.option(count),
    mirrors: fc.constant(null),
    tip: fc.constantFrom(null, 'up', 'down', 'out', 'front', 'back'),
    join: fc.constantFrom(null, 'sewn', 'sewn flat', 'edge to edge', 'worked in', 'embroidered', 'tied', 'glued', 'pushed in'),
  }) as fc.Arbitrary<Placing>;

  it('reads back what it prints, short and in full', () => {
    fc.assert(
      fc.property(placing, fc.constantFrom('short' as const, 'long' as const), (made, form) => {
        const line = printPlacing(made, form);
        expect(placed(line), line).toEqual(made);
      }),
      { numRuns: 400 },
    );
  });

  it.each([
    [
      'Eyes: between R9 and R10 of Body, 9 stitches between them, at the front',
      'Eyes: on Body, between R9 and R10, 9 stitches between them, at the front',
    ],
    ['Wing 2: mirrors Wing 1', 'Wing 2: mirrors Wing 1'],
    [
      'Sew the wings to the sides of the body, between rounds 12 and 18, tips down.',
      'wings: on body, R12 to R18, one at each side, tip down, sewn',
    ],
    ['Sew the beak between the eyes, one round below.', 'beak: 1 round below eyes, centred between eyes, sewn'],
    [
      'Place the eyes between the third and fourth row of the body, six apart',
      'eyes: on body, between R3 and R4, 6 stitches apart, at the front',
    ],
    ['Attach the rain hat to round 4 of the body.', 'rain hat: on body, at R4'],
    ['Tail: opposite the eyes, on Body over rounds 20-23', 'Tail: on Body, R20 to R23, opposite eyes'],
    ['Arms along the edge of the body, evenly over stitches 1 to 14', 'Arms: on body, on the edge, evenly over stitches 1 to 14'],
    [
      'Embroider the mouth a quarter of the way round to the left, at R6',
      'mouth: at R6, a quarter round left of the front, embroidered',
    ],
    ['The wing is sewn to R5 of the body.', 'wing: on body, at R5, sewn'],
    ['Pin it, look from the front, then sew.', null],
    ['Weave in all ends.', null],
  ])('understands “%s”', (line, expected) => {
    expect(clear(line)).toBe(expected);
  });

  it('follows a part that has a new name, in the number it was written in', () => {
    const text = `${PARTS}\n## Put together\nWings: on Body, at R4, one at each side\nHat: 1 round above Wing 2\n`;
    const renamed = text.replace('## Wing (make 2)', '## Flipper (make 2)');
    const old = oldNameIn(read(text).pattern, read(renamed).pattern, renamed)!;
    const after = applyEdits(renamed, old.edits);
    expect(after).toContain('Flippers: on Body, at R4, one at each side\nHat: 1 round above Flipper 2\n');
    expect(read(after).pattern.makingUp[0]!.placing!.subject.part).toBe(1);
  });

  it('ends where a part begins, and keeps a heading over rounds a part', () => {
    const { pattern, diagnostics } = read(
      `${PARTS}\n## Assembly:\nSew it all.\n\n## Foot\nR1: 6 sc in ring (6)\n\nJoining\nR1: 6 sc in ring (6)\n`,
    );
    expect(pattern.parts.map(({ name }) => name)).toEqual(['Body', 'Wing', 'Rain hat', 'Foot', 'Joining']);
    expect(pattern.makingUp.map(({ text }) => text)).toEqual(['Sew it all.']);
    expect(diagnostics).toEqual([]);
  });

  it('is written in full and in short where it stands in the clear form, and else left in its own words', () => {
    const text = `${PARTS}\n## Put together\nWing 1: on Body, R12 to R18, at the left\nSew the hat to R4 of Body, a bit askew.\n`;
    const long = applyEdits(text, rewrite(text, read(text).pattern, [], { terms: 'UK', form: 'long' }));
    expect(long).toContain('Wing 1: on Body, rounds 12 to 18, at the left\nSew the hat to R4 of Body, a bit askew.');
    expect(applyEdits(long, rewrite(long, read(long).pattern, [], { terms: 'US', form: 'short' }))).toContain(
      '\nWing 1: on Body, R12 to R18, at the left',
    );
  });
});
