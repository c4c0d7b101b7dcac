import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { backupRoutes } from './backup/backup-routes.js';
import { yarnRoutes } from './basket/yarn-routes.js';
import type { Database } from './database/open.js';
import { eventRoutes } from './events/event-routes.js';
import type { FoldAfter } from './folds/fold-after.js';
import { foldRoutes } from './folds/fold-routes.js';
import { answerProblems, Problem } from './http/problem.js';
import { homeDoor, type HomeDoor } from './home/home-door.js';
import { homeRoutes } from './home/home-routes.js';
import { oneName, ownPagesOnly, THIS_MACHINE } from './http/door.js';
import { LiveMakes } from './live/live-makes.js';
import { makeRoutes } from './makes/make-routes.js';
import { measurementRoutes } from './measurements/measurement-routes.js';
import { photoRoutes } from './photos/photo-routes.js';
import { feedRoutes, planRoutes } from './plan/plan-routes.js';
import { practiceRoutes } from './practice/practice-routes.js';
import { sketchRoutes } from './sketches/sketch-routes.js';

/** Room for the longest pattern, twice over for escapes. */
const BODY_LIMIT = '5mb';

const HASHED_NAME = /-[A-Z0-9]{8}\./;

/** The page that asks other devices for the code. */
const PAIR_PAGES = fileURLToPath(new URL('../pages/pair', import.meta.url));

/** What is behind a door: this machine's, which knows of the one for the house, or that one. */
interface Behind {
  readonly live?: LiveMakes;
  /** What folds makes after something was added to them; without it they are folded when they are asked for. */
  readonly folds?: FoldAfter | null;
  /** The door to the house, as this machine's knows of it. */
  readonly home?: () => HomeDoor | null;
  /** The door this is for; this machine's where it is left out. */
  readonly door?: HomeDoor;
}

/** The API under /api, and the built web application for everything else. */
export function createApp(
  database: Database,
  web: string,
  { live = new LiveMakes(), folds = null, home, door }: Behind = {},
): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(
    helmet({
      contentSecurityPolicy: {
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          // NG-ZORRO and CodeMirror set styles from code.
          styleSrc: ["'self'", "'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          workerSrc: ["'self'"],
          frameAncestors: ["'none'"],
          formAction: ["'self'"],
          // What is set as HTML or loaded as a script goes through one of these, where a browser knows them.
          requireTrustedTypesFor: ["'script'"],
          trustedTypes: ['angular', 'angular#bundler', 'lemniscus', 'default'],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  app.use('/api', ownPagesOnly(door ?? THIS_MACHINE));
  if (door) app.use(homeDoor(database, door, PAIR_PAGES, { '/api/plan/feed': feedRoutes(database) }));
  app.use('/api', express.json({ limit: BODY_LIMIT }));
  if (home) app.use('/api/home', homeRoutes(database, live, home));
  app.use('/api', foldRoutes(database));
  app.use(
    '/api/makes/:id/events',
    eventRoutes(database, live, (make) => folds?.added(make)),
  );
  app.use('/api/makes', makeRoutes(database, live));
  app.use('/api/yarns', yarnRoutes(database));
  app.use('/api/backup', backupRoutes(database));
  app.use('/api/measurements', measurementRoutes(database));
  app.use('/api/plan', planRoutes(database));
  app.use('/api/practice', practiceRoutes(database));
  app.use('/api/sketches', sketchRoutes(database));
  app.use('/api/photos', photoRoutes(database));
  app.use('/api', () => {
    throw new Problem('not-found', 'There is nothing at this address.');
  });
  if (!door) app.use(oneName);
  app.use(
    express.static(web, {
      index: false,
      setHeaders: (response, path) => {
        response.setHeader('Cache-Control', HASHED_NAME.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache');
      },
    }),
  );
  app.get('/{*path}', (_request, response) => {
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(web, 'index.html'));
  });
  app.use(answerProblems);
  return app;
}
