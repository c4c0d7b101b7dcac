import type { PartCount } from '../fabric/index.js';
import { worksIn, type Item, type PrintStyle, type RoundLine, type Span, type TextEdit, type Work } from '../notation/index.js';
import { apart, RIB_REACH } from './changes.js';
import { changePlaces, spread, type SpreadRound } from './spread.js';
import { writeSpread, type Writing } from './write.js';

/** Best unfinished choices kept from round to round. */
const BEAM = 24;
/** Splits of a first run that are tried; more would not be told apart by eye. */
const MOST_LEADS = 24;

/** A round of a run, as counts or fixed where it stands: its changes then stay at these places (stitches used before). */
export interface RunRound {
  readonly uses: number;
  readonly makes: number;
  readonly fixed: readonly number[] | null;
}

interface Choice {
  readonly rounds: readonly SpreadRound[];
  /** Change angles of the last two rounds that had changes, the latest first. */
  readonly recent: readonly { readonly at: number; readonly angles: readonly number[] }[];
  readonly start: number;
  /** How well the rounds so far keep clear of each other: see `clearance`. */
  readonly score: number;
}

/**
 * Chooses for every round of a run where its first gap is split, so that its changes keep the greatest angular distance
 * from those of the two rounds of changes below. Totals and gaps stay as `spread` makes them.
 * @returns one spread round for each of `run`; fixed rounds come back without gaps, for their counts
 */
export function staggerRun(run: readonly RunRound[]): SpreadRound[] {
  let choices: Choice[] = [{ rounds: [], recent: [], start: 0, score: 0 }];
  for (const round of run) {
    const splits = leadsOf(round).map((lead) => splitAt(round, lead));
    const next = choices.flatMap((choice) => splits.map((split) => extended(choice, split)));
    next.sort((a, b) => b.score - a.score);
    choices = next.slice(0, BEAM);
  }
  return [...choices[0]!.rounds];
}

function leadsOf({ uses, makes, fixed }: RunRound): number[] {
  if (fixed || uses === makes) return [0];
  const gap = spread(uses, makes).gaps[0]!;
  // A lead of the whole gap and of nothing are the same place one stitch apart; the natural form comes first.
  const all = Array.from({ length: gap + 1 }, (_, i) => gap - i);
  const step = Math.ceil(all.length / MOST_LEADS);
  return all.filter((_, i) => i % step === 0);
}

/** A round with its first gap split at one place, on its own: angles are turns from where the round below begins. */
interface Split {
  readonly round: SpreadRound;
  readonly start: number;
  readonly angles: readonly number[];
}

function splitAt({ uses, makes, fixed }: RunRound, lead: number): Split {
  // What is fixed stays as it is written: it may be no round that can be spread, such as three in every stitch.
  const round = fixed ? asItStands(uses, makes) : spread(uses, makes, lead);
  const places = fixed ?? changePlaces(round);
  const step = Math.sign(makes - uses);
  const start = startOver(uses, makes, places, step);
  // Stitches made before a place used so far: one more, or one less, for every change passed.
  return { round, start, angles: places.map((place, i) => start + (place + step * i + (step > 0 ? 1 : 0.5)) / makes) };
}

function asItStands(uses: number, makes: number): SpreadRound {
  return { uses, makes, change: makes > uses ? 'increase' : makes < uses ? 'decrease' : 'none', gaps: [], lead: 0 };
}

/**
 * What a least distance (in gaps between changes) is worth. A third of a gap is the most that all of three rounds can
 * keep; the root makes one stacked round cost more than two that are a little near.
 */
function clearance(nearest: number): number {
  return Math.sqrt(Math.min(nearest, 1 / 3));
}

function extended(choice: Choice, split: Split): Choice {
  const rounds = [...choice.rounds, split.round];
  const start = choice.start + split.start;
  if (split.angles.length === 0) return { ...choice, rounds, start };
  const angles = split.angles.map((angle) => choice.start + angle);
  let nearest = Number.POSITIVE_INFINITY;
  const at = choice.rounds.length;
  for (const below of choice.recent) {
    if (at - below.at > RIB_REACH) continue;
    for (const angle of angles)
      for (const other of below.angles) nearest = Math.min(nearest, apart(angle, other) * angles.length);
  }
  return {
    rounds,
    recent: [{ at, angles }, ...choice.recent].slice(0, 2),
    start,
    score: choice.score + (Number.isFinite(nearest) ? clearance(nearest) : 0),
  };
}

/** Turns from the start of the round below to this one's, whose stitches sit on average above their parents as in `stitchAngles`. */
function startOver(uses: number, makes: number, places: readonly number[], step: number): number {
  let sum = 0;
  let count = 0;
  let made = 0;
  let passed = 0;
  const each = step < 0 ? 2 : 1;
  const many = places.length > 0 ? Math.max(2, Math.round((makes - uses) / places.length) + 1) : 2;
  for (let used = 0; used < uses;) {
    const changes = places[passed] === used && step !== 0;
    const rows = changes && step > 0 ? many : 1;
    const parents = changes ? each : 1;
    for (let row = 0; row < rows; row++) {
      sum += (used + parents / 2) / uses - (made + 0.5) / makes;
      made++;
      count++;
    }
    used += parents;
    if (changes) passed++;
  }
  return sum / count;
}

/** One line that staggering would write anew. */
export interface StaggeredLine {
  /** Index in `part.lines`. */
  readonly line: number;
  readonly label: string;
  readonly before: string;
  readonly after: string;
  readonly edit: TextEdit;
}

/**
 * The lines of a part to write anew so that the increases and decreases of its rounds no longer stack. Only single rounds
 * in one stitch whose changes are spread evenly are touched; the others stay, and are kept clear of.
 * @param text the pattern's text, for the words before
 */
export function staggerPart({ part, rounds }: PartCount, text: string, style: PrintStyle): StaggeredLine[] {
  const lines = part.lines.map(plainLine);
  const first = rounds.findIndex((round) => round.uses > 0);
  if (first < 0) return [];
  const run = rounds.slice(first).map((round): RunRound => {
    const line = lines[round.line];
    const free = line && round.ok && part.lines[round.line]!.first === part.lines[round.line]!.last && isEven(line.items, round);
    const fixed = free || round.uses === round.makes ? null : placesOf(part.lines[round.line]!.items, round.around);
    return { uses: Math.max(1, round.uses), makes: Math.max(1, round.makes), fixed };
  });
  const impossible = run.some(({ uses, makes, fixed }) => !fixed && (makes > 2 * uses || 2 * makes < uses));
  if (impossible) return [];
  const staggered = staggerRun(run);
  return rounds.slice(first).flatMap((round, i): StaggeredLine[] => {
    const line = lines[round.line];
    const { uses, makes, fixed } = run[i]!;
    if (!line || fixed || uses === makes) return [];
    const after = writeSpread(staggered[i]!, style, line.writing);
    const before = text.slice(line.from, line.to);
    const same = after === writeSpread(currentSpread(line.items, round.around, uses, makes), style, line.writing);
    return same
      ? []
      : [{ line: round.line, label: round.label, before, after, edit: { from: line.from, to: line.to, insert: after } }];
  });
}

interface PlainLine {
  readonly items: readonly Item[];
  readonly writing: Writing;
  readonly from: number;
  readonly to: number;
}

/** The stitches of a line as one stretch of text, when they are plain stitches and changes of one stitch in both loops. */
function plainLine(line: RoundLine): PlainLine | null {
  const items = line.items.filter((item) => item.kind === 'work' || item.kind === 'group');
  const rest = line.items.filter((item) => !items.includes(item as Work));
  if (
    items.length === 0 ||
    line.like ||
    line.open ||
    rest.some((item) => item.kind !== 'colour' && item.kind !== 'remark' && item.kind !== 'close')
  )
    return null;
  const works = worksIn(items);
  const first = works[0];
  if (
    !first ||
    works.some(
      (work) =>
        work.stitch !== first.stitch || work.loop !== 'both' || work.through !== null || work.per > 2 || work.together > 2,
    )
  )
    return null;
  const placeOf = (item: Item): Span | null => line.places[line.items.indexOf(item)] ?? null;
  const spans = items.map(placeOf);
  if (spans.some((span) => span === null)) return null;
  const from = Math.min(...spans.map((span) => span!.from));
  const to = Math.max(...spans.map((span) => span!.to));
  const between = (span: Span | null): boolean => span !== null && span.from > from && span.from < to;
  if (from < line.label.to || rest.some((item) => between(placeOf(item)))) return null;
  const school = works.find((work) => work.together > 1)?.school ?? 'open';
  return { items, writing: { stitch: first.stitch, school }, from, to };
}

/** Stitches used before each change of a round's items, ascending; an open item is worked `around` times. */
export function placesOf(items: readonly Item[], around: number): number[] {
  const places: number[] = [];
  let used = 0;
  const go = (item: Item): void => {
    if (item.kind === 'group') {
      const times = typeof item.times === 'number' ? item.times : around;
      for (let i = 0; i < times; i++) item.items.forEach(go);
    } else if (item.kind === 'work') {
      const count = typeof item.count === 'number' ? item.count : around;
      for (let i = 0; i < count; i++, used += item.together) if (item.per > 1 || item.together > 1) places.push(used);
    } else if (item.kind === 'cluster') {
      const count = typeof item.count === 'number' ? item.count : around;
      for (let i = 0; i < count; i++, used++) places.push(used);
    } else if (item.kind === 'skip') used += item.count;
  };
  items.forEach(go);
  return places;
}

/** Whether a line's changes are all of one kind and its gaps differ by at most one. */
export function isEven(
  items: readonly Item[],
  { uses, makes, around }: { uses: number; makes: number; around: number },
): boolean {
  const places = placesOf(items, around);
  if (places.length !== Math.abs(makes - uses)) return false;
  if (places.length === 0) return true;
  const each = makes < uses ? 2 : 1;
  const gaps = places.map((place, i) => (i === 0 ? place + uses - places.at(-1)! - each : place - places[i - 1]! - each));
  return Math.max(...gaps) - Math.min(...gaps) <= 1;
}

function currentSpread(items: readonly Item[], around: number, uses: number, makes: number): SpreadRound {
  const places = placesOf(items, around);
  const each = makes < uses ? 2 : 1;
  const gaps = places.map((place, i) => (i === 0 ? place + uses - places.at(-1)! - each : place - places[i - 1]! - each));
  return { uses, makes, change: makes > uses ? 'increase' : 'decrease', gaps, lead: places[0]! };
}
