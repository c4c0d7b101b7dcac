import { sortOut } from '@lemniscus/api';
import { AnswerBatch, KeptAnswer } from '@lemniscus/api/practice';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { answerTaken } from '../http/taken.js';
import { keepAnswers, listAnswers } from './practice-store.js';

export function practiceRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listAnswers(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    const { good, refused } = sortOut(KeptAnswer, parse(AnswerBatch, request.body).answers);
    await keepAnswers(database.em.fork(), good);
    answerTaken(response, refused);
  });
  return routes;
}
