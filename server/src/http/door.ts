import type { RequestHandler } from 'express';
import { Problem } from './problem.js';

/** A way in: where this server is called by its own pages, and how. */
export interface Door {
  readonly scheme: 'http' | 'https';
  /** Host names it answers to, without a port. */
  readonly names: ReadonlySet<string>;
}

/** From this machine only. */
export const THIS_MACHINE: Door = { scheme: 'http', names: new Set(['localhost', '127.0.0.1', '[::1]']) };

export function nameOf(host: string | undefined): string {
  return (host ?? '').replace(/:\d+$/, '');
}

/**
 * Refuses requests that another site sends through the maker's browser: a foreign Origin, a cross-site fetch, or a
 * Host that is not this machine (a name rebound to it).
 */
export function ownPagesOnly({ scheme, names }: Door): RequestHandler {
  return (request, _response, next) => {
    const { origin, host } = request.headers;
    const site = request.headers['sec-fetch-site'];
    const foreign = (origin !== undefined && origin !== `${scheme}://${host}`) || site === 'cross-site' || site === 'same-site';
    if (!names.has(nameOf(host)) || foreign) throw new Problem('forbidden', 'Lemniscus answers only its own pages.');
    next();
  };
}

/** One name for this machine: what is kept for one name of it is not there under another. */
export const oneName: RequestHandler = (request, response, next) => {
  const { host } = request.headers;
  if (nameOf(host) !== 'localhost' || request.method !== 'GET') {
    next();
    return;
  }
  response.redirect(308, `http://${host!.replace(/^localhost/, '127.0.0.1')}${request.originalUrl}`);
};
