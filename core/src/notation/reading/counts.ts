import { BOUNDS } from '../../bounds/index.js';
import { colourLength } from '../colours.js';
import { labelWord } from '../label-word.js';
import type { Times } from '../pattern.js';
import type { Meaning } from '../phrases.js';
import { join, type Span } from '../span.js';
import { numberOf, type Token } from '../tokens.js';
import { CLOSER_OF, keyAt, means, passIf, phraseAt, SEPARATORS, tellError, wordsIn, type ReadState } from './state.js';

export function checkedCount(state: ReadState, number: number, token: Token): number {
  if (Number.isInteger(number) && number >= 1 && number <= BOUNDS.count) return number;
  tellError(state, { code: 'bad-count', text: wordsIn(state, token).slice(0, 40), most: BOUNDS.count }, token);
  return 1;
}

/** "× 6", "* 6", "6 times", "6 x", "(x6)", "6 more times", "twice", "around". */
export function timesAt(state: ReadState): Times | null {
  const phrase = phraseAt(state);
  if (phrase?.meaning.is === 'twice' || phrase?.meaning.is === 'around') {
    state.at += phrase.length;
    return phrase.meaning.is === 'twice' ? 2 : 'around';
  }
  if (phrase?.meaning.is === 'times') return timesAfterMark(state, phrase.length);
  const token = state.tokens[state.at];
  if (token?.key === 'once') {
    state.at++;
    if (keyAt(state) !== 'more') return 1;
    state.at++;
    return 2;
  }
  const bracketed = timesInBrackets(state);
  if (bracketed !== null) return bracketed;
  if (token?.key === '*' && state.stars === 0) return starTimes(state);
  return timesAfterNumber(state);
}

function timesAfterMark(state: ReadState, length: number): number | null {
  const token = state.tokens[state.at + length];
  const minus = token?.key === '-' ? 1 : 0;
  const numbered = state.tokens[state.at + length + minus];
  const number = numberOf(numbered);
  if (number === null) return null;
  state.at += length + 1 + minus;
  if (means(state, 'times') && state.tokens[state.at + 1]?.kind !== 'number') state.at++;
  return checkedCount(state, minus ? -number : number, minus ? { ...numbered!, ...join(token!, numbered!) } : numbered!);
}

function timesAfterNumber(state: ReadState): number | null {
  const token = state.tokens[state.at];
  const number = numberOf(token);
  if (number === null) return null;
  const more = keyAt(state, state.at + 1) === 'more' ? 1 : 0;
  const after = phraseAt(state, state.at + 1 + more);
  if (after?.meaning.is !== 'times') return null;
  const end = state.at + 1 + more + after.length;
  // "inc 1 x4": the number after the mark is how often.
  if (more === 0 && keyAt(state, end - 1) === 'x' && state.tokens[end]?.kind === 'number') return null;
  const opens = keyAt(state, end) in CLOSER_OF && totalAt(state, true, end) === null;
  if (opens || (keyAt(state, end) === '*' && state.stars === 0)) return null;
  // "6 x inc" is an increase six times; "6 times inc" says no more than that either.
  state.at = end;
  if (keyAt(state) === 'more') {
    state.at++;
    return checkedCount(state, number, token!) + 1;
  }
  return checkedCount(state, number, token!) + more;
}

/** "(x6)", "(6 times)", "(repeat 6 times)". */
function timesInBrackets(state: ReadState): number | null {
  const closer = CLOSER_OF[keyAt(state)];
  if (!closer) return null;
  const back = state.at;
  state.at++;
  if (keyAt(state).startsWith('rep')) state.at++;
  const times = keyAt(state) in CLOSER_OF ? null : timesAt(state);
  if (typeof times === 'number' && keyAt(state) === closer) {
    state.at++;
    return times;
  }
  state.at = back;
  return null;
}

/** "(2 sc, inc)*6": a star before a number multiplies, where no star is open that it could close. */
function starTimes(state: ReadState): number | null {
  const token = state.tokens[state.at + 1];
  const number = numberOf(token);
  const next = state.tokens[state.at + 2];
  const ends =
    next === undefined || next.kind === 'mark' || means(state, 'times', state.at + 2) || means(state, 'with', state.at + 2);
  if (number === null || !ends) return null;
  state.at += 2;
  passIf(state, 'times');
  return checkedCount(state, number, token!);
}

const AFTER_COUNT: ReadonlySet<string> = new Set([
  'with',
  'into',
  'loop',
  'along',
  'edge',
  'layers',
  'through',
  'evenly',
  'each end',
]);

/** A number that stands alone after a stitch or a group: "sc 3", "(2 sc, inc) 6". */
export function bareCount(state: ReadState): number | null {
  const token = state.tokens[state.at];
  const number = numberOf(token);
  if (number === null) return null;
  const next = state.tokens[state.at + 1];
  const is = phraseAt(state, state.at + 1)?.meaning.is ?? '';
  if (token!.kind === 'number' && token!.from === state.tokens[state.at - 1]?.to) {
    state.at++;
    return checkedCount(state, number, token!);
  }
  // "dec 1 st at each end"
  const unit = is === 'stitches' ? phraseAt(state, state.at + 1)!.length : 0;
  const after = phraseAt(state, state.at + 1 + unit)?.meaning.is;
  if (unit > 0 && (after === 'each end' || after === 'evenly')) {
    state.at += 1 + unit;
    return checkedCount(state, number, token!);
  }
  if (means(state, 'next one')) return null;
  const free = next === undefined || next.key in CLOSER_OF || SEPARATORS.has(next.key) || ')]}*'.includes(next.key);
  // "sc 6 red"
  const coloured = next?.kind === 'word' && colourLength(state.tokens, state.at + 1, state.context.colours) > 0;
  const joined = next?.key === 'and' && isStitch(phraseAt(state, state.at + 2)?.meaning.is);
  if (!free && !joined && !coloured && !AFTER_COUNT.has(is) && !countsFollow(state)) return null;
  state.at++;
  return checkedCount(state, number, token!);
}

const isStitch = (is: Meaning['is'] | undefined): boolean => is === 'stitch' || is === 'increase' || is === 'decrease';

/** "sc 2 inc 1": every stitch has its number after it, up to the end of the clause. */
function countsFollow(state: ReadState): boolean {
  let at = state.at + 1;
  for (let stitches = 0; ; stitches++) {
    const token = state.tokens[at];
    if (token === undefined || SEPARATORS.has(token.key) || token.key in CLOSER_OF || ')]}*'.includes(token.key))
      return stitches > 0;
    const is = phraseAt(state, at)?.meaning.is;
    if (!isStitch(is) || stitches > MOST_COUNTED) return false;
    at += phraseAt(state, at)!.length;
    if (state.tokens[at]?.kind !== 'number') return false;
    at++;
  }
}

/** Most stitches with their numbers in one clause. */
const MOST_COUNTED = 40;

/** A total said in words or marks, and the tokens it takes. */
export interface Total {
  readonly number: Token;
  readonly span: Span;
  readonly length: number;
}

const TAILS: ReadonlySet<string> = new Set([
  'now',
  'left',
  'remain',
  'remaining',
  'altogether',
  'all',
  'around',
  'total',
  'only',
]);
const MARKS: ReadonlySet<string> = new Set(['=', '-', ':', '|', '...', ';', '•', ',', '/', '~', '.']);

/**
 * A stated total at `at`: "(18)", "[18 sts]", "{18}", "<18>", "= 18", "18 sts", "you should now have 18 stitches".
 * @param worked whether something has been worked before it, so that a bare number at the end is a total
 */
export function totalAt(state: ReadState, worked: boolean, at = state.at): Total | null {
  const first = state.tokens[at];
  if (!first) return null;
  if (first.kind !== 'mark') return totalInWords(state, at, at, worked);
  const closer = first.key === '<' ? '>' : CLOSER_OF[first.key];
  return closer ? totalInBrackets(state, at, closer, worked) : MARKS.has(first.key) ? totalAfterMark(state, at, worked) : null;
}

const LEAD_MARKS: ReadonlySet<string> = new Set(['=', ':', '-']);

/** Where the number of a total stands at `at`, past words that lead to it; -1 when there is none. */
function numberAfterLead(state: ReadState, at: number): { readonly number: number; readonly led: boolean } {
  let i = at;
  let led = false;
  for (let phrase = phraseAt(state, i); phrase?.meaning.is === 'total'; phrase = phraseAt(state, i)) {
    i += phrase.length;
    led = true;
    while (LEAD_MARKS.has(keyAt(state, i))) i++;
  }
  while (!led && keyAt(state, i) === '=') i++;
  return { number: numberOf(state.tokens[i]) === null ? -1 : i, led };
}

/** "12 sts each round" */
const EACH: ReadonlySet<string> = new Set(['each', 'every', 'per']);

/** Past the unit and the closing words of a total whose number stands at `number`. */
function afterUnit(state: ReadState, number: number, stitch: boolean): { readonly next: number; readonly named: boolean } {
  let i = number + 1;
  const unit = phraseAt(state, i);
  const named = unit?.meaning.is === 'stitches';
  if (unit && (named || (stitch && unit.meaning.is === 'stitch'))) i += unit.length;
  if (!named && keyAt(state, i) === 'sts') i++;
  for (;;) {
    if (keyAt(state, i) === 'in' && ['total', 'all'].includes(keyAt(state, i + 1))) i += 2;
    else if (EACH.has(keyAt(state, i)) && labelWord(state.tokens[i + 1]) !== null) i += 2;
    else if (TAILS.has(keyAt(state, i)) && (named || stitch || keyAt(state, i) !== 'around')) i++;
    else return { next: i, named };
  }
}

function total(state: ReadState, at: number, number: number, next: number): Total {
  return { number: state.tokens[number]!, span: join(state.tokens[at]!, state.tokens[next - 1]!), length: next - at };
}

function totalInBrackets(state: ReadState, at: number, closer: string, worked: boolean): Total | null {
  const { number, led } = numberAfterLead(state, at + 1);
  if (number < 0) return null;
  let { next } = afterUnit(state, number, worked || led);
  if (keyAt(state, next) === '.') next++;
  if (keyAt(state, next) !== closer) return null;
  const after = phraseAt(state, next + 1)?.meaning.is;
  const counted = numberOf(state.tokens[next + 1]) !== null && means(state, 'times', next + 2);
  if (counted || after === 'times' || after === 'around' || after === 'twice' || after === 'to last') return null;
  if (state.tokens[number]!.kind === 'word' && !led && next === number + 1) return null;
  return total(state, at, number, next + 1);
}

/** Whether a line or a sentence ends at `at`. */
function ends(state: ReadState, at: number): boolean {
  const key = keyAt(state, at);
  return state.tokens[at] === undefined || key === '.' || key === '!' || key === '|' || key === '•';
}

function totalAfterMark(state: ReadState, at: number, worked: boolean): Total | null {
  const mark = state.tokens[at]!;
  const { number, led } = numberAfterLead(state, at + 1);
  if (number < 0) return null;
  const loud = mark.key === '=' || mark.key === '...' || mark.key === '|';
  const apart = mark.from > (state.tokens[at - 1]?.to ?? 0) && mark.to < state.tokens[at + 1]!.from;
  const { next, named } = afterUnit(state, number, loud || led || (mark.key === '-' && apart));
  if (mark.key === '=') return total(state, at, number, next);
  const dashed = mark.key === '-' && apart && ends(state, next);
  if (state.tokens[number]!.kind === 'word' && !led && !named && mark.key !== ',' && !dashed) return null;
  if (led || loud) return ends(state, next) || led ? total(state, at, number, next) : null;
  // "6 sc, 12" and "6 sc – 12 sc." end on a number; "6 sc, 12 sc" goes on.
  const closes = mark.key !== '.' || named || state.tokens[next] === undefined;
  return worked && ends(state, next) && closes ? total(state, at, number, next) : null;
}

function totalInWords(state: ReadState, at: number, from: number, worked: boolean): Total | null {
  const { number, led } = numberAfterLead(state, from);
  if (number < 0) return null;
  const { next, named } = afterUnit(state, number, led);
  if (labelWord(state.tokens[number + 1]) !== null) return null;
  if (led) return isAct(state, next) ? null : total(state, at, number, next);
  const ended = ends(state, next) || keyAt(state, next) === ',';
  // "inc all the way around 12", "inc x 6    12"
  const before = state.tokens[at - 1];
  const bare =
    state.tokens[next] === undefined && next === number + 1 && (before?.kind === 'number' || ROUND_ENDS.has(before?.key ?? ''));
  return worked && ended && (named || bare) ? total(state, at, number, next) : null;
}

/** Words after which a round can end and nothing is counted: a number after them is the total. */
const ROUND_ENDS: ReadonlySet<string> = new Set(
  'around round across end ring mr mc circle loop st sts stitch stitches each times'.split(' '),
);

/** "now 3 sc in next st": what follows makes the number a count of stitches. */
function isAct(state: ReadState, at: number): boolean {
  const is = phraseAt(state, at)?.meaning.is;
  return (
    is === 'with' || is === 'times' || is === 'next' || is === 'each' || is === 'increase' || is === 'decrease' || is === 'chain'
  );
}
