import {
  BOUNDS,
  printLabel,
  type Part,
  type Pattern,
  type Reading,
  type ReadingDiagnostic,
  type RoundLine,
  type Span,
} from '../notation/index.js';
import { measureRound, type RoundMeasure } from './measure.js';

/** One round of a part, counted. A written range gives one of these for each of its rounds. */
export interface RoundCount extends RoundMeasure {
  readonly number: number;
  readonly label: string;
  /** Index of the written line in `part.lines`. */
  readonly line: number;
  /** Stitches of the round below that this one was reckoned over; 0 for a first round. */
  readonly available: number;
  readonly stated: number | null;
  /** Uses exactly what there is, and makes what it states. */
  readonly ok: boolean;
}

export interface PartCount {
  readonly part: Part;
  readonly rounds: readonly RoundCount[];
}

/** What counting can find, as facts; `describeCount` makes the sentence. */
export type CountDiagnostic = { readonly severity: 'error'; readonly span: Span } & (
  | {
      readonly code: 'leaves-stitches';
      readonly label: string;
      readonly available: number;
      readonly uses: number;
      readonly makes: number;
    }
  | { readonly code: 'uses-too-many'; readonly label: string; readonly available: number; readonly uses: number }
  | { readonly code: 'total-differs'; readonly label: string; readonly makes: number; readonly stated: number }
  | { readonly code: 'too-large'; readonly label: string }
);

export type Diagnostic = ReadingDiagnostic | CountDiagnostic;

export interface PatternCount {
  readonly pattern: Pattern;
  readonly parts: readonly PartCount[];
  readonly diagnostics: readonly Diagnostic[];
}

const stitches = (count: number): string => (count === 1 ? '1 stitch' : `${count} stitches`);

export function describeCount(d: CountDiagnostic): string {
  switch (d.code) {
    case 'leaves-stitches': {
      const over = d.available - d.uses;
      return `${d.label} works ${d.uses} of the ${stitches(d.available)} below: ${over} ${over === 1 ? 'is' : 'are'} left over. As written it makes ${d.makes}.`;
    }
    case 'uses-too-many':
      return `${d.label} needs ${stitches(d.uses)}, but the round below has ${d.available}: ${d.uses - d.available} too many.`;
    case 'total-differs': {
      const off = d.makes - d.stated;
      return `${d.label} makes ${d.makes}, but ${d.stated} is stated: ${Math.abs(off)} ${off > 0 ? 'more' : 'fewer'} than stated.`;
    }
    case 'too-large':
      return `${d.label} goes past ${BOUNDS.partStitches} stitches in one part, the most that is worked out. Check its repeats.`;
  }
}

/** Counts every round of every part, and joins what the reading found with what the counts show, in text order. */
export function checkPattern({ pattern, diagnostics }: Reading): PatternCount {
  const found: Diagnostic[] = [...diagnostics];
  const errors = diagnostics.filter((diagnostic) => diagnostic.severity === 'error').map((diagnostic) => diagnostic.span.from);
  const parts = pattern.parts.map((part) => checkPart(part, errors, found));
  return { pattern, parts, diagnostics: found.sort((a, b) => a.span.from - b.span.from) };
}

/**
 * A slip is told once: a line that could not be read whole gets no count message on top, a range tells of its first bad
 * round, and a round after a bad one may fit either what was really made or what was stated.
 */
function checkPart(part: Part, readingErrors: readonly number[], found: Diagnostic[]): PartCount {
  const rounds: RoundCount[] = [];
  let below: readonly number[] = [0];
  let total = 0;
  part.lines.forEach((line, index) => {
    const unread = hasErrorWithin(readingErrors, line.span);
    let told = unread;
    for (let number = line.first; number <= line.last; number++) {
      const label = printLabel({ ...line, first: number, last: number });
      const first = rounds.length === 0;
      const reckoned = below.map((available) => reckon(line, label, available, first));
      const best = reckoned.reduce((a, b) => (b.problems.length < a.problems.length ? b : a));
      const { measure, available } = best;
      const problems: CountDiagnostic[] = [...best.problems];
      if (total <= BOUNDS.partStitches && total + measure.makes > BOUNDS.partStitches)
        problems.push({ code: 'too-large', severity: 'error', span: line.label, label });
      total += measure.makes;
      if (problems.length > 0 && !told) {
        found.push(...problems);
        told = true;
      }
      const stated = line.stated?.count ?? null;
      const ok = problems.length === 0 && !unread;
      rounds.push({ ...measure, number, label, line: index, available, stated, ok });
      below = ok || stated === null || stated === measure.makes ? [measure.makes] : [measure.makes, stated];
    }
  });
  return { part, rounds };
}

/** Whether any of the ascending offsets lies in the span. */
function hasErrorWithin(offsets: readonly number[], { from, to }: Span): boolean {
  let low = 0;
  let high = offsets.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (offsets[middle]! < from) low = middle + 1;
    else high = middle;
  }
  return low < offsets.length && offsets[low]! < to;
}

function reckon(
  line: RoundLine,
  label: string,
  available: number,
  first: boolean,
): { measure: RoundMeasure; available: number; problems: CountDiagnostic[] } {
  const counted = measureRound(line.items, available);
  // A first round that names no start is worked into a ring, so it uses nothing.
  const measure = first ? { ...counted, uses: 0 } : counted;
  const problems: CountDiagnostic[] = [];
  const { uses, makes } = measure;
  const span = instructionSpan(line);
  if (!first && uses < available)
    problems.push({ code: 'leaves-stitches', severity: 'error', span, label, available, uses, makes });
  if (!first && uses > available) problems.push({ code: 'uses-too-many', severity: 'error', span, label, available, uses });
  if (line.stated && line.stated.count !== makes) {
    problems.push({ code: 'total-differs', severity: 'error', span: line.stated.span, label, makes, stated: line.stated.count });
  }
  return { measure, available, problems };
}

function instructionSpan(line: RoundLine): Span {
  const spans = line.items.filter((item) => item.kind !== 'remark' && item.span.from >= line.span.from).map((item) => item.span);
  if (spans.length === 0) return line.label;
  return { from: spans[0]!.from, to: Math.max(...spans.map((span) => span.to)) };
}
