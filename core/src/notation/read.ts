import { BOUNDS } from './bounds.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import { readLine, type Line } from './line.js';
import type { Colour, Item, Note, Part, Pattern, RoundLine } from './pattern.js';
import { readRound } from './read-round.js';
import { join, type Span } from './span.js';
import type { Terms } from './stitch.js';
import type { Token } from './tokens.js';

export interface Reading {
  readonly pattern: Pattern;
  readonly diagnostics: readonly ReadingDiagnostic[];
}

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
  const terms = lines.find((line) => line.is === 'terms')?.terms ?? 'US';
  const pattern = new PatternReader(text, terms, report).read(lines);
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
  for (const line of lines) {
    const last = joined[joined.length - 1];
    const tokens = line.is === 'words' ? line.tokens : null;
    if (last?.is === 'round' && tokens && isOpen(last.tokens)) {
      joined[joined.length - 1] = {
        ...last,
        tokens: [...last.tokens, ...tokens],
        span: join(last.span, (line as { span: Span }).span),
      };
    } else joined.push(line);
  }
  return joined;
}

function isOpen(tokens: readonly Token[]): boolean {
  let depth = 0;
  for (const { key } of tokens) depth += key === '(' || key === '[' ? 1 : key === ')' || key === ']' ? -1 : 0;
  return depth > 0 || tokens[tokens.length - 1]?.key === ',';
}

interface Heading {
  readonly name: string;
  readonly copies: number;
  /** 3 marked as a heading, 2 set apart by a colon or a blank line, 1 bare words. */
  readonly rank: 1 | 2 | 3;
  readonly span: Span;
}

interface OpenPart {
  readonly name: string;
  readonly copies: number;
  readonly heading: Span;
  readonly lines: RoundLine[];
  readonly notes: Note[];
}

/** Goes down the lines and decides which words head a part, which name the pattern, and which are notes. */
class PatternReader {
  private title: string | null = null;
  private heading: Heading | null = null;
  private part: OpenPart | null = null;
  /** Notes and colours since the last round, which belong to whatever comes next. */
  private waiting: Note[] = [];
  private colours: Colour[] = [];
  private readonly parts: Part[] = [];
  private readonly notes: Note[] = [];

  constructor(
    private readonly text: string,
    private readonly terms: Terms,
    private readonly report: (diagnostic: ReadingDiagnostic) => void,
  ) {}

  read(lines: readonly Line[]): Pattern {
    let apart = true;
    for (const line of lines) {
      if (line.is === 'heading' && (line.mark === 'marked' || !this.readColourLine(line.tokens))) {
        const rank = line.mark === 'marked' ? 3 : line.mark === 'colon' || apart ? 2 : 1;
        this.readHeading({ name: line.name, copies: line.copies, rank, span: line.span });
      } else if (line.is === 'words' && !this.readColourLine(line.tokens)) this.keepNote(line.span);
      else if (line.is === 'round') this.readRoundLine(line);
      apart = line.is === 'blank';
    }
    if (!this.part) this.title ??= this.heading?.name ?? null;
    this.closePart();
    if (this.parts.length === 0) this.notes.push(...this.waiting);
    return { title: this.title ?? this.parts[0]?.name ?? '', terms: this.terms, parts: this.parts, notes: this.notes };
  }

  /** The heading nearest to its rounds counts, unless an earlier one is better marked; the first of several is the title. */
  private readHeading(heading: Heading): void {
    const earlier = this.heading;
    const untitled = this.title === null && this.part === null;
    const titles = untitled && earlier !== null && earlier.copies === 1;
    if (earlier && heading.rank < earlier.rank && !titles) {
      this.keepNote(heading.span);
      return;
    }
    if (earlier && untitled) this.title = earlier.name;
    else if (earlier) this.keepNote(earlier.span);
    this.heading = heading;
  }

  /** A line that does nothing but name a colour ("With black yarn:") changes to it for the rounds that follow. */
  private readColourLine(tokens: readonly Token[]): boolean {
    const { items } = readRound(this.text, tokens, this.terms, () => undefined);
    const only = items[0];
    const last = tokens.findLast((token) => token.kind !== 'mark');
    if (items.length !== 1 || only?.kind !== 'colour' || only.span.to !== last?.to) return false;
    this.colours.push(only);
    return true;
  }

  private keepNote(span: Span): void {
    this.waiting.push({ text: this.text.slice(span.from, span.to), before: 0, span });
  }

  private readRoundLine(line: Extract<Line, { is: 'round' }>): void {
    const { label } = line;
    const expected = this.part?.lines[this.part.lines.length - 1]?.last ?? 0;
    this.openPart(label.first <= expected || this.part === null, line.span);
    const { first, last } = this.checkRange(label);
    const reading = readRound(this.text, line.tokens, this.terms, this.report);
    const items: readonly Item[] = [...this.colours, ...reading.items];
    this.colours = [];
    this.part!.lines.push({ first, last, word: label.word, items, stated: reading.stated, label: label.span, span: line.span });
    this.checkStart(this.part!.lines.length === 1, line, items, `${label.word === 'row' ? 'Row' : 'Round'} ${first}`);
  }

  /** Begins a new part where a sure heading stands, or where the numbers begin again. */
  private openPart(restart: boolean, span: Span): void {
    const heading = this.heading;
    this.heading = null;
    if (restart || heading?.rank === 3) {
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
      this.part = { name, copies: heading?.copies ?? 1, heading: heading?.span ?? span, lines: [], notes: [] };
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
    const { name, copies, heading, lines } = this.part;
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
    this.parts.push({ name, copies, lines, notes, span: join(heading, lines[lines.length - 1]?.span ?? heading) });
    this.part = null;
  }

  private checkRange(label: { first: number; last: number; span: Span }): { first: number; last: number } {
    const { span } = label;
    let first = Math.min(label.first, label.last);
    let last = Math.max(label.first, label.last);
    if (label.first > label.last)
      this.report({ code: 'range-backwards', severity: 'warning', first: label.first, last: label.last, span });
    if (first < 1 || last > BOUNDS.rounds) {
      this.report({ code: 'bad-count', severity: 'error', text: this.text.slice(span.from, span.to), most: BOUNDS.rounds, span });
      first = Math.min(Math.max(1, first), BOUNDS.rounds);
      last = Math.min(last > BOUNDS.rounds ? first : last, BOUNDS.rounds);
    }
    return { first, last: Math.max(first, last) };
  }

  private checkStart(isFirst: boolean, line: { span: Span; label: { span: Span } }, items: readonly Item[], label: string): void {
    const starts = items.some((item) => item.kind === 'start');
    const works = items.some((item) => item.kind === 'work' || item.kind === 'group');
    if (isFirst && !starts && works) this.report({ code: 'start-missing', severity: 'hint', label, span: line.label.span });
    if (!isFirst && starts) this.report({ code: 'start-late', severity: 'error', label, span: line.span });
    if (!starts && !works) this.report({ code: 'empty-round', severity: 'error', label, span: line.span });
  }
}
