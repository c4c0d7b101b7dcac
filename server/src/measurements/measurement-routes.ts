import { MeasurementBatch } from '@lemniscus/api';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { keepMeasurements, listMeasurements } from './measurement-store.js';

export function measurementRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listMeasurements(database.em.fork()));
  });
  routes.put('/', async (request, response) => {
    await keepMeasurements(database.em.fork(), parse(MeasurementBatch, request.body).measurements);
    response.status(204).end();
  });
  return routes;
}
