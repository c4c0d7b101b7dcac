import type { Alteration } from './alteration.js';

/** Where a piece is: the round being worked and the actions done in it, both 0-based counts. */
export interface Position {
  readonly round: number;
  readonly action: number;
}

/**
 * Something that happened at the hook. Events are appended and never changed.
 * `at` is the maker's clock in ms since 1970, kept ahead of every event already seen (`nextTime`), so that what was
 * done later also sorts later.
 */
export type MakerEvent = { readonly id: string; readonly piece: string; readonly at: number } &
  /** The piece is at this place; an earlier one than before when it was ripped back. */
  (
    | { readonly kind: 'reached'; readonly round: number; readonly action: number }
    | { readonly kind: 'undone'; readonly event: string }
    /** The piece is made differently from the pattern in these ways. */
    | { readonly kind: 'altered'; readonly changes: readonly Alteration[] }
    /** A remark on a round of the pattern; an empty one takes it away. */
    | { readonly kind: 'remarked'; readonly line: number; readonly nth: number; readonly text: string }
    /** Something to be done in time was done, or is not for this maker. */
    | { readonly kind: 'settled'; readonly gate: string; readonly how: 'done' | 'not' }
    /** Grams of stuffing the piece took. */
    | { readonly kind: 'stuffed'; readonly grams: number }
  );

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

/** The event that says where the piece is now: the latest `reached` that is not undone; null before the first. */
export function lastReached(log: Log, piece: string): Extract<MakerEvent, { kind: 'reached' }> | null {
  const events = log.get(piece) ?? [];
  const undone = new Set<string>();
  for (let i = events.length - 1; i >= 0; i--) {
    const event = events[i]!;
    if (undone.has(event.id)) continue;
    if (event.kind === 'reached') return event;
    if (event.kind === 'undone') undone.add(event.event);
  }
  return null;
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

/** Where the piece is, as last said at the hook; the start when nothing was. */
export function positionOf(log: Log, piece: string): Position {
  const reached = lastReached(log, piece);
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
