import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { read } from '../notation/index.js';
import { nextRounds } from './index.js';

const offers = (text: string): string[] =>
  nextRounds(checkPattern(read(text)).parts[0]!, { terms: read(text).pattern.terms, form: 'short' }).map((each) => each.text);

describe('the round that likely comes next', () => {
  const disc = 'R1: 6 sc in ring\nR2: inc × 6\nR3: (1 sc, inc) × 6\nR4: (2 sc, inc) × 6 (24)';

  it('goes on with the rhythm, straight, or begins to close', () => {
    expect(offers(disc)).toEqual(['R5: (3 sc, inc) × 6 (30)', 'R5: sc around (24)', 'R5: (2 sc, dec) × 6 (18)']);
    expect(offers(`${disc}\nR5–R6: sc around`)).toContain('R7: sc around (24)');
    expect(offers('R1: 24 sc in ring\nR2: (2 sc, invdec) × 6')[0]).toBe('R3: (1 sc, invdec) × 6 (12)');
    expect(offers('R1: 6 sc in ring')[0]).toBe('R2: inc × 6 (12)');
    expect(offers('UK terms\nR1: 6 dc in ring')).toContain('R2: dc around (6)');
    expect(offers('Row 1: ch 9, 8 sc')[0]).toBe('Row 2: ch 1, turn, sc across (8)');
    expect(offers('R1: 6 sc in ring, join with sl st')[0]).toBe('R2: ch 1, inc × 6, join with sl st (12)');
  });

  it('always fits what is there, up to the end', () => {
    let text = 'R1: 6 sc in ring';
    for (let round = 2; round < 40; round++) {
      const all = offers(text);
      for (const each of all) expect(checkPattern(read(`${text}\n${each}`)).diagnostics, each).toEqual([]);
      if (all.length === 0) return;
      // Grow to the eighth round, then close.
      text += `\n${round < 9 ? all[0]! : all.find((each) => each.includes('dec'))!}`;
    }
    expect(offers(text)).toEqual([]);
  });
});
