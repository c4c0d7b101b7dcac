import { BOUNDS } from '../bounds/index.js';
import { join, type Span } from './span.js';
import { numberOf, type Token } from './tokens.js';

/** A line that may name a part or the pattern. */
export interface HeadingLine {
  readonly is: 'heading';
  readonly name: string;
  /** Just past the name. */
  readonly nameEnd: number;
  /** null when the heading does not say how many to make. */
  readonly copies: number | null;
  readonly mark: 'marked' | 'colon' | 'bare';
  readonly tokens: readonly Token[];
  readonly span: Span;
}

const MOST_HEADING_WORDS = 6;

/**
 * A heading may be marked as one ("# Wing", "Wing (make 2)", "Feet × 2", bold) or end in a colon;
 * a short line of bare words may be one too, which the rounds that follow decide.
 */
export function readHeading(text: string, tokens: readonly Token[], span: Span): HeadingLine | null {
  let start = 0;
  while (tokens[start]?.key === '#' || tokens[start]?.key === '=') start++;
  let end = tokens.length;
  while (tokens[end - 1]?.key === '#' || tokens[end - 1]?.key === '=') end--;
  const bold = text.slice(span.from - 2, span.from) === '**' && text.slice(span.to, span.to + 2) === '**';
  const colon = tokens[end - 1]?.key === ':';
  if (colon) end--;
  const { copies, from, to } = readCopies(tokens, start, end);
  const name = withoutAside(tokens.slice(from, to));
  if (name.length === 0 || isNoPart(name)) return null;
  const plain = name.length <= MOST_HEADING_WORDS && name.every(isNameToken) && name[0]!.kind === 'word';
  const marked = start > 0 || bold;
  if (!marked && !plain) return null;
  const nameSpan = join(name[0]!, name[name.length - 1]!);
  const mark = marked || copies !== null ? 'marked' : colon ? 'colon' : 'bare';
  return { is: 'heading', name: text.slice(nameSpan.from, nameSpan.to).trim(), nameEnd: nameSpan.to, copies, mark, tokens, span };
}

/** "Body (red)": words in brackets at the end do not belong to the name. */
function withoutAside(name: readonly Token[]): readonly Token[] {
  const open = name.findIndex((token) => token.key === '(' || token.key === '[');
  const closed = name.at(-1)?.key === ')' || name.at(-1)?.key === ']';
  const words = open > 0 && closed && name.slice(open + 1, -1).every((token) => token.kind === 'word');
  return words ? name.slice(0, open) : name;
}

/** Headings of what stands around a pattern and is no part of it (common practice). */
const NO_PARTS = new Set(
  'abbreviations|materials|supplies|tools|you will need|you need|notes|note|assembly|finishing|instructions|gauge|size|skill level|stitches used|pattern notes|tips|techniques|terms|yarn|special stitches|stitch guide'.split(
    '|',
  ),
);

function isNoPart(name: readonly Token[]): boolean {
  return NO_PARTS.has(name.map((token) => token.key).join(' '));
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
  if (['x', 'times', 'pieces', 'pcs'].includes(tokens[number]?.key ?? '')) number--;
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
