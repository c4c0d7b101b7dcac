import { sortOut } from '@lemniscus/api';
import { KeptSketch, SketchBatch } from '@lemniscus/api/sketch';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { answerTaken } from '../http/taken.js';
import { keepSketches, listSketches } from './sketch-store.js';

export function sketchRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listSketches(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    const { good, refused } = sortOut(KeptSketch, parse(SketchBatch, request.body).sketches);
    await keepSketches(database.em.fork(), good);
    answerTaken(response, refused);
  });
  return routes;
}
