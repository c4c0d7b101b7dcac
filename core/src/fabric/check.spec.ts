import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { applyEdits, read } from '../notation/index.js';
import { checkPattern, describe as sentence, fixesOf, type Diagnostic } from './index.js';

const found = (text: string): readonly Diagnostic[] => checkPattern(read(text)).diagnostics;
const codes = (text: string): string[] => found(text).map((each) => each.code);
const ring = (count: number): string => `R1: ${count} sc in ring (${count})`;

describe('ways out of a count that does not fit', () => {
  it.each([
    // The craft's own example: 2 are left over, to be worked as one more decrease.
    [18, '(dec, 2 sc) × 4 (13)', ['Add “dec” (13)', 'Add “2 sc” (14)']],
    [18, '(dec, 2 sc) × 4 (14)', ['Add “2 sc” (14)', 'Add “dec” (13)']],
    [18, '(1 sc, inc) × 8 (27)', ['Write “(1 sc, inc) × 9” (27)', 'Add “2 sc” (26)']],
    [12, '(1 sc, inc) × 7 (18)', ['Write “(1 sc, inc) × 6” (18)']],
    [12, '14 sc (12)', ['Write “12 sc” (12)']],
    [12, '(2 htr, htr inc) × 3', ['Write “(2 htr, htr inc) × 4” (16)', 'Write “(3 htr, htr inc) × 3” (15)', 'Add “3 htr” (15)']],
    // The commonest slip of all: the run of another round (common practice).
    [18, '(3 sc, inc) × 6 (24)', ['Write “(2 sc, inc) × 6” (24)']],
    [
      24,
      '(2 sc, inc) × 6 (18)',
      ['Write “(2 sc, dec) × 6” (18)', 'Write “(2 sc, inc) × 8” (32)', 'Write “(3 sc, inc) × 6” (30)'],
    ],
    [13, '(1 sc, inc) × 5, 1 sc (18)', ['Write “3 sc” (18)', 'Write “(1 sc, inc) × 6” (19)']],
  ])('over %i: %s', (below, round, titles) => {
    const text = round.includes('htr') ? `UK terms\nR1: ${below} dc in ring\nR2: ${round}` : `${ring(below)}\nR2: ${round}`;
    const [first] = found(text);
    expect(fixesOf(first!).map((fix) => fix.title)).toEqual(titles);
  });

  it('use up exactly what there is, and say the count they come to', () => {
    const item = fc.constantFrom('(2 sc, inc) × 3', '(1 sc, dec) × 2', 'inc', 'dec × 2', '5 sc', '(dec, inc) × 2');
    fc.assert(
      fc.property(fc.integer({ min: 6, max: 60 }), fc.array(item, { minLength: 1, maxLength: 4 }), (below, items) => {
        const text = `${ring(below)}\nR2: ${items.join(', ')}`;
        for (const diagnostic of found(text)) {
          for (const { title, edits } of fixesOf(diagnostic)) {
            const mended = checkPattern(read(applyEdits(text, edits)));
            expect(
              mended.diagnostics.filter((each) => each.severity === 'error'),
              `${text}\n${title}`,
            ).toEqual([]);
            expect(title).toContain(`(${mended.parts[0]!.rounds[1]!.makes})`);
          }
        }
      }),
      { seed: 47, numRuns: 300 },
    );
  });
});

describe('a total that differs', () => {
  const pattern = (stated: number, next: string): string => `${ring(18)}\nR2: (2 sc, inc) × 6 (${stated})\nR3: ${next}`;

  it('is judged by the round after it', () => {
    const messages = (text: string): string => found(text).map(sentence).join(' ');
    expect(messages(pattern(25, '(3 sc, inc) × 6 (30)'))).toContain('R3 goes on from 24, so the stated total is likelier wrong.');
    expect(messages(`${ring(12)}\nR2: (1 sc, inc) × 5, 2 sc (18)\nR3: (2 sc, inc) × 6 (24)`)).toContain(
      'R3 goes on from 18, so the round itself is likelier wrong.',
    );
    // A round that goes around fits both, so nothing is claimed.
    expect(messages(pattern(25, 'sc around'))).not.toContain('likelier');
  });

  it('offers the count that is made only where the total is not the likelier truth', () => {
    const titles = (text: string): string[] => found(text).flatMap((each) => fixesOf(each).map((fix) => fix.title));
    expect(titles(pattern(25, '(3 sc, inc) × 6 (30)'))).toContain('Write (24)');
    expect(titles(`${ring(12)}\nR2: (1 sc, inc) × 5, 2 sc (18)\nR3: (2 sc, inc) × 6 (24)`)).not.toContain('Write (17)');
  });

  it('is told once for a range, and marks all its rounds', () => {
    const { parts, diagnostics } = checkPattern(read(`${ring(24)}\nR2–R5: sc around (26)\nR6: (3 sc, inc) × 6 (30)`));
    expect(parts[0]!.rounds.map(({ ok }) => ok)).toEqual([true, false, false, false, false, true]);
    expect(diagnostics.map(({ code }) => code)).toEqual(['total-differs']);
  });

  it('is told once, whatever the rounds after it go on from', () => {
    for (const after of ['sc around (48)', 'sc around (47)']) {
      const text = `${ring(48)}\nR2–R5: sc around (47)\nR6: ${after}\nR7–R9: sc around`;
      expect(codes(text), after).toEqual(['total-differs']);
    }
  });
});

describe('a line that could not be read', () => {
  it('is told once: an open bracket is taken to close before its number, and what follows goes on from there', () => {
    expect(codes(`${ring(12)}\nR2: (1 sc, inc x 6\nR3: (2 sc, inc) × 6 (24)`)).toEqual(['unclosed']);
    expect(codes(`${ring(12)}\nR2: blurb × 6\nR3: (2 sc, inc) × 6 (24)\nR4: (3 sc, inc) × 5`)).toEqual([
      'unread',
      'leaves-stitches',
    ]);
  });
});

describe('growth', () => {
  it.each([
    [12, '2 sc in each st around', 'growth-ruffles'],
    [24, 'inc × 9, 15 sc', ''],
    [24, 'inc × 10, 14 sc', 'growth-ruffles'],
    [24, '(2 hdc, hdc inc) × 8', ''],
    [48, '(2 dc, dc inc) × 16', ''],
    [48, '(dec) × 24', 'growth-gathers'],
    [24, 'dec × 12', ''],
    [24, 'in FLO, inc around', ''],
  ])('over %i: %s', (below, round, expected) => {
    // Six more sc a round lie flat, eight hdc, twelve dc (common practice); half as much again is worth a word.
    expect(codes(`${ring(below)}\nR2: ${round}`).join()).toBe(expected);
  });
});

describe('gates', () => {
  const body = `${ring(6)}\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6\nR5–R9: sc around\nR10: (2 sc, dec) × 6\nR11: (1 sc, dec) × 6\nR12: dec × 6`;

  it('are late once the opening has closed, and only then', () => {
    expect(codes(`${body}\nStuff it firmly.`)).toEqual(['gate-late']);
    expect(found(`${body}\nPlace the eyes between R5 and R6.`).map(sentence)).toEqual([
      'By then the opening has closed to 6 stitches (after R12), too few for a hand. Say it some rounds earlier.',
    ]);
    expect(codes(body.replace('R11:', 'Stuff it firmly.\nR11:'))).toEqual([]);
    expect(codes(`${body}\nFasten off and hide the tail.`)).toEqual([]);
    expect(codes(`${ring(6)}\nR2–R9: sc around\nStuff lightly.`)).toEqual([]);
  });
});
