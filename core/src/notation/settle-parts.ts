import { BOUNDS } from '../bounds/index.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import type { Draft, DraftPart, DraftRound } from './assembly.js';
import { foundationPlaces, isFlat, type CountedBefore, type RoundBefore } from './foundation.js';
import { foundationOf, measureRound } from './items.js';
import { checkBridge, checkColours, checkStart } from './line-checks.js';
import type { Like, Part, RoundLine } from './pattern.js';
import { named, resolveParts } from './part-ref.js';
import { placed } from './reading/piece.js';
import { settleLine, type Known } from './settle.js';
import { join } from './span.js';
import type { Terms } from './stitch.js';

/** Counts kept in mind after a slip: the next round may be worked over what was made, or over what was meant. */
const MOST_COUNTS = 3;

/** Ways to read a text's lines that are tried in all: some, and some more for each line. */
const LEAST_WAYS = 2_000;
const WAYS_A_LINE = 4;

interface Settling {
  readonly terms: Terms;
  readonly report: (diagnostic: ReadingDiagnostic) => void;
  readonly parts: Part[];
  readonly counted: { readonly name: string; readonly rounds: RoundBefore[]; readonly flat: boolean }[];
  readonly unnamed: Set<string>;
  readonly ways: { left: number };
}

/** Step two: every line of every part settled by the counts before it. */
export function settleParts(draft: Draft, terms: Terms, report: Settling['report']): Part[] {
  const all: Settling = { terms, report, parts: [], counted: [], unnamed: new Set(), ways: { left: LEAST_WAYS } };
  all.ways.left += draft.parts.reduce((sum, part) => sum + part.lines.length * WAYS_A_LINE, 0);
  for (const part of draft.parts) settlePart(all, part);
  const parts = resolveParts(all.parts);
  for (const { lines } of parts) for (const line of lines) checkBridge(line, report);
  return parts;
}

function settlePart(all: Settling, draft: DraftPart): void {
  const rounds: RoundBefore[] = [];
  const lines: RoundLine[] = [];
  let below: readonly number[] | null = [0];
  draft.lines.forEach((round, i) => {
    const known: Known = { below, rounds, before: all.counted, terms: all.terms, ways: all.ways };
    const own = round.reading.same
      ? takenOver(all, draft, lines, round)
      : [settled(all, round, known, draft.lines[i + 1] ?? null)];
    for (const line of own) {
      lines.push(line);
      below = countLine(line, round.unread && line.stated === null, rounds, below, all.counted);
      checkColours(line, all.unnamed, all.report);
    }
    if (!round.reading.same) checkStart(own[0]!, lines.length === own.length, round.unread, all.report);
  });
  const { name, copies, copiesSaid, heading, notes } = draft;
  all.counted.push({ name, rounds, flat: isFlat(lines) });
  all.parts.push({ name, copies, copiesSaid, heading, notes, lines, span: join(heading, lines.at(-1)?.span ?? heading) });
}

/** A line of its own, with what was found in it; words it did without to come out right are no error. */
function settled(all: Settling, round: DraftRound, known: Known, next: DraftRound | null): RoundLine {
  const { line, diagnostics, exact } = settleLine(round, known, next);
  const mild = (diagnostic: ReadingDiagnostic): ReadingDiagnostic =>
    exact && (diagnostic.code === 'unread' || diagnostic.code === 'unknown-stitch')
      ? { ...diagnostic, severity: 'warning' }
      : diagnostic;
  for (const diagnostic of round.diagnostics) all.report(mild(diagnostic));
  diagnostics.forEach(all.report);
  return line;
}

/** Counts the rounds of a line; gives what the next may be worked over. */
function countLine(
  line: RoundLine,
  unsure: boolean,
  rounds: RoundBefore[],
  below: readonly number[] | null,
  before: readonly CountedBefore<RoundBefore>[],
): readonly number[] | null {
  let over = below;
  const foundation = foundationOf(line.items);
  for (let number = line.first; number <= Math.min(line.last, line.first + BOUNDS.rounds); number++) {
    const places = foundation ? foundationPlaces(line.items, rounds.length === 0 ? 0 : (over?.[0] ?? 0), rounds, before) : null;
    const counts = places === null ? (over ?? [line.stated?.count ?? 0]) : [places];
    const made = counts.map((count) => measureRound(line.items, count));
    const best = made.findIndex(
      ({ uses, makes }, i) => uses === counts[i] && (line.stated === null || line.stated.count === makes),
    );
    const { uses, makes } = made[Math.max(0, best)]!;
    rounds.push({ number, makes, items: line.items });
    const exact = best >= 0 && (line.stated === null || line.stated.count === makes);
    if (exact && !unsure) {
      over = [makes];
      continue;
    }
    const right = (best >= 0 || (rounds.length === 1 && !foundation)) && (line.stated === null || line.stated.count === makes);
    const stated = right || line.stated === null ? [] : [line.stated.count];
    const others = right && uses >= 0 ? [] : made.map((each) => each.makes);
    over = unsure ? null : [...new Set([makes, ...stated, ...others])].slice(0, MOST_COUNTS);
  }
  return over;
}

/** The lines of "R8–R13: same as R6–R7": one where all are the same round, else one for each round. */
function takenOver(all: Settling, draft: DraftPart, lines: readonly RoundLine[], round: DraftRound): RoundLine[] {
  round.diagnostics.forEach(all.report);
  const same = round.reading.same!;
  const own = placed(round.reading.pieces.filter((piece) => piece.is === 'item'));
  const total = round.reading.pieces.find((piece) => piece.is === 'total');
  const { first, last, word, settings, label, span } = round;
  const line: RoundLine = {
    ...{ first, last, word, settings, label, span },
    items: own.items,
    places: own.places,
    stated: total?.is === 'total' ? { count: total.count, span: total.span } : null,
    like: null,
    open: round.reading.open,
  };
  const source = same.part === null || same.part === draft.name ? lines : (sourceOf(all, same.part) ?? lines);
  const from = same.first ?? first - 1;
  const end = Math.min(same.last ?? from, source.at(-1)?.last ?? from);
  const length = Math.max(1, end - from + 1);
  const taken: RoundLine[] = [];
  for (let number = first; number <= last; number++) {
    const nth = from + ((number - first) % length);
    const found = source.findLast((each) => each.first <= nth && each.last >= nth);
    if (!found) {
      all.report({ code: 'same-missing', severity: 'error', round: nth, part: same.part, span: same.span });
      return [line];
    }
    const like: Like = { round: nth, part: same.part === null ? null : named(same.part), own: line.items.length };
    const each = {
      ...line,
      like,
      items: [...found.items, ...line.items],
      places: [...found.items.map(() => null), ...line.places],
    };
    if (length === 1) return [each];
    taken.push({ ...each, first: number, last: number });
  }
  return taken;
}

function sourceOf(all: Settling, name: string): readonly RoundLine[] | undefined {
  return all.parts.findLast((each) => each.name === name)?.lines;
}
