import { once } from 'node:events';
import { readFile, stat } from 'node:fs/promises';
import { request, type RequestOptions } from 'node:https';
import { join } from 'node:path';
import { Home } from '@lemniscus/api';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { createApp } from '../app.js';
import { MAKE, reached, Serving, uuid } from '../test/serving.js';
import { openHome, type OpenHome } from './open-home.js';
import { Pairing } from './pairing.js';

const serving = new Serving();
/** Other loopback addresses stand for other machines of the house. */
const ADDRESSES = ['127.0.0.2', '127.0.0.3'];
let house: OpenHome;
let authority: string;

const open = async (): Promise<void> => {
  house = await openHome(serving.folder, ADDRESSES, 0, (door) =>
    createApp(serving.database, serving.folder, { live: serving.live, door }),
  );
  authority = await readFile(join(serving.folder, 'home/authority.crt'), 'utf8');
};
const shut = async (): Promise<void> => {
  house.server.closeAllConnections();
  house.server.close();
  await once(house.server, 'close');
};
beforeEach(open);
afterEach(shut);

interface Answer {
  readonly status: number;
  readonly text: string;
  readonly cookie: string | undefined;
}

/** Asks as a device in the house does: over HTTPS, with the authority trusted and nothing else. */
async function ask(method: string, path: string, more: RequestOptions & { body?: object } = {}): Promise<Answer> {
  const address = new URL(house.door.addresses()[0]!);
  const { body, headers, ...rest } = more;
  const asking = request({
    host: address.hostname,
    port: address.port,
    method,
    path,
    ca: authority,
    headers: { ...(body ? { 'content-type': 'application/json', origin: address.origin } : {}), ...(headers as object) },
    ...rest,
  });
  asking.end(body && JSON.stringify(body));
  const [response] = (await once(asking, 'response')) as [import('node:http').IncomingMessage];
  let text = '';
  for await (const chunk of response) text += String(chunk);
  return { status: response.statusCode!, text, cookie: response.headers['set-cookie']?.[0] };
}

const knock = (code: string, name = 'Phone'): Promise<Answer> => ask('POST', '/api/pair', { body: { code, name } });
const code = (): string => house.door.pairing.shown().digits;
async function pair(): Promise<{ cookie: string }> {
  return { cookie: (await knock(code())).cookie!.split(';')[0]! };
}

describe('the door to the house', () => {
  it('shows a device that is not paired the page for the code, and nothing else', async () => {
    await serving.ask('POST', '/makes', MAKE);
    for (const path of ['/', '/work', '/index.html', `/make/${MAKE.id}/work`, '/main.js']) {
      const answer = await ask('GET', path);
      expect([answer.status, answer.text.includes('six digits'), answer.text.includes('Buoy')]).toEqual([401, true, false]);
    }
    for (const path of ['/makes', `/makes/${MAKE.id}`, `/makes/${MAKE.id}/events/live`, '/yarns', '/measurements', '/home'])
      expect(JSON.parse((await ask('GET', `/api${path}`)).text)).toMatchObject({ error: { code: 'not-paired' } });
    expect((await ask('POST', `/api/makes/${MAKE.id}/events`, { body: { events: [reached(1, 1)] } })).status).toBe(401);
    expect((await ask('GET', '/pair/pair.js')).status).toBe(200);
    // A calendar program reads what it has the key of, whether or not its device is known; the plan itself it does not.
    const feed = { id: uuid(9), kind: 'feed', key: 'ab'.repeat(16), file: 'BEGIN:VCALENDAR' };
    await serving.ask('PUT', '/plan', { entries: [{ entry: feed, changedAt: 1, removed: false }] });
    expect(await ask('GET', `/api/plan/feed/${feed.key}.ics`)).toMatchObject({ status: 200, text: feed.file });
    expect((await ask('GET', `/api/plan/feed/${'cd'.repeat(16)}.ics`)).status).toBe(404);
    for (const path of ['/plan', '/photos', `/photos/${uuid(9)}/picture`])
      expect((await ask('GET', `/api${path}`)).status).toBe(401);
    expect((await ask('GET', '/lemniscus-authority.crt')).text).toBe(authority);
  });

  it('lets in who knows the code, once, and knows the device again until it is sent away', async () => {
    const shown = code();
    const answer = await knock(shown);
    expect(answer.status).toBe(204);
    expect(answer.cookie).toMatch(/^__Host-lemniscus=[\w-]{43}; Max-Age=34560000; Path=\/; .*HttpOnly; Secure; SameSite=Strict$/);
    expect((await knock(shown)).status).toBe(403);
    const headers = { cookie: answer.cookie!.split(';')[0] };
    expect((await ask('GET', '/api/makes', { headers })).text).toBe('[]');
    // What lets it in is not in the database, and not this machine's to tell.
    const here = Home.parse((await serving.ask('GET', '/home')).body);
    expect(here.devices).toMatchObject([{ name: 'Phone' }]);
    expect(JSON.stringify(await serving.database.em.getConnection().execute('select * from device'))).not.toContain(
      headers.cookie!.split('=')[1],
    );
    // The key of the house outlasts a restart, and so do those who were let in.
    await shut();
    await open();
    expect((await ask('GET', '/api/makes', { headers })).status).toBe(200);
    expect((await serving.ask('DELETE', `/home/devices/${here.devices[0]!.id}`)).status).toBe(204);
    expect((await ask('GET', '/api/makes', { headers })).status).toBe(401);
    expect((await ask('GET', '/api/makes', { headers: { cookie: '__Host-lemniscus=guess' } })).status).toBe(401);
  });

  it('ends the lines of a device that is sent away, and lets the oldest go of too many', async () => {
    await serving.ask('POST', '/makes', MAKE);
    const headers = await pair();
    const lines = Array.from({ length: 42 }, () =>
      ask('GET', `/api/makes/${MAKE.id}/events/live`, { headers }).catch(() => null),
    );
    await expect.poll(() => serving.live.windows(MAKE.id)).toBe(40);
    const [device] = Home.parse((await serving.ask('GET', '/home')).body).devices;
    await serving.ask('DELETE', `/home/devices/${device!.id}`);
    await Promise.all(lines);
    expect(serving.live.windows(MAKE.id)).toBe(0);
  });

  it('answers its own pages at its own addresses only, and nothing that is not encrypted', async () => {
    const headers = await pair();
    const { port } = new URL(house.door.addresses()[0]!);
    for (const bad of [
      { host: `evil.example:${port}` },
      { host: `127.0.0.9:${port}` },
      { origin: 'https://evil.example' },
      { origin: `http://127.0.0.2:${port}` },
      { 'sec-fetch-site': 'cross-site' },
    ])
      expect(
        (await ask('GET', '/api/makes', { headers: { ...headers, ...bad }, checkServerIdentity: () => undefined })).status,
        JSON.stringify(bad),
      ).toBe(403);
    await expect(fetch(`http://127.0.0.2:${port}/`)).rejects.toThrow();
    // Another authority is not taken for this one's.
    await expect(ask('GET', '/', { ca: [] })).rejects.toThrow(/certificate/);
    await expect(ask('GET', '/', { host: '127.0.0.4', servername: '127.0.0.4' })).rejects.toThrow(/IP/);
    expect((await stat(join(serving.folder, 'home/authority.key'))).mode & 0o077).toBe(0);
    // How others get in is told on this machine only.
    expect((await ask('GET', '/api/home', { headers })).status).toBe(404);
  });
});

describe('the code', () => {
  it('gives five tries, then a pause and another code; and dies after ten minutes', () => {
    let now = 0;
    const pairing = new Pairing(() => now);
    const wrong = (): string => String((Number(pairing.shown().digits) + 1) % 1_000_000).padStart(6, '0');
    const { digits } = pairing.shown();
    expect(digits).toMatch(/^\d{6}$/);
    expect(Array.from({ length: 5 }, () => pairing.try(wrong()))).toEqual(['wrong', 'wrong', 'wrong', 'wrong', 'pause']);
    // In the pause the right one is of no use either.
    expect(pairing.try(pairing.shown().digits)).toBe('pause');
    now += 60_000;
    expect(pairing.try(pairing.shown().digits)).toBe('right');
    const old = pairing.shown().digits;
    now += 600_000;
    expect(pairing.try(old)).toBe('wrong');
    expect(pairing.try('')).toBe('wrong');
  });
});
