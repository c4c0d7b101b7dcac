import { checkPattern, withoutLastColour, type PatternCount } from '../fabric/index.js';
import { BOUNDS } from '../bounds/index.js';
import { measureRound, read, type Item, type OpenRun, type Part, type Pattern, type RoundLine } from '../notation/index.js';
import type { Place, Position } from './log.js';
import type { WrittenRound } from './written.js';

/**
 * How a piece differs from its part: a written line worked for so many rounds, or one of its rounds worked in other words.
 * Lines and rounds within them are counted as the pattern has them, so alterations do not shift each other.
 */
export type Alteration =
  | { readonly kind: 'length'; readonly line: number; readonly rounds: number }
  | { readonly kind: 'instead'; readonly line: number; readonly nth: number; readonly text: string };

/** A part as one piece of it is made. */
export interface AlteredPart {
  readonly part: Part;
  /** Where the first round of each of its lines is written. */
  readonly origins: readonly WrittenRound[];
}

/** Most rounds a line can be given. */
const MOST_ROUNDS = 2_000;

/**
 * The items of an instruction, or null when it cannot be read whole. Parts of the pattern can be named in it.
 * @param below stitches of the round below, which decide where words can be read in two ways; 0 for a part's first round,
 * which may begin on something else
 */
export function itemsOfText(
  text: string,
  { terms, parts }: Pick<Pattern, 'terms' | 'parts'>,
  below: number,
): readonly Item[] | null {
  const named = parts.map(({ name }) => `## ${name}\nR1: 6 sc in ring\n`).join('');
  const before = below > 0 ? `R1: ${Math.min(below, BOUNDS.count)} sc in ring\nR2` : 'R1';
  const head = `${terms} terms\n${named}## Piece\n`;
  const { pattern, diagnostics } = read(`${head}${before}: ${text.replaceAll('\n', ' ')}`);
  const lines = pattern.parts.at(-1)?.lines ?? [];
  const bad = diagnostics.some(({ severity, span }) => severity === 'error' && span.from >= head.length);
  const own = lines[below > 0 ? 1 : 0];
  return own && lines.length === (below > 0 ? 2 : 1) && !bad && own.items.length > 0 ? own.items : null;
}

/** The latest word on each line and round. */
export function latestAlterations(changes: readonly Alteration[]): Alteration[] {
  const latest = new Map<string, Alteration>();
  for (const change of changes) {
    latest.set(change.kind === 'length' ? `${change.line}` : `${change.line}.${change.nth}`, change);
  }
  return [...latest.values()];
}

/** How many rounds an open run stands for: the run, the rounds before it, and the line it is. */
export type OpenRounds = (run: OpenRun, before: number, line: number) => number;

/** Rounds a run without a length stands for until it is worked. */
const AS_LONG_AS_YOU_LIKE = 6;

/**
 * Open runs at a gauge: the rounds their length takes, measured along the wall from the start of the piece.
 * @param stitchMm height of a stitch
 */
export function openRoundsAt(stitchMm: number): OpenRounds {
  return ({ mm }, before) => (mm === null ? AS_LONG_AS_YOU_LIKE : Math.max(1, Math.ceil(mm / stitchMm) - before));
}

/**
 * The part with its alterations. Open runs stand with the rounds they were given, or with `openRounds` until then.
 * An alteration of a line or round that is not there any more, or whose words cannot be read, is left out.
 */
export function alteredPart(pattern: Pattern, part: Part, changes: readonly Alteration[], openRounds: OpenRounds): AlteredPart {
  const latest = latestAlterations(changes);
  const lines: RoundLine[] = [];
  const origins: WrittenRound[] = [];
  const begins: number[] = [];
  let number = part.lines[0]?.first ?? 1;
  let below = 0;
  part.lines.forEach((line, index) => {
    begins.push(lines.length);
    const own = latest.filter((change) => change.line === index);
    const given = own.find((change) => change.kind === 'length')?.rounds;
    const written = line.open ? openRounds(line.open, number - (part.lines[0]?.first ?? 1), index) : line.last - line.first + 1;
    const rounds = Math.max(1, Math.min(MOST_ROUNDS, Math.round(given ?? written)));
    const start = below;
    const readAs = (text: string, at: number, nth: number): readonly Item[] | null =>
      itemsOfText(text, pattern, index + nth > 0 ? Math.max(1, at) : 0);
    const other = new Map<number, string>();
    for (const change of own) {
      if (change.kind === 'instead' && readAs(change.text, start, change.nth)) other.set(change.nth, change.text);
    }
    for (let nth = 0; nth < rounds;) {
      let end = nth + 1;
      const text = other.get(nth);
      const items = text === undefined ? null : readAs(text, below, nth);
      while (!items && end < rounds && !other.has(end)) end++;
      lines.push({
        ...line,
        items: end < rounds ? withoutLastColour(line.items) : line.items,
        first: number,
        last: number + end - nth - 1,
        open: null,
        ...(items ? { items, places: [], settings: [], stated: null, like: null } : {}),
      });
      for (let round = nth; round < Math.min(end, nth + MOST_COUNTED); round++)
        below = madeBy(items ?? line.items, below, line.stated);
      origins.push({ line: index, nth });
      number += end - nth;
      nth = end;
    }
  });
  begins.push(lines.length);
  const notes = part.notes.map((note) => ({ ...note, before: begins[Math.min(note.before, part.lines.length)] ?? lines.length }));
  return { part: { ...part, lines, notes }, origins };
}

/** Rounds of one line after which its count is taken for steady. */
const MOST_COUNTED = 50;

/** Stitches a round ends on: worked over something of its own, what is stated. */
function madeBy(items: readonly Item[], below: number, stated: RoundLine['stated']): number {
  const founded = items.some((item) => item.kind === 'foundation');
  return founded && stated ? stated.count : measureRound(items, below).makes;
}

/** The count of a whole pattern with one part as a piece of it is made. */
export function countWith({ pattern }: PatternCount, index: number, { part }: AlteredPart): PatternCount['parts'][number] {
  const parts = pattern.parts.map((each, at) => (at === index ? part : each));
  return checkPattern({ pattern: { ...pattern, parts }, diagnostics: [] }).parts[index]!;
}

/** Where a round of an altered part is written: its line, and which round of it. Past the last, the end of the lines. */
export function writtenRound({ part, origins }: AlteredPart, round: number): WrittenRound {
  let from = 0;
  for (const [index, { first, last }] of part.lines.entries()) {
    const { line, nth } = origins[index]!;
    if (round < from + last - first + 1) return { line, nth: nth + round - from };
    from += last - first + 1;
  }
  return { line: (origins.at(-1)?.line ?? -1) + 1, nth: 0 };
}

/** The round of an altered part that stands at a place; where its line has fewer rounds, the one after it. */
export function positionAt({ part, origins }: AlteredPart, { line, nth, action }: Place): Position {
  let from = 0;
  for (const [index, { first, last }] of part.lines.entries()) {
    const own = origins[index]!;
    const rounds = last - first + 1;
    if (own.line > line) return { round: from, action: 0 };
    if (own.line === line && nth < own.nth + rounds) return { round: from + nth - own.nth, action };
    from += rounds;
  }
  return { round: from, action: 0 };
}

/** The place of a position in the lines the piece is worked by. */
export function placeAt(altered: AlteredPart, { round, action }: Position): Place {
  return { ...writtenRound(altered, round), action };
}

/** How many rounds each line stands for. */
export function roundsOfLines({ part, origins }: AlteredPart, lines: number): number[] {
  const rounds = Array.from({ length: lines }, () => 0);
  part.lines.forEach(({ first, last }, index) => (rounds[origins[index]!.line]! += last - first + 1));
  return rounds;
}
