import { randomUUID } from 'node:crypto';
import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer, type RequestListener, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '@lemniscus/server/app';
import { openDatabase } from '@lemniscus/server/database/open';
import { FoldAfter } from '@lemniscus/server/folds/fold-after';
import express from 'express';
import LibSql from 'libsql';
import { compare, type Result } from './measure.js';

const EVENTS = 200;

interface Listening {
  readonly post: (path: string, body: unknown) => Promise<void>;
  readonly close: () => void;
}

async function listen(handler: RequestListener): Promise<Listening> {
  const server: Server = createServer(handler).listen(0, '127.0.0.1');
  await once(server, 'listening');
  const url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  const post = async (path: string, body: unknown): Promise<void> => {
    const response = await fetch(url + path, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify(body),
    });
    await response.arrayBuffer();
    if (!response.ok) throw new Error(`${path}: ${response.status}`);
  };
  const close = (): void => {
    server.closeAllConnections();
    server.close();
  };
  return { post, close };
}

interface Stored {
  readonly id: string;
  readonly piece: string;
  readonly at: number;
  readonly kind: string;
  readonly round: number;
  readonly action: number;
}

/** The least a server can do: Express, its JSON reader, and one insert into the same kind of file. */
function bareHandler(file: string): { readonly handler: RequestListener; readonly close: () => void } {
  const bare = new LibSql(file);
  bare.exec('pragma journal_mode = wal');
  bare.exec('pragma synchronous = full');
  bare.exec(
    'create table event (sequence integer primary key autoincrement, id text unique, make text, piece text, at integer, kind text, round integer, action integer)',
  );
  const insert = bare.prepare('insert into event (id, make, piece, at, kind, round, action) values (?, ?, ?, ?, ?, ?, ?)');
  const app = express();
  app.post('/api/makes/:id/events', express.json(), (request, response) => {
    const { events } = request.body as { events: Stored[] };
    for (const { id, piece, at, kind, round, action } of events)
      insert.run(id, request.params.id, piece, at, kind, round, action);
    response.status(204).end();
  });
  return { handler: app, close: () => bare.close() };
}

/** One event a request, each answered once its row is committed, beside a bare Express handler that inserts the same. */
export async function appendEvents(): Promise<Result[]> {
  const folder = await mkdtemp(join(tmpdir(), 'lemniscus-bench-'));
  const database = await openDatabase(folder);
  const folds = new FoldAfter(database);
  const ours = await listen(createApp(database, folder, { folds }));
  const bare = bareHandler(join(folder, 'bare.db'));
  const baseline = await listen(bare.handler);
  const make = randomUUID();
  await ours.post('/api/makes', { id: make, text: 'R1: 6 sc in ring (6)', yarnWeight: 4, hookMm: 3.5 });
  const append = async (to: Listening): Promise<void> => {
    for (let i = 0; i < EVENTS; i++)
      await to.post(`/api/makes/${make}/events`, {
        events: [{ id: randomUUID(), piece: 'body/1', at: i, kind: 'reached', round: 1, action: i }],
      });
  };
  const times = await compare(
    7,
    () => append(ours),
    () => append(baseline),
  );
  for (const each of [ours, baseline, bare]) each.close();
  await folds.close();
  await database.close();
  await rm(folder, { recursive: true });
  return [
    {
      name: 'append an event, HTTP to committed row',
      ours: times.ours / EVENTS,
      baseline: times.baseline / EVENTS,
      baselineName: 'bare Express handler, same insert',
      unit: 'ms',
    },
  ];
}
