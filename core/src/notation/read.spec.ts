import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { checkPattern, toReport } from '../fabric/index.js';
import { convert } from 'convert';
import { describeReading, fixesOfReading, gatesOf, markedStitchOf, print, read, STITCHES } from './index.js';

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
  return [
    Object.values(parts)[0]!.split(' ').slice(1).join(' ').replace('R2:', ''),
    ...diagnostics.filter((each) => !each.startsWith('growth')),
  ].join(' ');
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
    [12, 'inc in first st, sc to last 2 sts, dec', '12>12'],
    [12, 'sc until 2 sts remain, 2 sc in each of the last 2 sts', '12>14'],
    [12, '1 sc, *1 sc, inc; rep from * to last st, 1 sc', '12>17'],
    [12, 'inc in every third stitch', '12>16'],
    [12, 'dec every 4th st', '12>9'],
    [12, '(hdc, dc, tr) in next st, 11 sc', '12>14'],
    [12, '(sc, ch 1, sc) in each st around', '12>36'],
    [12, '(2 hdc, ch 2, 2 hdc) in corner, 2 sc, [5 sc in next st, 2 sc] x 3', '12>29'],
    [12, 'sk 1, 4 puffs, skip next st, miss 2 sts, sl st in next 4 sts', '12>8'],
    [12, '4 sc, ch 3, sk next 3 sts, 5 sc', '12>12'],
    [12, 'ch 1, sc around, join with sl st', '12>12'],
    [12, 'ch 1 (counts as a st), sk 1, 11 sc, sl st to first st', '12>12'],
    [12, 'three single crochets, two increases, invisible decrease, sc in next five sts', '12>13'],
    [12, '(1 sc, inc) 5 more times', '12>18'],
    [12, '*(1 sc, inc) × 2, 2 sc* × 2 (16)', '12>16'],
    [12, 'sc 2 tog, 2 sc together, inv sc dec, sc invisible decrease, sc4tog', '12>5'],
    [12, '12 sc around', '12>12'],
    [12, 'sc in each of the 12 sts', '12>12'],
    [12, '4 sc through flipper and body, 8 sc', '12>12'],
    [12, 'sc around. Ch 1, turn.', '12>12'],
    [12, '12 sc = 12', '12>12'],
    [12, '(1sc, 2sc in next sc) 6 times', '12>18'],
    [12, 'sc in each sc', '12>12'],
    [12, '(24): inc × 12', '12>24'],
    [12, 'sc 1; inc 1; repeat 6 times (18)', '12>18'],
    [12, 'sc, inc, repeat (18)', '12>18'],
    [12, '(RS) 2 sc in each sc around – 24 sc.', '12>24'],
    [12, 'sc in next 11 sc, inc in last sc', '12>13'],
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
    ['ch 1, 8 sc in ring (8)', 8],
    ['make a magic ring, ch 1 (not counted), 6 sc into it', 6],
    ['ch 1 (counts as a stitch), 7 sc in ring', 8],
  ])('start: %s', (round, makes) => {
    expect(shown(`R1: ${round}`)).toEqual({ parts: { 'Part 1': `R1:0>${makes}` }, diagnostics: [] });
  });

  it('names every stitch as both countries do', () => {
    // Craft Yarn Council, table of US and UK terms, from memory.
    const names = Object.fromEntries(
      Object.entries(STITCHES).map(([name, words]) => [name, `${words.US.full[0]} = ${words.UK.full[0]}`]),
    );
    expect(names).toMatchObject({
      'sl st': 'slip stitch = slip stitch',
      sc: 'single crochet = double crochet',
      hdc: 'half double crochet = half treble',
      dc: 'double crochet = treble',
      tr: 'treble crochet = double treble',
    });
  });

  it('reads the same words by UK terms when the pattern says so', () => {
    const text = 'Buoy\nUK terms\n\nFloat\nR1: 6 dc in ring (6)\nR2: (dc2tog) x 3 (3)\nR3: 3 htr (3)';
    expect(shown(text).diagnostics).toEqual([]);
    expect(print(read(text).pattern, 'US')).toContain('R2: (sc2tog) × 3 (3)\nR3: 3 hdc (3)');
  });
});

/** Parts of a text and what is said of it, the first number of each round left out where it is of no interest. */
const countsOf = (text: string): string[] => [...Object.values(shown(text).parts), ...shown(text).diagnostics];

describe('what a part begins on', () => {
  it('works an oval round both sides of a chain, by the common formula for every length and end count', () => {
    // 2(n−3)+2e stitches for n chains and e in each end (common practice).
    fc.assert(
      fc.property(fc.integer({ min: 4, max: 40 }), fc.integer({ min: 2, max: 6 }), (n, e) => {
        const half = Math.floor(e / 2);
        const text = `R1: ch ${n}, ${half} sc in 2nd ch from hook, ${n - 3} sc, ${e} sc in last ch, on the other side ${n - 3} sc, ${e - half} sc in same ch as first`;
        expect(countsOf(text.replaceAll(' 1 sc in', ' sc in'))).toEqual([`R1:${2 * n - 3}>${2 * (n - 3) + 2 * e}`]);
      }),
      { seed: 23, numRuns: 60 },
    );
  });

  it.each([
    ['ch 7, sc in 2nd ch from hook and in each ch to last ch, 3 sc in last ch, on the other side sc in each ch (13)', 'R1:11>13'],
    [
      'ch 7, inc in 2nd ch from hook, sc in next 4 ch, 4 sc in last ch, continue along the other side: sc in next 4 ch, inc in last ch (16)',
      'R1:11>16',
    ],
    ['Ch 7.\nR1: inc in 2nd ch from hook, 4 sc, 4 sc in last ch, 4 sc, inc (16)', 'R1:11>16'],
    ['ch 11, sc in 2nd ch from hook and in each ch across (10)', 'R1:10>10'],
    ['Chain 9\nRow 1: hdc in 3rd ch from hook, 6 hdc (7)\nRow 2: ch 1, turn, sc across', 'Row 1:7>7 Row 2:7>7'],
  ])('%s', (text, expected) => {
    expect(countsOf(text.includes('\n') ? text : `R1: ${text}`)).toEqual([expected]);
  });

  it('joins finished pieces, and picks up loops, edges and layers', () => {
    const leg = '## Leg (make 2)\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nR3: in BLO, sc around (12)\n';
    const body = (round: string): string[] => countsOf(`${leg}## Body\nR1: ${round}`).slice(1);
    expect(body('join legs with ch 3, sc around (30)')).toEqual(['R1:30>30']);
    expect(
      body('ch 3, join with sl st to the first leg, 12 sc around first leg, 3 sc along chain, 12 sc around second leg, 3 sc'),
    ).toEqual(['R1:30>30']);
    expect(body('ch 3, join to the other leg, 29 sc (30)').slice(1)).toEqual(['leaves-stitches 6:5-39']);
    expect(body('join white to the front loops of R2 of the leg, 2 sc in each st around (24)')).toEqual(['R1:12>24']);
    expect(body('pick up 10 sc along the edge of the leg (10)')).toEqual(['R1:10>10']);
    expect(body('through both layers of leg and leg, (3 sc, 3 sc in corner) x 4 (24)')).toEqual(['R1:16>24']);
  });

  it('says when a chain is too short', () => {
    expect(countsOf('R1: ch 3, 2 sc in 5th ch from hook')).toContain('chain-short 1:5-9');
  });
});

describe('what can be read in two ways', () => {
  it.each([
    ['(2 sc, inc) repeat 5 times', 18, '(24)', '18>24'],
    ['*2 sc, inc; repeat from * 5 times', 15, '(20)', '15>20'],
    ['3 sc in next 3 sts, 9 sc', 12, '(18)', '12>18'],
    ['6 sc, ch 2, 6 sc', 12, '(12)', '12>12'],
    ['12 sc, sl st', 12, '(12)', '12>12'],
    ['11 sc, sl st', 12, '(12)', '12>12'],
  ])('takes the way that fits: %s over %i', (round, below, stated, expected) => {
    const [counts, ...said] = madeOf(below, `${round} ${stated}`).split(' ');
    expect(counts).toBe(expected);
    expect(said.join(' ')).toMatch(expected === '15>20' || round === '11 sc, sl st' ? /^$/ : /^two-readings/);
  });

  it('shows both where both would do, and lets the next round decide', () => {
    expect(countsOf('R1: ch 1, 6 sc in ring')).toEqual(['R1:0>6', 'two-readings 1:5-23']);
    expect(countsOf('R1: ch 1, 6 sc in ring\nR2: inc × 7')).toEqual(['R1:0>7 R2:7>14', 'two-readings 1:5-23']);
  });

  it('asks for the terms where the words could be either, and notices a wrong guess', () => {
    expect(countsOf('R1: 6 dc in ring (6)\nR2: inc × 6 (12)')).toEqual(['R1:0>6 R2:6>12', 'terms-unsure 1:1-4']);
    expect(read('R1: 6 dc in ring').pattern.terms).toBe('UK');
    expect(read('R1: 6 htr in ring').pattern.terms).toBe('UK');
    expect(countsOf('US terms\nR1: 6 dc in ring')).toContain('terms-unsure 1:1-9');
    expect(countsOf('UK terms\nR1: 6 sc in ring')).toContain('terms-mixed 1:1-9');
    const [unsure] = read('Buoy\n\nR1: 6 dc in ring').diagnostics;
    expect(fixesOfReading(unsure!).map((fix) => fix.edits[0]!.insert)).toEqual(['UK terms\n', 'US terms\n']);
  });
});

describe('rounds that say more than stitches', () => {
  it('takes over other rounds, of the same part or another', () => {
    const text =
      'Body\nR1: 6 sc in ring\nR2: inc around\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5–R8: repeat R3 and R4\nR9: same as the previous round';
    expect(countsOf(text)[0]).toBe('R1:0>6 R2:6>12 R3:12>18 R4:18>24 R5:12>18 R6:18>24 R7:12>18 R8:18>24 R9:18>24');
    expect(countsOf('Leg\nR1: 6 sc in ring\nR2: inc × 6\n\nArm\nR1-R2: same as leg R1-R2\nR3: work as for R2')).toEqual([
      'R1:0>6 R2:6>12',
      'R1:0>6 R2:6>12 R3:6>12',
      'leaves-stitches 7:1-4',
    ]);
    expect(countsOf('R1: 6 sc in ring\nR2: same as R9')).toContain('same-missing 2:5-15');
  });

  it('knows rounds that are counted after their stitches', () => {
    expect(countsOf('R1: 6 sc in ring\nR2: sc around for 3 rounds (6)\nR5: work even\nNext round: inc × 6')[0]).toBe(
      'R1:0>6 R2:6>6 R3:6>6 R4:6>6 R5:6>6 R6:6>12',
    );
    expect(countsOf('R1: 6 sc in ring\nR2: inc × 6\nR3: dec × 6\nR4: repeat R2 and R3 twice\nR8: as R2')).toEqual([
      'R1:0>6 R2:6>12 R3:12>6 R4:6>12 R5:12>6 R6:6>12 R7:12>6 R8:6>12',
    ]);
  });

  it('knows open runs, by length and to the maker’s liking', () => {
    const lines = read(
      'R1: 6 sc in ring\nR2: sc around until 5 cm long\nR9 and on: sc around until it measures 2 inches\nR20: sc around to the length you like',
    ).pattern.parts[0]!.lines;
    expect(lines.map((line) => line.open)).toEqual([null, { mm: 50 }, { mm: 50.8 }, { mm: null }]);
  });

  it('turns units of length as a units library does', () => {
    for (const [unit, name] of [
      ['cm', 'cm'],
      ['mm', 'mm'],
      ['in', 'inch'],
      ['inches', 'inch'],
    ] as const) {
      const line = read(`R1: 6 sc in ring\nR2: sc around until 4 ${unit} long`).pattern.parts[0]!.lines[1]!;
      expect(line.open!.mm).toBeCloseTo(convert(4, name).to('mm'), 6);
    }
  });

  it('knows which stitch carries the marker, for a part or for all', () => {
    const of = (text: string) => markedStitchOf(read(text).pattern, read(text).pattern.parts[0]!);
    expect(of('R1: 6 sc in ring. Place the marker in the last stitch.')).toBe('last');
    expect(of('Buoy\n\nThe marker always goes into the first stitch of a round.\n\nFloat\nR1: 6 sc in ring')).toBe('first');
    expect(of('R1: 6 sc in ring\nMove the marker up.')).toBeNull();
  });

  it('knows colours by their letters, and asks for a letter that is never named', () => {
    const text = 'Colours: A navy, B = sea green\nR1: (A) 6 sc in ring\nR2: B: inc × 6\nR3: in A, 6 sc, change to C, 6 sc';
    const colours = read(text).pattern.parts[0]!.lines.flatMap((line) =>
      line.items.flatMap((item) => (item.kind === 'colour' ? [item.name] : [])),
    );
    expect(colours).toEqual(['navy', 'sea green', 'navy', 'C']);
    expect(countsOf(text).slice(1)).toEqual(['colour-unnamed 4:17-28']);
    const main = 'MC: teal\nR1: 6 sc in MC (6)\nR2: in MC, inc × 6 (12)';
    expect(countsOf(main.replace('MC: teal\n', '')).slice(1)).toEqual([]);
    expect(countsOf(main)[0]).toBe('R1:0>6 R2:6>12');
  });

  it('keeps what must be done in time as gates', () => {
    const text =
      'R1: 6 sc in ring (6). Turn it right side out.\nPlace the eyes between R6 and R7, 4 stitches apart.\nR2: inc × 6\nAdd eyes between rounds 8 and 9 with 6 sts between them\nStuff firmly. Remember the sides.\nThis one is quick to make, keep an eye on the count.\nFasten off, leave a tail.';
    expect(
      gatesOf(read(text).pattern.parts[0]!).map(({ kind, before, rounds, apart }) => ({ kind, before, rounds, apart })),
    ).toEqual([
      { kind: 'right side', before: 1, rounds: null, apart: null },
      { kind: 'eyes', before: 1, rounds: [6, 7], apart: { count: 4, reading: 'unsaid' } },
      { kind: 'eyes', before: 2, rounds: [8, 9], apart: { count: 6, reading: 'between' } },
      { kind: 'stuffing', before: 2, rounds: null, apart: null },
      { kind: 'tail', before: 2, rounds: null, apart: null },
    ]);
  });
});

describe('parts and labels', () => {
  it.each([
    ['R2–R4', 'R2 R3 R4'],
    ['R2 - 4', 'R2 R3 R4'],
    ['Rnd 2 thru 4', 'R2 R3 R4'],
    ['Rounds 2 through Round 4', 'R2 R3 R4'],
    ['R2..R4', 'R2 R3 R4'],
    ['R2/3', 'R2 R3'],
    ['Rounds 2, 3 and 4', 'R2 R3 R4'],
    ['R2-R4 (3 rounds)', 'R2 R3 R4'],
    ['2nd round', 'R2'],
    ['Next round', 'R2'],
    ['Next 3 rounds', 'R2 R3 R4'],
    ['Rows 2 & 3', 'Row 2 Row 3'],
    ['R2+', 'R2'],
    ['R4–R2', 'R2 R3 R4'],
  ])('label “%s:”', (label, rounds) => {
    const labels = toReport('', checkPattern(read(`R1: 6 sc in ring\n${label}: sc around`))).parts[0]!.rounds.map(
      (round) => round.label,
    );
    expect(labels.slice(1).join(' ')).toBe(rounds);
  });

  it('never mistakes prose for a round', () => {
    const text =
      'Row 12 is where I stopped for tea.\nRound 5 took me all evening!\n1. Use a small hook and practise single crochet first.\n2 skeins, 50 g each\nR2 is a good friend of mine\n\nBall\nR1: 6 sc in ring (6)\nRounds are worked in a spiral.';
    expect(countsOf(text)).toEqual(['R1:0>6', 'note-with-work 1:1-35', 'note-with-work 2:1-29', 'note-with-work 5:1-28']);
  });

  it('goes on in a section that counts on, and starts a part that begins anew', () => {
    const text = '## Body\nR1: 6 sc in ring\nR2: inc × 6\n\n## Head\nR3: sc around\n\n## Hat\nR4: 6 sc in ring\nR6: inc × 6';
    expect(countsOf(text)).toEqual(['R1:0>6 R2:6>12 R3:12>12', 'R4:0>6 R6:6>12', 'number-gap 10:1-4']);
  });

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

  it('passes over what stands around a pattern, and takes an unnumbered line below a heading for its only round', () => {
    const text =
      'Crab\n\nAbbreviations\nsc = single crochet\n\nBODY (Red)\nRnd 1: 6 sc in MR (6 sts)\nRnd 2: 2 sc into each sc (12 sts)\n\nLeg (make 6)\nCh 6, sc in 2nd ch from hook, sc 4.\nFO\n\nAssembly\nSew the legs to the body.';
    const { parts, diagnostics } = shown(text);
    expect(parts).toEqual({ BODY: 'R1:0>6 R2:6>12', 'Leg × 6': 'Row 1:5>5' });
    expect(diagnostics).toEqual([]);
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
    ['R2: 2 wobbles, 4 sc', 'unknown-stitch 2:5-14'],
    ['R2: -2 sc, 6 sc', 'bad-count 2:5-7'],
    ['R2: (2 sc, inc) × -3', 'bad-count 2:19-21'],
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

describe('ways out', () => {
  /** The text after the first way out of the first thing said, until nothing more is offered. */
  function mended(text: string): string {
    const [first] = read(text).diagnostics.flatMap((diagnostic) => fixesOfReading(diagnostic).slice(0, 1));
    if (!first) return text;
    return first.edits.reduceRight((all, { from, to, insert }) => all.slice(0, from) + insert + all.slice(to), text);
  }

  it.each([
    ['R1: 6 sc in ring\nRnd 2 (3sc,inc x6', 'R1: 6 sc in ring\nRnd 2 (3sc,inc) x6'],
    ['R1: 6 sc in ring\nR2: icn × 6', 'R1: 6 sc in ring\nR2: inc × 6'],
    ['R1: 6 sc in ring\nR2: sc aruond', 'R1: 6 sc in ring\nR2: sc around'],
    ['R1: 6 sc in ring\nR2: 6 scc', 'R1: 6 sc in ring\nR2: 6 sc'],
    ['Wings\nR1: 6 sc in ring', 'Wings (make 2)\nR1: 6 sc in ring'],
    ['R1: 6 sc in ring\nR5–R2: sc around', 'R1: 6 sc in ring\nR2–R5: sc around'],
    ['UK terms\nR1: 6 sc in ring', 'US terms\nR1: 6 sc in ring'],
  ])('%s', (written, right) => {
    expect(mended(written)).toBe(right);
    expect(read(right).diagnostics.map(describeReading)).toEqual([]);
  });
});
