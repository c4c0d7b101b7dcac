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
});
