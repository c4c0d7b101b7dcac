import { BOUNDS } from '../../bounds/index.js';
import type { ReadingDiagnostic } from '../diagnostic.js';
import type { Foundation, OpenRun } from '../pattern.js';
import type { Loop } from '../stitch.js';
import { PLAIN } from '../items.js';
import { numberOf, type Token } from '../tokens.js';
import { vocabularyOf, type Match } from '../vocabulary.js';
import { forRounds } from './asides.js';
import { aside, bracketEnd, holdsWork } from './brackets.js';
import { colourHere } from './colour-here.js';
import { totalAt, type Total } from './counts.js';
import { gathered, hasStitches, type Gathered } from './gathered.js';
import { groupAt, inLoopPieces } from './groups.js';
import { numbered } from './numbered.js';
import { phrased } from './phrased.js';
import { leadingTotal, type LeadingTotal } from './leading-total.js';
import { choice, itemPiece, type Piece, remarkPiece } from './piece.js';
import { wholeRepeated, wholeTimesAt } from './repeats.js';
import { leftLoopsAt, longerSpur, otherSide, startOf } from './starts.js';
import {
  CLOSER_OF,
  keyAt,
  means,
  phraseAt,
  SEPARATORS,
  spanFrom,
  stateOf,
  tellError,
  tellUnread,
  wordsIn,
  type Closer,
  type Placed,
  type ReadState,
  type RoundContext,
  type SameAs,
} from './state.js';
import { timeAt } from '../talk-time.js';
import { isPlainWork, isWorked } from './placing.js';
import { loopAt } from './suffixes.js';
import { unknownWords } from './unknown.js';
import { isPrelude, withWholeChoices } from './whole.js';

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
  const led = leadingTotal(vocabularyOf(context.terms), tokens);
  return led ? withLeadingTotal(text, tokens, led, context, report) : readWords(text, tokens, context, report);
}

/** The words as they stand, or with their first number as the total: whichever can be read, or as the count settles it. */
function withLeadingTotal(
  text: string,
  tokens: readonly Token[],
  { count, span, rest }: LeadingTotal,
  context: RoundContext,
  report: (diagnostic: ReadingDiagnostic) => void,
): RoundReading {
  const found: ReadingDiagnostic[] = [];
  const usual = readWords(text, tokens, context, (diagnostic) => found.push(diagnostic));
  let clean = usual.pieces.every(({ is }) => is !== 'total') && usual.foundation === null;
  const other = readWords(text, rest, { ...context, lookups: { left: 0 } }, () => (clean = false));
  if (clean && other.foundation === null && other.pieces.some(({ is }) => is !== 'total')) {
    const pieces: readonly Piece[] = [...other.pieces, { is: 'total', count, span }];
    if (found.length > 0 || usual.pieces.length === 0) return { ...other, pieces };
    return { ...usual, pieces: [choice('first-total', [usual.pieces, pieces])] };
  }
  found.forEach(report);
  return usual;
}

function readWords(
  text: string,
  tokens: readonly Token[],
  context: RoundContext,
  report: (diagnostic: ReadingDiagnostic) => void,
): RoundReading {
  const state = stateOf(text, tokens, context, report);
  const pieces = withRingOf(state, topSequence(state));
  if (state.awaiting) tellUnread(state, state.awaiting.span);
  const { foundation, foundationDoubtful, open, same, rounds, upTo } = state;
  return { pieces, foundation, foundationDoubtful, open, same, rounds, upTo };
}

/** "MR (6)": a ring of which only the total says how many stitches it has. */
function withRingOf(state: ReadState, pieces: Piece[]): Piece[] {
  const total = pieces.find((piece) => piece.is === 'total');
  const alone = state.awaiting?.from === 'ring' && pieces.every(isPrelude);
  if (!alone || total?.is !== 'total') return pieces;
  return [startOf(state, 'ring', 'sc', total.count, state.awaiting!.span.from), ...pieces];
}

function sequence(state: ReadState, closer: Closer, depth: number): Piece[] {
  const all = gathered(depth);
  while (state.at < state.tokens.length && !state.stopped) {
    if (keyAt(state) === closer || (closer === '*' && means(state, 'from star') && keyAt(state) !== '*')) break;
    step(state, all);
  }
  return all.pieces;
}

function topSequence(state: ReadState): Piece[] {
  const all = gathered(0);
  while (state.at < state.tokens.length && !state.stopped) {
    const total = totalAt(state, hasStitches(all) || state.same !== null);
    if (total && total.length > 0) {
      if (takeTotal(state, total, all)) break;
      continue;
    }
    step(state, all);
  }
  const loop = all.once === 'both' ? all.scope : all.once;
  // "BLO (12)": a round of plain stitches.
  if (loop !== 'both' && all.pieces.every(isPrelude) && !state.foundation && !state.same) {
    const { from, to } = state.tokens[0]!;
    all.pieces.unshift(itemPiece({ ...PLAIN, loop, count: 'around' }, { from, to }));
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
    // ":)" closes nothing.
    const eyes = state.tokens[state.at - 2];
    const smiles = (eyes?.key === ':' || eyes?.key === ';' || eyes?.key === '-') && eyes.to === token.from;
    if (!smiles) tellError(state, { code: 'unopened', closer: token.text }, token);
    return [];
  }
  const phrase = phraseAt(state);
  if (phrase && (numberOf(token) === null || isWorked(phrase.meaning))) return phrased(state, phrase, token, all);
  const number = numberOf(token);
  if (number !== null) return numbered(state, number, token, all, sequence);
  return phrase ? phrased(state, phrase, token, all) : unknownWords(state, all.pieces);
}

function negativeCount(state: ReadState, minus: Token): Piece[] {
  const number = state.tokens[state.at + 1]!;
  state.at += 2;
  const span = { from: minus.from, to: number.to };
  tellError(state, { code: 'bad-count', text: wordsIn(state, span).slice(0, 40), most: BOUNDS.count }, span);
  return [];
}

/** "(x3 rounds)", "(3 rounds)" after the stitches: how many rounds the line is for. */
function roundsIn(state: ReadState, end: number): boolean {
  const back = state.at;
  state.at += keyAt(state, state.at + 1) === 'x' || keyAt(state, state.at + 1) === 'for' ? 2 : 1;
  if (forRounds(state) && state.at === end) {
    state.at++;
    return true;
  }
  state.at = back;
  return false;
}

/** A repeat, stitches in one, or words in brackets that change no count. */
function bracketAt(state: ReadState, all: Gathered, token: Token): Piece[] {
  const end = token.key === '*' ? -1 : bracketEnd(state);
  if (end > 0 && hasStitches(all) && roundsIn(state, end)) return [];
  if (end > 0 && keyAt(state, state.at + 1) === 'at' && timeAt(state.tokens, state.at + 2)) return aside(state, end, token);
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
    all.pieces.push(remarkPiece(wordsIn(state, span), span));
  }
  return all.pieces;
}
