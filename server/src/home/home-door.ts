import { join } from 'node:path';
import { Knock, type Home } from '@lemniscus/api';
import { parseCookie } from 'cookie';
import express, { Router, type RequestHandler } from 'express';
import type { Database } from '../database/open.js';
import { nameOf, type Door } from '../http/door.js';
import { parse } from '../http/parse.js';
import { Problem } from '../http/problem.js';
import { addDevice, deviceWith } from './device-store.js';
import type { Pairing } from './pairing.js';

/** "__Host-": only over HTTPS, for this host alone, for every path of it. */
export const COOKIE = '__Host-lemniscus';
/** Browsers keep none longer (RFC 6265bis, recalled: 400 days). */
const KEPT_MS = 400 * 86_400_000;

/** Room for a code and a name. */
const KNOCK_LIMIT = '2kb';

/** The way in for other devices in the house. */
export interface HomeDoor extends Door {
  readonly scheme: 'https';
  readonly pairing: Pairing;
  /** The authority's certificate, to be installed on a device. */
  readonly authority: string;
  readonly fingerprint: string;
  /** "https://192.168.1.20:4601"; known once it is open. */
  readonly addresses: () => readonly string[];
}

/** What this machine is told of the door; null while there is none. */
export function shownOf(door: HomeDoor | null): Home['open'] {
  if (!door) return null;
  const { digits, until } = door.pairing.shown();
  return { addresses: [...door.addresses()], code: digits, until, fingerprint: door.fingerprint };
}

/**
 * Lets known devices in, and shows every other nothing but the page that asks for the code.
 * @param pages folder with that page
 * @param open what is answered without knowing the device, by its path
 */
export function homeDoor(database: Database, door: HomeDoor, pages: string, open: Readonly<Record<string, Router>> = {}): Router {
  const routes = Router();
  routes.use(ownHost(door));
  routes.get('/lemniscus-authority.crt', (_request, response) => {
    response.type('application/x-x509-ca-cert').send(door.authority);
  });
  routes.post('/api/pair', express.json({ limit: KNOCK_LIMIT }), async (request, response) => {
    const { code, name } = parse(Knock, request.body);
    const tried = door.pairing.try(code);
    if (tried === 'pause')
      throw new Problem('too-many-tries', 'Too many tries. Wait a minute, then type the new code shown on the computer.');
    if (tried === 'wrong') throw new Problem('forbidden', 'That is not the code shown on the computer now.', 'code');
    const token = await addDevice(database.em.fork(), name, Date.now());
    response.cookie(COOKIE, token, { httpOnly: true, secure: true, sameSite: 'strict', path: '/', maxAge: KEPT_MS });
    response.status(204).end();
  });
  routes.use('/pair', express.static(pages));
  for (const [path, own] of Object.entries(open)) routes.use(path, own);
  routes.use(async (request, response, next) => {
    const token = parseCookie(request.headers.cookie ?? '')[COOKIE];
    const device = token === undefined ? null : await deviceWith(database.em.fork(), token, Date.now());
    if (device) {
      response.locals['device'] = device.id;
      next();
    } else if (request.path.startsWith('/api/')) {
      throw new Problem('not-paired', 'This device is not known here. Pair it with the code shown on the computer.');
    } else {
      response.status(401).setHeader('Cache-Control', 'no-store').sendFile(join(pages, 'index.html'));
    }
  });
  return routes;
}

function ownHost({ names }: Door): RequestHandler {
  return (request, _response, next) => {
    if (!names.has(nameOf(request.headers.host))) throw new Problem('forbidden', 'Lemniscus answers only to its own addresses.');
    next();
  };
}
