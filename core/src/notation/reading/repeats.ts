import { hasStitches, type Gathered } from './gathered.js';
import { atEnd, openEnd, repeatsSaid, type Repeats } from './groups.js';
import { totalAt } from './counts.js';
import { choice, itemPiece, type Piece } from './piece.js';
import { CLOSER_OF, keyAt, passToSeparator, phraseAt, spanFrom, type ReadState } from './state.js';
import { plainWork } from './placing.js';
import type { Token } from '../tokens.js';
import { unknownWords } from './unknown.js';
import { isPrelude } from './whole.js';

/** "… (x6)", "… (6 times)", "… six times" after all that was said so far; null where no such words stand. */
export function wholeTimesAt(state: ReadState): Repeats | null {
  const back = state.at;
  const closer = CLOSER_OF[keyAt(state)];
  if (closer) {
    state.at++;
    if (keyAt(state).startsWith('rep')) state.at++;
  }
  const times = keyAt(state) in CLOSER_OF ? null : repeatsSaid(state);
  if (times !== null && (!closer || keyAt(state) === closer)) {
    if (closer) state.at++;
    return typeof times === 'object' && 'more' in times ? times.more : times;
  }
  state.at = back;
  return null;
}

/** All that was said so far, worked so often: "sc, inc, six times". The last stitch alone may be meant too. */
export function wholeRepeated(state: ReadState, all: Gathered, times: Repeats): Piece[] {
  const start = all.pieces.findIndex((piece) => !isPrelude(piece));
  if (start < 0) return [];
  const pieces = all.pieces.splice(start);
  all.seen = Math.min(all.seen, start);
  const span = spanFrom(state, pieces[0]!.span.from);
  const whole = (many: Exclude<Repeats, { more: number }>): Piece[] => [{ is: 'group', pieces, times: many, span }];
  all.last = null;
  if (typeof times === 'object' && 'more' in times) return [choice('star-repeat', [whole(times.more), whole(times.more + 1)])];
  const only = pieces.length === 1 ? pieces[0] : undefined;
  // "(sc, inc) … × 6" that says its number twice, or a single stitch, is counted the plain way.
  if (only?.is === 'item' && only.item.kind === 'work' && only.item.count === 1)
    return [itemPiece({ ...only.item, count: times }, span)];
  return whole(times);
}

/** "…, around" after stitches repeats them; "just go around" is a plain round; before stitches it says nothing. */
export function aroundAlone(state: ReadState, length: number, token: Token, all: Gathered): Piece[] {
  if (all.depth > 0) return unknownWords(state, all.pieces);
  if (hasStitches(all)) {
    const times = openEnd(state);
    return times === null ? unknownWords(state, all.pieces) : wholeRepeated(state, all, times);
  }
  // "Join the legs with 3 chains, work around both legs"
  if (state.foundation?.value.from === 'bridge' && keyAt(state, state.at + length) === 'both') {
    passToSeparator(state);
    return [plainWork('around', spanFrom(state, token.from))];
  }
  const is = phraseAt(state)!.meaning.is;
  if (is !== 'around' && is !== 'each' && keyAt(state) !== 'all') return unknownWords(state, all.pieces);
  state.at += length;
  const ends = state.at >= state.tokens.length || totalAt(state, true) !== null;
  return ends ? [plainWork('around', spanFrom(state, token.from))] : [];
}

/** "repeat", "rep 6 times" after stitches: all that was said so far. */
export function repeatSaid(state: ReadState, all: Gathered): Piece[] {
  if (all.depth > 0 || !hasStitches(all)) return [];
  const times = repeatsSaid(state) ?? openEnd(state) ?? (atEnd(state) || totalAt(state, true) ? 'around' : null);
  return times === null ? [] : wholeRepeated(state, all, times);
}
