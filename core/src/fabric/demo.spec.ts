import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { foundationOf, print, read } from '../notation/index.js';
import { checkPattern, fabricOf } from './index.js';

const folder = join(import.meta.dirname, '../../../demo');

describe.each(readdirSync(folder).filter((name) => name.endsWith('.md')))('demo %s', (file) => {
  const text = readFileSync(join(folder, file), 'utf8');
  const count = checkPattern(read(text));

  it('reads without a word to say, and every round states its total', () => {
    expect(count.diagnostics).toEqual([]);
    for (const { rounds } of count.parts) expect(rounds.filter((round) => round.stated === null)).toEqual([]);
  });

  it('never grows by more than lies flat: a third on, or six a round, eight where an oval has two ends', () => {
    for (const { part, rounds } of count.parts) {
      const foundation = foundationOf(part.lines[0]!.items);
      const oval = foundation?.from === 'chain' && foundation.sides === 2;
      for (const round of rounds.slice(1))
        expect(round.makes - round.uses, `${part.name} ${round.label}`).toBeLessThanOrEqual(
          Math.max(oval ? 8 : 6, round.uses / 3),
        );
    }
  });

  it('names a colour for every stitch', () => {
    for (const part of count.parts) expect(fabricOf(part).colour.includes(0)).toBe(false);
  });

  it('prints to a form that gives the same counts', () => {
    const again = checkPattern(read(print(count.pattern)));
    expect(again.parts.map((part) => part.rounds.map((round) => round.makes))).toEqual(
      count.parts.map((part) => part.rounds.map((round) => round.makes)),
    );
  });
});
