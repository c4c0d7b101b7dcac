import type { OpenRun } from './pattern.js';
import { join, type Span } from './span.js';
import { numberOf, type Token } from './tokens.js';
import { longestPhrase, vocabularyOf } from './vocabulary.js';

/** What stands at the start of a round's line: its number or numbers. */
export interface Label {
  readonly first: number;
  readonly last: number;
  readonly word: 'round' | 'row';
  /** "Next 3 rounds": counted on from the round before; `first` and `last` then begin at 1. */
  readonly relative: boolean;
  readonly open: OpenRun | null;
  readonly span: Span;
  /** Index of the first token after the label. */
  readonly next: number;
}

const LABEL_WORDS: Readonly<Record<string, 'round' | 'row'>> = {
  r: 'round',
  rnd: 'round',
  rnds: 'round',
  rd: 'round',
  rds: 'round',
  round: 'round',
  rounds: 'round',
  rounde: 'round',
  row: 'row',
  rows: 'row',
};

const TO = new Set(['-', 'to', 'through', 'thru', 'till', 'until', '~', '/', '...', '&', 'and', ',']);
const ON: readonly (readonly string[])[] = [['and', 'on'], ['and', 'up'], ['onwards'], ['onward'], ['on'], ['+']];

/** "R6", "Rnd 6:", "Rounds 6 to 12", "R6, 7 and 8", "6th round", "R7 on", "Next 3 rounds:"; null when the line has no label. */
export function readLabel(tokens: readonly Token[]): Label | null {
  const label = readNumbered(tokens) ?? readOrdinal(tokens) ?? readNext(tokens) ?? readBare(tokens);
  if (!label) return null;
  const next = afterMarks(tokens, afterRoundTally(tokens, label.next));
  const separated = next > label.next || tokens[label.next] === undefined || tokens[label.next]!.kind === 'mark';
  if (!separated && !namesWork(tokens.slice(label.next))) return null;
  const { first, last, word, relative, open } = label;
  return { first, last, word, relative, open, next, span: join(tokens[0]!, tokens[Math.max(0, next - 1)]!) };
}

/** The word for a round or row that `token` is, or null. */
export function labelWord(token: Token | undefined): 'round' | 'row' | null {
  return LABEL_WORDS[token?.key ?? ''] ?? null;
}

function readNumbered(tokens: readonly Token[]): Label | null {
  let i = tokens[0]?.key === 'from' ? 1 : 0;
  const word = labelWord(tokens[i]);
  if (!word) return null;
  i++;
  if (tokens[i]?.key === '.' || tokens[i]?.key === '#') i++;
  const first = wholeNumber(tokens[i]);
  if (first === null) return null;
  i++;
  const span = tokens[0]!;
  const on = ON.find((words) => words.every((key, at) => tokens[i + at]?.key === key));
  if (on && wholeNumber(tokens[i + on.length]) === null && labelWord(tokens[i + on.length]) === null) {
    return { first, last: first, word, relative: false, open: { mm: null }, span, next: i + on.length };
  }
  const [last, next] = readEnd(tokens, i, first);
  return { first, last, word, relative: false, open: null, span, next };
}

/** The last number of a range or list that goes on at `i`, and the token after it; `first` itself when none does. */
function readEnd(tokens: readonly Token[], start: number, first: number): readonly [number, number] {
  let last = first;
  let i = start;
  for (;;) {
    let j = i;
    while (tokens[j]?.key === '.') j++;
    const dotted = j > i + 1;
    if (!dotted && !TO.has(tokens[i]?.key ?? '')) return [last, i];
    if (!dotted) j = i + 1;
    if (tokens[j]?.key === 'and') j++;
    const relabelled = labelWord(tokens[j]) !== null;
    if (relabelled) j++;
    const end = wholeNumber(tokens[j]);
    if (end === null) return [last, i];
    const listed = tokens[i]!.key === ',' || tokens[i]!.key === '&' || tokens[i]!.key === 'and';
    const after = tokens[j + 1];
    const tight = tokens[i]!.to === tokens[j]!.from;
    const closed = after === undefined || after.kind === 'mark' || relabelled || TO.has(after.key);
    // "R6, 7 sc" is one round; "R6, 7: sc" and "R6, 7 and 8" are several.
    if (listed && end !== last + 1) return [last, i];
    if (listed ? !closed || (after?.key === ',' && !TO.has(after.key)) : !closed && tokens[i]!.key === '-' && !tight)
      return [last, i];
    last = end;
    i = j + 1;
    if (!listed) return [last, i];
  }
}

/** "6th round:", "first round:". */
function readOrdinal(tokens: readonly Token[]): Label | null {
  const [number, length] = ordinal(tokens, 0);
  const word = labelWord(tokens[length]);
  if (number === null || !word || ![':', '.', '-'].includes(tokens[length + 1]?.key ?? '')) return null;
  return { first: number, last: number, word, relative: false, open: null, span: tokens[0]!, next: length + 1 };
}

/** "Next round:", "Next 5 rounds:". */
function readNext(tokens: readonly Token[]): Label | null {
  if (tokens[0]?.key !== 'next') return null;
  const number = numberOf(tokens[1]);
  const at = number === null ? 1 : 2;
  const word = labelWord(tokens[at]);
  if (!word || tokens[at]!.key === 'r' || (number !== null && !Number.isInteger(number))) return null;
  return { first: 1, last: number ?? 1, word, relative: true, open: null, span: tokens[0], next: at + 1 };
}

/**
 * "13:", "14-15)", "16.": numbers alone, as in a numbered list. Only a line whose next words name a stitch or a repeat
 * is taken for a round; "1. Wash your hands" stays a note.
 */
function readBare(tokens: readonly Token[]): Label | null {
  const first = wholeNumber(tokens[0]);
  if (first === null) return null;
  const ranged = tokens[1]?.key === '-' ? wholeNumber(tokens[2]) : null;
  const mark = ranged === null ? 1 : 3;
  if (![':', '.', ')'].includes(tokens[mark]?.key ?? '') || !namesWork(tokens.slice(mark + 1))) return null;
  return { first, last: ranged ?? first, word: 'round', relative: false, open: null, span: tokens[0]!, next: mark + 1 };
}

/** Whether the words say at once what is worked: a stitch comes before any word that is not the craft's. */
function namesWork(tokens: readonly Token[]): boolean {
  for (let i = 0; i < tokens.length;) {
    const phrase = longestPhrase(vocabularyOf('US'), tokens, i) ?? longestPhrase(vocabularyOf('UK'), tokens, i);
    const is = phrase?.meaning.is;
    if (is === 'stitch' || is === 'increase' || is === 'decrease' || is === 'ring' || is === 'same' || is === 'skip') return true;
    if (is === 'times' && tokens.length > i + 1) return true;
    if (is === 'remark' || (!phrase && tokens[i]!.kind === 'word')) return tokens.slice(i).some((token) => token.key === 'x');
    i += phrase?.length ?? 1;
  }
  return false;
}

/** Passes over "(5 rounds)" after a range. */
function afterRoundTally(tokens: readonly Token[], at: number): number {
  const opens = tokens[at]?.key === '(' || tokens[at]?.key === '[';
  if (!opens || wholeNumber(tokens[at + 1]) === null || labelWord(tokens[at + 2]) === null) return at;
  return tokens[at + 3]?.kind === 'mark' ? at + 4 : at;
}

function afterMarks(tokens: readonly Token[], at: number): number {
  let i = at;
  if (tokens[i]?.key === ')' && !tokens.slice(0, i).some((token) => token.key === '(')) i++;
  while ([':', '.'].includes(tokens[i]?.key ?? '')) i++;
  return i;
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth', 'sixth', 'seventh', 'eighth', 'ninth', 'tenth'];

/** "6th" or "sixth" at `at`: its number and how many tokens it takes; null and 0 for anything else. */
export function ordinal(tokens: readonly Token[], at: number): readonly [number | null, number] {
  const word = ORDINALS.indexOf(tokens[at]?.key ?? '');
  if (word >= 0) return [word + 1, 1];
  const number = wholeNumber(tokens[at]);
  const suffix = tokens[at + 1];
  const fits = number !== null && suffix?.from === tokens[at]!.to && ['st', 'nd', 'rd', 'th'].includes(suffix.key);
  return fits ? [number, 2] : [null, 0];
}

export function wholeNumber(token: Token | undefined): number | null {
  if (token?.kind !== 'number') return null;
  const value = Number(token.text);
  return Number.isInteger(value) ? value : null;
}
