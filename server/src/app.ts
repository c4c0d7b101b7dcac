import { join } from 'node:path';
import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { yarnRoutes } from './basket/yarn-routes.js';
import type { Database } from './database/open.js';
import { eventRoutes } from './events/event-routes.js';
import { foldRoutes } from './folds/fold-routes.js';
import { answerProblems, Problem } from './http/problem.js';
import { sameOriginOnly } from './http/same-origin.js';
import { LiveMakes } from './live/live-makes.js';
import { makeRoutes } from './makes/make-routes.js';
import { measurementRoutes } from './measurements/measurement-routes.js';

/** Room for the longest pattern, twice over for escapes. */
const BODY_LIMIT = '5mb';

const HASHED_NAME = /-[A-Z0-9]{8}\./;

/** The API under /api, and the built web application for everything else. */
export function createApp(database: Database, web: string, live = new LiveMakes()): Express {
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
          workerSrc: ["'self'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(compression());
  app.use('/api', sameOriginOnly, express.json({ limit: BODY_LIMIT }));
  app.use('/api', foldRoutes(database));
  app.use('/api/makes/:id/events', eventRoutes(database, live));
  app.use('/api/makes', makeRoutes(database, live));
  app.use('/api/yarns', yarnRoutes(database));
  app.use('/api/measurements', measurementRoutes(database));
  app.use('/api', () => {
    throw new Problem('not-found', 'There is nothing at this address.');
  });
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
