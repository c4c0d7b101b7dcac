import { BOUNDS } from '../bounds/index.js';
import {
  foundationOf,
  foundationPlaces,
  gatesOf,
  instructionSpan,
  isFlat,
  measureRound,
  openTimes,
  printLabel,
  worksIn,
  type CountedBefore,
  type Fix,
  type RoundMeasure,
  type Part,
  type Pattern,
  type PrintStyle,
  type Reading,
  type ReadingDiagnostic,
  type RoundLine,
  type Span,
  type Way,
} from '../notation/index.js';
import type { CountDiagnostic } from './count-diagnostic.js';
import { DRAWN_SHUT } from './drawn-shut.js';
import { jumpOf } from './growth.js';
import { lineWay, partWay } from './way.js';
import { waysOut } from './ways-out.js';

/** One round of a part, counted. A written range gives one of these for each of its rounds. */
export interface RoundCount extends RoundMeasure {
  readonly number: number;
  readonly label: string;
  /** Index of the written line in `part.lines`. */
  readonly line: number;
  /** Stitches of the round below, or places of the foundation, that this one was reckoned over; 0 in a ring. */
  readonly available: number;
  readonly stated: number | null;
  readonly way: Way;
  /** Uses exactly what there is, and makes what it states. */
  readonly ok: boolean;
  /** Whether a remark says that it was heard in a talk and may be another. */
  readonly inDoubt: boolean;
}

export interface PartCount {
  /** The part as it was taken: where a line can be read in two ways, with the one that was chosen. */
  readonly part: Part;
  readonly rounds: readonly RoundCount[];
}

export type Diagnostic = ReadingDiagnostic | CountDiagnostic;

export interface PatternCount {
  readonly pattern: Pattern;
  readonly parts: readonly PartCount[];
  readonly diagnostics: readonly Diagnostic[];
}

/** Counts every round of every part, and joins what the reading found with what the counts show, in text order. */
export function checkPattern({ pattern, diagnostics }: Reading): PatternCount {
  const found: Diagnostic[] = [...diagnostics];
  const errors = diagnostics.filter((diagnostic) => diagnostic.severity === 'error').map((diagnostic) => diagnostic.span.from);
  const parts: PartCount[] = [];
  for (const part of pattern.parts) parts.push(new PartChecker(part, pattern, parts, errors, found).check());
  const chosen = { ...pattern, parts: parts.map(({ part }) => part) };
  return { pattern: chosen, parts, diagnostics: found.sort((a, b) => a.span.from - b.span.from) };
}

interface Reckoning {
  readonly measure: RoundMeasure;
  readonly available: number;
  readonly problems: readonly CountDiagnostic[];
  /** How much of it does not fit, told or not. */
  readonly misses: number;
}

/**
 * A slip is told once: a line that could not be read whole gets no count message on top, a range tells of its first bad
 * round, and a round after a bad one may fit either what was really made or what was stated.
 */
class PartChecker {
  private readonly rounds: RoundCount[] = [];
  private readonly lines: readonly RoundLine[];
  private readonly way: Way;
  private readonly style: PrintStyle;
  private below: readonly number[] = [0];
  private total = 0;
  /** After a line that could not be read whole and states no total, nobody knows what there is to work over. */
  private unsure = false;
  private named: readonly CountedBefore[] | null = null;

  constructor(
    private readonly part: Part,
    { terms, notes }: Pick<Pattern, 'terms' | 'notes'>,
    private readonly before: readonly PartCount[],
    private readonly readingErrors: readonly number[],
    private readonly found: Diagnostic[],
  ) {
    this.lines = part.lines;
    // What stands above the first part holds for all.
    this.way = partWay(part.lines, [...part.notes, ...notes]);
    this.style = { terms, form: 'short' };
  }

  check(): PartCount {
    for (let index = 0; index < this.lines.length; index++) this.checkLine(index);
    this.checkGates();
    return { part: this.part, rounds: this.rounds };
  }

  private checkLine(index: number): void {
    const unread = hasErrorWithin(this.readingErrors, this.lines[index]!.span);
    let told = unread;
    const doubt = doubtOf(this.lines[index]!);
    for (let number = this.lines[index]!.first; number <= this.lines[index]!.last; number++) {
      const line = this.lines[index]!;
      const label = printLabel({ ...line, first: number, last: number });
      const { measure, available, problems } = this.reckonBest(line, label);
      const all = [...problems];
      if (this.total <= BOUNDS.partStitches && this.total + measure.makes > BOUNDS.partStitches)
        all.push({ code: 'too-large', severity: 'error', span: line.label, label });
      this.total += measure.makes;
      if (all.length > 0 && !told) {
        this.found.push(...all.map((problem) => this.explained(problem, line, index)));
        told = true;
      } else if (all.length === 0 && !told && number === line.first) this.checkGrowth(line, label, available, measure.makes);
      const stated = line.stated?.count ?? null;
      const ok = all.every(({ severity }) => severity === 'hint') && !unread;
      const { uses, makes, around } = measure;
      const way = lineWay(line, this.way);
      this.rounds.push({ uses, makes, around, number, label, line: index, available, stated, way, ok, inDoubt: doubt !== null });
      // Within a range nothing was meant but what is made; the rounds after it may go on from the total.
      this.below = this.countsAfter(line, measure, ok || number < line.last);
      this.unsure = unread && stated === null;
    }
    if (doubt) this.found.push({ ...doubt, label: printLabel(this.lines[index]!) });
  }

  /** What the next round may be worked over: what this one made, and after a slip also what was meant instead. */
  private countsAfter(line: RoundLine, { makes }: RoundMeasure, ok: boolean): readonly number[] {
    if (this.below.length === 1 && (ok || line.stated === null)) return [makes];
    const others = this.below.length > 1 ? this.below.map((below) => measureRound(line.items, below).makes) : [];
    const stated = ok || line.stated === null ? [] : [line.stated.count];
    return [...new Set([makes, ...stated, ...others])].slice(0, MOST_COUNTS);
  }

  private reckonBest(line: RoundLine, label: string, below = this.below): Reckoning {
    const reckoned = below.map((available) => this.reckon(line, label, available));
    return reckoned.length === 1 ? reckoned[0]! : reckoned.reduce((a, b) => (b.misses < a.misses ? b : a));
  }

  private reckon(line: RoundLine, label: string, below: number): Reckoning {
    const first = this.rounds.length === 0;
    const foundation = foundationOf(line.items);
    const places = foundation ? foundationPlaces(line.items, first ? 0 : below, this.rounds, this.counted()) : below;
    // Where nobody can know how many places there are, the round is taken at its word.
    const open = line.items.some((item) => openTimes(item) !== null);
    const known = places !== null && (foundation !== null || !first) && (!this.unsure || open);
    const own = measureRound(line.items, 0).uses;
    const available = this.unsure && !open ? own : (places ?? line.stated?.count ?? own);
    const counted = measureRound(line.items, available);
    // A first round that names no start is worked into a ring, so it uses nothing.
    const measure = first && !foundation ? { uses: 0, makes: counted.makes, around: counted.around } : counted;
    const problems: CountDiagnostic[] = [];
    const { uses, makes } = measure;
    const span = instructionSpan(line);
    const stated = line.stated?.count ?? null;
    if (known && uses < available) {
      const severity = this.stopsEarly(line, makes) ? 'hint' : 'error';
      problems.push({ code: 'leaves-stitches', severity, span, label, available, uses, makes, stated });
    }
    if (known && uses > available)
      problems.push({ code: 'uses-too-many', severity: 'error', span, label, available, uses, makes, stated });
    // One slip is told once: what a round uses wrongly makes its total differ too.
    if (line.stated && line.stated.count !== makes && problems.length === 0) {
      const said = { makes, stated: line.stated.count, likelier: null, next: null };
      problems.push({ code: 'total-differs', severity: 'error', span: line.stated.span, label, ...said });
    }
    const misses = problems.length + Number(line.stated !== null && line.stated.count !== makes);
    return { measure, available, problems, misses };
  }

  /** A last round of plain stitches may stop part of the way. */
  private stopsEarly(line: RoundLine, makes: number): boolean {
    const last = line === this.lines.at(-1) && line.first === line.last;
    const plain = line.items.every((item) => item.kind !== 'group' && item.kind !== 'cluster');
    const works = worksIn(line.items);
    const even = works.length > 0 && works.every(({ per, together }) => per === 1 && together === 1);
    return last && plain && even && (line.stated === null || line.stated.count === makes);
  }

  /** The parts counted before, by name. */
  private counted(): readonly CountedBefore[] {
    return (this.named ??= this.before.map(({ part, rounds }) => ({ name: part.name, rounds, flat: isFlat(part.lines) })));
  }

  private problemsOver(line: RoundLine, below: number): number {
    const { uses, makes } = measureRound(line.items, below);
    return Number(uses !== below) + Number(line.stated !== null && line.stated.count !== makes);
  }

  /** Adds to a problem which side is likelier wrong, and the ways out. */
  private explained(problem: CountDiagnostic, line: RoundLine, index: number): CountDiagnostic {
    if (problem.code === 'leaves-stitches' || problem.code === 'uses-too-many')
      return withFixes(problem, waysOut(line, problem.available, this.style));
    if (problem.code !== 'total-differs') return problem;
    const { makes } = problem;
    const next = this.lines[index + 1];
    const fitsMade = next !== undefined && !foundationOf(next.items) && this.problemsOver(next, makes) === 0;
    const fitsStated = next !== undefined && !foundationOf(next.items) && this.problemsOver(next, problem.stated) === 0;
    const likelier = fitsMade === fitsStated ? null : fitsMade ? 'total' : 'instruction';
    const write: Fix = { title: `Write (${makes})`, edits: [{ ...problem.span, insert: `(${makes})` }] };
    return withFixes(
      { ...problem, likelier, next: next ? printLabel({ ...next, last: next.first }) : null },
      likelier === 'instruction' ? [] : [write],
    );
  }

  private checkGrowth(line: RoundLine, label: string, below: number, makes: number): void {
    const flat = this.rounds.length === 0 || foundationOf(line.items) !== null || lineWay(line, this.way) === 'turned';
    const jump = flat ? null : jumpOf(line, below, makes);
    if (jump) this.found.push({ ...jump, severity: 'hint', label, span: instructionSpan(line) });
  }

  /** Stuffing and eyes that come when the opening has closed. */
  private checkGates(): void {
    const most = Math.max(0, ...this.rounds.map((round) => round.makes));
    for (const gate of gatesOf(this.part)) {
      const { span } = gate;
      if (!span || (gate.kind !== 'eyes' && gate.kind !== 'stuffing')) continue;
      const last = this.rounds.findLast((round) => round.line < gate.before);
      const closed = last && last.makes <= DRAWN_SHUT && most >= 3 * DRAWN_SHUT && last.uses > last.makes;
      if (closed)
        this.found.push({
          code: 'gate-late',
          severity: 'warning',
          gate: gate.kind,
          stitches: last.makes,
          label: last.label,
          span,
        });
    }
  }
}

/** A line that was heard in a talk and may be another, with the way to take it as it stands. */
function doubtOf({ items, places }: RoundLine): Omit<CountDiagnostic & { code: 'told-in-doubt' }, 'label'> | null {
  for (let at = 0; at < items.length; at++) {
    const item = items[at]!;
    const place = places[at];
    if (item.kind !== 'remark' || !place || !item.facts.some((fact) => fact.is === 'told' && fact.inDoubt)) continue;
    const [when, ...why] = item.text.replace(/^\(|\)$/g, '').split(/,? in doubt:? ?/);
    const span = { from: place.from, to: place.to };
    const taken: Fix = { title: 'Take it as it stands', edits: [{ ...span, insert: `(${when})` }] };
    return { code: 'told-in-doubt', severity: 'warning', why: why.join(' ') || 'nothing confirms it', span, fixes: [taken] };
  }
  return null;
}

/** Counts kept in mind after a slip. */
const MOST_COUNTS = 3;

function withFixes(problem: CountDiagnostic, fixes: readonly Fix[]): CountDiagnostic {
  return fixes.length > 0 ? { ...problem, fixes } : problem;
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
