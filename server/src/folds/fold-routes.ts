import { Router } from 'express';
import type { Database } from '../database/open.js';
import { shelvedMakes } from './shelf.js';
import { usesOfYarns } from './yarn-uses.js';

/** Mounted before the resources: what follows from makes, events and yarns together. */
export function foldRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/makes', async (_request, response) => {
    response.json(await shelvedMakes(database.em.fork()));
  });
  routes.get('/yarns/uses', async (_request, response) => {
    response.json(await usesOfYarns(database.em.fork()));
  });
  return routes;
}
