import { rm } from 'node:fs/promises';
import { openDatabase } from '@lemniscus/server/database/open';
import { appendEvents, eventsAfter } from '@lemniscus/server/events/event-store';
import { addMake } from '@lemniscus/server/makes/make-store';
import { EVENT_BATCH } from '@lemniscus/api';
import { EMPTY_LOG, positionOf, record, standingEvents, type Log, type MakerEvent } from '@lemniscus/core/making';
import { mkdtemp } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { compare, type Result } from './measure.js';

const EVENTS = 100_000;
const CLIENTS = 50;
const EACH = 20;

/** Opening a make with 100,000 events, beside reading the same rows without the fold; and fifty clients appending at once, beside one. */
export async function manyEvents(): Promise<Result[]> {
  const folder = await mkdtemp(join(tmpdir(), 'lemniscus-bench-'));
  const database = await openDatabase(folder);
  const id = crypto.randomUUID();
  await addMake(database.em.fork(), { id, text: 'R1: 6 sc in ring (6)', yarnWeight: 4, hookMm: 3.5 }, 0);
  let at = 0;
  const event = (): MakerEvent => ({
    id: crypto.randomUUID(),
    piece: `part/${at % 5}`,
    at: ++at,
    kind: 'reached',
    round: at >> 5,
    action: at & 31,
  });
  for (let batch = 0; batch < EVENTS / EVENT_BATCH; batch++)
    await appendEvents(database.em.fork(), id, Array.from({ length: EVENT_BATCH }, event));

  const read = async (take: (events: readonly MakerEvent[]) => void): Promise<void> => {
    for (let after = 0; ;) {
      const page = await eventsAfter(database.em.fork(), id, after);
      if (page.events.length === 0) return;
      take(page.events);
      after = page.last;
    }
  };
  const open = async (): Promise<void> => {
    const all: MakerEvent[] = [];
    await read((events) => all.push(...events));
    const log: Log = record(EMPTY_LOG, all);
    for (const piece of log.keys()) {
      positionOf(log, piece);
      standingEvents(log, piece);
    }
  };
  const opening = await compare(3, open, () => read(() => undefined));

  const append = (): Promise<unknown> => appendEvents(database.em.fork(), id, [event()]);
  const fifty = (): Promise<unknown> =>
    Promise.all(
      Array.from({ length: CLIENTS }, async () => {
        for (let i = 0; i < EACH; i++) await append();
      }),
    );
  const alone = async (): Promise<void> => {
    for (let i = 0; i < CLIENTS * EACH; i++) await append();
  };
  const appending = await compare(2, fifty, alone);
  await database.close();
  await rm(folder, { recursive: true });
  return [
    { name: 'opening a make with 100,000 events', ...opening, baselineName: 'reading the rows, no fold', unit: 'ms' },
    {
      name: `${CLIENTS} clients append ${EACH} events each at once`,
      ...appending,
      baselineName: 'one client appends them in turn',
      unit: 'ms',
    },
  ];
}
