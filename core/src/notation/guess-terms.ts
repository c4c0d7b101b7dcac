import type { ReadingDiagnostic } from './diagnostic.js';
import type { Line } from './layout/line.js';
import type { Span } from './span.js';
import type { Terms } from './stitch.js';

export interface GuessedTerms {
  readonly terms: Terms;
  readonly diagnostic: ReadingDiagnostic | null;
}

/** A line that says the terms. */
interface Said {
  readonly terms: Terms;
  readonly span: Span;
}

const ONLY_US = new Set(['sc', 'hdc', 'scs', 'hdcs', 'sc2tog', 'sc3tog']);
const ONLY_UK = new Set(['htr', 'dtr', 'htrs', 'dtrs', 'dc2tog', 'ss']);

/**
 * Which terms a text is written in: as it says, else as its stitch names tell. A text whose basic stitch is dc is taken
 * for UK terms, as stuffed pieces are worked in the shortest stitch (common practice), and the maker is asked.
 */
export function guessTerms(lines: readonly Line[]): GuessedTerms {
  const said = lines.find((line) => line.is === 'terms' || (line.is === 'heading' && line.terms !== null)) as Said | undefined;
  let us: { readonly word: string } | null = null;
  let uk: { readonly word: string } | null = null;
  let double = false;
  for (const line of lines) {
    if (line.is !== 'round') continue;
    for (const { key, text } of line.tokens) {
      if (ONLY_US.has(key)) us ??= { word: text };
      else if (ONLY_UK.has(key)) uk ??= { word: text };
      else if (key === 'dc') double = true;
    }
  }
  if (said) {
    const stray = said.terms === 'US' ? (us ? null : uk) : uk || double ? null : us;
    if (stray)
      return {
        terms: said.terms,
        diagnostic: {
          code: 'terms-mixed',
          severity: 'warning',
          declared: said.terms,
          word: stray.word,
          line: said.span,
          span: said.span,
        },
      };
    const doubtful = said.terms === 'US' && !us && !uk && double;
    if (!doubtful) return { terms: said.terms, diagnostic: null };
    return {
      terms: 'US',
      diagnostic: { code: 'terms-unsure', severity: 'hint', read: 'US', declared: true, line: said.span, span: said.span },
    };
  }
  if (us || !(uk || double)) return { terms: 'US', diagnostic: null };
  if (uk) return { terms: 'UK', diagnostic: null };
  const first = lines.find((line) => line.is === 'round')!;
  const at = { from: first.span.from, to: first.span.from };
  return {
    terms: 'UK',
    diagnostic: { code: 'terms-unsure', severity: 'warning', read: 'UK', declared: false, line: at, span: first.label.span },
  };
}
