import { NO_BOOK, colourLength, isColourCode } from '../colours.js';
import { labelWord } from '../label-word.js';
import { ordinal, wholeNumber } from '../ordinals.js';
import type { OpenRun } from '../pattern.js';
import { join, type Span } from '../span.js';
import { numberOf, type Token } from '../tokens.js';
import { longestPhrase, phraseInEither, vocabularyOf } from '../vocabulary.js';

/** What stands at the start of a round's line: its number or numbers. */
export interface Label {
  readonly first: number;
  readonly last: number;
  readonly word: 'round' | 'row';
  /** "Next 3 rounds", "Last round": counted on from the round before; `first` and `last` then begin at 1. */
  readonly relative: boolean;
  /** "Rounds 4, 6 and 8": numbers that do not follow each other; null for all from `first` to `last`. */
  readonly rounds: readonly number[] | null;
  readonly open: OpenRun | null;
  readonly span: Span;
  /** Index of the first token after the label. */
  readonly next: number;
}

type Numbers = Pick<Label, 'first' | 'last' | 'word' | 'relative' | 'rounds' | 'open' | 'next'>;

const TO: ReadonlySet<string> = new Set('- to through thru till until up ~ / ... & and , +'.split(' '));
const LISTS: ReadonlySet<string> = new Set([',', '&', 'and', '+', '/']);
const ON: readonly (readonly string[])[] = [['and', 'on'], ['and', 'up'], ['onwards'], ['onward'], ['on'], ['+']];
/** Words said before a label: "For round 2", "Now round 3:". */
const LEADS: ReadonlySet<string> = new Set('for now then and so ok okay from next in on work do start with the'.split(' '));
const MOST_LEADS = 3;

/**
 * "R6", "Rnd 6:", "Rounds 6 to 12", "R6, 7 and 8", "6th round", "R7 on", "Next 3 rounds:", "(R3)"; null when the line has no
 * label. `sure` where something else tells that a label stands here, as in a table.
 */
export function readLabel(tokens: readonly Token[], sure = false): Label | null {
  const begin = leads(tokens);
  const at = begin + (opensLabel(tokens, begin) ? 1 : 0);
  const label =
    readNumbered(tokens, at) ??
    readOrdinal(tokens, at) ??
    readBefore(tokens, at) ??
    readStep(tokens, at) ??
    readRelative(tokens, begin) ??
    (begin === 0 ? readBare(tokens, at, sure) : null);
  if (!label) return null;
  const next = afterVerb(tokens, afterMarks(tokens, afterRoundTally(tokens, label.next), at > begin));
  const rest = tokens[label.next];
  const separated = next > label.next || rest === undefined || rest.kind === 'mark';
  if (!sure && (begin > 0 || !separated) && !namesWork(tokens.slice(next)) && !endsSentence(tokens, next, begin)) return null;
  if (label.relative && rest?.kind !== 'mark' && !beginsWork(tokens, label.next)) return null;
  const { first, last, word, relative, rounds, open } = label;
  return { first, last, word, relative, rounds, open, next, span: join(tokens[0]!, tokens[Math.max(0, next - 1)]!) };
}

/** "Next round sc around": without a mark the work has to come at once. */
function beginsWork(tokens: readonly Token[], at: number): boolean {
  const phrase = phraseInEither(tokens, at);
  const is = phrase?.meaning.is;
  return tokens[at]?.kind === 'number' || is === 'stitch' || is === 'increase' || is === 'decrease' || is === 'even';
}

/** Tokens before the label that only lead to it: "For", "And then". */
function leads(tokens: readonly Token[]): number {
  let i = 0;
  while (i < MOST_LEADS && LEADS.has(tokens[i]?.key ?? '')) i++;
  if (i === 0) return 0;
  if (tokens[i]?.key === ',') i++;
  // "Next round" and "Next 3 rounds" are labels with this word, "Next, R3" only begins with it.
  const numbered = labelWord(tokens[i]) !== null && numberOf(tokens[i + 1]) !== null;
  if (tokens[i - 1]?.key === 'next' && !numbered) return i - 1;
  return labelWord(tokens[i]) !== null || ordinal(tokens, i)[0] !== null || RELATIVE.has(tokens[i]?.key ?? '') ? i : 0;
}

function opensLabel(tokens: readonly Token[], at: number): boolean {
  return (
    ['(', '[', '{', '<', '#'].includes(tokens[at]?.key ?? '') &&
    (labelWord(tokens[at + 1]) !== null || wholeNumber(tokens[at + 1]) !== null)
  );
}

/** "For round 2, …" ends on a comma; a label after leading words needs that or work at once. */
function endsSentence(tokens: readonly Token[], next: number, begin: number): boolean {
  return (
    begin > 0 && [':', ','].includes(tokens[next - 1]?.key ?? '') && tokens[next] !== undefined && namesWork(tokens.slice(next))
  );
}

function readNumbered(tokens: readonly Token[], at: number): Numbers | null {
  const word = labelWord(tokens[at]);
  if (!word) return null;
  let i = at + 1;
  if (['.', '#', '-', ':'].includes(tokens[i]?.key ?? '')) i++;
  // "Row (2): …"
  const boxed =
    tokens[i]?.key === '(' && tokens[i + 2]?.key === ')' && tokens[i + 3]?.key === ':' ? wholeNumber(tokens[i + 1]) : null;
  if (boxed !== null) return { first: boxed, last: boxed, word, relative: false, rounds: null, open: null, next: i + 3 };
  if (['no', 'number', 'nr'].includes(tokens[i]?.key ?? '')) i += tokens[i + 1]?.key === '.' ? 2 : 1;
  const short = tokens[at]!.key.length < 2;
  const first = wholeNumber(tokens[i]) ?? (short ? null : numberOf(tokens[i]));
  if (first === null) return null;
  i++;
  const on = ON.find((words) => words.every((key, k) => tokens[i + k]?.key === key));
  const after = on ? tokens[i + on.length] : undefined;
  if (on && wholeNumber(after) === null && labelWord(after) === null)
    return { first, last: first, word, relative: false, rounds: null, open: { mm: null }, next: i + on.length };
  const often = tokens[i]?.key === 'x' ? wholeNumber(tokens[i + 1]) : null;
  if (often !== null && tokens[i + 2]?.key === ':')
    return { first, last: first + often - 1, word, relative: false, rounds: null, open: null, next: i + 2 };
  const plural = tokens[at]!.key.endsWith('s');
  const list = plural ? readList(tokens, i, first) : null;
  if (list) return { first, last: list.rounds.at(-1)!, word, relative: false, rounds: list.rounds, open: null, next: list.next };
  const [last, next] = readEnd(tokens, i, first, { short, plural });
  return { first, last, word, relative: false, rounds: null, open: null, next };
}

/** "4, 6 and 8" after "Rounds": numbers that rise and do not follow each other, up to a colon or the work. */
function readList(tokens: readonly Token[], start: number, first: number): { rounds: number[]; next: number } | null {
  const rounds = [first];
  let i = start;
  while (LISTS.has(tokens[i]?.key ?? '')) {
    const and = i + 1 + (['and', '&'].includes(tokens[i + 1]?.key ?? '') ? 1 : 0);
    const number = wholeNumber(tokens[and]);
    if (number === null || number <= rounds.at(-1)!) break;
    rounds.push(number);
    i = and + 1;
  }
  const closed = tokens[i] !== undefined && (tokens[i]!.key === ':' || tokens[i]!.key === '.' || tokens[i]!.kind === 'word');
  const apart = rounds.some((round, at) => at > 0 && round > rounds[at - 1]! + 1);
  return rounds.length > 1 && apart && closed ? { rounds, next: i } : null;
}

/** The last number of a range or list that goes on at `i`, and the token after it; `first` itself when none does. */
function readEnd(
  tokens: readonly Token[],
  start: number,
  first: number,
  { short, plural }: { readonly short: boolean; readonly plural: boolean },
): readonly [number, number] {
  let last = first;
  let i = start;
  for (;;) {
    let j = i;
    while (tokens[j]?.key === '.' && j < i + 4) j++;
    const dotted = j > i + 1;
    // "R4 → R6": an arrow is read as "=", which else leads to a total.
    const leads = tokens[i]?.key === '=' && labelWord(tokens[i + 1]) !== null && wholeNumber(tokens[i + 2]) !== null;
    if (!dotted && !leads && (!TO.has(tokens[i]?.key ?? '') || isBold(tokens, i))) return [last, i];
    if (!dotted) j = i + 1;
    if (['and', 'to'].includes(tokens[j]?.key ?? '')) j++;
    const relabelled = labelWord(tokens[j]) !== null;
    if (relabelled) j++;
    if (relabelled && ['.', '#', '-'].includes(tokens[j]?.key ?? '')) j++;
    const end = wholeNumber(tokens[j]) ?? (short ? null : numberOf(tokens[j]));
    if (end === null) return [last, i];
    const listed = LISTS.has(tokens[i]!.key);
    const after = tokens[j + 1];
    const tight = tokens[i]!.to === tokens[j]!.from;
    // "Round 1-6sc in ring": a number written to its stitch counts it.
    if (after?.kind === 'word' && after.from === tokens[j]!.to && !relabelled && namesWork([after])) return [last, i];
    // "Rnd 1 ...... 7 sc" has dots that lead to its words; "R2...R4" is a range.
    if (tokens[i]!.key === '...' && tokens[i]!.to !== tokens[i + 1]?.from) return [last, i];
    const closed =
      after === undefined || after.kind === 'mark' || relabelled || TO.has(after.key) || (plural && !namesWork([after]));
    // "R6, 7 sc" is one round; "R6, 7: sc" and "R6, 7 and 8" are several.
    if (listed && end !== last + 1) return [last, i];
    if (listed ? !closed || (after?.key === ',' && !LISTS.has(after.key)) : !closed && tokens[i]!.key === '-' && !tight)
      return [last, i];
    last = end;
    i = j + 1;
    if (!listed) return [last, i];
  }
}

/** "~R1~ 6 sc": a mark that ends bold type or the like, and no range. */
function isBold(tokens: readonly Token[], at: number): boolean {
  const mark = tokens[at]!;
  return mark.key === '~' && mark.from === tokens[at - 1]?.to && mark.to < (tokens[at + 1]?.from ?? mark.to);
}

/** "6th round:", "first round:", "1. Rnd:", "4th - 7th round:". */
function readOrdinal(tokens: readonly Token[], at: number): Numbers | null {
  const the = tokens[at]?.key === 'the' ? 1 : 0;
  let i = at + the;
  const [first, length] = dottedOrdinal(tokens, i);
  if (first === null) return null;
  i += length;
  let last = first;
  if (TO.has(tokens[i]?.key ?? '')) {
    const [end, more] = dottedOrdinal(tokens, i + 1);
    if (end !== null) {
      last = end;
      i += 1 + more;
    }
  }
  const word = labelWord(tokens[i]);
  if (word && tokens[i]!.key !== 'r') return { first, last, word, relative: false, rounds: null, open: null, next: i + 1 };
  // "2nd: inc x 6", where "2. inc x 6" is a number in a list.
  const alone = the === 0 && ordinal(tokens, at)[1] === 2 && tokens[i]?.key === ':' && namesWork(tokens.slice(i + 1));
  return alone ? { first, last, word: 'round', relative: false, rounds: null, open: null, next: i } : null;
}

/** "1 rnd:", "3-5 rows.", "2r:": the number before its word, and a mark after; "3 rounds:" are so many. */
function readBefore(tokens: readonly Token[], at: number): Numbers | null {
  const first = wholeNumber(tokens[at]);
  if (first === null) return null;
  const end = tokens[at + 1]?.key === '-' || tokens[at + 1]?.key === 'to' ? wholeNumber(tokens[at + 2]) : null;
  const i = end === null ? at + 1 : at + 3;
  const word = labelWord(tokens[i]);
  if (!word || (end === null && tokens[i]!.key.endsWith('s')) || !BEFORE_ENDS.has(tokens[i + 1]?.key ?? '')) return null;
  return { first, last: end ?? first, word, relative: false, rounds: null, open: null, next: i + 1 };
}

/** "Step 3: 1 sc, 2 sc in next, all around": a step is a round where it says what is worked. */
function readStep(tokens: readonly Token[], at: number): Numbers | null {
  const number = tokens[at]?.key === 'step' ? wholeNumber(tokens[at + 1]) : null;
  if (number === null || !BEFORE_ENDS.has(tokens[at + 2]?.key ?? '') || !namesWork(tokens.slice(at + 3))) return null;
  return { first: number, last: number, word: 'round', relative: false, rounds: null, open: null, next: at + 2 };
}

const BEFORE_ENDS: ReadonlySet<string> = new Set([':', '.', ')', '-', '=', '|']);

function dottedOrdinal(tokens: readonly Token[], at: number): readonly [number | null, number] {
  const [number, length] = ordinal(tokens, at);
  if (number !== null) return [number, length];
  const dotted = wholeNumber(tokens[at]);
  return dotted !== null && tokens[at + 1]?.key === '.' ? [dotted, 2] : [null, 0];
}

const RELATIVE: ReadonlySet<string> = new Set(['next', 'following', 'last', 'final']);

/** What a round that has no number may be called by. */
const KINDS: ReadonlySet<string> = new Set('inc increase increasing dec decrease decreasing even plain'.split(' '));

/** "Next round:", "Next 5 rounds:", "Last round:". */
function readRelative(tokens: readonly Token[], begin: number): Numbers | null {
  const at = begin + (tokens[begin]?.key === 'the' ? 1 : 0);
  // "Even rnd:", "Inc round:"
  if (KINDS.has(tokens[at]?.key ?? '') && labelWord(tokens[at + 1]) !== null && tokens[at + 2]?.key === ':')
    return { first: 1, last: 1, word: labelWord(tokens[at + 1])!, relative: true, rounds: null, open: null, next: at + 2 };
  if (!RELATIVE.has(tokens[at]?.key ?? '')) return null;
  const number = numberOf(tokens[at + 1]);
  const end = at + (number === null ? 1 : 2);
  if (number !== null && (!Number.isInteger(number) || number < 1)) return null;
  const word = labelWord(tokens[end]);
  const closed = tokens[end + (word ? 1 : 0)]?.key === ':';
  if (word && (tokens[end]!.key !== 'r' || closed))
    return { first: 1, last: number ?? 1, word, relative: true, rounds: null, open: null, next: end + 1 };
  // "Next: inc x 6", "next 3: sc around"
  const work = !word && closed && namesWork(tokens.slice(end + 1));
  return work ? { first: 1, last: number ?? 1, word: 'round', relative: true, rounds: null, open: null, next: end } : null;
}

const BARE_ENDS: ReadonlySet<string> = new Set(['/', ':', '.', ')', ']', '-', '...', '|', '=', '}']);

/**
 * "13:", "14-15)", "16.", "4 to 6 -": numbers alone, as in a numbered list. Only a line whose next words name a stitch or a
 * repeat is taken for a round; "1. Wash your hands" stays a note.
 */
function readBare(tokens: readonly Token[], at: number, sure: boolean): Numbers | null {
  const first = wholeNumber(tokens[at]);
  if (first === null) return null;
  // "5.–8."
  const to = tokens[at + 1]?.key === '.' && tokens[at + 2]?.key === '-' ? at + 2 : at + 1;
  const ranged = TO.has(tokens[to]?.key ?? '') && !['=', '...'].includes(tokens[to]!.key) ? wholeNumber(tokens[to + 1]) : null;
  const listed = ranged !== null && LISTS.has(tokens[to]!.key) && ranged !== first + 1;
  const mark = ranged === null || listed ? at + 1 : to + 2;
  const end = tokens[mark];
  const dashed = end?.key === '-' && end.from === tokens[mark - 1]!.to;
  const last = listed ? first : (ranged ?? first);
  if (sure) return { first, last, word: 'round', relative: false, rounds: null, open: null, next: mark };
  const rest = tokens.slice(mark + 1, mark + 1 + MOST_LOOKED_AT);
  if (!end || !BARE_ENDS.has(end.key) || dashed || !namesWork(rest) || addresses(rest)) return null;
  return { first, last, word: 'round', relative: false, rounds: null, open: null, next: mark + 1 };
}

const WORK = new Set([
  'around',
  'each',
  'stitch',
  'increase',
  'decrease',
  'ring',
  'same',
  'skip',
  'chain',
  'loop',
  'even',
  'picot',
]);

/** A colour's letter with its mark: "MC", "A:"; 0 for none. */
function codeLength(tokens: readonly Token[], at: number): number {
  const { text } = tokens[at]!;
  if (text === 'MC' || text === 'CC') return 1;
  return isColourCode(text) && [':', ')', ']', '-'].includes(tokens[at + 1]?.key ?? '') ? 2 : 0;
}

/** Most tokens that are looked through for a stitch. */
const MOST_LOOKED_AT = 60;

/** "Increase your breaks": a word of the craft said to a person, and no work. */
function addresses(tokens: readonly Token[]): boolean {
  const phrase = longestPhrase(vocabularyOf('US'), tokens, 0);
  return ['your', 'my', 'our', 'yourself'].includes(tokens[phrase?.length ?? 1]?.key ?? '');
}

/** Whether the words say at once what is worked: a stitch comes before any word that is not the craft's. */
export function namesWork(tokens: readonly Token[]): boolean {
  for (let i = 0; i < Math.min(tokens.length, MOST_LOOKED_AT);) {
    const phrase = phraseInEither(tokens, i);
    const is = phrase?.meaning.is;
    const colour = colourLength(tokens, i, NO_BOOK) || codeLength(tokens, i);
    if (colour > 0) {
      i += colour;
      continue;
    }
    if (is && WORK.has(is)) return true;
    if (!phrase && numberOf(tokens[i]) !== null) {
      i++;
      continue;
    }
    if (is === 'times' && tokens.length > i + 1) return true;
    if (is === 'remark' || (!phrase && tokens[i]!.kind === 'word'))
      return tokens.slice(i, i + 60).some((token) => token.key === 'x');
    i += phrase?.length ?? 1;
  }
  return false;
}

/** Passes over "(5 rounds)" and "(x5)" after a range. */
function afterRoundTally(tokens: readonly Token[], at: number): number {
  const opens = tokens[at]?.key === '(' || tokens[at]?.key === '[';
  if (!opens) return at;
  const x = tokens[at + 1]?.key === 'x' ? 1 : 0;
  if (wholeNumber(tokens[at + 1 + x]) === null) return at;
  const closes = at + 2 + x + (labelWord(tokens[at + 2 + x]) !== null ? 1 : 0);
  if (closes === at + 2) return at;
  return [')', ']'].includes(tokens[closes]?.key ?? '') ? closes + 1 : at;
}

/** "Round 1 is 6 sc": the verb between. */
function afterVerb(tokens: readonly Token[], at: number): number {
  return ['is', 'are', 'goes', 'will'].includes(tokens[at]?.key ?? '') && namesWork(tokens.slice(at + 1)) ? at + 1 : at;
}

const SEPARATORS: ReadonlySet<string> = new Set([':', '.', '=', '...', '|', '•']);

function afterMarks(tokens: readonly Token[], at: number, opened: boolean): number {
  let i = at;
  const closes = [')', ']', '}', '>'].includes(tokens[i]?.key ?? '');
  if (closes && (opened || !tokens.slice(0, i).some((token) => token.key === '('))) i++;
  while (SEPARATORS.has(tokens[i]?.key ?? '')) i++;
  if (['-', ',', '*'].includes(tokens[i]?.key ?? '') && i === at) {
    const spaced = tokens[i]!.to < (tokens[i + 1]?.from ?? Number.POSITIVE_INFINITY);
    // "Round 1-6sc": no minus, as nobody works so many.
    const counts = tokens[i]!.key === '-' && tokens[i + 1]?.kind === 'number' && tokens[i + 2]?.from === tokens[i + 1]!.to;
    if ((spaced && tokens[i]!.key !== '*') || (counts && namesWork(tokens.slice(i + 2, i + 3)))) i++;
  }
  return i;
}
