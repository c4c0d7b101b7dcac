import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, toReport } from '../fabric/index.js';
import { print, read, type Item, type Pattern } from './index.js';

/** What a text reports: each part as "label:uses>makes", and each diagnostic as "code line:column-endColumn". */
function shown(text: string): { parts: Record<string, string>; diagnostics: string[] } {
  const report = toReport(text, checkPattern(read(text)));
  const parts = report.parts.map((part) => [
    part.copies > 1 ? `${part.name} × ${part.copies}` : part.name,
    part.rounds.map((round) => `${round.label}:${round.uses}>${round.makes}`).join(' '),
  ]);
  return {
    parts: Object.fromEntries(parts) as Record<string, string>,
    diagnostics: report.diagnostics.map((each) => `${each.code} ${each.line}:${each.column}-${each.endColumn}`),
  };
}

/** What one written round makes of `below` stitches. */
function madeOf(below: number, round: string): string {
  const { parts, diagnostics } = shown(`R1: ${below} sc in ring (${below})\nR2: ${round}`);
  return [Object.values(parts)[0]!.split(' ').slice(1).join(' ').replace('R2:', ''), ...diagnostics].join(' ');
}

describe('what is worked in a round', () => {
  // Counts: common practice, worked out by hand.
  it.each([
    [12, '3 sc, 9 sc', '12>12'],
    [12, 'sc 3, sc 9', '12>12'],
    [12, 'sc in next 3 sts, sc in each of next 9 sts', '12>12'],
    [12, 'sc around', '12>12'],
    [12, 'sc in each st around', '12>12'],
    [12, 'sc in each stitch around (12 sts)', '12>12'],
    [6, 'inc x 6', '6>12'],
    [6, 'inc 6', '6>12'],
    [6, '6 inc', '6>12'],
    [6, 'inc around', '6>12'],
    [6, '2 sc in each st around = 12', '6>12'],
    [6, 'inc in each st around', '6>12'],
    [12, '(1 sc, inc) × 6 (18)', '12>18'],
    [12, '[sc, inc] 6 times [18]', '12>18'],
    [12, '*sc in next st, 2 sc in next st* x 6', '12>18'],
    [12, '*sc, inc; rep from * around (18)', '12>18'],
    [12, '*1 sc, inc*, repeat 6 times - 18 sts', '12>18'],
    [12, '(sc, inc) around', '12>18'],
    [12, '6 x (sc, inc)', '12>18'],
    [12, '(sc, inc)*6 (18)', '12>18'],
    [12, '*sc, inc* 6 (18)', '12>18'],
    [36, 'sc in all 36 sts', '36>36'],
    [12, '(sc, inc) 6x', '12>18'],
    [12, '(sc, inc) repeat 5 more times', '12>18'],
    [36, '3 sc, inc, (6 sc, inc) × 4, 4 sc', '36>41'],
    [18, '(1 single crochet, decrease) x 6', '18>12'],
    [18, '(1 sc, invdec) x 6', '18>12'],
    [18, '(1 sc, inv dec) twice, (sc, sc2tog) x 4', '18>12'],
    [18, 'dec x 9', '18>9'],
    [24, 'in BLO, (2 sc, inc) × 8', '24>32'],
    [24, 'BLO sc around', '24>24'],
    [24, 'sc around in back loops only', '24>24'],
    [24, '(FLO): sc around', '24>24'],
    [24, '12 sc, change to white, 12 sc. Change to black', '24>24'],
    [24, '(2 sc, (1 sc, inc) x 2) x 4', '24>32'],
    [24, 'sc around, place marker (24). Leave the yarn hanging.', '24>24'],
    [8, 'inc, sc around', '8>9'],
    [6, '3 sc in next st, 5 sc', '6>8'],
    [12, '3 sc in next 3 sts, 2 sc in each of next 9 sts', '12>21'],
    [12, 'dec over next 4 sts, sc in next 8 sts', '12>10'],
  ])('over %i: %s', (below, round, expected) => {
    expect(madeOf(below, round)).toBe(expected);
  });

  it.each([
    ['6 sc in ring (6)', 6],
    ['MR, 6 sc', 6],
    ['sc 6 in magic ring', 6],
    ['adjustable ring with 8 sc (8)', 8],
    ['ring 5', 5],
    ['ch 2, 6 sc in 2nd ch from hook (6)', 6],
    ['chain 2, sc 4 in second chain from hook', 4],
  ])('start: %s', (round, makes) => {
    expect(shown(`R1: ${round}`)).toEqual({ parts: { 'Part 1': `R1:0>${makes}` }, diagnostics: [] });
  });

  it('reads the same words by UK terms when the pattern says so', () => {
    const text = 'Buoy\nUK terms\n\nFloat\nR1: 6 dc in ring (6)\nR2: (dc2tog) x 3 (3)\nR3: 3 htr (3)';
    expect(shown(text).diagnostics).toEqual([]);
    expect(print(read(text).pattern, 'US')).toContain('R2: (sc2tog) × 3 (3)\nR3: 3 hdc (3)');
  });
});

describe('parts and labels', () => {
  it('finds parts by their headings, whatever the words around them', () => {
    const text = `Tug the crab

Hello! This one is quick to make.
Materials:
- 3.5 mm hook

Body
With red:
Rnd 1: 6 sc in ring (6)
Round 2. inc x 6 (12)
Rnds 3-5: sc around (12)
R6 to R7: sc around (12)
Stuff it now.

**Claw (make two)**
R1: 4 sc in ring (4)

Leg x 6
Row 1 - 5 sc in ring (5)
R2 & R3: sc around (5)
`;
    const { parts, diagnostics } = shown(text);
    expect(read(text).pattern.title).toBe('Tug the crab');
    expect(diagnostics).toEqual([]);
    expect(parts).toEqual({
      Body: 'R1:0>6 R2:6>12 R3:12>12 R4:12>12 R5:12>12 R6:12>12 R7:12>12',
      'Claw × 2': 'R1:0>4',
      'Leg × 6': 'Row 1:0>5 R2:5>5 R3:5>5',
    });
    const body = read(text).pattern.parts[0]!;
    expect(body.notes).toMatchObject([{ text: 'Stuff it now.', before: 4 }]);
    expect(body.lines[0]!.items[0]).toMatchObject({ kind: 'colour', name: 'red' });
  });

  it('names a part itself where the numbers begin again without a heading', () => {
    expect(shown('R1: 6 sc in ring\nR2: sc around\nR1: 5 sc in ring')).toEqual({
      parts: { 'Part 1': 'R1:0>6 R2:6>6', 'Part 2': 'R1:0>5' },
      diagnostics: ['part-unnamed 3:1-17'],
    });
  });

  it('takes numbered lines for rounds where they name stitches, and for notes where they do not', () => {
    expect(
      shown('1. Wash your hands\n\nBody\n1: 6 sc in ring (6)\n2) inc * 6 (12)\n3-4: sc around\n5. (1 sc, inc) x 6 (18)').parts,
    ).toEqual({
      Body: '1:0>6 2:6>12 3:12>12 4:12>12 5:12>18'.replace(/(^| )/g, '$1R'),
    });
  });

  it('goes on in the next line where a bracket or a comma is left open', () => {
    expect(shown('R1: 6 sc in ring\nR2: 1 sc, inc,\n(1 sc,\ninc) x 2 (9)').parts['Part 1']).toBe('R1:0>6 R2:6>9');
  });
});

describe('what cannot be read', () => {
  it.each([
    ['R2: (2 sc, icn) x 3', 'unread 2:12-15'],
    ['R2: 2 puffs, 4 sc', 'unknown-stitch 2:5-12'],
    ['R2: (2 sc, inc x 2', 'unclosed 2:5-6'],
    ['R2: 2 sc, inc) x 2', 'unopened 2:14-15'],
    ['R2: (sc around) x 2', 'around-nested 2:6-15'],
    ['R2: 0 sc, 6 sc', 'bad-count 2:5-6'],
    ['R2: (2 sc, inc) x 999999999', 'bad-count 2:19-28'],
    ['R2: 1.5 sc, 5 sc', 'bad-count 2:5-8'],
    ['R2:', 'empty-round 2:1-4'],
    [`R2: ${'('.repeat(40)}sc`, 'too-deep 2:21-22'],
  ])('%s', (round, expected) => {
    const { parts, diagnostics } = shown(`R1: 6 sc in ring (6)\n${round}\nR3: 6 sc (6)`);
    expect(diagnostics).toContain(expected);
    expect(parts['Part 1']).toMatch(/^R1:0>6 R2:\S+ R3:6>6$/);
  });

  it('says what to do with a text that holds no rounds', () => {
    expect(shown('').diagnostics).toEqual(['no-rounds 1:1-1']);
    expect(shown('Dear diary, today I bought yarn.').diagnostics).toEqual(['no-rounds 1:1-1']);
  });

  it('takes any text without throwing, and keeps every place inside it', () => {
    const bits = fc.constantFrom(
      'R1: ',
      'R2-R9 ',
      '6 sc',
      'inc',
      '(',
      ')',
      '[',
      ']',
      '*',
      ' x 3',
      ',',
      '\n',
      '\r\n',
      '(18)',
      'in',
      'ring',
      'BLO',
      '=',
      'with red',
      '× -2',
      'Wing',
      '(make 2)',
      '\0',
      '🧶',
    );
    const text = fc.oneof(
      fc.array(bits, { maxLength: 40 }).map((all) => all.join(' ')),
      fc.string({ unit: 'binary', maxLength: 200 }),
    );
    fc.assert(
      fc.property(text, (anything) => {
        for (const { span } of checkPattern(read(anything)).diagnostics) {
          expect(span.from).toBeGreaterThanOrEqual(0);
          expect(span.to).toBeGreaterThanOrEqual(span.from);
          expect(span.to).toBeLessThanOrEqual(anything.length);
        }
      }),
      { seed: 7, numRuns: 1_500 },
    );
  });
});

describe('the printed form', () => {
  const span = { from: 0, to: 0 };
  const word = fc.constantFrom('red', 'white', 'sea green', 'black');
  const count = fc.integer({ min: 1, max: 60 });
  const loop = fc.constantFrom('both' as const, 'back' as const, 'front' as const);
  const stitch = fc.constantFrom('sc' as const, 'hdc' as const, 'dc' as const, 'tr' as const);
  const work = (times: fc.Arbitrary<number | 'around'>): fc.Arbitrary<Item> =>
    fc.oneof(
      fc
        .record({ stitch, per: fc.constantFrom(1, 2, 3), count: times, loop })
        .map((own) => ({ kind: 'work' as const, together: 1, school: 'open' as const, span, ...own })),
      fc
        .record({ count: times, loop, school: fc.constantFrom('open' as const, 'invisible' as const, 'plain' as const) })
        .map((own) => ({ kind: 'work' as const, stitch: 'sc' as const, per: 1, together: 2, span, ...own })),
    );
  const colour: fc.Arbitrary<Item> = word.map((name) => ({ kind: 'colour', name, span }));
  const group = (depth: number): fc.Arbitrary<Item> =>
    fc
      .record({
        first: work(count),
        rest: fc.array(depth > 0 ? fc.oneof(work(count), colour, group(depth - 1)) : work(count), { maxLength: 3 }),
        times: depth === 2 ? fc.oneof(count, fc.constant('around' as const)) : count,
      })
      .map(({ first, rest, times }) => ({ kind: 'group', items: [first, ...rest], times, span }));
  const items = fc
    .record({
      colour: fc.option(colour),
      first: fc.oneof(work(fc.oneof(count, fc.constant('around' as const))), group(2)),
      rest: fc.array(fc.oneof(work(count), group(2), colour), { maxLength: 3 }),
    })
    .map(({ colour: before, first, rest }) => [...(before ? [before] : []), first, ...rest]);
  const start: fc.Arbitrary<Item[]> = fc
    .record({ from: fc.constantFrom('ring' as const, 'chain 2' as const), stitch, count })
    .map((own) => [{ kind: 'start', span, ...own }]);

  const part = fc
    .record({
      name: fc.constantFrom('Body', 'Left wing', 'Tail fin', 'Rope eye'),
      copies: fc.integer({ min: 1, max: 9 }),
      start,
      rounds: fc.array(
        fc.record({
          items,
          rounds: fc.integer({ min: 1, max: 4 }),
          stated: fc.option(count),
          word: fc.constantFrom('round' as const, 'row' as const),
        }),
        { maxLength: 5 },
      ),
      note: fc.option(fc.constantFrom('Stuff it firmly, the sides first.', 'Set the eyes now.')),
    })
    .map(({ name, copies, start: first, rounds, note }) => {
      let next = 2;
      const lines = rounds.map((round) => {
        const line = {
          first: next,
          last: next + round.rounds - 1,
          word: round.word,
          items: round.items,
          stated: round.stated ? { count: round.stated, span } : null,
          label: span,
          span,
        };
        next = line.last + 1;
        return line;
      });
      const one = { first: 1, last: 1, word: 'round' as const, items: first, stated: null, label: span, span };
      return { name, copies, lines: [one, ...lines], notes: note ? [{ text: note, before: 1, span }] : [], span };
    });
  const pattern: fc.Arbitrary<Pattern> = fc.record({
    title: fc.constantFrom('Harbour puffin', 'Buoy'),
    terms: fc.constantFrom('US' as const, 'UK' as const),
    parts: fc.array(part, { minLength: 1, maxLength: 3 }),
    notes: fc.constant([{ text: 'Made for a windowsill.', before: 0, span }]),
  });

  const withoutPlaces = (value: unknown): unknown =>
    JSON.parse(JSON.stringify(value, (key, inner: unknown) => (key === 'span' || key === 'label' ? undefined : inner)));

  it('reads back to the same pattern, in either terms', () => {
    fc.assert(
      fc.property(pattern, fc.constantFrom('US' as const, 'UK' as const), (made, terms) => {
        const printed = print(made, terms);
        const reading = read(printed);
        expect(withoutPlaces(reading.pattern), printed).toEqual(withoutPlaces({ ...made, terms }));
        expect(
          reading.diagnostics.filter((each) => each.severity !== 'hint'),
          printed,
        ).toEqual([]);
      }),
      { seed: 11, numRuns: 600 },
    );
  });
});
