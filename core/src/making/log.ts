import type { Alteration } from './alteration.js';

/** Where a piece is: the round being worked and the actions done in it, both 0-based counts. */
export interface Position {
  readonly round: number;
  readonly action: number;
}

/** Where a piece is in the lines it is worked by: a line, which of its rounds, and the actions done in that; all 0-based. */
export interface Place {
  readonly line: number;
  readonly nth: number;
  readonly action: number;
}

/** How many rounds an open run really had. */
export interface RunMade {
  readonly line: number;
  readonly rounds: number;
}

/** The `followed` event whose lines the numbers of lines are of; none for what was said before lines were kept. */
interface Follows {
  readonly follows?: string | undefined;
}

/**
 * Something that happened at the hook. Events are appended and never changed.
 * `at` is the maker's clock in ms since 1970, kept ahead of every event already seen (`nextTime`), so that what was
 * done later also sorts later.
 */
export type MakerEvent = {
  readonly id: string;
  readonly piece: string;
  readonly at: number;
  /** Minutes that the maker's clock was ahead of UTC; not always kept. */
  readonly zone?: number | undefined;
} & (
  | ReachedEvent
  | { readonly kind: 'undone'; readonly event: string }
  /**
   * The piece is worked by these lines (`asKept`), as the pattern had them. `seen` is what the pattern says instead,
   * where the piece was kept as it was made; `rounds` how many each line stood for, where the piece was begun before
   * lines were kept.
   */
  | {
      readonly kind: 'followed';
      readonly lines: readonly string[];
      readonly seen: readonly string[] | null;
      /** How the parts of the pattern were called then, in its order. */
      readonly parts: readonly string[];
      readonly rounds?: readonly number[] | undefined;
    }
  /** All that was said of this piece was said of another: its part has a new name. */
  | { readonly kind: 'became'; readonly as: string }
  /** The piece is made differently from the pattern in these ways. */
  | ({ readonly kind: 'altered'; readonly changes: readonly Alteration[] } & Follows)
  /** A remark on a round of the pattern; an empty one takes it away. */
  | ({ readonly kind: 'remarked'; readonly line: number; readonly nth: number; readonly text: string } & Follows)
  /** Something to be done in time was done, is not for this maker, or, of a step of putting together, waits for later. */
  | { readonly kind: 'settled'; readonly gate: string; readonly how: 'done' | 'not' | 'later' }
  /**
   * A feature was put there, and not where the pattern says: by the number of the round, in the hole behind so many
   * stitches from its start, or in the stitch after them.
   */
  | {
      readonly kind: 'placed';
      readonly feature: string;
      readonly copy: number;
      readonly round: number;
      readonly after: number;
      readonly inside: boolean;
    }
  /** Grams of stuffing the piece took. */
  | { readonly kind: 'stuffed'; readonly grams: number }
  /** A time of work put in by hand, or one that was no work; of the whole make. ms since 1970. */
  | { readonly kind: 'sat'; readonly from: number; readonly to: number; readonly counts: boolean }
  | ({ readonly kind: 'finished' } & Finished)
  /** The make was put away, or taken out again. */
  | { readonly kind: 'put away'; readonly away: boolean }
);

/** The finished figure, as its maker measured it; what is not known is null or empty. */
export interface Finished {
  /** The maker's day, `2026-11-27`; null when it is not finished after all. */
  readonly day: string | null;
  readonly heightMm: number | null;
  readonly widthMm: number | null;
  readonly yarnGrams: number | null;
  readonly stuffingGrams: number | null;
  readonly forWhom: string;
  readonly notes: string;
}

/**
 * The piece is at this place; an earlier one than before when it was ripped back. `round` is the round as the piece was
 * made when it was said. Without `line` and `nth`, which were not always kept, it is all there is.
 */
export interface ReachedEvent extends Position, Follows {
  readonly kind: 'reached';
  /** Why it was ripped back to here, where that was said. */
  readonly why?: RipReason | undefined;
  readonly line?: number | undefined;
  readonly nth?: number | undefined;
  /** Open runs that are behind the piece. */
  readonly runs?: readonly RunMade[] | undefined;
}

/** The count was off; a stitch was made wrong; it was to be made otherwise. */
export type RipReason = 'count' | 'slip' | 'otherwise';

/** The events of each piece, each list without doubles and sorted by time, then id. */
export type Log = ReadonlyMap<string, readonly MakerEvent[]>;

export const EMPTY_LOG: Log = new Map();

export const START: Position = { round: 0, action: 0 };

function byTime(a: MakerEvent, b: MakerEvent): number {
  return a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/**
 * The log with more events in it; the same log when it has them all. Law: any grouping, any order and any repetition of the same events gives the same log.
 */
export function record(log: Log, events: readonly MakerEvent[]): Log {
  if (events.length === 0) return log;
  const next = new Map(log);
  const fresh = new Map<string, MakerEvent[]>();
  for (const event of events) {
    const list = fresh.get(event.piece);
    if (list) list.push(event);
    else fresh.set(event.piece, [event]);
  }
  let grown = false;
  for (const [piece, added] of fresh) {
    const old = log.get(piece) ?? [];
    const merged = merge(old, added.sort(byTime));
    if (merged.length === old.length) continue;
    next.set(piece, merged);
    grown = true;
  }
  return grown ? next : log;
}

function merge(old: readonly MakerEvent[], added: readonly MakerEvent[]): readonly MakerEvent[] {
  const merged: MakerEvent[] = [];
  let i = 0;
  let j = 0;
  while (i < old.length || j < added.length) {
    const takeOld = j >= added.length || (i < old.length && byTime(old[i]!, added[j]!) <= 0);
    const event = takeOld ? old[i++]! : added[j++]!;
    if (merged[merged.length - 1]?.id !== event.id) merged.push(event);
  }
  return merged;
}

const TOGETHER = new WeakMap<Log, Log>();

/**
 * The log with what was said of a piece before its part had a new name put to the piece it became. Law: without such
 * events it is the very same log.
 */
export function withNewNames(log: Log): Log {
  const known = TOGETHER.get(log);
  if (known) return known;
  const all = [...log.values()].flat();
  const moves = standingOf(all.filter(({ kind }) => kind === 'became' || kind === 'undone').sort(byTime));
  let moved: Log = log;
  for (const move of moves) if (move.kind === 'became') moved = renamed(moved, move.piece, move.as, move);
  TOGETHER.set(log, moved);
  return moved;
}

function renamed(log: Log, from: string, to: string, until: MakerEvent): Map<string, readonly MakerEvent[]> {
  const own = log.get(from) ?? [];
  const early = own.filter((event) => byTime(event, until) <= 0);
  const next = new Map(log);
  next.delete(from);
  if (early.length < own.length) next.set(from, own.slice(early.length));
  if (early.length > 0) next.set(to, merge(log.get(to) ?? [], early));
  return next;
}

/** What stands of a list of events; lists never change, so it is worked out once. */
const STANDING = new WeakMap<readonly MakerEvent[], readonly MakerEvent[]>();

/** What was said of a piece and not undone, earliest first, without the undoings themselves. */
export function standingEvents(log: Log, piece: string): readonly MakerEvent[] {
  const events = log.get(piece);
  if (!events) return [];
  const known = STANDING.get(events);
  if (known) return known;
  const standing = standingOf(events);
  STANDING.set(events, standing);
  return standing;
}

function standingOf(events: readonly MakerEvent[]): readonly MakerEvent[] {
  const undone = new Set<string>();
  const standing: MakerEvent[] = [];
  for (let i = events.length - 1; i >= 0; i--) {
    const event = events[i]!;
    if (undone.has(event.id)) continue;
    if (event.kind === 'undone') undone.add(event.event);
    else standing.push(event);
  }
  return standing.reverse();
}

/** The event among those that stand that says where the piece is now; null before its first. */
export function lastReached(said: readonly MakerEvent[]): Extract<MakerEvent, { kind: 'reached' }> | null {
  return said.findLast((event) => event.kind === 'reached') ?? null;
}

/** The event that an undo takes back: the last thing that was said at the hook. */
export function lastSaid(said: readonly MakerEvent[]): MakerEvent | null {
  return said.findLast((event) => event.kind !== 'followed' && event.kind !== 'became') ?? null;
}

/** Where the piece is, in rounds as they were when it was last said at the hook; the start when nothing was. */
export function positionOf(log: Log, piece: string): Position {
  const reached = lastReached(standingEvents(log, piece));
  return reached ? { round: reached.round, action: reached.action } : START;
}

/** The log as it stood at a time, by the makers' clocks. */
export function logUntil(log: Log, at: number): Log {
  return new Map([...log].map(([piece, events]) => [piece, events.filter((event) => event.at <= at)]));
}

/** A time for the next event: now, or just after the latest event seen when clocks disagree. */
export function nextTime(log: Log, now: number): number {
  let latest = 0;
  for (const events of log.values()) latest = Math.max(latest, events[events.length - 1]?.at ?? 0);
  return Math.max(now, latest + 1);
}
