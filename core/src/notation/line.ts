import { BOUNDS } from './bounds.js';
import type { Terms } from './stitch.js';
import { join, type Span } from './span.js';
import { numberOf, tokenize, type Token } from './tokens.js';
import { longestPhrase, vocabularyOf } from './vocabulary.js';

const LABELS: Readonly<Record<string, 'round' | 'row'>> = {
  r: 'round',
  rnd: 'round',
  rnds: 'round',
  rd: 'round',
  rds: 'round',
  round: 'round',
  rounds: 'round',
  row: 'row',
  rows: 'row',
};

export interface Label {
  readonly first: number;
  readonly last: number;
  readonly word: 'round' | 'row';
  readonly span: Span;
  /** Index of the first token after the label. */
  readonly next: number;
}

/** A line of the text by what it is for. Spans leave out bullets and surrounding space. */
export type Line =
  | { readonly is: 'blank' }
  | { readonly is: 'round'; readonly label: Label; readonly tokens: readonly Token[]; readonly span: Span }
  | { readonly is: 'terms'; readonly terms: Terms; readonly span: Span }
  | {
      readonly is: 'heading';
      readonly name: string;
      readonly copies: number;
      readonly mark: 'marked' | 'colon' | 'bare';
      readonly tokens: readonly Token[];
      readonly span: Span;
    }
  | { readonly is: 'words'; readonly tokens: readonly Token[]; readonly span: Span };

/** Sorts `text[from, to)`, one line without its line end. */
export function readLine(text: string, from: number, to: number): Line {
  const all = tokenize(text, from, to);
  const bullet = all.length > 1 && (all[0]!.key === '-' || all[0]!.key === '•') ? 1 : 0;
  const starred = all.length > 1 && all[0]!.key === '*' && all[0]!.to < all[1]!.from ? 1 : 0;
  const tokens = all.slice(bullet + starred);
  if (tokens.length === 0) return { is: 'blank' };
  const span = join(tokens[0]!, tokens[tokens.length - 1]!);
  const label = readLabel(tokens) ?? readBareLabel(tokens);
  if (label) return { is: 'round', label, tokens: tokens.slice(label.next), span };
  if (bullet + starred > 0) return { is: 'words', tokens, span };
  const terms = readTerms(tokens);
  if (terms) return { is: 'terms', terms, span };
  return readHeading(text, tokens, span) ?? { is: 'words', tokens, span };
}

/** "R6", "Rnd 6:", "Rounds 6–12.", "R6 to R12". A dash before a count ("R6 - 12 sc") is no range. */
function readLabel(tokens: readonly Token[]): Label | null {
  let i = 0;
  if (tokens[i]?.key === '#') return null;
  const word = LABELS[tokens[i]?.key ?? ''];
  if (!word) return null;
  i++;
  if (tokens[i]?.key === '.') i++;
  const first = wholeNumber(tokens[i]);
  if (first === null) return null;
  i++;
  let last = first;
  let j = i;
  while (tokens[j]?.key === '.') j++;
  if (j > i + 1 || ['-', 'to', 'through', '&', 'and', '...'].includes(tokens[i]?.key ?? '')) {
    if (j <= i + 1) j = i + 1;
    const relabelled = LABELS[tokens[j]?.key ?? ''] !== undefined;
    if (relabelled) j++;
    const end = wholeNumber(tokens[j]);
    const after = tokens[j + 1];
    const closed =
      after === undefined || after.kind === 'mark' || relabelled || tokens[i]!.key !== '-' || tokens[i]!.to === tokens[j]!.from;
    if (end !== null && closed) {
      last = end;
      i = j + 1;
    }
  }
  if (tokens[i]?.key === ')' && !tokens.slice(0, i).some((token) => token.key === '(')) i++;
  while ([':', '.'].includes(tokens[i]?.key ?? '')) i++;
  return { first, last, word, span: join(tokens[0]!, tokens[Math.max(0, i - 1)]!), next: i };
}

/**
 * "13:", "14-15)", "16.": numbers alone, as in a numbered list. Only a line whose next words name a stitch or a repeat
 * is taken for a round; "1. Wash your hands" stays a note.
 */
function readBareLabel(tokens: readonly Token[]): Label | null {
  const first = wholeNumber(tokens[0]);
  if (first === null) return null;
  const ranged = tokens[1]?.key === '-' ? wholeNumber(tokens[2]) : null;
  const mark = ranged === null ? 1 : 3;
  if (![':', '.', ')'].includes(tokens[mark]?.key ?? '')) return null;
  const rest = tokens.slice(mark + 1);
  const works = rest.slice(0, 4).some((_token, i) => {
    const is = longestPhrase(vocabularyOf('US'), rest, i)?.meaning.is;
    return is === 'stitch' || is === 'increase' || is === 'decrease';
  });
  if (!works) return null;
  return { first, last: ranged ?? first, word: 'round', span: join(tokens[0]!, tokens[mark]!), next: mark + 1 };
}

function wholeNumber(token: Token | undefined): number | null {
  if (token?.kind !== 'number') return null;
  const value = Number(token.text);
  return Number.isInteger(value) ? value : null;
}

/** "US terms", "UK terminology", "Terms: UK". */
function readTerms(tokens: readonly Token[]): Terms | null {
  if (tokens.length > 6) return null;
  const keys = tokens.map((token) => token.key);
  if (!keys.some((key) => key === 'terms' || key === 'terminology' || key === 'term')) return null;
  if (keys.includes('uk') || keys.includes('british')) return 'UK';
  return keys.includes('us') || keys.includes('american') ? 'US' : null;
}

const MOST_HEADING_WORDS = 6;

/**
 * A heading may be marked as one ("# Wing", "Wing (make 2)", "Feet × 2", bold) or end in a colon;
 * a short line of bare words may be one too, which the rounds that follow decide.
 */
function readHeading(text: string, tokens: readonly Token[], span: Span): Line | null {
  let start = 0;
  while (tokens[start]?.key === '#' || tokens[start]?.key === '=') start++;
  let end = tokens.length;
  const bold = text.slice(span.from - 2, span.from) === '**' && text.slice(span.to, span.to + 2) === '**';
  const colon = tokens[end - 1]?.key === ':';
  if (colon) end--;
  const { copies, from, to } = readCopies(tokens, start, end);
  const name = tokens.slice(from, to);
  if (name.length === 0) return null;
  const plain = name.length <= MOST_HEADING_WORDS && name.every(isNameToken) && name[0]!.kind === 'word';
  const marked = start > 0 || bold;
  if (!marked && !plain) return null;
  const nameSpan = join(name[0]!, name[name.length - 1]!);
  const mark = marked || copies !== null ? 'marked' : colon ? 'colon' : 'bare';
  return { is: 'heading', name: text.slice(nameSpan.from, nameSpan.to).trim(), copies: copies ?? 1, mark, tokens, span };
}

function isNameToken(token: Token): boolean {
  return token.kind !== 'mark' || ["'", '’', '-', '&', '/'].includes(token.key);
}

/** Finds "make 2", "(make 2)", "× 2", "x2", "2x" or "(2)" at either end of a heading. */
function readCopies(tokens: readonly Token[], start: number, end: number): { copies: number | null; from: number; to: number } {
  let to = end;
  const bracketed = tokens[to - 1]?.key === ')' || tokens[to - 1]?.key === ']';
  if (bracketed) to--;
  let number = to - 1;
  if (['x', 'times'].includes(tokens[number]?.key ?? '')) number--;
  const copies = numberOf(tokens[number]);
  const before = tokens[number - 1]?.key ?? '';
  const said = before === 'make' || before === 'x' || number < to - 1 || (bracketed && (before === '(' || before === '['));
  if (copies !== null && said && Number.isInteger(copies) && copies >= 1 && copies <= BOUNDS.copies) {
    to = number;
    while (to > start && ['make', 'x', '(', '[', ',', '-', ':', ';'].includes(tokens[to - 1]!.key)) to--;
    return { copies, from: start, to };
  }
  if (tokens[start]?.key === 'make' && end - start > 2) {
    const first = numberOf(tokens[start + 1]);
    if (first !== null && Number.isInteger(first) && first >= 1 && first <= BOUNDS.copies)
      return { copies: first, from: start + 2, to: end };
  }
  return { copies: null, from: start, to: end };
}
