import { lookAhead, type Ahead } from './ahead.js';
import { copiesAlone } from './layout/copies.js';
import type { HeadingLine } from './layout/heading.js';
import type { Line, Words } from './layout/line.js';
import { defines } from './says-work.js';
import { closePart, keepNote, takeHeading, takeRound, type Assembly, type Draft } from './assembly.js';
import { kindsOf, tried } from './trying.js';
import { opensMakingUp } from './making-up/section.js';
import { setting } from './setting.js';
import { chainPart, chainRow, mayWork, takeInline, unlabelledRound, withoutLead } from './unlabelled.js';

/** Most typing slips of one text whose meaning is looked up. */
const MOST_LOOKUPS = 300;

function begun(text: string, own: Pick<Assembly, 'terms' | 'colours' | 'chainsCount' | 'report'>): Assembly {
  return {
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
    makingUp: [],
    makingUpHeading: null,
    makesUp: null,
    full: false,
    long: false,
    numbers: null,
    gaps: new Set(),
    names: [],
    named: null,
    contexts: [null, null],
    latest: null,
  };
}

/** Step one: the lines put together to parts and rounds, every doubt kept. */
export function draftOf(
  text: string,
  lines: readonly Line[],
  own: Pick<Assembly, 'terms' | 'colours' | 'chainsCount' | 'report'>,
): Draft {
  const all = begun(text, own);
  const next = nextLines(lines);
  let apart = true;
  lines.forEach((line, i) => {
    takeLine(all, line, { apart, next: next[i], ahead: () => lookAhead(lines, i) });
    apart = line.is === 'blank';
  });
  if (!all.part) all.title ??= all.heading?.name ?? null;
  closePart(all);
  if (all.parts.length === 0) all.notes.push(...all.waiting);
  return {
    title: all.title ?? all.parts[0]?.name ?? '',
    parts: all.parts,
    notes: all.notes,
    makingUp: all.makingUp,
    makingUpHeading: all.makingUpHeading,
  };
}

/** For each line the next one that is not blank. */
function nextLines(lines: readonly Line[]): (Line | undefined)[] {
  let next: Line | undefined;
  return lines
    .map((_line, i) => lines[lines.length - 1 - i]!)
    .map((line) => {
      const after = next;
      if (line.is !== 'blank') next = line;
      return after;
    })
    .reverse();
}

/** What stands around a line. */
interface Around {
  /** Whether a blank line is above it. */
  readonly apart: boolean;
  /** The next line that is not blank. */
  readonly next: Line | undefined;
  readonly ahead: () => Ahead;
}

function takeLine(all: Assembly, line: Line, around: Around): void {
  const { next } = around;
  if (makesUp(all, line, next)) return;
  if (line.is === 'round') {
    if (!chainRow(all, line, next)) takeRound(all, line);
  } else if (line.is === 'heading') takeHeadingLine(all, line, around);
  else if (line.is === 'words') takeWords(all, line, around);
}

/**
 * Whether a line belongs to the making-up: from its heading on, until a marked heading, a round, or a heading over a round.
 * Before the first round there is nothing to put together.
 */
function makesUp(all: Assembly, line: Line, next: Line | undefined): boolean {
  if (line.is === 'blank' || line.is === 'terms') return false;
  if (line.is !== 'round' && all.part && opensMakingUp(line.tokens)) {
    if (all.heading) keepNote(all, all.heading.span, []);
    all.heading = null;
    all.makesUp = line;
    all.makingUpHeading ??= line.span;
    return true;
  }
  if (!all.makesUp) return false;
  const goesOn =
    line.is === 'heading'
      ? line.mark !== 'marked' && next?.is !== 'round' && !worksHere(all, line)
      : line.is === 'words' && !worksHere(all, line);
  if (goesOn && line.is !== 'round') all.makingUp.push({ tokens: line.tokens, span: line.span });
  else endMakingUp(all);
  return goesOn;
}

const worksHere = (all: Assembly, { tokens }: Words | HeadingLine): boolean => {
  if (!mayWork(tokens)) return false;
  const { starts, works, total } = kindsOf(tried(all, tokens, true).reading);
  return works && (starts || total);
};

/** A heading of the making-up with nothing but rounds under it was the name of a part: "Joining". */
function endMakingUp(all: Assembly): void {
  const heading = all.makesUp;
  all.makesUp = null;
  const empty = heading && (all.makingUp.at(-1)?.span.from ?? -1) < heading.span.from;
  if (!empty) return;
  if (all.makingUpHeading?.from === heading.span.from) all.makingUpHeading = null;
  if (heading.is === 'heading') takeHeading(all, heading, true);
}

function takeHeadingLine(all: Assembly, line: HeadingLine, { apart, next, ahead }: Around): void {
  const words = withoutLead({ is: 'words', tokens: line.tokens, span: line.span });
  if (defines(line.tokens)) {
    keepNote(all, line.span, []);
    return;
  }
  if (takeInline(all, words)) return;
  if (line.mark !== 'marked' && (chainPart(all, words, next) || setting(all, words))) return;
  if (line.mark !== 'marked' && unlabelledRound(all, words, next, ahead)) return;
  takeHeading(all, line, apart);
}

/** Words are a note, unless they set a colour or a chain, say how many to make, or are an instruction without a label. */
function takeWords(all: Assembly, line: Words, { next, ahead }: Around): void {
  const copies = all.heading?.copies === null ? copiesAlone(line.tokens) : null;
  if (copies !== null && all.heading) {
    all.heading = { ...all.heading, copies, rank: 3 };
    return;
  }
  if (defines(line.tokens)) {
    keepNote(all, line.span, []);
    return;
  }
  const told = withoutLead(line);
  if (takeInline(all, told) || chainPart(all, told, next) || setting(all, told)) return;
  if (unlabelledRound(all, told, next, ahead)) return;
  keepNote(all, line.span, line.tokens);
}
