import { BOUNDS } from '../../bounds/index.js';
import type { ReadingDiagnostic } from '../diagnostic.js';
import type { Foundation, OpenRun } from '../pattern.js';
import type { Span } from '../span.js';
import type { Loop } from '../stitch.js';
import { numberOf, type Token } from '../tokens.js';
import type { Match } from '../vocabulary.js';
import { colourAt, forRounds, remarkAt, sameAt, untilAt } from './asides.js';
import { colourHere, withAt } from './colour-here.js';
import { checkedCount, totalAt, type Total } from './counts.js';
import { groupAt, inLoopPieces, openEnd, repeatsSaid, atEnd, type Repeats } from './groups.js';
import { choice, itemPiece, type Piece } from './piece.js';
import { partAt } from './references.js';
import { chainAt, chainsOf, joinAt, leftLoopsAt, longerSpur, otherSide, startOf, workedOn } from './starts.js';
import {
  CLOSER_OF,
  keyAt,
  means,
  passToSeparator,
  phraseAt,
  quoted,
  SEPARATORS,
  spanFrom,
  spanOf,
  stateOf,
  tellError,
  tellUnread,
  meantBy,
  passIf,
  wordsIn,
  type Closer,
  type Placed,
  type ReadState,
  type RoundContext,
  type SameAs,
} from './state.js';
import { everyTogether, isPlainWork, isWorked, loopAt, plainWork, splitName, workedAt, type WorkedPieces } from './stitches.js';
import { isPrelude, withWholeChoices, type LastWorked } from './whole.js';
import { whereAt } from './where.js';

/** A line's words with every doubt kept. */
export interface RoundReading {
  readonly pieces: readonly Piece[];
  readonly foundation: Placed<Foundation> | null;
  readonly foundationDoubtful: boolean;
  readonly open: OpenRun | null;
  readonly same: SameAs | null;
  /** Rounds the line is for, where it says so after its stitches: "for 10 rounds". */
  readonly rounds: number | null;
  /** The last round the line is for: "until you have 6 rows". */
  readonly upTo: number | null;
}

/**
 * Reads what is worked in one round from its tokens (without the label). What cannot be read goes to `report` with its
 * place; the rest is kept, and what can be meant in more than one way is left for the count to settle.
 */
export function readRound(
  text: string,
  tokens: readonly Token[],
  context: RoundContext,
  report: (diagnostic: ReadingDiagnostic) => void,
): RoundReading {
  const state = stateOf(text, tokens, context, report);
  const pieces = topSequence(state);
  if (state.awaiting) tellUnread(state, state.awaiting.span);
  const { foundation, foundationDoubtful, open, same, rounds, upTo } = state;
  return { pieces, foundation, foundationDoubtful, open, same, rounds, upTo };
}

/** What a sequence has gathered so far. */
interface Gathered {
  readonly pieces: Piece[];
  readonly depth: number;
  /** A loop said for the rest of the sequence, and one for the next item alone. */
  scope: Loop;
  once: Loop;
  last: LastWorked | null;
  /** Pieces looked through for stitches so far, and whether some were found. */
  seen: number;
  worked: boolean;
}

/** Whether stitches stand among the pieces so far. */
function hasStitches(all: Gathered): boolean {
  while (!all.worked && all.seen < all.pieces.length) all.worked = !isPrelude(all.pieces[all.seen++]!);
  return all.worked;
}

const gathered = (depth: number): Gathered => ({
  pieces: [],
  depth,
  scope: 'both',
  once: 'both',
  last: null,
  seen: 0,
  worked: false,
});

function sequence(state: ReadState, closer: Closer, depth: number): Piece[] {
  const all = gathered(depth);
  while (state.at < state.tokens.length) {
    if (keyAt(state) === closer || (closer === '*' && means(state, 'from star') && keyAt(state) !== '*')) break;
    step(state, all);
  }
  return all.pieces;
}

function topSequence(state: ReadState): Piece[] {
  const all = gathered(0);
  while (state.at < state.tokens.length) {
    const total = totalAt(state, hasStitches(all) || state.same !== null);
    if (total && total.length > 0) {
      if (takeTotal(state, total, all)) break;
      continue;
    }
    step(state, all);
  }
  return withWholeChoices(state, all.pieces, all.last);
}

/** Takes a stated total; true when it ends the round. One in the middle counts the stitches before it. */
function takeTotal(state: ReadState, total: Total, all: Gathered): boolean {
  const begins = !hasStitches(all) && state.same === null;
  const count = Number(numberOf(total.number));
  const { span } = total;
  state.at += total.length;
  if (!Number.isInteger(count) || count > BOUNDS.partStitches) {
    tellError(state, { code: 'bad-count', text: total.number.text.slice(0, 40), most: BOUNDS.partStitches }, total.number);
    return !begins;
  }
  if (!begins && goesOn(state)) {
    countLast(all.pieces, count);
    return false;
  }
  all.pieces.push({ is: 'total', count, span });
  if (begins) return false;
  const settled = withWholeChoices(state, all.pieces.splice(0), all.last);
  all.pieces.push(...settled, ...afterTotal(state, settled));
  all.last = null;
  return true;
}

/** Whether stitches with a number, and a total of their own, still follow. */
function goesOn(state: ReadState): boolean {
  if (keyAt(state) !== ',' && keyAt(state) !== ';') return false;
  let worked = false;
  for (let at = state.at; at < state.tokens.length; at++) {
    const phrase = phraseAt(state, at);
    if (phrase && isWorked(phrase.meaning)) worked = true;
    if (worked && keyAt(state, at) in CLOSER_OF && totalAt(state, true, at)) return true;
    if (phrase) at += phrase.length - 1;
  }
  return false;
}

/** "sc around the first leg (12), …": the number counts what stands before it. */
function countLast(pieces: Piece[], count: number): void {
  const last = pieces.at(-1);
  if (last?.is === 'part round') pieces[pieces.length - 1] = itemPiece({ ...last.work, count }, last.span);
  else if (last && isPlainWork(last) && typeof last.item.count !== 'number')
    pieces[pieces.length - 1] = itemPiece({ ...last.item, count }, last.span);
}

/** One separator, loop, or item. */
function step(state: ReadState, all: Gathered): void {
  const { key } = state.tokens[state.at]!;
  if (SEPARATORS.has(key) && !negative(state)) {
    state.at++;
    return;
  }
  const left = all.depth === 0 ? leftLoopsAt(state, state.at) : null;
  if (left) {
    const from = state.tokens[state.at]!.from;
    state.at += left.length;
    state.foundation = { value: left.value, span: spanFrom(state, from) };
    return;
  }
  const loop = loopPrefix(state);
  if (loop) {
    if (loop.rest) all.scope = loop.loop;
    else all.once = loop.loop;
    return;
  }
  const before = state.at;
  const length = all.pieces.length;
  const read = itemAt(state, all);
  if (state.at === before) state.at++;
  const wanted = all.once === 'both' ? all.scope : all.once;
  if (all.last && all.last.from < length && read.length > 0 && all.last.worked === null) all.last = null;
  for (const piece of inLoopPieces(read, wanted)) {
    const longer = longerSpur(all.pieces.at(-1), piece);
    if (longer) all.pieces[all.pieces.length - 1] = longer;
    else all.pieces.push(piece);
  }
  if (read.length > 0) all.once = 'both';
}

/** "-2 sc": a minus that belongs to a number is no separator. */
function negative(state: ReadState): boolean {
  const [minus, number] = [state.tokens[state.at]!, state.tokens[state.at + 1]];
  const spaced = state.at > 0 && state.tokens[state.at - 1]!.to === minus.from;
  return minus.key === '-' && number?.kind === 'number' && number.from === minus.to && !spaced && totalAt(state, true) === null;
}

function itemAt(state: ReadState, all: Gathered): Piece[] {
  const token = state.tokens[state.at]!;
  if (token.key === '-') return negativeCount(state, token);
  const colour = colourHere(state, all.pieces);
  if (colour) return colour;
  if (token.key in CLOSER_OF || token.key === '*') return bracketAt(state, all, token);
  if (')]}'.includes(token.key)) {
    state.at++;
    tellError(state, { code: 'unopened', closer: token.text }, token);
    return [];
  }
  const phrase = phraseAt(state);
  if (phrase && (numberOf(token) === null || isWorked(phrase.meaning))) return phrased(state, phrase, token, all);
  const number = numberOf(token);
  if (number !== null) return numbered(state, number, token, all);
  return phrase ? phrased(state, phrase, token, all) : unknownWords(state, all.pieces);
}

function negativeCount(state: ReadState, minus: Token): Piece[] {
  const number = state.tokens[state.at + 1]!;
  state.at += 2;
  const span = { from: minus.from, to: number.to };
  tellError(state, { code: 'bad-count', text: wordsIn(state, span).slice(0, 40), most: BOUNDS.count }, span);
  return [];
}

/** A repeat, stitches in one, or words in brackets that change no count. */
function bracketAt(state: ReadState, all: Gathered, token: Token): Piece[] {
  const end = token.key === '*' ? -1 : bracketEnd(state);
  const said = end > 0 ? phraseAt(state, state.at + 1) : null;
  if (said?.meaning.is === 'other side' && state.at + 1 + said.length === end) {
    state.at++;
    otherSide(state, said.length, all.pieces);
    state.at = end + 1;
    return [];
  }
  if (end > 0 && !holdsWork(state, state.at + 1, end)) return aside(state, end, token);
  const from = all.pieces.length;
  const times = all.depth === 0 && token.key !== '*' ? wholeTimesAt(state) : null;
  if (times !== null) return wholeRepeated(state, all, times);
  const pieces = groupAt(state, all.depth, sequence);
  all.last = pieces.length > 0 ? { from, worked: null } : all.last;
  return pieces;
}

/** Index of the bracket that closes the one at the cursor, -1 for none. */
function bracketEnd(state: ReadState): number {
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

function holdsWork(state: ReadState, from: number, to: number): boolean {
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

function aside(state: ReadState, end: number, token: Token): Piece[] {
  const words = state.tokens.slice(state.at + 1, end);
  const silent = words.every((word) => ['rs', 'ws', 'right', 'wrong', 'side'].includes(word.key)) || words.length === 0;
  state.at = end + 1;
  const span = { from: token.from, to: state.tokens[end]!.to };
  return silent ? [] : [itemPiece({ kind: 'remark', text: wordsIn(state, span) }, span)];
}

/** "… (x6)", "… (6 times)", "… six times" after all that was said so far; null where no such words stand. */
function wholeTimesAt(state: ReadState): Repeats | null {
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
function wholeRepeated(state: ReadState, all: Gathered, times: Repeats): Piece[] {
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

function phrased(state: ReadState, match: Match, token: Token, all: Gathered): Piece[] {
  const { meaning, length } = match;
  if (isWorked(meaning)) {
    const every = meaning.is === 'stitch' ? everyAfter(state, length, token, meaning.stitch) : null;
    if (every) return [every];
    const split = splitName(state, state.at, length);
    state.at += length;
    return remember(all, workedAt(state, meaning, null, token.from, all.pieces, split));
  }
  switch (meaning.is) {
    case 'ring':
      state.awaiting = { from: 'ring', span: spanOf(state, length) };
      state.at += length;
      return ringEnds(state, all);
    case 'chain':
      return chainAt(state, length, all.pieces);
    case 'picot':
      state.at += length;
      return [
        itemPiece(
          { kind: 'spur', chains: meaning.chains, first: meaning.chains, stitches: [{ stitch: 'sl st', count: 1 }] },
          spanFrom(state, token.from),
        ),
      ];
    case 'join':
      return joinAt(state, length, token, all.pieces);
    case 'close join':
      if (partAt(state, state.at + length) && token.key === 'join') return joinAt(state, 1, token, all.pieces);
      state.at += length;
      // "in top of ch 3"
      if (keyAt(state, state.at - 1).startsWith('ch') && state.tokens[state.at]?.kind === 'number') state.at++;
      return [itemPiece({ kind: 'close', how: 'join' }, spanFrom(state, token.from))];
    case 'turn':
      state.at += length;
      return [itemPiece({ kind: 'close', how: 'turn' }, spanFrom(state, token.from))];
    case 'skip':
      return skipAt(state, length, token);
    case 'rest':
      state.at += length;
      if (numberOf(state.tokens[state.at]) !== null) {
        state.at++;
        passIf(state, 'stitches');
        if (keyAt(state) === 'unworked') state.at++;
      }
      return [{ is: 'rest', span: spanFrom(state, token.from) }];
    case 'colour':
      state.at += length;
      return colourAt(state, token);
    case 'with':
      return withAt(state, token, length, all.pieces);
    case 'remark':
      return [remarkAt(state, token)];
    case 'even':
      state.at += length;
      return remember(all, {
        pieces: [plainWork('around', spanFrom(state, token.from))],
        single: null,
        times: null,
        bare: false,
      });
    default:
      return phrasedPlace(state, match, token, all);
  }
}

function remember(all: Gathered, worked: WorkedPieces): Piece[] {
  all.last = { from: all.pieces.length, worked };
  return [...worked.pieces];
}

/** "sc every 4th and 5th stitch together". */
function everyAfter(state: ReadState, length: number, token: Token, stitch: Parameters<typeof everyTogether>[2]): Piece | null {
  state.at += length;
  const found = everyTogether(state, token.from, stitch);
  if (!found) state.at -= length;
  return found;
}

/** "6 sc, magic ring": a ring named after its stitches. */
function ringEnds(state: ReadState, all: Gathered): Piece[] {
  const last = all.pieces.at(-1);
  if (
    !last ||
    !isPlainWork(last) ||
    all.pieces.filter((piece) => !isPrelude(piece)).length > 1 ||
    typeof last.item.count !== 'number' ||
    !state.context.first
  )
    return [];
  const rest = state.tokens.slice(state.at).some((_token, i) => {
    const phrase = phraseAt(state, state.at + i);
    return phrase !== null && isWorked(phrase.meaning);
  });
  if (rest) return [];
  all.pieces.pop();
  return [startOf(state, 'ring', last.item.stitch, last.item.count, last.span.from)];
}

/** Phrases that say where, how long, or that all is as in another round. */
function phrasedPlace(state: ReadState, { meaning, length }: Match, token: Token, all: Gathered): Piece[] {
  switch (meaning.is) {
    case 'starting':
    case 'along':
    case 'into':
      return placeWords(state, length, token, meaning.is);
    case 'nth chain':
      whereAt(state);
      return [];
    case 'other side':
      otherSide(state, length, all.pieces);
      return [];
    case 'edge':
    case 'layers':
      state.at += length;
      workedOn(state, meaning.is, token.from);
      return [];
    case 'pick up':
      state.at += length;
      state.pickingUp = true;
      return [];
    case 'until':
      return untilAt(state, token);
    case 'as liked':
      state.open = { mm: null };
      state.at += length;
      return [];
    case 'for':
      state.at += length;
      return forRounds(state) ? [] : [remarkAt(state, token)];
    case 'same':
    case 'filler':
    case 'total':
      return filler(state, length, token, meaning.is === 'same', all);
    case 'times': {
      const times = all.depth === 0 && hasStitches(all) ? wholeTimesAt(state) : null;
      return times === null ? unknownWords(state, all.pieces) : wholeRepeated(state, all, times);
    }
    case 'next one':
    case 'stitches':
      state.at += length;
      return [];
    case 'around':
    case 'each':
    case 'to last':
    case 'next':
      return aroundAlone(state, length, token, all);
    default:
      return unknownWords(state, all.pieces);
  }
}

/** "…, around" after stitches repeats them; "just go around" is a plain round; before stitches it says nothing. */
function aroundAlone(state: ReadState, length: number, token: Token, all: Gathered): Piece[] {
  if (all.depth > 0) return unknownWords(state, all.pieces);
  if (hasStitches(all)) {
    const times = openEnd(state);
    return times === null ? unknownWords(state, all.pieces) : wholeRepeated(state, all, times);
  }
  const is = phraseAt(state)!.meaning.is;
  if (is !== 'around' && is !== 'each') return unknownWords(state, all.pieces);
  state.at += length;
  const ends = state.at >= state.tokens.length || totalAt(state, true) !== null;
  return ends ? [plainWork('around', spanFrom(state, token.from))] : [];
}

/** Words that say where the stitches go and change no count: "starting in 2nd ch from hook", "along the chain". */
function placeWords(state: ReadState, length: number, token: Token, is: 'starting' | 'along' | 'into'): Piece[] {
  const back = state.at;
  state.at += length;
  if (is === 'along') {
    const part = partAt(state);
    if (part) state.at += part.length;
    else if (keyAt(state) === 'leg') state.at++;
    return [];
  }
  const where = whereAt(state);
  if (where?.into === 'chain' && state.foundation?.value.from === 'chain')
    state.foundation = { ...state.foundation, value: { ...state.foundation.value, first: where.nth } };
  else if (is === 'into' && !where) {
    state.at = back;
    return unknownWords(state, []);
  } else if (!where) return [remarkAt(state, token)];
  return [];
}

function filler(state: ReadState, length: number, token: Token, same: boolean, all: Gathered): Piece[] {
  if (sameAt(state, state.at + length, token)) return [];
  if (same) return sameAsPart(state, length, token);
  state.at += length;
  if (!token.key.startsWith('rep')) return [];
  if (all.depth > 0 || !hasStitches(all)) return [];
  const times = repeatsSaid(state) ?? openEnd(state) ?? (atEnd(state) || totalAt(state, true) ? 'around' : null);
  return times === null ? [] : wholeRepeated(state, all, times);
}

/** "same as first leg": all rounds of a part, to be taken over where the line stands for all of them. */
function sameAsPart(state: ReadState, length: number, token: Token): Piece[] {
  const part = partAt(state, state.at + length);
  if (!part) return unknownWords(state, []);
  state.at += length + part.length;
  state.same = { first: 1, last: Number.POSITIVE_INFINITY, part: part.name, span: spanFrom(state, token.from) };
  return [];
}

function skipAt(state: ReadState, length: number, token: Token): Piece[] {
  state.at += length;
  const where = whereAt(state);
  const number = where ? null : numberOf(state.tokens[state.at]);
  const count = where?.into === 'next' ? where.count : number === null ? 1 : checkedCount(state, number, state.tokens[state.at]!);
  if (number !== null) state.at++;
  if (means(state, 'stitches')) state.at += phraseAt(state)!.length;
  if (keyAt(state) === 'unworked') state.at++;
  return [itemPiece({ kind: 'skip', count }, spanFrom(state, token.from))];
}

/** "3 sc", "6 in ring", "6 × (…)", "6(…)", "4 red". */
function numbered(state: ReadState, number: number, token: Token, all: Gathered): Piece[] {
  const count = checkedCount(state, number, token);
  const begin = state.at;
  state.at++;
  const phrase = phraseAt(state);
  const prefixed = prefixTimes(state, count, token, all, phrase);
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
  const coloured = colourHere(state, all.pieces);
  if (coloured) return [...coloured, plainWork(count, spanFrom(state, token.from))];
  const where = phrase?.meaning.is === 'with' ? whereAt(state) : null;
  if (where?.into === 'each' || where?.into === 'one')
    return [manyInEach(count, where.into === 'each' ? 'around' : 1, spanFrom(state, token.from))];
  if (forRoundsAt(state, begin)) return [];
  return unknownStitch(state, count, token, phrase, all.pieces);
}

/** "2 in each stitch": the plain stitch, so many in one. */
function manyInEach(per: number, count: 'around' | 1, span: Span): Piece {
  return itemPiece({ kind: 'work', stitch: 'sc', per, together: 1, school: 'open', count, loop: 'both', through: null }, span);
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
function prefixTimes(state: ReadState, count: number, token: Token, all: Gathered, phrase: Match | null): Piece[] | null {
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

/** A number of something that is no stitch known here. */
function unknownStitch(state: ReadState, count: number, token: Token, phrase: Match | null, before: readonly Piece[]): Piece[] {
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
  if (!words && alone) return [plainWork(count, span)];
  tellUnread(state, span);
  return [];
}

/**
 * Words that are not known here, up to the next separator. Those of a sentence of their own, without a number or a word of
 * the craft, are a remark; all others are told.
 */
function unknownWords(state: ReadState, before: readonly Piece[]): Piece[] {
  const first = state.tokens[state.at]!;
  const at = state.at;
  const passed = passToSeparator(state);
  if (state.at === at) state.at++;
  const span = { from: first.from, to: Math.max(first.to, passed.to) };
  const chat = state.tokens.slice(at, state.at).every(({ key }) => CHAT.has(key));
  const sentence = chat || at === 0 || ['.', '!', '...', '?'].includes(keyAt(state, at - 1));
  if (sentence && before.some((piece) => !isPrelude(piece)) && isChat(state, at, state.at))
    return [itemPiece({ kind: 'remark', text: wordsIn(state, span) }, span)];
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

/** A loop said before its stitches. With a comma, colon or brackets it holds for the rest; else for the next item. */
function loopPrefix(state: ReadState): { readonly loop: Loop; readonly rest: boolean } | null {
  const back = state.at;
  const bracket = CLOSER_OF[keyAt(state)];
  if (bracket) state.at++;
  else if (keyAt(state) === 'working' || keyAt(state) === 'work') state.at++;
  const loop = loopAt(state);
  const next = keyAt(state);
  if (!loop || (bracket && next !== bracket)) {
    state.at = back;
    return null;
  }
  if (bracket) state.at++;
  return { loop, rest: bracket !== undefined || next === ',' || next === ':' };
}

const AFTER: ReadonlySet<Match['meaning']['is']> = new Set(['colour', 'turn', 'close join']);

/** What follows the stated total: colours, chains, joins and turns are read, any other sentence is a remark. */
function afterTotal(state: ReadState, before: readonly Piece[]): Piece[] {
  const all = gathered(0);
  while (state.at < state.tokens.length) {
    const token = state.tokens[state.at]!;
    if (token.kind === 'mark' && token.key !== '(' && token.key !== '*') {
      state.at++;
      continue;
    }
    const phrase = phraseAt(state);
    const is = phrase?.meaning.is;
    const chain = is === 'chain' && numberOf(state.tokens[state.at + 1]) !== null;
    if (phrase && is && (AFTER.has(is) || chain)) {
      all.pieces.push(...phrased(state, phrase, token, { ...gathered(0), pieces: [...before, ...all.pieces] }));
      continue;
    }
    while (state.at < state.tokens.length && keyAt(state) !== '.') state.at++;
    const span = { from: token.from, to: state.tokens[state.at - 1]!.to };
    all.pieces.push(itemPiece({ kind: 'remark', text: wordsIn(state, span) }, span));
  }
  return all.pieces;
}
