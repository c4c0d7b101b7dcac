import { colourLength, pastArticle, YARNS } from '../colours.js';
import type { Token } from '../tokens.js';
import { numberOf } from '../tokens.js';
import { colourAt, colourIn, remarkAt } from './asides.js';
import { usual, type Piece } from './piece.js';
import { partAt } from './references.js';
import { CLOSER_OF, keyAt, phraseAt, SEPARATORS, type ReadState } from './state.js';
import { isWorked } from './placing.js';
import { isPrelude } from './whole.js';

/** A colour that simply stands there: "A", "(A)", "A:", "[red]", "red -", "4 red"; null for anything else. */
export function colourHere(state: ReadState, before: readonly Piece[]): Piece[] | null {
  const first = state.tokens[state.at];
  if (!first) return null;
  const closer = CLOSER_OF[first.key];
  const at = state.at + (closer ? 1 : 0);
  const length = colourLength(state.tokens, at, state.context.colours) || mainColour(state, at, before);
  if (length === 0) return null;
  let next = at + length;
  while (YARNS.has(keyAt(state, next))) next++;
  if (closer) {
    if (keyAt(state, next) !== closer) return null;
    next++;
  } else if (!standsAlone(state, at, next, before)) return null;
  const name = colourIn(state, at, at + length, first);
  if (name.length === 0) return null;
  state.at = keyAt(state, next) === ':' ? next + 1 : next;
  return name.map((piece) => ({ ...piece, span: { from: first.from, to: state.tokens[next - 1]!.to } }));
}

/** "MC" and "CC" away from a ring: the main and the contrast colour, also where no key names them. */
function mainColour(state: ReadState, at: number, before: readonly Piece[]): number {
  const text = state.tokens[at]?.text;
  if (text !== 'MC' && text !== 'CC') return 0;
  if (text === 'CC' || !state.context.first) return 1;
  const closed = at > state.at && keyAt(state, at + 2) === ':';
  return closed && usual(before).every(isPrelude) ? 1 : 0;
}

/** Whether a colour's name is followed by what a colour can be followed by. */
function standsAlone(state: ReadState, at: number, next: number, before: readonly Piece[]): boolean {
  const after = state.tokens[next];
  if (!after || SEPARATORS.has(after.key) || ')]}'.includes(after.key) || after.key in CLOSER_OF) return true;
  if (numberOf(after) !== null) return true;
  const phrase = phraseAt(state, next);
  // "red sc around" is a colour and its stitches, "Red heart: …" is not.
  return (phrase !== null && isWorked(phrase.meaning)) || (before.length > 0 && at === state.at && after.key === 'and');
}

/** "with red", "in A", "with 6 sc", "in ring": what the words after it are. */
export function withAt(state: ReadState, token: Token, length: number, before: readonly Piece[]): Piece[] {
  const at = state.at + length;
  const phrase = phraseAt(state, at);
  if (phrase?.meaning.is === 'ring' && !ringIsColour(state, at)) {
    state.at = at;
    return [];
  }
  if (phrase && isWorked(phrase.meaning)) {
    state.at = at;
    return [];
  }
  if (phrase?.meaning.is === 'colour') {
    state.at = at + phrase.length;
    return colourAt(state, token);
  }
  if (colourLength(state.tokens, pastArticle(state.tokens, at), state.context.colours) > 0 || ringIsColour(state, at)) {
    state.at = at;
    return colourAt(state, token);
  }
  const next = state.tokens[at];
  const word = next?.kind === 'word' && (!phrase || phrase.meaning.is === 'filler');
  if (word && !partAt(state, at) && usual(before).every(isPrelude) && namedAlone(state, at)) {
    state.at = at;
    return colourAt(state, token);
  }
  if (state.awaiting || phrase?.meaning.is === 'remark') {
    state.at = at;
    return [];
  }
  return [remarkAt(state, token)];
}

/** "MC" where it is a colour: a letter the text names, or in a later round, where no ring is begun. */
function ringIsColour(state: ReadState, at: number): boolean {
  const text = state.tokens[at]?.text ?? '';
  return state.context.colours.codes.has(text) || ((text === 'MC' || text === 'CC') && !state.context.first);
}

/** "With flamingo, …": one to three words and then a mark or the end, as a colour is said that no list knows. */
function namedAlone(state: ReadState, at: number): boolean {
  let i = at;
  while (i < at + 4 && state.tokens[i]?.kind === 'word') i++;
  const mark = state.tokens[i];
  return i > at && (mark === undefined || mark.key === ',' || mark.key === ':' || mark.key === '-' || numberOf(mark) !== null);
}
