import { KeptMeasurement, MeasurementBatch, sortOut } from '@lemniscus/api';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { answerTaken } from '../http/taken.js';
import { keepMeasurements, listMeasurements } from './measurement-store.js';

export function measurementRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listMeasurements(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    const { good, refused } = sortOut(KeptMeasurement, parse(MeasurementBatch, request.body).measurements);
    await keepMeasurements(database.em.fork(), good);
    answerTaken(response, refused);
  });
  return routes;
}
