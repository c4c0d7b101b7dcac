import { asSeen } from './fold.js';
import { BOUNDS } from '../bounds/index.js';
import { type ColourBook } from './colours.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import { factsIn } from './facts.js';
import { type HeadingLine } from './layout/heading.js';
import { type Label } from './layout/label.js';
import type { RoundText, Words } from './layout/line.js';
import { addLine, checkGaps, checkNumber, numberedOn, type Numbered, type Numbers } from './numbering.js';
import { checkCopies, checkedRange } from './line-checks.js';
import type { Foundation, Note } from './pattern.js';
import { itemPiece, startsChainRing, usual, type Piece } from './reading/piece.js';
import type { RoundReading } from './reading/round.js';
import { namedPart, type NamedPart, type Placed, type RoundContext } from './reading/state.js';
import { singular, singularName } from './plural.js';
import { saysWork } from './says-work.js';
import type { DraftLine } from './settle.js';
import type { Span } from './span.js';
import type { Terms } from './stitch.js';
import type { Token } from './tokens.js';
import { kindsOf, readFor, tried } from './trying.js';

/** A line with what was found while reading it, which the counts may yet put right. */
export interface DraftRound extends DraftLine {
  readonly diagnostics: readonly ReadingDiagnostic[];
}

export interface DraftPart {
  readonly name: string;
  readonly copies: number;
  readonly copiesSaid: boolean;
  readonly heading: Span;
  readonly lines: DraftRound[];
  readonly notes: Note[];
}

/** A line of the making-up, read when all parts are known. */
export interface DraftMaking {
  readonly tokens: readonly Token[];
  readonly span: Span;
}

export interface Draft {
  readonly title: string;
  readonly parts: readonly DraftPart[];
  readonly notes: readonly Note[];
  readonly makingUp: readonly DraftMaking[];
  readonly makingUpHeading: Span | null;
}

export interface Heading {
  readonly name: string;
  readonly nameEnd: number;
  readonly copies: number | null;
  /** How surely it is a heading: 3 marked, 2 a colon or a blank line above, 1 bare words, 0 words in passing. */
  readonly rank: number;
  readonly span: Span;
  readonly colour: Span | null;
}

/** What has been put together so far. */
export interface Assembly {
  readonly text: string;
  readonly terms: Terms;
  readonly colours: ColourBook;
  readonly chainsCount: boolean | null;
  readonly report: (diagnostic: ReadingDiagnostic) => void;
  readonly lookups: { left: number };
  title: string | null;
  heading: Heading | null;
  part: DraftPart | null;
  /** Notes, colours and a foundation said since the last round, which belong to whatever comes next. */
  waiting: Note[];
  settings: Piece[];
  foundation: Placed<Foundation> | null;
  readonly parts: DraftPart[];
  readonly notes: Note[];
  readonly makingUp: DraftMaking[];
  makingUpHeading: Span | null;
  /** The heading over lines that say how the pieces are put together; null outside them. */
  makesUp: HeadingLine | Words | null;
  full: boolean;
  /** Whether it was told that the part at hand has more rounds than are read. */
  long: boolean;
  /** The numbers of the line before in the part at hand. */
  numbers: Numbers | null;
  /** Numbers that rounds listed together left out, which may follow later. */
  readonly gaps: Set<number>;
  /** Names of the parts before, and of the one at hand. */
  readonly names: NamedPart[];
  named: NamedPart | null;
  /** What rounds are read with, first and later ones: made anew when the part or what it begins on changes. */
  readonly contexts: (KnownContext | null)[];
  /** The line that was tried last: several look at it in turn. */
  latest: Tried | null;
}

/** Tokens as they read in a context. */
export interface Tried {
  readonly tokens: readonly Token[];
  readonly context: RoundContext;
  readonly reading: RoundReading;
  /** Whether there is nothing to tell of it. */
  readonly clean: boolean;
  /** Whether it was read to its end all the same. */
  readonly whole: boolean;
}

interface KnownContext {
  readonly of: NamedPart | null;
  readonly foundation: Placed<Foundation> | null;
  readonly context: RoundContext;
}

/** The heading nearest to its rounds counts, unless an earlier one is better marked; the first of several is the title. */
export function takeHeading(all: Assembly, line: HeadingLine, apart: boolean): void {
  const { name, nameEnd, copies, span, colour } = line;
  const rank = line.mark === 'marked' ? 3 : line.mark === 'passing' ? 0 : line.mark === 'colon' || apart ? 2 : 1;
  const heading = { name, nameEnd, copies, rank, span, colour };
  if (line.badCopies) {
    const text = all.text.slice(line.badCopies.from, line.badCopies.to);
    all.report({
      code: 'bad-copies',
      severity: 'warning',
      text,
      most: BOUNDS.copies,
      span: { from: line.badCopies.from, to: line.badCopies.to },
    });
  }
  const earlier = all.heading;
  const untitled = all.title === null && all.part === null;
  const titles = untitled && earlier?.copies === null && rank > 0;
  if (earlier && rank < earlier.rank && !titles) {
    keepNote(all, span, line.tokens);
    return;
  }
  if (earlier && untitled && earlier.rank > 0) all.title = earlier.name;
  else if (earlier) keepNote(all, earlier.span, []);
  all.heading = heading;
}

export function labelAt({ from }: Span, number: number, { foundation }: RoundReading): Label {
  const word = foundation?.value.from === 'chain' ? 'row' : 'round';
  return { first: number, last: number, word, relative: false, rounds: null, open: null, span: { from, to: from }, next: 0 };
}

/** Keeps words as a note; those that sound like work are told. */
export function keepNote(all: Assembly, span: Span, tokens: readonly Token[]): void {
  const text = all.text.slice(span.from, span.to);
  all.waiting.push({ text, facts: factsIn(text), placing: null, before: 0, span });
  const said = tokens.length > 0 ? saysWork(tokens) : null;
  if (!said) return;
  const label = said === 'label' ? printLabelOf(tokens) : null;
  const short = text.length > 60 ? `${text.slice(0, 59)}…` : text;
  all.report({ code: 'note-with-work', severity: 'warning', text: short, label, span });
}

function printLabelOf(tokens: readonly Token[]): string {
  const number = tokens.find(({ kind }) => kind === 'number');
  return `R${number?.text ?? '1'}`;
}

/** Gathers what a line's reading finds, up to the most there is a use for. */
function noteIn(diagnostics: ReadingDiagnostic[]): (diagnostic: ReadingDiagnostic) => void {
  return (diagnostic) => {
    if (diagnostics.length < MOST_IN_LINE) diagnostics.push(diagnostic);
  };
}

/** Most findings in one line. */
const MOST_IN_LINE = 300;

/** Past the most parts that are read, rounds are only words. */
export function takeRound(all: Assembly, line: RoundText, reading: RoundReading | null = null): void {
  if (all.parts.length < BOUNDS.parts) {
    if (line.label.rounds) takeList(all, line, line.label.rounds);
    else takeRoundLine(all, line, reading);
    return;
  }
  if (!all.full) all.report({ code: 'too-many-parts', severity: 'error', span: line.span });
  all.full = true;
  keepNote(all, line.span, []);
}

/** Whether the part at hand has as many rounds as are read; told once. */
export function isLong(all: Assembly, span: Span): boolean {
  if (!all.part || all.part.lines.length < BOUNDS.rounds) return false;
  if (!all.long) all.report({ code: 'too-many-rounds', severity: 'error', name: all.part.name, span });
  all.long = true;
  return true;
}

/** "Rounds 4, 6 and 8": the line stands for each; what lies between may follow later. */
function takeList(all: Assembly, line: RoundText, rounds: readonly number[]): void {
  for (const [i, first] of rounds.entries()) {
    for (let gap = (rounds[i - 1] ?? first) + 1; gap < first; gap++) {
      if (gap > (all.part?.lines.at(-1)?.last ?? 0)) all.gaps.add(gap);
    }
    takeRoundLine(all, { ...line, label: { ...line.label, first, last: first, rounds: null } }, null);
  }
}

function takeRoundLine(all: Assembly, line: RoundText, given: RoundReading | null): void {
  const expected = (all.part?.lines.at(-1)?.last ?? 0) + 1;
  const numbered = numberedHere(all, line, expected);
  const { label, fills } = numbered;
  let restart = (!fills && label.first < expected) || all.part === null;
  const several = (all.part?.copies ?? 1) > 1;
  const rank = all.heading?.rank ?? 0;
  let opens = restart || rank === 3 || (rank > 0 && several);
  if (!opens && isLong(all, line.span)) {
    keepNote(all, line.span, []);
    return;
  }
  const diagnostics: ReadingDiagnostic[] = [];
  const note = noteIn(diagnostics);
  let reading = given ?? readFor(all, line.tokens, opens, note);
  if (!opens && rank > 0 && reading.foundation?.value.from === 'bridge') {
    // Pieces joined under a heading of their own are a new part.
    restart = true;
    opens = true;
    diagnostics.length = 0;
    reading = readFor(all, line.tokens, true, note);
  }
  const { starts } = kindsOf(reading);
  // A heading over a round that goes on counting ("## Head" before R21) names a section, not a new part.
  const joins = several && namesOwn(all, line.tokens);
  const goesOn = !restart && !starts && !joins && !(several && rank === 3) && label.first === expected;
  openPart(all, opens && !goesOn, line.span);
  addRead(all, line, numbered, reading, diagnostics);
}

/** Whether words name the part at hand, as a round does that goes on from its copies: "sc around first leg, ch 3, …". */
function namesOwn({ part }: Assembly, tokens: readonly Token[]): boolean {
  const own = singularName(part?.name ?? '')
    .split(' ')
    .at(-1);
  return tokens.some(({ key }) => singular(key) === own);
}

/** Adds a line that was read to the part at hand. */
function addRead(
  all: Assembly,
  line: RoundText,
  { label, more, twice, fills }: Numbered,
  reading: RoundReading,
  diagnostics: ReadingDiagnostic[],
): void {
  const part = all.part!;
  const expected = (part.lines.at(-1)?.last ?? 0) + 1;
  const counted = roundsOf(all, label, reading);
  const { first, last } = checkedRange(all.text, counted, (diagnostic) => diagnostics.push(diagnostic));
  checkNumber(all, part, { ...label, first, last }, twice ? null : fills ? first : expected);
  all.numbers = { first: line.label.first, last: last - more, more };
  addLine(all, part, {
    first,
    last,
    word: label.word,
    reading: label.open && !reading.open ? { ...reading, open: label.open } : reading,
    colours: all.settings,
    settings: settingsOf(all, reading),
    label: label.span,
    span: line.span,
    unread: diagnostics.some(({ severity }) => severity === 'error'),
    diagnostics,
  });
  all.settings = [];
  all.foundation = null;
}

/** Words without which nothing begins anew. */
export const BEGINS: ReadonlySet<string> = new Set(
  'ring mr mc ml circle magic adjustable ch chain join attach loops loop edge layers'.split(' '),
);

/** A number written twice is a slip, but where a heading stands or something begins, it is a new part. */
function numberedHere(all: Assembly, line: RoundText, expected: number): Numbered {
  if (all.gaps.has(line.label.first) && !all.heading) return { label: line.label, more: 0, twice: false, fills: true };
  const numbered = numberedOn(line.label, all.heading || !all.part ? null : all.numbers, expected);
  const begins =
    numbered.twice && line.tokens.some(({ key }) => BEGINS.has(key)) && kindsOf(tried(all, line.tokens, true).reading).starts;
  return begins ? { label: line.label, more: 0, twice: false, fills: false } : numbered;
}

/** The rounds of a line: those of its label, or as many as its words say ("for 10 rounds"). */
function roundsOf(all: Assembly, label: Label, { rounds, same, upTo }: RoundReading): Label {
  if (upTo !== null && upTo > label.first && label.first === label.last) return { ...label, last: upTo };
  if (same?.last === Number.POSITIVE_INFINITY && label.first === label.last) {
    const last = all.parts.findLast(({ name }) => name === same.part)?.lines.at(-1)?.last ?? 1;
    return { ...label, last: label.first + last - 1 };
  }
  if (rounds === null || label.first !== label.last) return label;
  return { ...label, last: label.first + rounds - 1 };
}

function settingsOf(all: Assembly, { foundation, pieces }: RoundReading): Span[] {
  const spans = all.settings.map(({ span }) => span);
  // A ring of the chain is begun by its first stitches.
  const own = foundation ? foundation.span === all.foundation?.span : usual(pieces).some(startsChainRing);
  return all.foundation && own ? [...spans, all.foundation.span] : spans;
}

/** Begins a new part where a sure heading stands, or where the numbers begin again. */
function openPart(all: Assembly, opens: boolean, span: Span): void {
  const { heading } = all;
  all.heading = null;
  if (opens) openNew(all, heading, span);
  else if (heading) keepNote(all, heading.span, []);
  const part = all.part!;
  const before = part.lines.length;
  all.waiting.sort((a, b) => a.span.from - b.span.from);
  for (const note of all.waiting) {
    const early = all.parts.length === 0 && before === 0 && note.span.from < part.heading.from;
    if (early) all.notes.push(note);
    else part.notes.push({ ...note, before });
  }
  all.waiting = [];
}

function openNew(all: Assembly, heading: Heading | null, span: Span): void {
  const from = heading?.span.from ?? span.from;
  const later = all.waiting.filter((note) => note.span.from > from);
  const settings = all.settings.filter((colour) => colour.span.from > from || all.part === null);
  all.waiting = all.waiting.filter((note) => note.span.from < from);
  all.settings = all.settings.filter((colour) => !settings.includes(colour));
  closePart(all);
  all.waiting.push(...later);
  all.settings = settings;
  if (heading?.colour) {
    const name = asSeen(all.text.slice(heading.colour.from, heading.colour.to));
    all.settings.unshift(itemPiece({ kind: 'colour', name }, heading.colour));
  }
  const name = heading?.name ?? (all.parts.length === 0 ? (all.title ?? 'Part 1') : `Part ${all.parts.length + 1}`);
  if (!heading && all.parts.length > 0) all.report({ code: 'part-unnamed', severity: 'hint', name, span });
  const copies = heading?.copies ?? null;
  if (heading && copies === null) checkCopies(heading, all.report);
  all.named = namedPart(name);
  all.numbers = null;
  all.gaps.clear();
  all.long = false;
  all.part = { name, copies: copies ?? 1, copiesSaid: copies !== null, heading: heading?.span ?? span, lines: [], notes: [] };
}

export function closePart(all: Assembly): void {
  if (!all.part) return;
  checkGaps(all, all.part);
  if (all.heading) keepNote(all, all.heading.span, []);
  all.heading = null;
  const before = all.part.lines.length;
  // Words after the last round stay with the part they follow; a heading among them has already been taken out.
  all.part.notes.push(...all.waiting.map((note) => ({ ...note, before })));
  all.part.notes.push(
    ...all.settings.map(({ span }) => ({ text: all.text.slice(span.from, span.to), facts: [], placing: null, before, span })),
  );
  all.waiting = [];
  all.settings = [];
  all.parts.push(all.part);
  all.names.push(all.named!);
  all.named = null;
  all.part = null;
}
