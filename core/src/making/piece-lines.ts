import { diffIndices } from 'node-diff3';
import { withoutLastColour } from '../fabric/index.js';
import type { Part, Pattern, RoundLine } from '../notation/index.js';
import type { MakerEvent, Place, ReachedEvent } from './log.js';
import { asKept, carry, goesOn, linesKept, workOf, type WrittenRound } from './written.js';

/** The lines a piece is worked by, and what the pattern said instead when that was last agreed. */
export type Followed = Omit<FollowedEvent, 'id' | 'piece' | 'at' | 'kind'>;
type FollowedEvent = Extract<MakerEvent, { kind: 'followed' }>;

/** Lines of the pattern that were changed where the piece is worked already. */
export interface WorkedChange {
  /** The lines as they were; none where some were written in. */
  readonly was: readonly RoundLine[];
  /** The lines as they are; none where some were taken out. */
  readonly now: readonly RoundLine[];
}

/** What a piece is worked by, now that the pattern says what it says. */
export interface PieceLines {
  readonly lines: readonly RoundLine[];
  /** Where the piece is in them. */
  readonly at: Place;
  /** What was changed in the pattern where the piece is worked: it goes on as it was made until the maker says. */
  readonly changed: readonly WorkedChange[];
  /** Where the piece would be in the pattern as it is now. */
  readonly inPattern: WrittenRound;
  /** What is to be kept before anything more is said of the piece; null where it is kept already. */
  readonly follow: Followed | null;
}

/** The rounds of a piece as they were really made, with the place the piece has in them. */
export interface AsMade {
  readonly lines: readonly RoundLine[];
  readonly at: WrittenRound;
}

/** What an event was said in terms of: the lines it names, or, for one from before lines were kept, the first that were. */
export function followedBy(event: { readonly follows?: string | undefined }, said: readonly MakerEvent[]): FollowedEvent | null {
  for (const each of said) {
    if (each.kind === 'followed' && (event.follows === undefined || each.id === event.follows)) return each;
  }
  return null;
}

/** The lines that were kept: the pattern's own where they are the same. */
export function linesFollowed(
  kept: readonly string[],
  { parts }: Pick<Followed, 'parts'>,
  pattern: Pattern,
  part: Part,
): readonly RoundLine[] {
  return isAlike(kept, asKept(part.lines)) ? part.lines : (linesKept(kept, pattern, parts) ?? part.lines);
}

/** What is kept of a pattern for a piece of it. */
export function followOf({ parts }: Pattern, lines: readonly RoundLine[], seen: readonly RoundLine[] = lines): Followed {
  return { lines: asKept(lines), seen: seen === lines ? null : asKept(seen), parts: parts.map(({ name }) => name) };
}

function isAlike(a: readonly string[], b: readonly string[]): boolean {
  return a === b || (a.length === b.length && a.every((line, i) => line === b[i]));
}

/** Where a piece was last said to be, in the lines it followed then. */
export function placeIn({ line, nth, round, action }: ReachedEvent, followed: Followed | null): Place {
  if (line !== undefined && nth !== undefined) return { line, nth, action };
  let left = round;
  const rounds = followed?.rounds ?? [];
  for (const [index, length] of rounds.entries()) {
    if (left < length) return { line: index, nth: left, action };
    left -= length;
  }
  return { line: rounds.length, nth: 0, action: 0 };
}

/**
 * The lines of a piece of a part. What is worked is worked: while the pattern still begins with that, the piece follows
 * the pattern; where the pattern was changed in what is worked, the piece has what it has and goes on as the pattern does.
 * @param followed what the piece was worked by when it was last said to be at `at`
 * @param asMade the rounds of the piece as it was really made, by its own lines
 */
export function pieceLines(
  pattern: Pattern,
  part: Part,
  followed: Followed,
  at: Place,
  asMade: (own: readonly RoundLine[]) => AsMade,
): PieceLines {
  const now = part.lines;
  const own = linesFollowed(followed.lines, followed, pattern, part);
  const seen = followed.seen === null ? own : linesFollowed(followed.seen, followed, pattern, part);
  if (seen === now) return { lines: own, at, changed: [], inPattern: carriedOn(own, now, at).round, follow: null };
  const begun = at.action > 0;
  if (own === seen) {
    const made = asMade(own);
    const on = goesOn(now, own, at, begun) ?? goesOn(now, made.lines, made.at, begun);
    if (on) return following(pattern, now, on, at.action);
  }
  const until = own === seen ? at : { ...carriedOn(own, seen, at).round, action: at.action };
  const kept = goesOn(now, seen, until, begun);
  const on = kept ? { round: kept, atHand: begun } : carriedOn(seen, now, until);
  const rest = restOf(now, on, begun);
  const worked = joined(own, at, rest);
  const lines = isAlike(followed.lines, asKept(worked)) ? own : worked;
  const agreed = kept ? now : own === seen ? lines : joined(seen, until, rest);
  const same = lines === own && isAlike(followed.seen ?? followed.lines, asKept(agreed));
  return {
    lines,
    at,
    changed: kept ? [] : changesOf(workedOf(seen, until), workedOf(now, { ...on.round, action: at.action })),
    inPattern: on.round,
    follow: same ? null : followOf(pattern, lines, agreed),
  };
}

function following(pattern: Pattern, lines: readonly RoundLine[], at: WrittenRound, action: number): PieceLines {
  return { lines, at: { ...at, action }, changed: [], inPattern: at, follow: followOf(pattern, lines) };
}

/** Where the work goes on in other lines: in the round at hand, or after the last round that is there too. */
function carriedOn(from: readonly RoundLine[], to: readonly RoundLine[], at: Place): { round: WrittenRound; atHand: boolean } {
  const { near } = carry(from, to);
  if (at.action > 0) {
    const round = near(at);
    if (round) return { round, atHand: true };
  }
  const within = at.nth > 0 && at.line < from.length ? near(at) : null;
  if (within) return { round: within, atHand: false };
  for (let line = Math.min(at.line, from.length) - 1; line >= 0; line--) {
    const { open, first, last } = from[line]!;
    const found = near({ line, nth: open ? 0 : last - first + 1 });
    if (found) return { round: open ? { line: found.line + 1, nth: 0 } : found, atHand: false };
  }
  return { round: { line: 0, nth: 0 }, atHand: false };
}

/** What is worked of some lines, the round at hand with it. */
function workedOf(lines: readonly RoundLine[], { line, nth, action }: Place): RoundLine[] {
  const rounds = nth + (action > 0 ? 1 : 0);
  const at = lines[line];
  const whole = lines.slice(0, line);
  if (!at || rounds === 0) return [...whole];
  if (!at.open && rounds >= at.last - at.first + 1) return [...whole, at];
  return [...whole, { ...at, open: null, last: at.first + rounds - 1, items: withoutLastColour(at.items), stated: null }];
}

/** What is still to be worked of some lines, after the round at hand where there is one. */
function restOf(lines: readonly RoundLine[], on: { round: WrittenRound; atHand: boolean }, begun: boolean): RoundLine[] {
  const at = lines[on.round.line];
  if (!at) return [];
  const done = on.round.nth + (begun && on.atHand ? 1 : 0);
  const after = lines.slice(on.round.line + 1);
  if (done === 0) return [at, ...after];
  const left = at.open ? 1 : at.last - at.first + 1 - done;
  return left > 0 ? [{ ...at, last: at.first + left - 1 }, ...after] : after;
}

/** What is worked of some lines and the rest of others as one, with numbers that run on; a line that was cut is one again where it can be. */
function joined(worked: readonly RoundLine[], at: Place, rest: readonly RoundLine[]): RoundLine[] {
  const before = workedOf(worked, at);
  const [last, first] = [before.at(-1), rest[0]];
  const cut =
    last &&
    first &&
    last !== worked[before.length - 1] &&
    !first.open &&
    workOf({ ...first, items: withoutLastColour(first.items) }) === workOf(last);
  const lines = cut
    ? [...before.slice(0, -1), { ...first, first: last.first, last: last.last + first.last - first.first + 1 }, ...rest.slice(1)]
    : [...before, ...rest];
  let next = lines[0]?.first ?? 1;
  return lines.map((line) => {
    const first = next;
    next += line.last - line.first + 1;
    return { ...line, first, last: next - 1 };
  });
}

/** What differs between what was worked and what is there now. */
function changesOf(was: readonly RoundLine[], now: readonly RoundLine[]): WorkedChange[] {
  const name = (line: RoundLine): string => `${line.open ? '…' : line.last - line.first} ${workOf(line)}`;
  return diffIndices(was.map(name), now.map(name)).map(({ buffer1, buffer2 }) => ({
    was: was.slice(buffer1[0], buffer1[0] + buffer1[1]),
    now: now.slice(buffer2[0], buffer2[0] + buffer2[1]),
  }));
}
