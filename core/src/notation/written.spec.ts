import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { checkPattern } from '../fabric/index.js';
import { read } from './index.js';

interface Written {
  readonly id: string;
  readonly text: readonly string[];
  readonly parts: readonly { readonly name: string; readonly copies: number; readonly makes: string; readonly bad: number[] }[];
}

const texts = JSON.parse(readFileSync(join(import.meta.dirname, '../test/written.json'), 'utf8')) as Written[];

/** Invented texts, true to life, each with what is true of it: stitches a round ("?" where undefined), and rounds that are wrong. */
describe('whole texts as people write them', () => {
  it.each(texts)('$id', ({ text, parts }) => {
    const count = checkPattern(read(text.join('\n')));
    const found = count.parts.map(({ part, rounds }, i) => {
      const truth = parts[i]?.makes.split(' ') ?? [];
      return {
        name: part.name.toLowerCase().includes(parts[i]?.name.toLowerCase() ?? '') ? parts[i]!.name : part.name,
        copies: part.copies,
        makes: rounds.map(({ makes }, at) => (truth[at] === '?' ? '?' : String(makes))).join(' '),
        bad: rounds.flatMap(({ ok }, at) => (ok ? [] : [at + 1])),
      };
    });
    expect(found).toEqual(parts);
  });
});
