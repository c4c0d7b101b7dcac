import { once } from 'node:events';
import { mkdir, mkdtemp, rm, writeFile } from 'node:fs/promises';
import { createServer, get, type IncomingMessage, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { createApp } from './app.js';
import { openDatabase, type Database } from './database/open.js';

let folder: string;
let database: Database;
let server: Server;
let url: string;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'lemniscus-app-'));
  const web = join(folder, 'web');
  await mkdir(web);
  await writeFile(join(web, 'index.html'), '<lem-root></lem-root>');
  await writeFile(join(web, 'main-ABCD1234.js'), 'start()');
  database = await openDatabase(folder);
  server = createServer(createApp(database, web)).listen(0, '127.0.0.1');
  await once(server, 'listening');
  url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
});

afterAll(async () => {
  server.closeAllConnections();
  server.close();
  await database.close();
  await rm(folder, { recursive: true });
});

describe('the served application', () => {
  it('answers every screen’s address with the page, which is asked for anew each time', async () => {
    for (const path of ['/', '/new', '/make/0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111/work']) {
      const response = await fetch(url + path);
      expect(await response.text()).toBe('<lem-root></lem-root>');
      expect(response.headers.get('cache-control')).toBe('no-cache');
    }
  });

  it('lets files with a hash in their name be kept for good', async () => {
    expect((await fetch(`${url}/main-ABCD1234.js`)).headers.get('cache-control')).toContain('immutable');
  });

  it('allows scripts from nowhere else, and no framing', async () => {
    const policy = (await fetch(url)).headers.get('content-security-policy')!;
    expect(policy).toContain("script-src 'self'");
    expect(policy).toContain("default-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).toContain("require-trusted-types-for 'script'");
    expect(policy).not.toContain('upgrade-insecure-requests');
  });

  it.each([
    ['from a page of its own', {}, 200],
    ['typed into the address bar', { 'sec-fetch-site': 'none' }, 200],
    ['as localhost', { host: 'localhost:4600' }, 200],
    ['by its IPv6 address', { host: '[::1]:4600' }, 200],
    ['by a name that was rebound to this machine', { host: 'harbour.example:4600' }, 403],
    ['by a name that only begins like this machine', { host: '127.0.0.1.harbour.example' }, 403],
    ['from another site', { 'sec-fetch-site': 'cross-site' }, 403],
    ['from another name of the same site', { 'sec-fetch-site': 'same-site' }, 403],
    ['from another port', { origin: 'http://127.0.0.1:1' }, 403],
    ['from a page without an origin', { origin: 'null' }, 403],
  ])('asked %s, the API answers %s with %i', async (_, headers, status) => {
    const { port } = server.address() as AddressInfo;
    const request = get({ host: '127.0.0.1', port, path: '/api/makes', headers, agent: false });
    const [response] = (await once(request, 'response')) as [IncomingMessage];
    response.resume();
    expect(response.statusCode).toBe(status);
  });

  it('answers an unknown address of the API with an error, not with the page', async () => {
    const response = await fetch(`${url}/api/yarn`);
    expect(response.status).toBe(404);
    expect(await response.json()).toEqual({ error: { code: 'not-found', message: 'There is nothing at this address.' } });
  });
});
