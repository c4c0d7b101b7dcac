import { copiesAlone, type HeadingLine } from './layout/heading.js';
import type { Line, Words } from './layout/line.js';
import { defines } from './says-work.js';
import { closePart, keepNote, takeHeading, takeRound, type Assembly, type Draft } from './assembly.js';
import { chainPart, chainRow, setting, takeInline, unlabelledRound } from './unlabelled.js';

/** Most typing slips of one text whose meaning is looked up. */
const MOST_LOOKUPS = 300;

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
    numbers: null,
    gaps: new Set(),
    names: [],
    named: null,
    contexts: [null, null],
  };
  const next = nextLines(lines);
  let apart = true;
  lines.forEach((line, i) => {
    takeLine(all, line, apart, next[i]);
    apart = line.is === 'blank';
  });
  if (!all.part) all.title ??= all.heading?.name ?? null;
  closePart(all);
  if (all.parts.length === 0) all.notes.push(...all.waiting);
  return { title: all.title ?? all.parts[0]?.name ?? '', parts: all.parts, notes: all.notes };
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
