import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { describe, expect, it } from 'vitest';
import { comingUp, type Ahead } from './coming-up';

const part = checkPattern(
  read(
    'Body\nWith black:\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nSet the eyes now.\nR3–R5: sc around (12). Change to white.\nStuff it.\nR6: (2 sc, dec) × 3 (9)\nFasten off.\nHide the tail.',
  ),
).parts[0]!;

const words = (ahead: readonly Ahead[]): string[] =>
  ahead.map((one) =>
    one.is === 'note'
      ? `${one.due ? '!' : ' '} ${one.before}: ${one.text}`
      : `${one.label} ${one.words} ${one.change} ${one.makes}${one.now ? ' now' : ''}`,
  );

/** Spirals, joined rounds and turned rows, with notes before, between and after. */
const PATTERNS = [
  '## Ball (make 2)\nStart firmly.\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\nPlace the eyes.\nStuff it.\nR3–R7: sc around (12). Change to white.\nR8: (2 sc, dec) × 3 (9)\nTop up.\nR9–R10: sc around (9)\nFasten off.',
  '## Hull\nWith brown:\nR1: ch 7, 2 sc in 2nd ch from hook, 4 sc, 4 sc in last ch, on the other side 4 sc, 2 sc in last ch, join with sl st (16)\nR2–R4: ch 1, sc around, join with sl st (16)\nKeep it flat.\nR5: ch 1, in BLO, sc around, join with sl st (16)\n\n## Seat\nRow 1: ch 6, 5 sc (5)\nRows 2–9: ch 1, turn, sc across (5)\nLeave 20 cm for sewing.',
];

describe('coming up', () => {
  it('lists written lines from the one at hand, with the notes that stand between them', () => {
    expect(words(comingUp(part, 1, 'US'))).toEqual([
      'R2 inc × 6 up 12 now',
      '  Before R3: Set the eyes now.',
      'R3–R5 sc around same 12',
      '  Before R6: Stuff it.',
      'R6 (2 sc, dec) × 3 down 9',
      '  At the end: Fasten off.',
      '  At the end: Hide the tail.',
    ]);
  });

  it('says a note is due when its line is at hand, and lets it go once the line has gone on', () => {
    expect(words(comingUp(part, 2, 'UK')).slice(0, 2)).toEqual(['! Before R3: Set the eyes now.', 'R3–R5 dc around same 12 now']);
    expect(words(comingUp(part, 3, 'US'))[0]).toBe('R3–R5 sc around same 12 now');
  });

  it('tallies a run of like rounds, and names the colour changed to', () => {
    const run = comingUp(part, 4, 'US')[0];
    expect(run).toMatchObject({ tally: { done: 2, of: 3 }, colour: 'white' });
  });

  it('keeps the closing notes when all rounds are worked', () => {
    expect(words(comingUp(part, 6, 'US'))).toEqual(['! At the end: Fasten off.', '! At the end: Hide the tail.']);
  });

  it('leaves out nothing that is to come and says nothing twice, at every round', () => {
    for (const text of PATTERNS) {
      for (const own of checkPattern(read(text)).parts) {
        for (let round = 0; round <= own.rounds.length; round++) {
          const ahead = comingUp(own, round, 'US');
          const lines = ahead.flatMap((one) => (one.is === 'rounds' ? [one] : []));
          const left = lines.reduce((sum, one) => sum + (one.tally ? one.tally.of - one.tally.done : 1), 0);
          expect(left, `${own.part.name} ${round}`).toBe(own.rounds.length - round);
          expect(lines.filter((one) => one.now)).toHaveLength(round < own.rounds.length ? 1 : 0);
          expect(lines.map((one) => one.line)).toEqual(lines.map((_, at) => (lines[0]?.line ?? 0) + at));
          // Every note that stands before what is still to come, in the pattern's order.
          const notes = ahead.flatMap((one) => (one.is === 'note' ? [one.text] : []));
          const from = own.rounds[round]?.line ?? own.part.lines.length;
          const begun = own.rounds[round - 1]?.line === from ? from + 1 : from;
          expect(notes).toEqual(own.part.notes.filter((note) => note.before >= begun).map((note) => note.text));
        }
      }
    }
  });
});
