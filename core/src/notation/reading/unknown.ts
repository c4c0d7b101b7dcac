import type { Token } from '../tokens.js';
import type { Match } from '../vocabulary.js';
import { totalAt } from './counts.js';
import { type Piece, remarkPiece } from './piece.js';
import { keyAt, meantBy, passToSeparator, phraseAt, quoted, tellError, tellUnread, wordsIn, type ReadState } from './state.js';
import { isWorked, plainWork } from './placing.js';
import { isPrelude } from './whole.js';

/** A number of something that is no stitch known here. */
export function unknownStitch(
  state: ReadState,
  count: number,
  token: Token,
  phrase: Match | null,
  before: readonly Piece[],
): Piece[] {
  const after = state.tokens[state.at];
  const rest = passToSeparator(state);
  const span = { from: token.from, to: Math.max(token.to, rest.to) };
  const words = wordsIn(state, rest).trim();
  const word = after ?? rest;
  if (words && !phrase) {
    const meant = after?.kind === 'word' ? meantBy(state, after) : null;
    const at = { from: word.from, to: word.to };
    tellError(state, { code: 'unknown-stitch', text: quoted(words), count, meant, word: at }, span);
    return [];
  }
  // "18 (18)": a number that is all there is counts the plain stitch.
  const alone = before.every(isPrelude) && (state.at >= state.tokens.length || totalAt(state, true) !== null);
  // So does "(1, inc)" in a group.
  if (!words && (alone || (state.depth > 0 && !phrase))) return [plainWork(count, span)];
  tellUnread(state, span);
  return [];
}

/**
 * Words that are not known here, up to the next separator. Those of a sentence of their own, without a number or a word of
 * the craft, are a remark; all others are told.
 */
export function unknownWords(state: ReadState, before: readonly Piece[]): Piece[] {
  const first = state.tokens[state.at]!;
  const at = state.at;
  const passed = passToSeparator(state);
  if (state.at === at) state.at++;
  const span = { from: first.from, to: Math.max(first.to, passed.to) };
  const chat = state.tokens.slice(at, state.at).every(({ key }) => CHAT.has(key));
  const sentence = chat || at === 0 || ['.', '!', '...', '?'].includes(keyAt(state, at - 1));
  if (sentence && before.some((piece) => !isPrelude(piece)) && isChat(state, at, state.at))
    return [remarkPiece(wordsIn(state, span), span)];
  tellUnread(state, span);
  return [];
}

/** What people say while they work (our own list). */
const CHAT: ReadonlySet<string> = new Set(
  'phew yay wow whoa woohoo lol haha hah easy easypeasy done nice great again yes relax breathe almost there finally boring hooray hurray good luck congrats well oops sorry here goes promise trust me zzz'.split(
    ' ',
  ),
);

/** Whether words hold no number and no stitch. */
function isChat(state: ReadState, from: number, to: number): boolean {
  return !state.tokens.slice(from, to).some((token, i) => {
    const phrase = token.kind === 'word' ? phraseAt(state, from + i) : null;
    return token.kind === 'number' || (phrase !== null && isWorked(phrase.meaning));
  });
}
