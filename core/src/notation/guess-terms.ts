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

/** Stitch names of a text that tell its terms, each the first of its kind. */
interface Names {
  readonly us: string | null;
  readonly uk: string | null;
  /** Whether "dc" stands in it, which both terms have. */
  readonly double: boolean;
}

function namesIn(lines: readonly Line[]): Names {
  let us: string | null = null;
  let uk: string | null = null;
  let double = false;
  for (const line of lines) {
    if (line.is !== 'round') continue;
    for (const { key, text } of line.tokens) {
      if (ONLY_US.has(key)) us ??= text;
      else if (ONLY_UK.has(key)) uk ??= text;
      else if (key === 'dc') double = true;
    }
  }
  return { us, uk, double };
}

/**
 * Which terms a text is written in: as it says, else as its stitch names tell. A text whose basic stitch is dc is taken
 * for UK terms, as stuffed pieces are worked in the shortest stitch (common practice), and the maker is asked.
 */
export function guessTerms(lines: readonly Line[]): GuessedTerms {
  const said = lines.find((line) => line.is === 'terms' || (line.is === 'heading' && line.terms !== null)) as Said | undefined;
  const names = namesIn(lines);
  if (said) return declaredTerms(said, names);
  const { us, uk, double } = names;
  if (us !== null || !(uk !== null || double)) return { terms: 'US', diagnostic: null };
  if (uk !== null) return { terms: 'UK', diagnostic: null };
  const first = lines.find((line) => line.is === 'round')!;
  const at = { from: first.span.from, to: first.span.from };
  return {
    terms: 'UK',
    diagnostic: { code: 'terms-unsure', severity: 'warning', read: 'UK', declared: false, line: at, span: first.label.span },
  };
}

/** The terms as the text says them, with a word where its stitches say otherwise. */
function declaredTerms({ terms, span }: Said, { us, uk, double }: Names): GuessedTerms {
  const stray = terms === 'US' ? (us === null ? uk : null) : uk !== null || double ? null : us;
  if (stray !== null)
    return { terms, diagnostic: { code: 'terms-mixed', severity: 'warning', declared: terms, word: stray, line: span, span } };
  const doubtful = terms === 'US' && us === null && uk === null && double;
  if (!doubtful) return { terms, diagnostic: null };
  return { terms, diagnostic: { code: 'terms-unsure', severity: 'hint', read: 'US', declared: true, line: span, span } };
}
