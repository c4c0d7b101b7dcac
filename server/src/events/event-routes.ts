import { Event, EventBatch, MakeId, sortOut } from '@lemniscus/api';
import { Router } from 'express';
import * as z from 'zod';
import type { Database } from '../database/open.js';
import { parse } from '../http/parse.js';
import { answerTaken } from '../http/taken.js';
import type { LiveMakes } from '../live/live-makes.js';
import { findMake } from '../makes/make-store.js';
import { appendEvents, eventsAfter } from './event-store.js';

const Cursor = z.object({ after: z.coerce.number('Give a cursor.').int().min(0).default(0) });

/** A message to open windows has at most so many events in it; they ask for more. */
const MOST_TOLD = 100;

/** Mounted below a make: its events. What folds them is told when some were added. */
export function eventRoutes(database: Database, live: LiveMakes, added: (make: string) => void): Router {
  const routes = Router({ mergeParams: true });
  routes.get<'/', { id: string }>('/', async (request, response) => {
    const em = database.em.fork();
    const make = await findMake(em, parse(MakeId, request.params.id));
    response.json(await eventsAfter(em, make.id, parse(Cursor, request.query).after));
  });
  routes.post<'/', { id: string }>('/', async (request, response) => {
    const em = database.em.fork();
    const { events } = parse(EventBatch, request.body);
    const make = parse(MakeId, request.params.id);
    const { good, refused } = sortOut(Event, events);
    const news = await appendEvents(em, make, good);
    if (news) {
      live.tell(make, 'events', news.events.length <= MOST_TOLD ? news : null);
      added(make);
    }
    answerTaken(response, refused);
  });
  routes.get<'/live', { id: string }>('/live', async (request, response) => {
    const make = await findMake(database.em.fork(), parse(MakeId, request.params.id));
    const { device } = response.locals as { device?: string };
    live.listen(make.id, response, device);
  });
  return routes;
}
