import { Event, EVENT_BATCH, type EventPage, type NewEvents } from '@lemniscus/api';
import { EMPTY_LOG, record, type Log, type MakerEvent } from '@lemniscus/core/making';
import type { EntityManager } from '@mikro-orm/libsql';
import { Problem } from '../http/problem.js';

interface StoredEvent {
  sequence: number;
  id: string;
  make_id: string;
  piece: string;
  at: number;
  kind: MakerEvent['kind'];
  round: number | null;
  action: number | null;
  event: string | null;
  detail: string | null;
}

function toEvent({ id, piece, at, kind, round, action, event, detail }: StoredEvent): MakerEvent {
  if (kind === 'reached') return { id, piece, at, kind, round: round ?? 0, action: action ?? 0 };
  if (kind === 'undone') return { id, piece, at, kind, event: event ?? '' };
  return Event.parse(JSON.parse(detail ?? '{}'));
}

/** One statement for a whole batch, so it is committed whole or not at all; `where true` keeps `on conflict` readable to SQLite. */
const APPEND = `insert into event (id, make_id, piece, at, kind, round, action, event, detail)
  select value ->> 'id', ?, value ->> 'piece', value ->> 'at', value ->> 'kind', value ->> 'round', value ->> 'action', value ->> 'event',
    case when value ->> 'kind' in ('reached', 'undone') then null else value end
  from json_each(?) where true order by key
  on conflict (id) do nothing returning *`;

/**
 * Appends events in their order; those already there (by id) are passed over. Answers once they are committed, with those
 * that are new; null when none is. A make taken off the shelf still takes them: it may be put back.
 * @throws Problem `not-found` when there never was such a make
 */
export async function appendEvents(em: EntityManager, make: string, events: readonly MakerEvent[]): Promise<NewEvents | null> {
  if (events.length === 0) return null;
  const added = await append(em, make, events);
  const first = added[0];
  const last = added.at(-1);
  if (!first || !last) return null;
  const [before] = await em
    .getConnection()
    .execute<{ last: number | null }[]>('select max(sequence) as last from event where make_id = ? and sequence < ?', [
      make,
      first.sequence,
    ]);
  return { after: before?.last ?? 0, events: added.map(toEvent), last: last.sequence };
}

async function append(em: EntityManager, make: string, events: readonly MakerEvent[]): Promise<StoredEvent[]> {
  try {
    const rows = await em.getConnection().execute<StoredEvent[]>(APPEND, [make, JSON.stringify(events)]);
    return rows.sort((a, b) => a.sequence - b.sequence);
  } catch (error) {
    if (isForeignKeyError(error)) throw new Problem('not-found', 'There is no such make to add these steps to.');
    throw error;
  }
}

function isForeignKeyError(error: unknown): boolean {
  return error instanceof Error && 'code' in error && error.code === 'SQLITE_CONSTRAINT_FOREIGNKEY';
}

/** Events of a make that arrived after the cursor, at most `EVENT_BATCH` of them. */
export async function eventsAfter(em: EntityManager, make: string, after: number): Promise<EventPage> {
  const rows = await em
    .getConnection()
    .execute<StoredEvent[]>('select * from event where make_id = ? and sequence > ? order by sequence limit ?', [
      make,
      after,
      EVENT_BATCH,
    ]);
  return { events: rows.map(toEvent), last: rows[rows.length - 1]?.sequence ?? after };
}

/** The logs of several makes, by make id. */
export async function logsOf(em: EntityManager, makes: readonly string[]): Promise<Map<string, Log>> {
  const byMake = new Map<string, MakerEvent[]>();
  if (makes.length > 0) {
    const marks = makes.map(() => '?').join(', ');
    const rows = await em.getConnection().execute<StoredEvent[]>(`select * from event where make_id in (${marks})`, [...makes]);
    for (const row of rows) {
      const list = byMake.get(row.make_id);
      if (list) list.push(toEvent(row));
      else byMake.set(row.make_id, [toEvent(row)]);
    }
  }
  return new Map([...byMake].map(([make, events]) => [make, record(EMPTY_LOG, events)]));
}
