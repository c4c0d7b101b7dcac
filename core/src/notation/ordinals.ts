import type { Token } from './tokens.js';

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** "6th" or "sixth" at `at`: its number and how many tokens it takes; null and 0 for anything else. */
export function ordinal(tokens: readonly Token[], at: number): readonly [number | null, number] {
  const word = ORDINALS.indexOf(tokens[at]?.key ?? '');
  if (word >= 0) return [word + 1, 1];
  const number = wholeNumber(tokens[at]);
  const suffix = tokens[at + 1];
  const fits = number !== null && suffix?.from === tokens[at]!.to && ['st', 'nd', 'rd', 'th'].includes(suffix.key);
  return fits ? [number, 2] : [null, 0];
}

/** The value of a number in digits that is whole; null for anything else. */
export function wholeNumber(token: Token | undefined): number | null {
  if (token?.kind !== 'number') return null;
  const value = Number(token.text);
  return Number.isInteger(value) ? value : null;
}
