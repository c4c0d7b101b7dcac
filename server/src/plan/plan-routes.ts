import { sortOut } from '@lemniscus/api';
import { KeptPlanEntry, PlanBatch } from '@lemniscus/api/plan';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { answerTaken } from '../http/taken.js';
import { keepPlan, listPlan } from './plan-store.js';

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
  return routes;
}
