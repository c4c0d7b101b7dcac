import { checkPlaces } from '@lemniscus/core/assembly';
import { describe, fixesOf, type PatternCount } from '@lemniscus/core/fabric';
import type { Fix, Severity } from '@lemniscus/core/notation';
import { cardOfSlip, type CardId } from '@lemniscus/core/technique';

/** A diagnostic ready to show at its place in the text. */
export interface Finding {
  readonly from: number;
  readonly to: number;
  readonly severity: Severity;
  readonly message: string;
  /** Ways out that edit the text. */
  readonly fixes: readonly Fix[];
  /** The card that helps with it, where one does. */
  readonly how: CardId | null;
}

/** The count that stands beside a written line, at any offset within that line. */
export interface LineCount {
  readonly at: number;
  readonly makes: string;
  readonly ok: boolean;
}

export function findingsOf(count: PatternCount): Finding[] {
  const places = checkPlaces(count).map(({ span, severity, message }) => ({ ...span, severity, message, fixes: [], how: null }));
  const read = count.diagnostics.map((diagnostic) => ({
    ...diagnostic.span,
    severity: diagnostic.severity,
    message: describe(diagnostic),
    fixes: fixesOf(diagnostic),
    how: cardOfSlip(diagnostic.code),
  }));
  return [...read, ...places].sort((a, b) => a.from - b.from);
}

/** One row of the outline: a written line with what it really makes. */
export interface OutlineRow extends LineCount {
  readonly line: number;
  readonly below: number | null;
  readonly stated: number | null;
  /** Last count of the line, for the length of its bar. */
  readonly last: number;
}

/** The rows of each part, in order; a range of rounds is one row. */
export function outlineOf({ parts }: PatternCount): OutlineRow[][] {
  return parts.map(({ part, rounds }) => {
    const rows: OutlineRow[] = [];
    for (let i = 0; i < rounds.length;) {
      let end = i + 1;
      while (end < rounds.length && rounds[end]!.line === rounds[i]!.line) end++;
      const own = rounds.slice(i, end);
      const first = own[0]!;
      const last = own[own.length - 1]!;
      rows.push({
        line: first.line,
        at: part.lines[first.line]!.label.from,
        below: i > 0 ? first.available : null,
        makes: first.makes === last.makes ? `${last.makes}` : `${first.makes}–${last.makes}`,
        stated: first.stated,
        ok: own.every((round) => round.ok),
        last: last.makes,
      });
      i = end;
    }
    return rows;
  });
}
