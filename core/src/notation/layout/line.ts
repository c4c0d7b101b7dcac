import { join, type Span } from '../span.js';
import type { Terms } from '../stitch.js';
import type { Token } from '../tokens.js';
import { readHeading, type HeadingLine } from './heading.js';
import { readLabel, type Label } from './label.js';
import type { RawLine } from './raw-line.js';

/** A line of the text by what it is for. Spans leave out bullets and surrounding space. */
export type Line =
  | { readonly is: 'blank' }
  | { readonly is: 'round'; readonly label: Label; readonly tokens: readonly Token[]; readonly span: Span }
  | { readonly is: 'terms'; readonly terms: Terms; readonly span: Span }
  | HeadingLine
  | { readonly is: 'words'; readonly tokens: readonly Token[]; readonly span: Span };

export type RoundText = Extract<Line, { is: 'round' }>;
export type Words = Extract<Line, { is: 'words' }>;

const BLANK: Line = { is: 'blank' };

/** Sorts one line. */
export function readLine(text: string, raw: RawLine): Line {
  if (raw.tokens.length === 0) return BLANK;
  const bullets = bulletsOf(raw.tokens);
  const tokens = withoutBoldStars(bullets > 0 ? raw.tokens.slice(bullets) : raw.tokens, raw.sure);
  const [first, last] = [tokens[0], tokens.at(-1)];
  if (!first || !last) return BLANK;
  const span = { from: first.from, to: last.to };
  const label = readLabel(tokens, raw.sure);
  if (label) return { is: 'round', label, tokens: tokens.slice(label.next), span: join(span, label.span) };
  const terms = readTerms(tokens);
  if (terms) return titleWithTerms(text, tokens, span, terms) ?? { is: 'terms', terms, span };
  const starred = raw.tokens[bullets]?.key === '*' && tokens !== raw.tokens && tokens[0] !== raw.tokens[bullets];
  const bold =
    starred ||
    (text.slice(raw.from, first.from).includes('**') && text.slice(last.to, raw.to).includes('**')) ||
    tagged(text, raw);
  return readHeading(text, fencedTokens(raw.tokens, bullets, tokens), span, bold) ?? { is: 'words', tokens, span };
}

function tagged(text: string, { from, to }: RawLine): boolean {
  return /^\s*<(?:b|strong|h[1-6])\b[^<>]*>.*<\/(?:b|strong|h[1-6])>\s*$/i.test(text.slice(from, Math.min(to, from + 200)));
}

/** "=== Wing ===": marks on both sides are no bullets. */
function fencedTokens(raw: readonly Token[], bullets: number, tokens: readonly Token[]): readonly Token[] {
  if (bullets === 0) return tokens;
  return bullets > 1 && raw[0]!.key === raw.at(-1)!.key && raw[0]!.key !== '*' ? raw : raw[0]!.key === '#' ? raw : tokens;
}

const BULLETS: ReadonlySet<string> = new Set([
  '-',
  '•',
  '>',
  '+',
  '~',
  '|',
  ':',
  '=',
  '...',
  '.',
  '#',
  '"',
  ',',
  ')',
  ';',
  '!',
  '/',
  '\\',
  '«',
  '»',
]);

/** How many tokens at the start of a line are bullets, check boxes and quote marks. */
function bulletsOf(tokens: readonly Token[]): number {
  let i = 0;
  for (;;) {
    const token = tokens[i];
    const next = tokens[i + 1];
    if (!token || !next) return i;
    const box = ['[', '('].includes(token.key) ? boxLength(tokens, i) : 0;
    if (box > 0) i += box;
    // "-2 sc" keeps its minus, "*sc, inc*" and "*R1:*" their stars, "#1" its mark.
    else if (token.key === '*' && token.to < next.from) i++;
    else if (token.key === '#' && next.kind === 'number') return i;
    else if (BULLETS.has(token.key) && !(token.key === '-' && next.kind === 'number' && next.from === token.to)) i++;
    else return i;
  }
}

/** "[ ]", "[x]", "( )": a box to be ticked. */
function boxLength(tokens: readonly Token[], at: number): number {
  const closer = tokens[at]!.key === '[' ? ']' : ')';
  if (tokens[at + 1]?.key === closer && tokens[at + 2] !== undefined) return 2;
  const ticked = tokens[at + 1]?.key === 'x' && tokens[at + 2]?.key === closer;
  return ticked && tokens[at + 3] !== undefined ? 3 : 0;
}

/** "*R1:* 6 sc" and "*Arm* (make 2)": stars around a label or a name are bold type. */
function withoutBoldStars(tokens: readonly Token[], sure: boolean): readonly Token[] {
  if (tokens[0]?.key !== '*' || tokens[0].to !== tokens[1]?.from) return tokens;
  const close = tokens.findIndex((token, i) => i > 1 && token.key === '*' && tokens[i - 1]!.to === token.from);
  if (close < 0) return tokens;
  const inner = tokens.slice(1, close);
  const rest = tokens.slice(close + 1);
  const label = readLabel([...inner, ...rest], sure);
  const labelled = label !== null && label.next >= inner.length;
  const named =
    inner.every((token) => token.kind === 'word') && (rest.length === 0 || ['(', '[', 'x', ':'].includes(rest[0]!.key));
  return labelled || named ? [...inner, ...rest] : tokens;
}

/** "Shawl edge (UK terms)": a heading that says the terms beside. */
function titleWithTerms(text: string, tokens: readonly Token[], span: Span, terms: Terms): HeadingLine | null {
  const open = tokens.findIndex(({ key }) => key === '(' || key === '[');
  const heading = open > 0 && readTerms(tokens.slice(0, open)) === null ? readHeading(text, tokens, span, false) : null;
  return heading && { ...heading, terms };
}

const TERMS_WORDS = new Set(['terms', 'terminology', 'term', 'abbreviations']);

/** Words that name the terms on a line of their own; "us" in small letters is no country. */
const COUNTRIES: ReadonlySet<string> = new Set(['uk', 'us', 'british', 'american']);

/** "US terms", "UK terminology", "Terms: UK", "Written in US terms.", "UK". */
function readTerms(tokens: readonly Token[]): Terms | null {
  if (tokens.length > 9) return null;
  const keys = tokens.map((token) => token.key);
  const alone = tokens.every(({ kind, key }) => kind === 'mark' || COUNTRIES.has(key));
  if (!alone && !keys.some((key) => TERMS_WORDS.has(key))) return null;
  if (keys.includes('uk') || keys.includes('british')) return 'UK';
  return keys.includes('us') || keys.includes('american') ? 'US' : null;
}
