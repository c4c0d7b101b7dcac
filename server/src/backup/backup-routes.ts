import express, { Router } from 'express';
import type { Database } from '../database/open.js';
import { fromFile, toFile } from './backup-file.js';
import { readAll, takeIn } from './backup-store.js';

/** Room for the copy of many years. */
const COPY_LIMIT = '300mb';

/** Saves everything as one file, and takes such a file in. */
export function backupRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    const now = Date.now();
    const file = await toFile(await readAll(database, now));
    response
      .attachment(`lemniscus-${new Date(now).toISOString().slice(0, 10)}.zip`)
      .setHeader('Cache-Control', 'no-store')
      .type('application/zip')
      .send(Buffer.from(file));
  });
  routes.post('/', express.raw({ type: 'application/zip', limit: COPY_LIMIT }), async (request, response) => {
    response.json(await takeIn(database, await fromFile(new Uint8Array(request.body as Buffer))));
  });
  return routes;
}
