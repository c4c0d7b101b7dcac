import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '@lemniscus/server/app';
import { openDatabase } from '@lemniscus/server/database/open';
import LibSql from 'libsql';
import { compare, type Result } from './measure.js';

const EVENTS = 200;

/** One event a request, each answered once its row is committed, beside the same rows put into the same kind of file directly. */
export async function appendEvents(): Promise<Result> {
  const folder = await mkdtemp(join(tmpdir(), 'lemniscus-bench-'));
  const database = await openDatabase(folder);
  const server = createServer(createApp(database, folder));
  server.listen(0, '127.0.0.1');
  await once(server, 'listening');
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api/makes`;
  const post = async (path: string, body: unknown): Promise<void> => {
    const response = await fetch(url + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
  };
  const make = randomUUID();
  await post('', { id: make, text: 'R1: 6 sc in ring (6)', yarnWeight: 4, hookMm: 3.5 });

  const bare = new LibSql(join(folder, 'bare.db'));
  bare.exec('pragma journal_mode = wal');
  bare.exec('pragma synchronous = full');
  bare.exec(
    'create table event (sequence integer primary key autoincrement, id text unique, make text, piece text, at integer, kind text, round integer, action integer)',
  );
  const insert = bare.prepare(
    "insert into event (id, make, piece, at, kind, round, action) values (?, ?, 'body/1', ?, 'reached', ?, ?)",
  );

  const times = await compare(
    7,
    async () => {
      for (let i = 0; i < EVENTS; i++)
        await post(`/${make}/events`, {
          events: [{ id: randomUUID(), piece: 'body/1', at: i, kind: 'reached', round: 1, action: i }],
        });
    },
    () => {
      for (let i = 0; i < EVENTS; i++) insert.run(randomUUID(), make, i, 1, i);
    },
  );
  bare.close();
  server.closeAllConnections();
  server.close();
  await database.close();
  await rm(folder, { recursive: true });
  return {
    name: 'append an event, HTTP to committed row',
    ours: times.ours / EVENTS,
    baseline: times.baseline / EVENTS,
    baselineName: 'bare libSQL insert, committed',
    unit: 'ms',
  };
}
