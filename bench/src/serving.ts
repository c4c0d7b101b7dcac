import { once } from 'node:events';
import { mkdtemp, rm } from 'node:fs/promises';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from '@lemniscus/server/app';
import { openDatabase, type Database } from '@lemniscus/server/database/open';
import { seedDemo } from '@lemniscus/server/seed';

export interface Demo {
  readonly database: Database;
  /** Serves a built page with the API beside it; gives its address. */
  readonly serve: (web: string) => Promise<string>;
  readonly close: () => Promise<void>;
}

/** A database with the demo in it, and servers on top of it. */
export async function openDemo(root: string): Promise<Demo> {
  const folder = await mkdtemp(join(tmpdir(), 'lemniscus-bench-'));
  const database = await openDatabase(folder);
  await seedDemo(database, join(root, 'demo'), 'patterns');
  return {
    database,
    serve: async (web) => {
      const server = createServer(createApp(database, web)).listen(0, '127.0.0.1');
      await once(server, 'listening');
      server.unref();
      return `http://127.0.0.1:${(server.address() as AddressInfo).port}/`;
    },
    close: async () => {
      await database.close();
      await rm(folder, { recursive: true });
    },
  };
}
