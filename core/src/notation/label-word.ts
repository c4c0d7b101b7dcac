import type { Token } from './tokens.js';

const LABEL_WORDS: ReadonlyMap<string, 'round' | 'row'> = new Map([
  ...'r rn rnd rnds rd rds round rounds rounde'.split(' ').map((word) => [word, 'round'] as const),
  ...'row rows rw rws'.split(' ').map((word) => [word, 'row'] as const),
]);

/** All of them begin with it. */
const FIRST_LETTER = 'r'.charCodeAt(0);

/** The word for a round or row that `token` is, or null. */
export function labelWord(token: Token | undefined): 'round' | 'row' | null {
  const key = token?.key;
  return key?.charCodeAt(0) === FIRST_LETTER ? (LABEL_WORDS.get(key) ?? null) : null;
}
