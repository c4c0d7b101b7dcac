import { numberOf, type Token } from '../tokens.js';
import { type Piece, remarkPiece } from './piece.js';
import { CLOSER_OF, keyAt, phraseAt, wordsIn, type ReadState } from './state.js';
import { isWorked } from './placing.js';

/** Index of the bracket that closes the one at the cursor, -1 for none. */
export function bracketEnd(state: ReadState): number {
  const opener = keyAt(state);
  const closer = CLOSER_OF[opener]!;
  let depth = 0;
  const most = Math.min(state.tokens.length, state.at + MOST_ASIDE);
  for (let at = state.at; at < most; at++) {
    if (keyAt(state, at) === opener) depth++;
    else if (keyAt(state, at) === closer && --depth === 0) return at;
  }
  return -1;
}

/** Longest words in brackets that are looked through for stitches. */
const MOST_ASIDE = 60;

export function holdsWork(state: ReadState, from: number, to: number): boolean {
  for (let at = from; at < to; at++) {
    const phrase = phraseAt(state, at);
    const is = phrase?.meaning.is;
    if (
      phrase &&
      (isWorked(phrase.meaning) || is === 'chain' || is === 'skip' || is === 'ring' || is === 'colour' || is === 'picot')
    )
      return true;
    if (numberOf(state.tokens[at]) !== null && state.tokens[at]!.kind === 'number') return true;
  }
  return false;
}

export function aside(state: ReadState, end: number, token: Token): Piece[] {
  const words = state.tokens.slice(state.at + 1, end);
  const silent = words.every((word) => ['rs', 'ws', 'right', 'wrong', 'side'].includes(word.key)) || words.length === 0;
  state.at = end + 1;
  const span = { from: token.from, to: state.tokens[end]!.to };
  return silent ? [] : [remarkPiece(wordsIn(state, span), span)];
}
