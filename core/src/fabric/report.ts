import { placesIn, type Severity, type Terms } from '../notation/index.js';
import type { PatternCount } from './check.js';
import { describe } from './describe.js';

/** A checked pattern as plain data, for the command line and for other programs. */
export interface PatternReport {
  readonly title: string;
  readonly terms: Terms;
  readonly parts: readonly {
    readonly name: string;
    readonly copies: number;
    readonly rounds: readonly {
      readonly label: string;
      readonly uses: number;
      readonly makes: number;
      readonly stated: number | null;
      /** Counts add up, and nothing of it is in doubt. */
      readonly ok: boolean;
    }[];
  }[];
  readonly diagnostics: readonly {
    readonly code: string;
    readonly severity: Severity;
    /** 1-based. */
    readonly line: number;
    /** 1-based. */
    readonly column: number;
    /** 1-based, just past the last character. */
    readonly endColumn: number;
    readonly message: string;
  }[];
}

/** @param text the text that was read, for the places. */
export function toReport(text: string, { pattern, parts, diagnostics }: PatternCount): PatternReport {
  const placeOf = placesIn(text);
  return {
    title: pattern.title,
    terms: pattern.terms,
    parts: parts.map(({ part, rounds }) => ({
      name: part.name,
      copies: part.copies,
      rounds: rounds.map(({ label, uses, makes, stated, ok, inDoubt }) => ({ label, uses, makes, stated, ok: ok && !inDoubt })),
    })),
    diagnostics: diagnostics.map((diagnostic) => ({
      code: diagnostic.code,
      severity: diagnostic.severity,
      ...placeOf(diagnostic.span),
      message: describe(diagnostic),
    })),
  };
}
