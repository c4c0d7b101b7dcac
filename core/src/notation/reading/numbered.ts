import { PLAIN } from '../items.js';
import type { Span } from '../span.js';
import type { Token } from '../tokens.js';
import { forRounds } from './asides.js';
import { bracketEnd, holdsWork } from './brackets.js';
import { colourHere } from './colour-here.js';
import { checkedCount, totalAt } from './counts.js';
import { hasStitches, remember, type Gathered } from './gathered.js';
import { groupAt, inLoopPieces, repeatsSaid, type ReadSequence } from './groups.js';
import { itemPiece, type Piece } from './piece.js';
import { wholeRepeated } from './repeats.js';
import { chainsOf, startOf } from './starts.js';
import { CLOSER_OF, keyAt, means, phraseAt, spanFrom, type ReadState } from './state.js';
import { isWorked, plainWork } from './placing.js';
import { splitName, workedAt } from './stitches.js';
import { unknownStitch } from './unknown.js';
import { whereAt } from './where.js';

/** "3 sc", "6 in ring", "6 × (…)", "6(…)", "4 red". */
export function numbered(state: ReadState, number: number, token: Token, all: Gathered, sequence: ReadSequence): Piece[] {
  const count = checkedCount(state, number, token);
  const begin = state.at;
  state.at++;
  const phrase = phraseAt(state);
  const prefixed = prefixTimes(state, count, token, all, sequence);
  if (prefixed) return prefixed;
  if (phrase?.meaning.is === 'chain') {
    state.at += phrase.length;
    return chainsOf(state, count, spanFrom(state, token.from), all.pieces);
  }
  if (phrase?.meaning.is === 'skip') {
    state.at += phrase.length;
    return [itemPiece({ kind: 'skip', count }, spanFrom(state, token.from))];
  }
  if (phrase && isWorked(phrase.meaning)) {
    const split = splitName(state, state.at, phrase.length);
    state.at += phrase.length;
    return remember(all, workedAt(state, phrase.meaning, count, token.from, all.pieces, split));
  }
  if (phrase?.meaning.is === 'loop') {
    const named = phraseAt(state, state.at + phrase.length);
    if (named && isWorked(named.meaning)) {
      state.at += phrase.length + named.length;
      return [...inLoopPieces(remember(all, workedAt(state, named.meaning, count, token.from, all.pieces)), phrase.meaning.loop)];
    }
  }
  if (state.awaiting) return [startOf(state, state.awaiting.from, 'sc', count, token.from)];
  if (phrase?.meaning.is === 'with' && means(state, 'ring', state.at + phrase.length)) {
    whereAt(state);
    return [startOf(state, 'ring', 'sc', count, token.from)];
  }
  const coloured = colouredAt(state, count, token, all);
  if (coloured) return coloured;
  const where = phrase?.meaning.is === 'with' ? whereAt(state) : null;
  if (where?.into === 'each' || where?.into === 'one')
    return [manyInEach(count, where.into === 'each' ? 'around' : 1, spanFrom(state, token.from))];
  if (forRoundsAt(state, begin)) return [];
  return unknownStitch(state, count, token, phrase, all.pieces);
}

/** "4 red", "6 red sc" */
function colouredAt(state: ReadState, count: number, token: Token, all: Gathered): Piece[] | null {
  const colour = colourHere(state, all.pieces);
  if (!colour) return null;
  const named = phraseAt(state);
  if (!named || !isWorked(named.meaning)) return [...colour, plainWork(count, spanFrom(state, token.from))];
  state.at += named.length;
  return [...colour, ...remember(all, workedAt(state, named.meaning, count, token.from, all.pieces))];
}

/** "2 in each stitch": the plain stitch, so many in one. */
function manyInEach(per: number, count: 'around' | 1, span: Span): Piece {
  return itemPiece({ ...PLAIN, per, count }, span);
}

/** "3 rounds", "3 more rounds" after the stitches of a round. */
function forRoundsAt(state: ReadState, begin: number): boolean {
  const back = state.at;
  state.at = begin;
  if (forRounds(state)) return true;
  state.at = back;
  return false;
}

/** A number before what it multiplies: "6 × (…)", "6*(…)", "6(…)", "6 × inc"; or, after all, "… 6 times". */
function prefixTimes(state: ReadState, count: number, token: Token, all: Gathered, sequence: ReadSequence): Piece[] | null {
  const phrase = phraseAt(state);
  const times =
    phrase?.meaning.is === 'times' ? phrase.length : keyAt(state) === '*' && keyAt(state, state.at + 1) in CLOSER_OF ? 1 : 0;
  const opener = keyAt(state, state.at + times);
  const opens = opener in CLOSER_OF || (times > 0 && opener === '*' && state.stars === 0);
  if (opens && totalAt(state, true, state.at + times) === null) {
    const back = state.at;
    state.at += times;
    const end = opener === '*' ? 1 : bracketEnd(state);
    if (opener === '*' || (end > 0 && holdsWork(state, state.at + 1, end)))
      return groupAt(state, all.depth, sequence, { times: count, from: token.from });
    state.at = back;
  }
  if (phrase?.meaning.is !== 'times') return null;
  const after = phraseAt(state, state.at + phrase.length);
  if (after && isWorked(after.meaning)) {
    state.at += phrase.length + after.length;
    return remember(all, workedAt(state, after.meaning, count, token.from, all.pieces));
  }
  if (all.depth > 0 || !hasStitches(all)) return null;
  state.at--;
  const repeats = repeatsSaid(state);
  if (repeats === null) return null;
  return wholeRepeated(state, all, typeof repeats === 'object' && 'more' in repeats ? repeats.more : repeats);
}
