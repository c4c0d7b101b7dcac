import type { RequestHandler } from 'express';
import { Problem } from './problem.js';

const LOCAL_HOSTS = new Set(['localhost', '127.0.0.1', '[::1]']);

/**
 * Refuses requests that another site sends through the maker's browser: a foreign Origin, a cross-site fetch, or a
 * Host that is not this machine (a name rebound to it).
 */
export const sameOriginOnly: RequestHandler = (request, _response, next) => {
  const host = request.headers.host ?? '';
  const name = host.replace(/:\d+$/, '');
  const { origin } = request.headers;
  const site = request.headers['sec-fetch-site'];
  const foreign = (origin !== undefined && origin !== `http://${host}`) || site === 'cross-site' || site === 'same-site';
  if (!LOCAL_HOSTS.has(name) || foreign) throw new Problem('forbidden', 'Lemniscus answers only its own pages on this machine.');
  next();
};
