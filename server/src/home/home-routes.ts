import { Device, type Home } from '@lemniscus/api';
import { Router } from 'express';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import type { LiveMakes } from '../live/live-makes.js';
import { listDevices, sendAway } from './device-store.js';
import { shownOf, type HomeDoor } from './home-door.js';

/** On this machine only: how other devices get in, and which are. */
export function homeRoutes(database: Database, live: LiveMakes, door: () => HomeDoor | null): Router {
  const routes = Router();
  routes.get('/', async (_request, response) => {
    const home: Home = { open: shownOf(door()), devices: await listDevices(database.em.fork()) };
    response.setHeader('Cache-Control', 'no-store').json(home);
  });
  routes.delete('/devices/:id', async (request, response) => {
    const id = parse(Device.shape.id, request.params.id);
    await sendAway(database.em.fork(), id);
    live.sendAway(id);
    response.status(204).end();
  });
  return routes;
}
