import { sortOut } from '@lemniscus/api';
import { KeptPlanEntry, PlanBatch } from '@lemniscus/api/plan';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { Problem } from '../http/problem.js';
import { answerTaken } from '../http/taken.js';
import { feedOf, keepPlan, listPlan } from './plan-store.js';

export function planRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listPlan(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    const { good, refused } = sortOut(KeptPlanEntry, parse(PlanBatch, request.body).entries);
    await keepPlan(database.em.fork(), good);
    answerTaken(response, refused);
  });
  routes.use('/feed', feedRoutes(database));
  return routes;
}

/** The plan for a calendar program, which brings no cookie: whoever knows the key reads this and nothing else. */
export function feedRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/:key.ics', async (request, response) => {
    const file = await feedOf(database.em.fork(), request.params.key);
    if (file === null) throw new Problem('not-found', 'Nothing is fed under this address any more.');
    response.setHeader('Cache-Control', 'no-cache').type('text/calendar').send(file);
  });
  return routes;
}
