import { BOUNDS } from '../bounds/index.js';
import { isColourCode, isColourWord, type ColourBook } from './colours.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import { copiesAlone, type HeadingLine } from './layout/heading.js';
import { inlinePart } from './layout/inline-part.js';
import { namesWork, type Label } from './layout/label.js';
import type { Line, RoundText, Words } from './layout/line.js';
import { checkCopies, checkedRange } from './line-checks.js';
import type { Foundation, Note } from './pattern.js';
import { labelWord } from './label-word.js';
import { singularName } from './plural.js';
import { printLabel } from './print.js';
import { itemPiece, usual, type Piece } from './reading/piece.js';
import { readRound, type RoundReading } from './reading/round.js';
import { namedPart, type NamedPart, type Placed, type RoundContext } from './reading/state.js';
import { defines, saysWork } from './says-work.js';
import type { DraftLine } from './settle.js';
import type { Span } from './span.js';
import type { Terms } from './stitch.js';
import type { Token } from './tokens.js';

/** Parts that a round may name: the latest ones. */
const MOST_NAMED_PARTS = 60;

/** Most typing slips of one text whose meaning is looked up. */
const MOST_LOOKUPS = 300;

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

export interface Draft {
  readonly title: string;
  readonly parts: readonly DraftPart[];
  readonly notes: readonly Note[];
}

interface Heading {
  readonly name: string;
  readonly nameEnd: number;
  readonly copies: number | null;
  /** How surely it is a heading: 3 marked, 2 a colon or a blank line above, 1 bare words, 0 words in passing. */
  readonly rank: number;
  readonly span: Span;
  readonly colour: Span | null;
}

/** What has been put together so far. */
interface Assembly {
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
  full: boolean;
  /** Names of the parts before, and of the one at hand. */
  readonly names: NamedPart[];
  named: NamedPart | null;
  /** What rounds are read with, first and later ones: made anew when the part or what it begins on changes. */
  readonly contexts: (KnownContext | null)[];
}

interface KnownContext {
  readonly of: NamedPart | null;
  readonly foundation: Placed<Foundation> | null;
  readonly context: RoundContext;
}

/** Step one: the lines put together to parts and rounds, every doubt kept. */
export function draftOf(
  text: string,
  lines: readonly Line[],
  own: Pick<Assembly, 'terms' | 'colours' | 'chainsCount' | 'report'>,
): Draft {
  const all: Assembly = {
    text,
    ...own,
    lookups: { left: MOST_LOOKUPS },
    title: null,
    heading: null,
    part: null,
    waiting: [],
    settings: [],
    foundation: null,
    parts: [],
    notes: [],
    full: false,
    names: [],
    named: null,
    contexts: [null, null],
  };
  let apart = true;
  lines.forEach((line, i) => {
    takeLine(all, line, apart, nextAfter(lines, i));
    apart = line.is === 'blank';
  });
  if (!all.part) all.title ??= all.heading?.name ?? null;
  closePart(all);
  if (all.parts.length === 0) all.notes.push(...all.waiting);
  return { title: all.title ?? all.parts[0]?.name ?? '', parts: all.parts, notes: all.notes };
}

/** The next line that is not blank. */
function nextAfter(lines: readonly Line[], at: number): Line | undefined {
  let i = at + 1;
  while (lines[i]?.is === 'blank') i++;
  return lines[i];
}

function takeLine(all: Assembly, line: Line, apart: boolean, next: Line | undefined): void {
  if (line.is === 'round') {
    if (!chainRow(all, line, next)) takeRound(all, line);
  } else if (line.is === 'heading') takeHeadingLine(all, line, apart, next);
  else if (line.is === 'words') takeWords(all, line, next);
}

function takeHeadingLine(all: Assembly, line: HeadingLine, apart: boolean, next: Line | undefined): void {
  const words: Words = { is: 'words', tokens: line.tokens, span: line.span };
  if (defines(line.tokens)) {
    keepNote(all, line.span, []);
    return;
  }
  if (takeInline(all, words)) return;
  if (line.mark !== 'marked' && (chainPart(all, words, next) || setting(all, line.tokens))) return;
  if (line.mark !== 'marked' && unlabelledRound(all, words, next)) return;
  takeHeading(all, line, apart);
}

/** The heading nearest to its rounds counts, unless an earlier one is better marked; the first of several is the title. */
function takeHeading(all: Assembly, line: HeadingLine, apart: boolean): void {
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

/** Words are a note, unless they set a colour or a chain, say how many to make, or are an instruction without a label. */
function takeWords(all: Assembly, line: Words, next: Line | undefined): void {
  const copies = all.heading?.copies === null ? copiesAlone(line.tokens) : null;
  if (copies !== null && all.heading) {
    all.heading = { ...all.heading, copies, rank: 3 };
    return;
  }
  if (defines(line.tokens)) keepNote(all, line.span, []);
  if (
    defines(line.tokens) ||
    takeInline(all, line) ||
    chainPart(all, line, next) ||
    setting(all, line.tokens) ||
    unlabelledRound(all, line, next)
  )
    return;
  keepNote(all, line.span, line.tokens);
}

/** A line that only names a colour ("With black yarn:") or a chain ("Ch 7.") holds for the rounds that follow. */
function setting(all: Assembly, tokens: readonly Token[]): boolean {
  if (tokens.length > 12 || !maySet(all, tokens)) return false;
  const { reading, clean } = tried(all, tokens, all.heading !== null || all.part === null);
  const colour = reading.pieces.length === 1 ? reading.pieces[0] : undefined;
  const last = tokens.findLast((token) => token.kind !== 'mark');
  if (!clean) return false;
  if (colour?.is === 'item' && colour.item.kind === 'colour' && colour.span.to === last?.to && !reading.foundation) {
    if (/^(with|in|using|change|switch)/i.test(tokens[0]!.key) || isColourCode(tokens[0]!.text)) {
      all.settings.push(colour);
      return true;
    }
    return false;
  }
  const foundation = reading.foundation;
  if (reading.pieces.length > 0 || !foundation || foundation === all.foundation || foundation.span.to !== last?.to) return false;
  if (all.heading === null && all.part !== null) return false;
  all.foundation = foundation;
  return true;
}

/** Whether a line begins with a colour, a chain, or a word that leads to one. */
function maySet(all: Assembly, tokens: readonly Token[]): boolean {
  const at = tokens[0]!.kind === 'mark' && tokens.length > 1 ? 1 : 0;
  return SETS.has(tokens[at]!.key) || isColourWord(tokens[at], all.colours) || tokens.some(({ key }) => CHAINS.has(key));
}

const SETS: ReadonlySet<string> = new Set([
  'with',
  'in',
  'using',
  'change',
  'switch',
  'join',
  'swap',
  'go',
  'light',
  'dark',
  'main',
]);
const CHAINS: ReadonlySet<string> = new Set(['ch', 'chain', 'chains', 'chs']);

/** Reads tokens to see what they would be. */
function tried(all: Assembly, tokens: readonly Token[], first: boolean): { reading: RoundReading; clean: boolean } {
  const noted = { clean: true };
  const reading = readRound(all.text, tokens, contextOf(all, first), () => (noted.clean = false));
  return { reading, clean: noted.clean };
}

interface Kinds {
  readonly starts: boolean;
  readonly works: boolean;
  readonly remarks: boolean;
  readonly total: boolean;
  /** A chain and nothing worked over it. */
  readonly chainOnly: boolean;
}

const WORKS = ['work', 'cluster', 'start', 'spur', 'group', 'evenly', 'part round', 'rest'] as const;

function kindsOf({ pieces, foundation }: RoundReading): Kinds {
  const kinds = new Set(usual(pieces).map((piece) => (piece.is === 'item' ? piece.item.kind : piece.is)));
  const has = (kind: typeof kinds extends Set<infer K> ? K : never): boolean => kinds.has(kind);
  const works = WORKS.some(has);
  return {
    starts: has('start') || foundation !== null,
    works,
    remarks: has('remark'),
    total: has('total'),
    chainOnly: foundation?.value.from === 'chain' && !works,
  };
}

/** "Nose: 6 sc in MR (6)", "Leaf / ch 5, sl st in 2nd ch …": a part on one line, with its name. */
function takeInline(all: Assembly, line: Words): boolean {
  const found = inlinePart(all.text, line.tokens);
  if (!found) return false;
  const { reading, clean } = tried(all, found.tokens, true);
  const { starts, works, chainOnly } = kindsOf(reading);
  const span = { from: found.tokens[0]!.from, to: found.tokens.at(-1)!.to };
  const like = found.same ? sameNamed(all, found.heading.name, reading, span) : null;
  if (!like && (found.same || !starts || !(works || chainOnly) || (!clean && !works))) return false;
  takeHeading(all, { ...found.heading, mark: 'marked' }, true);
  const round: RoundText = { is: 'round', label: labelAt(span, 1, reading), tokens: found.tokens, span };
  takeRound(all, round, like ?? (chainOnly ? chainAlone(reading) : null));
  return true;
}

/** "Second leg: same": the rounds of the part that is named, or else of one whose name ends alike. */
function sameNamed(all: Assembly, name: string, reading: RoundReading, span: Span): RoundReading | null {
  if (reading.same?.part) return reading;
  const last = singularName(name).split(' ').at(-1);
  const parts = all.part ? [...all.parts, all.part] : all.parts;
  const like = parts.findLast((part) => singularName(part.name).split(' ').at(-1) === last);
  if (!like) return null;
  const same = { first: 1, last: Number.POSITIVE_INFINITY, part: like.name, span };
  return { pieces: [], foundation: null, foundationDoubtful: false, open: null, rounds: null, upTo: null, same };
}

/** A chain that nothing is worked over is all there is of its part: a scarf, a cord. */
function chainAlone(reading: RoundReading): RoundReading {
  const { foundation } = reading;
  const chains = foundation?.value.from === 'chain' ? foundation.value.chains : 0;
  const chain = itemPiece({ kind: 'chain', count: chains, counts: chains }, foundation!.span);
  return { ...reading, pieces: [chain, ...reading.pieces], foundation: null, foundationDoubtful: false };
}

/** "Row 1: chain 6, turn" before "Row 2: sc in 2nd ch …" is the chain that row is worked over. */
function chainRow(all: Assembly, line: RoundText, next: Line | undefined): boolean {
  const begins = all.part === null || all.heading !== null || line.label.first <= (all.part.lines.at(-1)?.last ?? 0);
  if (!begins || next?.is !== 'round' || next.label.first !== line.label.first + 1 || line.tokens.length > 16) return false;
  const { reading, clean } = tried(all, line.tokens, true);
  const starts = kindsOf(tried(all, next.tokens, true).reading).starts;
  if (!clean || !kindsOf(reading).chainOnly || !starts) return false;
  all.foundation = reading.foundation;
  return true;
}

/** "Scarf" and below it "ch 20", with no round after it. */
function chainPart(all: Assembly, line: Words, next: Line | undefined): boolean {
  if (all.heading === null || next?.is === 'round' || line.tokens.length > 12) return false;
  if (!line.tokens.some(({ key }) => CHAINS.has(key))) return false;
  const { reading, clean } = tried(all, line.tokens, true);
  if (!clean || !kindsOf(reading).chainOnly || (next?.is === 'words' && namesWork(next.tokens))) return false;
  takeRound(
    all,
    { is: 'round', label: labelAt(line.span, 1, reading), tokens: line.tokens, span: line.span },
    chainAlone(reading),
  );
  return true;
}

function labelAt({ from }: Span, number: number, { foundation }: RoundReading): Label {
  const word = foundation?.value.from === 'chain' ? 'row' : 'round';
  return { first: number, last: number, word, relative: false, open: null, span: { from, to: from }, next: 0 };
}

/**
 * An instruction without a label: the first of a part, right below its heading or where the text begins, when it begins on
 * something; or one more, where the round before had no label either.
 */
function unlabelledRound(all: Assembly, line: Words, next: Line | undefined): boolean {
  const { tokens, span } = line;
  const opens = all.heading !== null || all.part === null;
  const last = all.part?.lines.at(-1);
  if (tokens.length > MOST_TOKENS || !mayWork(tokens)) return false;
  const { reading, clean } = tried(all, tokens, opens);
  const { starts, works, remarks, total } = kindsOf(reading);
  const round: RoundText = { is: 'round', label: labelAt(span, 1, reading), tokens, span };
  const sure = clean && works && !(remarks && !total);
  if (opens) {
    const one = sure && all.heading !== null && next?.is !== 'round' && namesWork(tokens);
    const copied =
      all.heading !== null && typeof reading.same?.part === 'string' && reading.same.last === Number.POSITIVE_INFINITY;
    if (!(sure && starts) && !(starts && works && total) && !one && !copied) return false;
    takeRound(all, round);
    return true;
  }
  const goesOn = last !== undefined && last.label.from === last.label.to;
  const again = clean && (reading.same !== null || ((reading.rounds !== null || reading.upTo !== null) && works));
  const more = goesOn && sure && !starts && (total || namesWork(tokens));
  if (!again && !more) return false;
  takeRound(all, { ...round, label: labelAt(span, last!.last + 1, reading) });
  return true;
}

/** Longest line without a label that is tried as a round. */
const MOST_TOKENS = 400;

const mayWork = (tokens: readonly Token[]): boolean =>
  saysWork(tokens) !== null || namesWork(tokens) || BEGINS.has(tokens[0]!.key) || saysRounds(tokens);

const BEGINS: ReadonlySet<string> = new Set(['join', 'attach', 'pick', 'through', 'rejoin', 'lay', 'hold', 'work', 'with']);

/** "Repeat round 4 three more times", "Work 8 rounds even" */
const saysRounds = (tokens: readonly Token[]): boolean =>
  tokens.length < 16 &&
  tokens.some((token) => labelWord(token) !== null) &&
  /^(rep|repeat|work|as|same|knit|continue|sc)$/.test(tokens[0]!.key);

function contextOf(all: Assembly, first: boolean): RoundContext {
  const known = all.contexts[first ? 0 : 1];
  if (known?.of === all.named && known.foundation === all.foundation) return known.context;
  const context = newContext(all, first);
  all.contexts[first ? 0 : 1] = { of: all.named, foundation: all.foundation, context };
  return context;
}

function newContext(all: Assembly, first: boolean): RoundContext {
  const names = all.names.slice(-MOST_NAMED_PARTS);
  return {
    terms: all.terms,
    first,
    foundation: first ? all.foundation : null,
    parts: all.part ? [...names, all.named!] : names,
    colours: all.colours,
    chainsCount: all.chainsCount,
    lookups: all.lookups,
  };
}

/** Keeps words as a note; those that sound like work are told. */
function keepNote(all: Assembly, span: Span, tokens: readonly Token[]): void {
  const text = all.text.slice(span.from, span.to);
  all.waiting.push({ text, before: 0, span });
  const said = tokens.length > 0 ? saysWork(tokens) : null;
  if (!said) return;
  const label = said === 'label' ? printLabelOf(tokens) : null;
  const short = text.length > 60 ? `${text.slice(0, 59)}…` : text;
  all.report({ code: 'note-with-work', severity: 'warning', text: short, label, parts: all.parts.length > 0, span });
}

function printLabelOf(tokens: readonly Token[]): string {
  const number = tokens.find(({ kind }) => kind === 'number');
  return `R${number?.text ?? '1'}`;
}

/** Most findings in one line. */
const MOST_IN_LINE = 300;

/** Past the most parts that are read, rounds are only words. */
function takeRound(all: Assembly, line: RoundText, reading: RoundReading | null = null): void {
  if (all.parts.length < BOUNDS.parts) {
    takeRoundLine(all, line, reading);
    return;
  }
  if (!all.full) all.report({ code: 'too-many-parts', severity: 'error', span: line.span });
  all.full = true;
  keepNote(all, line.span, []);
}

function takeRoundLine(all: Assembly, line: RoundText, given: RoundReading | null): void {
  const expected = (all.part?.lines.at(-1)?.last ?? 0) + 1;
  const label = line.label.relative
    ? { ...line.label, first: line.label.first + expected - 1, last: line.label.last + expected - 1 }
    : line.label;
  let restart = label.first < expected || all.part === null;
  const several = (all.part?.copies ?? 1) > 1;
  const rank = all.heading?.rank ?? 0;
  let opens = restart || rank === 3 || (rank > 0 && several);
  const diagnostics: ReadingDiagnostic[] = [];
  const note = (diagnostic: ReadingDiagnostic): void => {
    if (diagnostics.length < MOST_IN_LINE) diagnostics.push(diagnostic);
  };
  let reading = given ?? readRound(all.text, line.tokens, contextOf(all, opens), note);
  if (!opens && rank > 0 && reading.foundation?.value.from === 'bridge') {
    // Pieces joined under a heading of their own are a new part.
    restart = true;
    opens = true;
    diagnostics.length = 0;
    reading = readRound(all.text, line.tokens, contextOf(all, true), note);
  }
  const { starts } = kindsOf(reading);
  // A heading over a round that goes on counting ("## Head" before R21) names a section, not a new part.
  const goesOn = !restart && !starts && !(several && rank === 3) && label.first === expected;
  openPart(all, opens && !goesOn, line.span);
  const part = all.part!;
  const counted = roundsOf(all, label, reading);
  const { first, last } = checkedRange(all.text, counted, (diagnostic) => diagnostics.push(diagnostic));
  checkGap(all, part, { ...label, first }, expected);
  part.lines.push({
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

function settingsOf(all: Assembly, { foundation }: RoundReading): Span[] {
  const spans = all.settings.map(({ span }) => span);
  return all.foundation && foundation?.span === all.foundation.span ? [...spans, all.foundation.span] : spans;
}

function checkGap(all: Assembly, part: DraftPart, { first, word, span }: Label, expected: number): void {
  const before = part.lines.at(-1);
  if (!before || first <= expected || before.reading.open) return;
  const label = printLabel({ first, last: first, word });
  all.report({ code: 'number-gap', severity: 'warning', expected, label, first, span });
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
    const name = all.text.slice(heading.colour.from, heading.colour.to).replace(/^\S+\s+/, '');
    all.settings.unshift(itemPiece({ kind: 'colour', name }, heading.colour));
  }
  const name = heading?.name ?? (all.parts.length === 0 ? (all.title ?? 'Part 1') : `Part ${all.parts.length + 1}`);
  if (!heading && all.parts.length > 0) all.report({ code: 'part-unnamed', severity: 'hint', name, span });
  const copies = heading?.copies ?? null;
  if (heading && copies === null) checkCopies(heading, all.report);
  all.named = namedPart(name);
  all.part = { name, copies: copies ?? 1, copiesSaid: copies !== null, heading: heading?.span ?? span, lines: [], notes: [] };
}

function closePart(all: Assembly): void {
  if (!all.part) return;
  if (all.heading) keepNote(all, all.heading.span, []);
  all.heading = null;
  const before = all.part.lines.length;
  // Words after the last round stay with the part they follow; a heading among them has already been taken out.
  all.part.notes.push(...all.waiting.map((note) => ({ ...note, before })));
  all.part.notes.push(...all.settings.map(({ span }) => ({ text: all.text.slice(span.from, span.to), before, span })));
  all.waiting = [];
  all.settings = [];
  all.parts.push(all.part);
  all.names.push(all.named!);
  all.named = null;
  all.part = null;
}
