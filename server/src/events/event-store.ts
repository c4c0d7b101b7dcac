import { Event, EVENT_BATCH, Runs, type EventPage, type NewEvents } from '@lemniscus/api';
import { EMPTY_LOG, record, type Log, type MakerEvent, type ReachedEvent, type RipReason } from '@lemniscus/core/making';
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
  line: number | null;
  nth: number | null;
  follows: string | null;
  event: string | null;
  detail: string | null;
  zone: number | null;
  why: RipReason | null;
}

/** An event just stored, and the last of its make before it. */
type AddedEvent = StoredEvent & { readonly before: number | null };

function toEvent({ id, piece, at, kind, event, detail, zone, why, ...place }: StoredEvent): MakerEvent {
  const common = { id, piece, at, ...(zone === null ? {} : { zone }) };
  if (kind === 'reached') return { ...common, kind, ...(why === null ? {} : { why }), ...reachedOf(place, detail) };
  if (kind === 'undone') return { ...common, kind, event: event ?? '' };
  return Event.parse(JSON.parse(detail ?? '{}'));
}

/** Places from before lines were kept have only a round. */
function reachedOf(
  { round, action, line, nth, follows }: Pick<StoredEvent, 'round' | 'action' | 'line' | 'nth' | 'follows'>,
  runs: string | null,
): Omit<ReachedEvent, 'kind'> {
  const position = { round: round ?? 0, action: action ?? 0 };
  if (line === null || nth === null || follows === null) return position;
  return { ...position, line, nth, follows, ...(runs === null ? {} : { runs: Runs.parse(JSON.parse(runs)) }) };
}

/**
 * One statement for a whole batch, so it is committed whole or not at all; `where true` keeps `on conflict` readable to SQLite.
 * Each new row tells the one of its make that was there before it.
 */
const APPEND = `insert into event (id, make_id, piece, at, kind, round, action, line, nth, follows, event, detail, zone, why)
  select value ->> 'id', ?, value ->> 'piece', value ->> 'at', value ->> 'kind', value ->> 'round', value ->> 'action',
    case when value ->> 'kind' = 'reached' then value ->> 'line' end,
    case when value ->> 'kind' = 'reached' then value ->> 'nth' end,
    case when value ->> 'kind' = 'reached' then value ->> 'follows' end,
    value ->> 'event',
    case value ->> 'kind' when 'undone' then null when 'reached' then value -> 'runs' else value end,
    value ->> 'zone',
    case when value ->> 'kind' = 'reached' then value ->> 'why' end
  from json_each(?) where true order by key
  on conflict (id) do nothing
  returning *, (select max(sequence) from event as e where e.make_id = event.make_id and e.sequence < event.sequence) as before`;

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
  return { after: first.before ?? 0, events: added.map(toEvent), last: last.sequence };
}

async function append(em: EntityManager, make: string, events: readonly MakerEvent[]): Promise<AddedEvent[]> {
  try {
    const rows = await em
      .getConnection()
      .execute<AddedEvent[]>(APPEND, [make, JSON.stringify(events)], 'all', em.getTransactionContext());
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

/** What was added to a make since an event of it, in order, with the `sequence` of the last. */
export interface Since {
  readonly events: MakerEvent[];
  readonly last: number;
}

/** What was added to each make after its cursor; makes to which nothing was added are not in it. */
export async function eventsSince(em: EntityManager, cursors: ReadonlyMap<string, number>): Promise<Map<string, Since>> {
  const rows = await em.getConnection().execute<StoredEvent[]>(
    `select event.* from json_each(?) as cursor
       join event on event.make_id = cursor.key and event.sequence > cursor.value order by event.sequence`,
    [JSON.stringify(Object.fromEntries(cursors))],
  );
  const since = new Map<string, { events: MakerEvent[]; last: number }>();
  for (const row of rows) {
    const own = since.get(row.make_id) ?? { events: [], last: 0 };
    own.events.push(toEvent(row));
    own.last = row.sequence;
    since.set(row.make_id, own);
  }
  return since;
}

/** Everything said of a make, in the order it arrived. */
export async function allEvents(em: EntityManager, make: string): Promise<MakerEvent[]> {
  const rows = await em.getConnection().execute<StoredEvent[]>('select * from event where make_id = ? order by sequence', [make]);
  return rows.map(toEvent);
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
