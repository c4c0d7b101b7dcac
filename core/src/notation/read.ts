import { BOUNDS } from '../bounds/index.js';
import { readColourKey, type ColourKey } from './colour-key.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import { guessTerms } from './guess-terms.js';
import type { HeadingLine } from './heading.js';
import { readLine, type Line } from './line.js';
import { LineChecks } from './line-checks.js';
import type { Colour, Foundation, Item, Like, Note, OtherReading, Part, Pattern, RoundLine } from './pattern.js';
import { printLabel } from './print.js';
import type { SameAs } from './read-place.js';
import { readRound, type RoundReading } from './read-round.js';
import type { RoundContext } from './round-cursor.js';
import { join, type Span } from './span.js';
import type { Terms } from './stitch.js';
import type { Token } from './tokens.js';

export interface Reading {
  readonly pattern: Pattern;
  readonly diagnostics: readonly ReadingDiagnostic[];
}

/** Parts that a round may name: the latest ones. */
const MOST_NAMED_PARTS = 60;

/** Most typing slips of one text whose meaning is looked up. */
const MOST_LOOKUPS = 300;

/**
 * Reads a pattern as people write it. Never throws: what cannot be read is a diagnostic at its place,
 * and everything else is kept. Lines that are no round and no heading are kept as notes.
 */
export function read(text: string): Reading {
  const diagnostics: ReadingDiagnostic[] = [];
  const report = (diagnostic: ReadingDiagnostic): void => void diagnostics.push(diagnostic);
  if (text.length > BOUNDS.text)
    report({ code: 'text-too-long', severity: 'error', length: text.length, span: { from: BOUNDS.text, to: BOUNDS.text } });
  const lines = withContinuations(linesOf(text.slice(0, BOUNDS.text)));
  const { terms, diagnostic } = guessTerms(lines);
  if (diagnostic) report(diagnostic);
  const pattern = new PatternReader(text, terms, readColourKey(text, lines), report).read(lines);
  if (pattern.parts.length === 0) report({ code: 'no-rounds', severity: 'error', span: { from: 0, to: 0 } });
  return { pattern, diagnostics: diagnostics.sort((a, b) => a.span.from - b.span.from) };
}

function linesOf(text: string): Line[] {
  const lines: Line[] = [];
  let from = text.charCodeAt(0) === 0xfeff ? 1 : 0;
  for (let i = from; i <= text.length; i++) {
    const char = text[i];
    if (i < text.length && char !== '\n' && char !== '\r') continue;
    lines.push(readLine(text, from, i));
    if (char === '\r' && text[i + 1] === '\n') i++;
    from = i + 1;
  }
  return lines;
}

/** A round that ends in a comma or inside a bracket goes on in the next line. */
function withContinuations(lines: readonly Line[]): Line[] {
  const joined: Line[] = [];
  let depth = 0;
  for (const line of lines) {
    const last = joined[joined.length - 1];
    const tokens = line.is === 'words' ? line.tokens : null;
    if (last?.is === 'round' && tokens && (depth > 0 || last.tokens.at(-1)?.key === ',')) {
      depth = openBrackets(tokens, depth);
      joined[joined.length - 1] = {
        ...last,
        tokens: [...last.tokens, ...tokens],
        span: join(last.span, line.is === 'words' ? line.span : last.span),
      };
      continue;
    }
    depth = line.is === 'round' ? openBrackets(line.tokens, 0) : 0;
    joined.push(line);
  }
  return joined;
}

function openBrackets(tokens: readonly Token[], open: number): number {
  let depth = open;
  for (const { key } of tokens) {
    if (key === '(' || key === '[') depth++;
    else if (key === ')' || key === ']') depth--;
  }
  return depth;
}

interface Heading {
  readonly name: string;
  readonly nameEnd: number;
  readonly copies: number | null;
  /** How surely it is a heading: 3 marked, 2 a colon or a blank line above, 1 bare words. */
  readonly rank: number;
  readonly span: Span;
}

interface OpenPart {
  readonly name: string;
  readonly copies: number;
  readonly copiesSaid: boolean;
  readonly heading: Span;
  readonly lines: RoundLine[];
  readonly notes: Note[];
}

type RoundText = Extract<Line, { is: 'round' }>;

class PatternReader {
  private title: string | null = null;
  private heading: Heading | null = null;
  private part: OpenPart | null = null;
  /** Notes, colours and a foundation said since the last round, which belong to whatever comes next. */
  private waiting: Note[] = [];
  private colours: Colour[] = [];
  private foundation: Foundation | null = null;
  private readonly parts: Part[] = [];
  private readonly notes: Note[] = [];
  private readonly lookups = { left: MOST_LOOKUPS };
  private readonly checks: LineChecks;
  private full = false;

  constructor(
    private readonly text: string,
    private readonly terms: Terms,
    private readonly key: ColourKey,
    private readonly report: (diagnostic: ReadingDiagnostic) => void,
  ) {
    this.checks = new LineChecks(text, report);
  }

  read(lines: readonly Line[]): Pattern {
    let apart = true;
    for (const line of lines) {
      if (line.is === 'heading' && (line.mark === 'marked' || !this.readSettingLine(line.tokens))) this.readHeading(line, apart);
      else if (line.is === 'words') this.readWords(line);
      else if (line.is === 'round') this.readRound(line);
      apart = line.is === 'blank';
    }
    if (!this.part) this.title ??= this.heading?.name ?? null;
    this.closePart();
    if (this.parts.length === 0) this.notes.push(...this.waiting);
    return { title: this.title ?? this.parts[0]?.name ?? '', terms: this.terms, parts: this.parts, notes: this.notes };
  }

  /** The heading nearest to its rounds counts, unless an earlier one is better marked; the first of several is the title. */
  private readHeading(line: HeadingLine, apart: boolean): void {
    const { name, nameEnd, copies, span } = line;
    const heading = { name, nameEnd, copies, rank: line.mark === 'marked' ? 3 : line.mark === 'colon' || apart ? 2 : 1, span };
    const earlier = this.heading;
    const untitled = this.title === null && this.part === null;
    const titles = untitled && earlier?.copies === null;
    if (earlier && heading.rank < earlier.rank && !titles) {
      this.keepNote(heading.span);
      return;
    }
    if (earlier && untitled) this.title = earlier.name;
    else if (earlier) this.keepNote(earlier.span);
    this.heading = heading;
  }

  /** Words are a note, unless they set a colour or a chain, or are the only instruction below a heading. */
  private readWords(line: Extract<Line, { is: 'words' }>): void {
    if (this.readSettingLine(line.tokens)) return;
    const round = this.heading?.rank === 3 ? this.unlabelled(line) : null;
    if (round) this.readRound(round);
    else this.keepNote(line.span);
  }

  /** "Ch 6, sc in 2nd ch from hook, sc 4." right below a heading is its first round, when every word of it can be read. */
  private unlabelled({ tokens, span }: Extract<Line, { is: 'words' }>): RoundText | null {
    const noted = { clean: true };
    const { items } = readRound(this.text, tokens, this.context(true), () => (noted.clean = false));
    const starts = items.some((item) => item.kind === 'start' || item.kind === 'foundation');
    const works = items.some((item) => item.kind === 'start' || item.kind === 'work' || item.kind === 'group');
    if (!noted.clean || !starts || !works || items.some((item) => item.kind === 'remark')) return null;
    const at = { from: span.from, to: span.from };
    const word = items.some((item) => item.kind === 'foundation') ? 'row' : 'round';
    return { is: 'round', label: { first: 1, last: 1, word, relative: false, open: null, span: at, next: 0 }, tokens, span };
  }

  /** A line that only names a colour ("With black yarn:") or a chain ("Ch 7.") holds for the rounds that follow. */
  private readSettingLine(tokens: readonly Token[]): boolean {
    if (tokens.length > 12) return false;
    const noted = { clean: true };
    const before = this.heading !== null || this.part === null;
    const { items } = readRound(this.text, tokens, this.context(before), () => (noted.clean = false));
    const only = items[0];
    const last = tokens.findLast((token) => token.kind !== 'mark');
    if (items.length !== 1 || !noted.clean || only?.span.to !== last?.to) return false;
    if (only?.kind === 'colour') this.colours.push(only);
    else if (only?.kind === 'foundation' && before) this.foundation = only;
    else return false;
    return true;
  }

  private context(first: boolean, otherwise: RoundContext['otherwise'] = null): RoundContext {
    const names = this.parts.slice(-MOST_NAMED_PARTS).map((part) => part.name);
    return {
      terms: this.terms,
      first,
      foundation: first ? this.foundation : null,
      parts: this.part ? [...names, this.part.name] : names,
      colours: this.key,
      otherwise,
      lookups: this.lookups,
    };
  }

  private keepNote(span: Span): void {
    this.waiting.push({ text: this.text.slice(span.from, span.to), before: 0, span });
  }

  /** Past the most parts that are read, rounds are only words. */
  private readRound(line: RoundText): void {
    if (this.parts.length < BOUNDS.parts) {
      this.readRoundLine(line);
      return;
    }
    if (!this.full) this.report({ code: 'too-many-parts', severity: 'error', span: line.span });
    this.full = true;
    this.keepNote(line.span);
  }

  private readRoundLine(line: RoundText): void {
    const expected = (this.part?.lines.at(-1)?.last ?? 0) + 1;
    const label = line.label.relative
      ? { ...line.label, first: line.label.first + expected - 1, last: line.label.last + expected - 1 }
      : line.label;
    const restart = label.first < expected || this.part === null;
    const opens = restart || this.heading?.rank === 3;
    const told = { error: false };
    const reading = readRound(this.text, line.tokens, this.context(opens), (diagnostic) => {
      told.error ||= diagnostic.severity === 'error';
      this.report(diagnostic);
    });
    const starts = reading.items.some((item) => item.kind === 'start' || item.kind === 'foundation');
    // A heading over a round that goes on counting ("## Head" before R21) names a section, not a new part.
    const goesOn = !restart && !starts && label.first === expected;
    const others = this.otherReadings(line, opens, reading);
    this.openPart(opens && !goesOn, line.span);
    const counted =
      reading.rounds !== null && label.first === label.last ? { ...label, last: label.first + reading.rounds - 1 } : label;
    const { first, last } = this.checks.range(counted);
    const isFirst = this.part!.lines.length === 0;
    const afterOpenRun = this.part!.lines.at(-1)?.open !== null;
    if (!isFirst && first > expected && !afterOpenRun)
      this.report({
        code: 'number-gap',
        severity: 'warning',
        expected,
        label: printLabel({ first, last: first, word: label.word }),
        first,
        span: label.span,
      });
    const items: readonly Item[] = [...this.colours, ...reading.items];
    const before = this.colours.map((colour): Item => colour);
    this.colours = [];
    this.foundation = null;
    for (const item of items) this.checks.colour(item);
    const own = {
      first,
      last,
      word: label.word,
      items,
      stated: reading.stated,
      like: null,
      open: reading.open ?? label.open,
      others: others.map((other) => ({ ...other, items: [...before, ...other.items] })),
      label: label.span,
      span: line.span,
    };
    this.part!.lines.push(...(reading.same ? this.takenOver(own, reading.same) : [own]));
    if (!reading.same) this.checks.start(isFirst, told.error, line, items, `${label.word === 'row' ? 'Row' : 'Round'} ${first}`);
  }

  private otherReadings(line: RoundText, first: boolean, reading: RoundReading): OtherReading[] {
    return [...reading.doubts].map((doubt) => {
      const { items } = readRound(this.text, line.tokens, this.context(first, doubt), () => undefined);
      return { doubt, items };
    });
  }

  /** The lines of "R8–R13: same as R6–R7": one where all are the same round, else one for each round. */
  private takenOver(line: RoundLine, same: SameAs): RoundLine[] {
    const from = same.first ?? line.first - 1;
    const length = (same.last ?? from) - from + 1;
    const source = same.part === null ? this.part! : (this.parts.findLast((part) => part.name === same.part) ?? this.part!);
    const sourceOf = (round: number): RoundLine | undefined =>
      source.lines.findLast((each) => each.first <= round && each.last >= round);
    const lines: RoundLine[] = [];
    for (let number = line.first; number <= line.last; number++) {
      const round = from + ((number - line.first) % length);
      const found = sourceOf(round);
      if (!found) {
        this.report({ code: 'same-missing', severity: 'error', round, part: same.part, span: same.span });
        return [line];
      }
      const like: Like = { round, part: same.part, own: line.items.length };
      const taken = { ...line, like, items: [...found.items, ...line.items], others: [] };
      if (length === 1) return [taken];
      lines.push({ ...taken, first: number, last: number });
    }
    return lines;
  }

  /** Begins a new part where a sure heading stands, or where the numbers begin again. */
  private openPart(opens: boolean, span: Span): void {
    const heading = this.heading;
    this.heading = null;
    if (opens) {
      const from = heading?.span.from ?? span.from;
      const later = this.waiting.filter((note) => note.span.from > from);
      const colours = this.colours.filter((colour) => colour.span.from > from || this.part === null);
      this.waiting = this.waiting.filter((note) => note.span.from < from);
      this.colours = this.colours.filter((colour) => !colours.includes(colour));
      this.closePart();
      this.waiting.push(...later);
      this.colours = colours;
      const name = heading?.name ?? (this.parts.length === 0 ? (this.title ?? 'Part 1') : `Part ${this.parts.length + 1}`);
      if (!heading && this.parts.length > 0) this.report({ code: 'part-unnamed', severity: 'hint', name, span });
      const copies = heading?.copies ?? null;
      if (heading && copies === null) this.checks.copies(heading);
      this.part = {
        name,
        copies: copies ?? 1,
        copiesSaid: copies !== null,
        heading: heading?.span ?? span,
        lines: [],
        notes: [],
      };
    } else if (heading) this.keepNote(heading.span);
    const before = this.part!.lines.length;
    this.waiting.sort((a, b) => a.span.from - b.span.from);
    for (const note of this.waiting) {
      const early = this.parts.length === 0 && before === 0 && note.span.from < this.part!.heading.from;
      if (early) this.notes.push(note);
      else this.part!.notes.push({ ...note, before });
    }
    this.waiting = [];
  }

  private closePart(): void {
    if (!this.part) return;
    if (this.heading) this.keepNote(this.heading.span);
    this.heading = null;
    const { name, copies, copiesSaid, heading, lines } = this.part;
    // Words after the last round stay with the part they follow; a heading among them has already been taken out.
    const after = this.waiting.map((note) => ({ ...note, before: lines.length }));
    const fromColours = this.colours.map((colour) => ({
      text: this.text.slice(colour.span.from, colour.span.to),
      before: lines.length,
      span: colour.span,
    }));
    this.waiting = [];
    this.colours = [];
    const notes = [...this.part.notes, ...after, ...fromColours];
    this.parts.push({ name, copies, copiesSaid, lines, notes, heading, span: join(heading, lines.at(-1)?.span ?? heading) });
    this.part = null;
  }
}
