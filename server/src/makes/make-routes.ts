import { MakeChange, MakeId, NewMake } from '@lemniscus/api';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { addMake, changeMake, listMakes, removeMake, restoreMake, showMake } from './make-store.js';

export function makeRoutes(database: Database): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    response.json(await listMakes(database.em.fork()));
  });
  routes.post('/', async (request, response) => {
    response.status(201).json(await addMake(database.em.fork(), parse(NewMake, request.body), Date.now()));
  });
  routes.get('/:id', async (request, response) => {
    response.json(await showMake(database.em.fork(), parse(MakeId, request.params.id)));
  });
  routes.patch('/:id', async (request, response) => {
    const id = parse(MakeId, request.params.id);
    response.json(await changeMake(database.em.fork(), id, parse(MakeChange, request.body), Date.now()));
  });
  routes.delete('/:id', async (request, response) => {
    await removeMake(database.em.fork(), parse(MakeId, request.params.id), Date.now());
    response.status(204).end();
  });
  routes.post('/:id/restore', async (request, response) => {
    response.json(await restoreMake(database.em.fork(), parse(MakeId, request.params.id)));
  });
  return routes;
}
