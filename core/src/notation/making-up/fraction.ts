import { numberOf, type Token } from '../tokens.js';

/** Parts of a round as people name them, the simplest first. */
const FRACTIONS: readonly (readonly [number, string, string])[] = [
  [2, 'half', 'halves'],
  [4, 'quarter', 'quarters'],
  [3, 'third', 'thirds'],
  [6, 'sixth', 'sixths'],
  [8, 'eighth', 'eighths'],
  [5, 'fifth', 'fifths'],
  [12, 'twelfth', 'twelfths'],
  [16, 'sixteenth', 'sixteenths'],
];

/** "a quarter", "three eighths", "half" at `at`: turns, and the tokens it takes; null for other words. */
export function fractionAt(tokens: readonly Token[], at: number): { readonly turns: number; readonly length: number } | null {
  const article = ['a', 'an'].includes(tokens[at]?.key ?? '');
  const number = article ? 1 : numberOf(tokens[at]);
  const word = tokens[at + (number === null ? 0 : 1)]?.key ?? '';
  const found = FRACTIONS.find(([, one, many]) => word === one || word === many);
  return found ? { turns: (number ?? 1) / found[0], length: number === null ? 1 : 2 } : null;
}

/** A part of a round in words: "a quarter", "three eighths"; null where none of them is it. */
export function fractionWords(turns: number): string | null {
  for (const [parts, one, many] of FRACTIONS) {
    const number = turns * parts;
    const whole = Math.round(number);
    if (whole < 1 || whole >= parts || Math.abs(number - whole) > 1e-6) continue;
    if (whole === 1) return parts === 2 ? one : `${/^[aeiou]/.test(one) ? 'an' : 'a'} ${one}`;
    return `${NUMBERS[whole] ?? whole} ${many}`;
  }
  return null;
}

const NUMBERS = [
  '',
  '',
  'two',
  'three',
  'four',
  'five',
  'six',
  'seven',
  'eight',
  'nine',
  'ten',
  'eleven',
  'twelve',
  'thirteen',
  'fourteen',
  'fifteen',
];
