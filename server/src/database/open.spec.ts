import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { defineConfig, MikroORM } from '@mikro-orm/libsql';
import { Migrator } from '@mikro-orm/migrations';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { checkPattern } from '@lemniscus/core/fabric';
import { pieceMade, pieceSaid, positionOfPiece, reachedAt } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { keepYarns } from '../basket/yarn-store.js';
import { appendEvents, eventsAfter } from '../events/event-store.js';
import { shelvedMakes } from '../folds/shelf.js';
import { findMake } from '../makes/make-store.js';
import { MAKE, reached, uuid } from '../test/serving.js';
import { MakeEntity } from './make.entity.js';
import { MIGRATIONS } from './migrations/index.js';
import { openDatabase } from './open.js';

let folder: string;
beforeEach(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lemniscus-'));
});
afterEach(() => rm(folder, { recursive: true }));

/** A database as the program of an earlier day left it: so many migrations, and rows put in as they were then. */
async function databaseOf(migrations: number, ...rows: string[]): Promise<void> {
  const earlier = await MikroORM.init(
    defineConfig({
      dbName: join(folder, 'lemniscus.db'),
      entities: [MakeEntity],
      extensions: [Migrator],
      migrations: { migrationsList: MIGRATIONS.slice(0, migrations), tableName: 'migration', snapshot: false, silent: true },
      discovery: { disableDynamicFileAccess: true },
    }),
  );
  await earlier.migrator.up();
  for (const row of rows) await earlier.em.getConnection().execute(row);
  await earlier.close(true);
}

const make = `insert into make (id, title, text, yarn_weight, hook_mm, version, created_at, updated_at)
  values ('${MAKE.id}', 'Buoy', '${MAKE.text}', 4, 3.5, 3, 10, 20)`;
const events = `insert into event (id, make_id, piece, at, kind, round, action, event) values
  ('${uuid(1)}', '${MAKE.id}', 'float/1', 1001, 'reached', 0, 4, null),
  ('${uuid(2)}', '${MAKE.id}', 'float/1', 1002, 'undone', null, null, '${uuid(1)}')`;
const kept = [reached(1, 4), { id: uuid(2), piece: 'float/1', at: 1_002, kind: 'undone', event: uuid(1) }];

describe('a database of an earlier program', () => {
  it.each([1, 2, 3, 4, 5])('keeps all that was in it after %i migrations, and goes on', async (migrations) => {
    await databaseOf(migrations, make, events);
    const database = await openDatabase(folder);
    const em = database.em.fork();
    expect(await findMake(em, MAKE.id)).toMatchObject({ title: 'Buoy', text: MAKE.text, version: 3, hookMm: 3.5, updatedAt: 20 });
    const before = await eventsAfter(em, MAKE.id, 0);
    expect(before.events).toEqual(kept);
    // A cursor from before still means the same place.
    expect(await eventsAfter(em, MAKE.id, 1)).toEqual({ events: kept.slice(1), last: 2 });
    const stuffed = { id: uuid(3), piece: 'float/1', at: 1_003, kind: 'stuffed', grams: 2.5 } as const;
    expect(await appendEvents(em, MAKE.id, [stuffed])).toEqual({ after: 2, events: [stuffed], last: 3 });
    await keepYarns(em, []);
    const connection = em.getConnection();
    expect(await connection.execute('pragma foreign_key_check')).toEqual([]);
    expect(await connection.execute('pragma integrity_check')).toEqual([{ integrity_check: 'ok' }]);
    await database.close();
    const again = await openDatabase(folder);
    expect((await eventsAfter(again.em.fork(), MAKE.id, 0)).events).toEqual([...kept, stuffed]);
    await again.close();
  });

  it('has its pieces where they were, with what was done otherwise, and goes on with places in lines', async () => {
    const text = 'R1: 6 sc in ring\nR2–R3: inc around\nR4: sc around until it is 5 cm long\nR5: dec around';
    const row = (n: number, kind: string, round: number | null, detail: string | null): string =>
      `insert into event (id, make_id, piece, at, kind, round, action, detail) values
        ('${uuid(n)}', '${MAKE.id}', 'buoy/1', ${n}, '${kind}', ${round}, ${round === null ? null : 3}, ${detail && `'${detail}'`})`;
    const altered = { id: uuid(1), piece: 'buoy/1', at: 1, kind: 'altered', changes: [{ kind: 'length', line: 2, rounds: 5 }] };
    await databaseOf(
      4,
      make.replace(MAKE.text, text),
      row(1, 'altered', null, JSON.stringify(altered)),
      row(2, 'reached', 8, null),
    );
    const database = await openDatabase(folder);
    const em = database.em.fork();
    const count = checkPattern(read((await findMake(em, MAKE.id)).text));
    const where = async () => {
      const said = (await shelvedMakes(em))[0]!.said['buoy/1']!;
      const state = pieceSaid(count, 0, said, () => 2);
      const made = pieceMade(count, 0, state, () => 2);
      return { state, made, at: positionOfPiece(state, made), rounds: made.counted.rounds.length };
    };
    const before = await where();
    expect(before).toMatchObject({ at: { round: 8, action: 3 }, rounds: 9 });
    const placed = {
      id: uuid(4),
      piece: 'buoy/1',
      at: 4,
      ...reachedAt(before.made, before.state.lines, before.at),
      follows: uuid(3),
    };
    expect(placed).toMatchObject({ line: 3, nth: 0, runs: [{ line: 2, rounds: 5 }] });
    const followed = { id: uuid(3), piece: 'buoy/1', at: 3, kind: 'followed', ...before.state.follow! } as const;
    await appendEvents(em, MAKE.id, [followed, placed]);
    expect((await eventsAfter(em, MAKE.id, 2)).events).toEqual([followed, placed]);
    expect(await where()).toMatchObject({ at: { round: 8, action: 3 }, rounds: 9 });
    await database.close();
  });

  it('has the same tables as one made today, whichever it was', async () => {
    const schema = async (): Promise<unknown> => {
      const database = await openDatabase(folder);
      const tables = await database.em
        .getConnection()
        .execute<{ sql: string }[]>("select name, sql from sqlite_master where name not like 'sqlite%' order by name");
      await database.close();
      return tables;
    };
    const today = await schema();
    for (const migrations of [1, 2, 3, 4]) {
      await rm(join(folder, 'lemniscus.db'));
      for (const beside of ['-wal', '-shm']) await rm(join(folder, `lemniscus.db${beside}`), { force: true });
      await databaseOf(migrations, make, events);
      expect(await schema()).toEqual(today);
    }
  });
});
