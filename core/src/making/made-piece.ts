import type { PatternCount, PartCount } from '../fabric/index.js';
import type { Part, Pattern, RoundLine } from '../notation/index.js';
import {
  alteredPart,
  countWith,
  placeAt,
  positionAt,
  roundsOfLines,
  type AlteredPart,
  type Alteration,
  type OpenRounds,
} from './alteration.js';
import { lastReached, type MakerEvent, type Place, type Position, type ReachedEvent, type RunMade } from './log.js';
import {
  followedBy,
  followOf,
  linesFollowed,
  pieceLines,
  placeIn,
  type AsMade,
  type Followed,
  type WorkedChange,
} from './piece-lines.js';
import { carry, withLines, type Carry, type WrittenRound } from './written.js';

/** What was said of a piece, in terms of the lines it is worked by now. */
export interface PieceSaid {
  readonly lines: readonly RoundLine[];
  readonly changes: readonly Alteration[];
  /** Open runs with the rounds that are worked of them: all that it has, or, of the one at hand, so far. */
  readonly runs: readonly (RunMade & { readonly atHand: boolean })[];
  /** Where it was last said to be: in these lines, or, from before lines were kept, by its rounds. */
  readonly at: Place | Position;
  /** What was changed in the pattern where the piece is worked already, and is still to be asked. */
  readonly changed: readonly WorkedChange[];
  /** The round of the pattern that the piece would be in, if it were worked by that. */
  readonly inPattern: WrittenRound;
  /** What is to be kept before anything more is said; null where it is kept already, as `follows`. */
  readonly follow: Followed | null;
  readonly follows: string | null;
}

/** A piece as it is made: its rounds, and how they count. */
export interface PieceMade {
  readonly altered: AlteredPart;
  readonly counted: PartCount;
}

const same = (round: WrittenRound): WrittenRound => round;
const STAYS: Carry = { same, near: same };

/** From the lines that an event was said of to those of now. */
function carryOf(event: { readonly follows?: string | undefined }, said: readonly MakerEvent[], to: LinesOf): Carry {
  const followed = followedBy(event, said);
  if (!followed) return STAYS;
  const from = linesFollowed(followed.lines, followed, to.pattern, to.part);
  return from === to.lines ? STAYS : carry(from, to.lines);
}

interface LinesOf {
  readonly pattern: Pattern;
  readonly part: Part;
  readonly lines: readonly RoundLine[];
}

/** How the piece was made differently, on the lines of now; what was said of a line that is gone is left out. */
function changesOn(said: readonly MakerEvent[], to: LinesOf): Alteration[] {
  return said.flatMap((event): readonly Alteration[] => {
    if (event.kind !== 'altered') return [];
    return carriedChanges(event.changes, carryOf(event, said, to));
  });
}

/** Alterations of lines on others; those of a line that is not there are left out. */
export function carriedChanges(changes: readonly Alteration[], { same }: Carry): Alteration[] {
  return changes.flatMap((change): Alteration[] => {
    const at = same({ line: change.line, nth: change.kind === 'instead' ? change.nth : 0 });
    if (!at) return [];
    return change.kind === 'instead' ? [{ ...change, ...at }] : at.nth === 0 ? [{ ...change, line: at.line }] : [];
  });
}

function runsOn(reached: ReachedEvent, at: Place, said: readonly MakerEvent[], to: LinesOf): PieceSaid['runs'] {
  const { same } = carryOf(reached, said, to);
  const all = followedBy(reached, said)?.rounds?.map((rounds, line) => ({ line, rounds }));
  const behind = (reached.runs ?? (reached.line === undefined ? all?.slice(0, at.line) : null) ?? []).flatMap(
    ({ line, rounds }) => {
      const now = same({ line, nth: 0 });
      return now ? [{ line: now.line, rounds, atHand: false }] : [];
    },
  );
  const atHand = to.lines[at.line]?.open ? [{ line: at.line, rounds: at.nth + (at.action > 0 ? 1 : 0), atHand: true }] : [];
  return [...behind, ...atHand];
}

/**
 * What the events of a piece say of it now that the pattern says what it says.
 * @param said what stands of its events
 * @param openRounds how many rounds an open run takes until it is worked
 */
export function pieceSaid(
  { pattern }: PatternCount,
  index: number,
  said: readonly MakerEvent[],
  openRounds: OpenRounds,
): PieceSaid {
  const part = pattern.parts[index]!;
  const own: LinesOf = { pattern, part, lines: part.lines };
  const reached = lastReached(said);
  const followed = reached && followedBy(reached, said);
  if (!reached || !followed) {
    const { round, action } = reached ?? { round: 0, action: 0 };
    const changes = changesOn(said, own);
    const rounds = reached ? roundsOfLines(alteredPart(pattern, part, changes, openRounds), part.lines.length) : undefined;
    const follow = { ...followOf(pattern, part.lines), rounds };
    const inPattern = { line: 0, nth: 0 };
    return { lines: part.lines, changes, runs: [], at: { round, action }, changed: [], inPattern, follow, follows: null };
  }
  const asMade = (lines: readonly RoundLine[], place: Place): AsMade => {
    const to = { ...own, lines };
    const runs = runsOn(reached, place, said, to);
    const altered = alteredPart(pattern, withLines(part, lines), changesOn(said, to), withRuns(runs, openRounds));
    return { lines: altered.part.lines, at: inMade(altered, place) };
  };
  const place = placeIn(reached, followed);
  const found = pieceLines(pattern, part, followed, place, (lines) => asMade(lines, place));
  const to = { ...own, lines: found.lines };
  return {
    lines: found.lines,
    changes: changesOn(said, to),
    runs: runsOn(reached, found.at, said, to),
    at: found.at,
    changed: found.changed,
    inPattern: found.inPattern,
    follow: found.follow,
    follows: followed.id,
  };
}

/**
 * The answer to what was changed where the piece is worked already.
 * - `pattern`: the pattern was wrong before, the piece was made as it says now: nothing moves;
 * - `made`: it was made as the pattern was; that is kept, and the rest goes on as the pattern has it now;
 * - a round of the pattern: the piece is there.
 */
export function answered(
  { pattern }: PatternCount,
  index: number,
  said: readonly MakerEvent[],
  now: PieceSaid,
  how: 'pattern' | 'made' | WrittenRound,
): PieceSaid {
  const part = pattern.parts[index]!;
  if (how === 'made') {
    return { ...now, changed: [], follow: followOf(pattern, now.lines, part.lines) };
  }
  const to = { pattern, part, lines: part.lines };
  const at = how === 'pattern' ? { ...now.inPattern, action: 'line' in now.at ? now.at.action : 0 } : { ...how, action: 0 };
  const reached = lastReached(said);
  return {
    ...now,
    ...{ lines: part.lines, at, changed: [], inPattern: at },
    changes: changesOn(said, to),
    runs: reached ? runsOn(reached, at, said, to) : [],
    follow: followOf(pattern, part.lines),
  };
}

/** The place among the lines of the altered part itself. */
function inMade(altered: AlteredPart, place: Place): WrittenRound {
  let { round } = positionAt(altered, place);
  for (const [line, { first, last }] of altered.part.lines.entries()) {
    if (round < last - first + 1) return { line, nth: round };
    round -= last - first + 1;
  }
  return { line: altered.part.lines.length, nth: 0 };
}

/** Open runs as they were worked; the one at hand is at least as long as it is already. */
function withRuns(runs: PieceSaid['runs'], openRounds: OpenRounds): OpenRounds {
  return (run, before, line) => {
    const worked = runs.find((each) => each.line === line);
    if (worked && !worked.atHand) return worked.rounds;
    return Math.max(openRounds(run, before, line), worked?.rounds ?? 0);
  };
}

/** The rounds of a piece, of which this was said. */
export function pieceMade(count: PatternCount, index: number, said: PieceSaid, openRounds: OpenRounds): PieceMade {
  const part = withLines(count.pattern.parts[index]!, said.lines);
  const altered = alteredPart(count.pattern, part, said.changes, withRuns(said.runs, openRounds));
  const asWritten = part === count.pattern.parts[index] && said.changes.length === 0 && !part.lines.some((line) => line.open);
  return { altered, counted: asWritten ? count.parts[index]! : countWith(count, index, altered) };
}

/** Where the piece is in its rounds. */
export function positionOfPiece({ at }: Pick<PieceSaid, 'at'>, { altered }: PieceMade): Position {
  return 'line' in at ? positionAt(altered, at) : at;
}

/** What is said when a piece is at a position of its rounds: with the lines of now, and the open runs behind it. */
export function reachedAt(
  { altered }: PieceMade,
  lines: readonly RoundLine[],
  position: Position,
): Omit<ReachedEvent, 'follows'> {
  const place = placeAt(altered, position);
  const rounds = roundsOfLines(altered, lines.length);
  const runs = lines.flatMap(({ open }, line): RunMade[] =>
    open && line < place.line && line < rounds.length ? [{ line, rounds: rounds[line]! }] : [],
  );
  return { kind: 'reached', ...position, line: place.line, nth: place.nth, ...(runs.length > 0 ? { runs } : {}) };
}

/** The remarks on a piece's rounds, by the lines of now; those on a line that is gone stay with what took its place. */
export function remarksOn(
  said: readonly MakerEvent[],
  count: PatternCount,
  index: number,
  lines: readonly RoundLine[],
): (WrittenRound & { readonly text: string })[] {
  const to = { pattern: count.pattern, part: count.pattern.parts[index]!, lines };
  return said.flatMap((event) => {
    if (event.kind !== 'remarked') return [];
    const at = carryOf(event, said, to).near(event) ?? { line: Math.min(event.line, lines.length - 1), nth: 0 };
    return [{ ...at, text: event.text }];
  });
}

/** So many remarks of a piece are kept for whoever looks for one. */
const REMARKS = 20;

/**
 * The events of a piece that its rounds and its place in them follow from, what was remarked last, and of a whole make how it stands. Law: they say
 * the same as all of them do.
 */
export function decisiveEvents(said: readonly MakerEvent[]): MakerEvent[] {
  const reached = lastReached(said);
  const kept = new Set<MakerEvent | null>();
  for (const event of said) if (event === reached || event.kind === 'altered') kept.add(event).add(followedBy(event, said));
  for (const event of said.filter(({ kind }) => kind === 'remarked').slice(-REMARKS)) kept.add(event);
  kept.add(said.findLast(({ kind }) => kind === 'finished') ?? null);
  kept.add(said.findLast(({ kind }) => kind === 'put away') ?? null);
  return said.filter((event) => kept.has(event));
}
