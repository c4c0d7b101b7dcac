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
export type MakerEvent = { readonly id: string; readonly piece: string; readonly at: number } & (
  | { readonly kind: 'reached'; readonly round: number; readonly action: number }
  | { readonly kind: 'undone'; readonly event: string }
);

/** The events of each piece, each list without doubles and sorted by time, then id. */
export type Log = ReadonlyMap<string, readonly MakerEvent[]>;

export const EMPTY_LOG: Log = new Map();

export const START: Position = { round: 0, action: 0 };

function byTime(a: MakerEvent, b: MakerEvent): number {
  return a.at - b.at || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0);
}

/**
 * The log with more events in it. Law: any grouping, any order and any repetition of the same events gives the same log.
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
  for (const [piece, added] of fresh) next.set(piece, merge(log.get(piece) ?? [], added.sort(byTime)));
  return next;
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
    undone.add(event.event);
  }
  return null;
}

/** Where the piece is, as last said at the hook; the start when nothing was. */
export function positionOf(log: Log, piece: string): Position {
  const reached = lastReached(log, piece);
  return reached ? { round: reached.round, action: reached.action } : START;
}

/** A time for the next event: now, or just after the latest event seen when clocks disagree. */
export function nextTime(log: Log, now: number): number {
  let latest = 0;
  for (const events of log.values()) latest = Math.max(latest, events[events.length - 1]?.at ?? 0);
  return Math.max(now, latest + 1);
}
