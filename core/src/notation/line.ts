import { readHeading, type HeadingLine } from './heading.js';
import { readLabel, type Label } from './label.js';
import { join, type Span } from './span.js';
import type { Terms } from './stitch.js';
import { tokenize, type Token } from './tokens.js';

/** A line of the text by what it is for. Spans leave out bullets and surrounding space. */
export type Line =
  | { readonly is: 'blank' }
  | { readonly is: 'round'; readonly label: Label; readonly tokens: readonly Token[]; readonly span: Span }
  | { readonly is: 'terms'; readonly terms: Terms; readonly span: Span }
  | HeadingLine
  | { readonly is: 'words'; readonly tokens: readonly Token[]; readonly span: Span };

/** Sorts `text[from, to)`, one line without its line end. */
export function readLine(text: string, from: number, to: number): Line {
  const all = tokenize(text, from, to);
  const bullet = all.length > 1 && (all[0]!.key === '-' || all[0]!.key === '•') ? 1 : 0;
  const starred = all.length > 1 && all[0]!.key === '*' && all[0]!.to < all[1]!.from ? 1 : 0;
  const tokens = all.slice(bullet + starred);
  if (tokens.length === 0) return { is: 'blank' };
  const span = join(tokens[0]!, tokens[tokens.length - 1]!);
  const label = readLabel(tokens);
  if (label) return { is: 'round', label, tokens: tokens.slice(label.next), span };
  if (bullet + starred > 0) return { is: 'words', tokens, span };
  const terms = readTerms(tokens);
  if (terms) return { is: 'terms', terms, span };
  return readHeading(text, tokens, span) ?? { is: 'words', tokens, span };
}

const TERMS_WORDS = new Set(['terms', 'terminology', 'term', 'abbreviations']);

/** "US terms", "UK terminology", "Terms: UK", "Written in US terms." */
function readTerms(tokens: readonly Token[]): Terms | null {
  if (tokens.length > 8) return null;
  const keys = tokens.map((token) => token.key);
  if (!keys.some((key) => TERMS_WORDS.has(key))) return null;
  if (keys.includes('uk') || keys.includes('british')) return 'UK';
  return keys.includes('us') || keys.includes('american') ? 'US' : null;
}
