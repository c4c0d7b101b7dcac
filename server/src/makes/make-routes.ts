import { MakeChange, MakeId, NewMake } from '@lemniscus/api';
import { Router } from 'express';
import * as z from 'zod';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import type { LiveMakes } from '../live/live-makes.js';
import { addMake, changeMake, removeMake, restoreMake, showMake } from './make-store.js';
import { listRevisions, showRevision } from './revisions.js';

export function makeRoutes(database: Database, live: LiveMakes): Router {
  const routes = Router();
  routes.post('/', async (request, response) => {
    response.status(201).json(await addMake(database.em.fork(), parse(NewMake, request.body), Date.now()));
  });
  routes.get('/:id', async (request, response) => {
    response.json(await showMake(database.em.fork(), parse(MakeId, request.params.id)));
  });
  routes.patch('/:id', async (request, response) => {
    const id = parse(MakeId, request.params.id);
    response.json(await changeMake(database.em.fork(), id, parse(MakeChange, request.body), Date.now()));
    live.tell(id, 'make');
  });
  routes.delete('/:id', async (request, response) => {
    await removeMake(database.em.fork(), parse(MakeId, request.params.id), Date.now());
    response.status(204).end();
  });
  routes.get('/:id/revisions', async (request, response) => {
    response.json(await listRevisions(database.em.fork(), parse(MakeId, request.params.id)));
  });
  routes.get('/:id/revisions/:version', async (request, response) => {
    const version = parse(z.coerce.number<string>('Say which version.').int().min(1), request.params.version);
    response.json({ text: await showRevision(database.em.fork(), parse(MakeId, request.params.id), version) });
  });
  routes.post('/:id/restore', async (request, response) => {
    response.json(await restoreMake(database.em.fork(), parse(MakeId, request.params.id)));
  });
  return routes;
}
