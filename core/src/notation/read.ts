import { BOUNDS } from '../bounds/index.js';
import { readColourBook } from './colour-book.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import { draftOf } from './draft.js';
import { guessTerms } from './guess-terms.js';
import { layOut } from './layout/layout.js';
import { endOfLines } from './layout/raw-line.js';
import type { Line } from './layout/line.js';
import { readMakingUp, withPlacings } from './making-up/read-making-up.js';
import type { Pattern } from './pattern.js';
import { settleParts } from './settle-parts.js';
import { longestPhrase, vocabularyOf } from './vocabulary.js';

export interface Reading {
  readonly pattern: Pattern;
  readonly diagnostics: readonly ReadingDiagnostic[];
}

/** Most findings of one kind that are told one by one. */
const MOST_ALIKE = 200;

/**
 * Reads a pattern as people write it, in two steps: lines are laid out and read with every doubt kept, then counts, totals,
 * colours and part names settle what is meant. Never throws: what cannot be read is a diagnostic at its place, and
 * everything else is kept. Lines that are no round and no heading are kept as notes.
 */
export function read(text: string): Reading {
  const diagnostics: ReadingDiagnostic[] = [];
  const report = (diagnostic: ReadingDiagnostic): void => void diagnostics.push(diagnostic);
  if (text.length > BOUNDS.text)
    report({ code: 'text-too-long', severity: 'error', length: text.length, span: { from: BOUNDS.text, to: BOUNDS.text } });
  const within = text.slice(0, BOUNDS.text);
  const end = endOfLines(within, BOUNDS.lines);
  if (end < within.length) report({ code: 'too-many-lines', severity: 'error', span: { from: end, to: end } });
  const kept = within.slice(0, end);
  const lines = layOut(kept);
  const { terms, diagnostic } = guessTerms(lines);
  if (diagnostic) report(diagnostic);
  const draft = draftOf(kept, lines, { terms, colours: readColourBook(kept, lines), chainsCount: chainsCountIn(lines), report });
  const parts = settleParts(draft, terms, report);
  if (parts.length === 0) report({ code: 'no-rounds', severity: 'error', span: { from: 0, to: 0 } });
  return {
    pattern: {
      title: draft.title,
      terms,
      parts: withPlacings(parts),
      notes: draft.notes,
      makingUp: readMakingUp(kept, draft.makingUp, parts),
      makingUpHeading: draft.makingUpHeading,
    },
    diagnostics: capped(diagnostics.sort((a, b) => a.span.from - b.span.from)),
  };
}

/** As much of a text as holds its title: what stands before its first rounds. */
const TITLE_WITHIN = 6_000;

/** A pattern's title, from the beginning of its text alone. */
export function titleOf(text: string): string {
  const end = text.length > TITLE_WITHIN ? text.lastIndexOf('\n', TITLE_WITHIN) : text.length;
  return read(text.slice(0, end < 0 ? TITLE_WITHIN : end)).pattern.title;
}

/** "The starting ch 1 counts as a stitch (throughout)": said once for all rounds; null where it is not said. */
function chainsCountIn(lines: readonly Line[]): boolean | null {
  for (const line of lines) {
    if (line.is === 'blank' || line.is === 'terms') continue;
    const { tokens } = line;
    if (!tokens.some(({ key }) => key === 'ch' || key === 'chain' || key === 'chains')) continue;
    if (line.is === 'round' && !tokens.some(({ key }) => key === 'throughout')) continue;
    for (let i = 0; i < tokens.length; i++) {
      const phrase = longestPhrase(vocabularyOf('US'), tokens, i);
      if (phrase?.meaning.is === 'counted') return phrase.meaning.counted;
    }
  }
  return null;
}

/** The findings, of each kind no more than a person looks at, with a word on how many more there are. */
function capped(diagnostics: readonly ReadingDiagnostic[]): ReadingDiagnostic[] {
  const counts = new Map<string, number>();
  for (const { code } of diagnostics) counts.set(code, (counts.get(code) ?? 0) + 1);
  const told = new Map<string, number>();
  return diagnostics.flatMap((each): ReadingDiagnostic[] => {
    const number = (told.get(each.code) ?? 0) + 1;
    told.set(each.code, number);
    if (number <= MOST_ALIKE) return [each];
    const more = counts.get(each.code)! - MOST_ALIKE;
    return number === MOST_ALIKE + 1
      ? [{ code: 'more-like-this', severity: each.severity, what: each.code, more, span: each.span }]
      : [];
  });
}
