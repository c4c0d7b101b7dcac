import { KeptYarn, sortOut, YarnBatch } from '@lemniscus/api';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { answerTaken } from '../http/taken.js';
import { keepYarns, listYarns } from './yarn-store.js';

export function yarnRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listYarns(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    const { good, refused } = sortOut(KeptYarn, parse(YarnBatch, request.body).yarns);
    await keepYarns(database.em.fork(), good);
    answerTaken(response, refused);
  });
  return routes;
}
