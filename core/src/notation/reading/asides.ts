import { MM_IN } from '../length-units.js';
import { colourLength, isColourCode, pastArticle, YARNS } from '../colours.js';
import { labelWord } from '../label-word.js';
import { numberOf, type Token } from '../tokens.js';
import { checkedCount, timesAt, totalAt } from './counts.js';
import { itemPiece, type Piece, remarkPiece } from './piece.js';
import { partAt, roundAt } from './references.js';
import {
  CLOSER_OF,
  keyAt,
  means,
  passToSeparator,
  phraseAt,
  SEPARATORS,
  spanFrom,
  tellUnread,
  wordsIn,
  type ReadState,
} from './state.js';
import { whereAt } from './where.js';

const NO_COLOUR: ReadonlySet<string> = new Set(
  'yarn the new colour color to back a an your of in on strand strands it this both hook main piece needle tail st sts stitch stitches round row same first next last rs ws right side facing'.split(
    ' ',
  ),
);
const NO_LIMB: ReadonlySet<string> = new Set(
  'both and the body wall of pieces two a main piece together layers at time once'.split(' '),
);

/** The limb worked in by "through flipper and body", where the phrase has been passed. */
export function limbAt(state: ReadState, before: readonly Piece[]): string {
  const end = endOfClause(state, true);
  let name: string | null = null;
  const namesLimb = (at: number): boolean => state.tokens[at]!.kind === 'word' && !NO_LIMB.has(keyAt(state, at));
  for (let i = state.at; i < end && name === null; i++) {
    const part = partAt(state, i);
    if (part) name = part.name;
    else if (namesLimb(i)) {
      let last = i;
      while (last + 1 < end && namesLimb(last + 1)) last++;
      name = wordsIn(state, { from: state.tokens[i]!.from, to: state.tokens[last]!.to });
    }
  }
  state.at = end;
  const remark = before.findLast((piece) => piece.is === 'item' && piece.item.kind === 'remark');
  const said = remark?.is === 'item' && remark.item.kind === 'remark' ? remark.item.text : '';
  return name ?? (said.split(' ').at(-1) || 'limb');
}

/** "until 5 cm long", "until it measures 2 in"; other words after "until" are a remark. */
export function untilAt(state: ReadState, token: Token): Piece[] {
  state.at++;
  const end = endOfClause(state);
  for (let i = state.at; i < end; i++) {
    const number = numberOf(state.tokens[i]);
    const unit = MM_IN[keyAt(state, i + 1)];
    const rows = labelWord(state.tokens[i + 1]) !== null || labelWord(state.tokens[i - 1]) !== null;
    if (number !== null && rows && Number.isInteger(number) && number > 0) {
      state.upTo = number;
      state.at = end;
      return [];
    }
    if (number === null || unit === undefined || number <= 0) continue;
    state.open = { mm: Math.round(number * unit * 10) / 10 };
    state.at = end;
    return [];
  }
  return [remarkAt(state, token)];
}

/** "for 10 rounds", "10 rounds", where the words before have been passed. */
export function forRounds(state: ReadState): boolean {
  const number = numberOf(state.tokens[state.at]);
  const more = keyAt(state, state.at + 1) === 'more' ? 1 : 0;
  if (number === null || !labelWord(state.tokens[state.at + 1 + more]) || keyAt(state, state.at + 1 + more) === 'r') return false;
  state.rounds = checkedCount(state, number, state.tokens[state.at]!);
  state.at += 2 + more;
  // "5 rounds of 16 sc"
  if (keyAt(state) === 'of') state.at++;
  return true;
}

const BEFORE: ReadonlySet<string> = new Set(['previous', 'last', 'prior', 'before']);

/** "R3", "R3–R5 of the leg", "the previous round", "round before", "first leg", with "three more times" after it. */
export function sameAt(state: ReadState, at: number, token: Token, all = false): boolean {
  const the = keyAt(state, at) === 'the' ? 1 : 0;
  const previous = BEFORE.has(keyAt(state, at + the)) && labelWord(state.tokens[at + the + 1]) !== null;
  const before = labelWord(state.tokens[at + the]) !== null && BEFORE.has(keyAt(state, at + the + 1));
  if (previous || before) {
    state.at = at + the + 2;
    state.same = { first: null, last: null, part: null, span: spanFrom(state, token.from) };
    moreTimes(state, 1);
    return true;
  }
  // "Repeat this round 3 times", "Do that 3 more times"
  const pointed = THIS.has(keyAt(state, at - 1)) && !all;
  const named = pointed && labelWord(state.tokens[at]) !== null ? 1 : 0;
  if (pointed && (named > 0 || saysTimes(state, at))) {
    state.at = at + named;
    state.same = { first: null, last: null, part: null, span: spanFrom(state, token.from) };
    moreTimes(state, 1);
    return true;
  }
  const reference = roundAt(state, at);
  if (!reference) return false;
  state.at = at + reference.length;
  const { first, last, part } = reference;
  state.same = { first, last, part, span: spanFrom(state, token.from) };
  moreTimes(state, last - first + 1);
  return true;
}

const THIS: ReadonlySet<string> = new Set(['this', 'that']);

/** "3 more times", "twice", "once more" */
function saysTimes(state: ReadState, at: number): boolean {
  const more = keyAt(state, at + 1) === 'more' ? 1 : 0;
  return (
    keyAt(state, at) === 'once' ||
    means(state, 'twice', at) ||
    (numberOf(state.tokens[at]) !== null && means(state, 'times', at + 1 + more))
  );
}

/** "twice more", "three more times", "2x" after rounds taken over: so many times all of them. */
function moreTimes(state: ReadState, length: number): void {
  const from = state.at;
  // "once more" is one time more.
  const once = keyAt(state) === 'once' && keyAt(state, state.at + 1) === 'more';
  const number = once ? 1 : numberOf(state.tokens[state.at]);
  const more = keyAt(state, state.at + 1) === 'more' && number !== null;
  const times = more ? number : timesAt(state);
  if (more) {
    state.at += 2;
    if (means(state, 'times')) state.at++;
  } else if (typeof times !== 'number') state.at = from;
  if (keyAt(state) === 'more') state.at++;
  if (typeof times === 'number') state.rounds = times * length;
}

/** A colour's name up to the next phrase, after the words that announce it. */
export function colourAt(state: ReadState, first: Token): Piece[] {
  if (keyAt(state) === ':') state.at++;
  const past = pastArticle(state.tokens, state.at);
  if (colourLength(state.tokens, past, state.context.colours) > 0) state.at = past;
  const from = state.at;
  const known = colourLength(state.tokens, state.at, state.context.colours);
  if (known > 0) state.at += known;
  else {
    while (state.at < state.tokens.length) {
      const token = state.tokens[state.at]!;
      if (token.kind !== 'word' || (state.at > from && phraseAt(state))) break;
      state.at++;
    }
  }
  const end = state.at;
  if (known > 0) passYarn(state);
  const where = whereAt(state);
  const names = colourIn(state, from, end, first);
  const span = spanFrom(state, first.from);
  if (names.length > 0) return names.map((colour) => ({ ...colour, span }));
  // "change colour in last st" names none.
  if (where) return [remarkPiece(wordsIn(state, span), span)];
  passToSeparator(state);
  tellUnread(state, spanFrom(state, first.from));
  return [];
}

/** "with white yarn": the word after a colour says no more. */
function passYarn(state: ReadState): void {
  while (YARNS.has(keyAt(state))) state.at++;
}

/** The colour named by the words in `[from, to)`; none when they name no colour. */
export function colourIn(state: ReadState, from: number, to: number, first: Token): Piece[] {
  const { codes } = state.context.colours;
  const words = state.tokens
    .slice(from, to)
    .filter((token) => token.kind === 'word' && (codes.has(token.text) || isColourCode(token.text) || !NO_COLOUR.has(token.key)));
  if (words.length === 0) return [];
  const whole = state.tokens.slice(from, to).every((token) => token.kind !== 'word' || words.includes(token));
  const written = whole
    ? wordsIn(state, { from: words[0]!.from, to: words.at(-1)!.to })
    : words.map((token) => token.text).join(' ');
  const name = codes.get(written) ?? UNNAMED[written] ?? written;
  return [itemPiece({ kind: 'colour', name }, { from: first.from, to: state.tokens[to - 1]!.to })];
}

const UNNAMED: Readonly<Record<string, string>> = { MC: 'main colour', CC: 'contrast colour' };

/** "4 sc red", "6 sc in white", "4 sc A", "4 sc (red)": a colour named after its stitches. */
export function colourAfter(state: ReadState): Piece | null {
  const closer = CLOSER_OF[keyAt(state)];
  const lead = !closer && ['in', 'with', 'using'].includes(keyAt(state)) ? 1 : 0;
  const at = state.at + (closer ? 1 : lead);
  const book = state.context.colours;
  let length = colourLength(state.tokens, at, book);
  const code = state.tokens[at];
  if (length === 0 && code && lead === 0 && isColourCode(code.text) && book.codes.has(code.text)) length = 1;
  if (length === 0 || (closer && keyAt(state, at + length) !== closer)) return null;
  // "6 sc, with red" and "6 sc. Red: …" change the colour for what comes; this is for what went before.
  const after = keyAt(state, at + length);
  if (after === ':' || (lead === 1 && partAt(state, at))) return null;
  const first = state.tokens[state.at]!;
  state.at = at + length + (closer ? 1 : 0);
  if (!closer) passYarn(state);
  return colourIn(state, at, at + length, first)[0] ?? null;
}

/** Words that change no count, up to the end of their clause. */
export function remarkAt(state: ReadState, token: Token): Piece {
  while (state.at < state.tokens.length) {
    const { key } = state.tokens[state.at]!;
    if (',;.!)]}|'.includes(key) || totalAt(state, true) !== null) break;
    const next = key === 'and' ? phraseAt(state, state.at + 1)?.meaning.is : undefined;
    if (next === 'stitch' || next === 'increase' || next === 'decrease' || next === 'layers') break;
    state.at++;
  }
  if (state.tokens[state.at - 1] === undefined || state.tokens[state.at - 1]!.to <= token.from) state.at++;
  const span = { from: token.from, to: state.tokens[Math.min(state.at, state.tokens.length) - 1]!.to };
  return remarkPiece(wordsIn(state, span), span);
}

/** Index of the next separator, bracket or stated total, or the end. `brackets` passes over bracketed words. */
export function endOfClause(state: ReadState, brackets = false): number {
  let depth = 0;
  let i = state.at;
  for (; i < state.tokens.length; i++) {
    const { key } = state.tokens[i]!;
    if (means(state, 'until', i) || means(state, 'as liked', i)) break;
    if (brackets && key in CLOSER_OF && totalAt(state, true, i) === null) depth++;
    else if (depth > 0 && ')]}'.includes(key)) depth--;
    else if (depth === 0 && ((SEPARATORS.has(key) && key !== '-' && key !== '&') || '()[]{}*'.includes(key))) break;
  }
  return i;
}
