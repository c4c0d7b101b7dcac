import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { openDatabase } from './database/open.js';
import { readSettings } from './settings.js';
import { seedDemo } from './seed.js';
import { MAKE, reached, Serving, uuid } from './test/serving.js';

const serving = new Serving();
const ask: Serving['ask'] = (method, path, ...rest) => serving.ask(method, `/makes${path}`, ...rest);

describe('earlier texts', () => {
  const change = (version: number, text: string) => ask('PATCH', `/${MAKE.id}`, { version, text });
  const revisions = async () => (await ask('GET', `/${MAKE.id}/revisions`)).body as { version: number; lines: number }[];

  it('are kept once a go, and whenever much would be lost', async () => {
    await ask('POST', '', MAKE);
    expect(await revisions()).toEqual([]);
    await change(1, `${MAKE.text}\nR2: inc × 6`);
    await change(2, `${MAKE.text}\nR2: inc × 6 (12)`);
    expect((await revisions()).map((each) => each.version)).toEqual([1]);
    await change(3, 'R1');
    expect((await revisions()).map((each) => [each.version, each.lines])).toEqual([
      [3, 5],
      [1, 4],
    ]);
    expect((await ask('GET', `/${MAKE.id}/revisions/1`)).body).toEqual({ text: MAKE.text });
    expect((await ask('GET', `/${MAKE.id}/revisions/9`)).status).toBe(404);
    expect((await ask('GET', `/${MAKE.id}/revisions/x`)).status).toBe(400);
  });

  it('stay as they are when yarn or hook change', async () => {
    await ask('POST', '', MAKE);
    await ask('PATCH', `/${MAKE.id}`, { version: 1, hookMm: 4 });
    expect(await revisions()).toEqual([]);
  });
});

describe('makes', () => {
  it('are added once however often they are sent, changed by version, taken off and put back', async () => {
    expect(await ask('POST', '', MAKE)).toMatchObject({ status: 201, body: { title: 'Buoy', version: 1 } });
    await ask('POST', '', MAKE);
    expect((await ask('GET', '')).body).toHaveLength(1);
    const change = { version: 1, text: '# Bell buoy\n\n## Float\nR1: 6 sc in ring (6)', hookMm: 4 };
    expect(await ask('PATCH', `/${MAKE.id}`, change)).toMatchObject({
      status: 200,
      body: { title: 'Bell buoy', hookMm: 4, yarnWeight: 4, version: 2 },
    });
    expect(await ask('PATCH', `/${MAKE.id}`, change)).toMatchObject({
      status: 409,
      body: { error: { code: 'conflict', field: 'version' } },
    });
    // Of two changes of one version at a time, one is refused.
    const both = await Promise.all([5, 6].map((hookMm) => ask('PATCH', `/${MAKE.id}`, { version: 2, hookMm })));
    expect(both.map(({ status }) => status).sort()).toEqual([200, 409]);
    expect((await ask('DELETE', `/${MAKE.id}`)).status).toBe(204);
    expect((await ask('GET', '')).body).toEqual([]);
    expect((await ask('GET', `/${MAKE.id}`)).status).toBe(404);
    expect(await ask('POST', `/${MAKE.id}/restore`)).toMatchObject({ status: 200, body: { title: 'Bell buoy' } });
  });

  it.each([
    [{ ...MAKE, yarnWeight: 9 }, 'yarnWeight: Choose a yarn weight from 0 to 7.'],
    [{ ...MAKE, hookMm: 500 }, 'hookMm: A hook is at most 30 mm.'],
    [{ ...MAKE, hookMm: 'four' }, 'hookMm: Give the hook in millimetres.'],
    [{ ...MAKE, id: '../etc' }, 'id: A make is named by a UUID.'],
    ['{"id":', 'The request is no valid JSON.'],
    [{ ...MAKE, text: 'x'.repeat(6_000_000) }, 'This is more than can be sent at once. Make the text shorter.'],
  ])('refuse what they cannot be, naming the field (%#)', async (body, message) => {
    const answer = await ask('POST', '', body);
    expect(answer.status).toBeGreaterThanOrEqual(400);
    expect(answer.body).toMatchObject({ error: { message } });
  });

  it('answer only their own pages', async () => {
    for (const headers of [{ origin: 'http://elsewhere.example' }, { 'sec-fetch-site': 'cross-site' }]) {
      expect(await ask('POST', '', MAKE, headers)).toMatchObject({ status: 403, body: { error: { code: 'forbidden' } } });
    }
    expect((await ask('GET', '')).body).toEqual([]);
  });
});

describe('events', () => {
  it('are committed before the answer, kept once, and there again after a restart', async () => {
    await ask('POST', '', MAKE);
    const events = [reached(1, 1), reached(2, 2), reached(3, 3)];
    expect((await ask('POST', `/${MAKE.id}/events`, { events: events.slice(0, 2) })).status).toBe(204);
    expect((await ask('POST', `/${MAKE.id}/events`, { events })).status).toBe(204);
    await ask('POST', `/${MAKE.id}/events`, {
      events: [{ id: uuid(4), piece: 'float/1', at: 2_000, kind: 'undone', event: uuid(3) }],
    });
    await serving.stop();
    await serving.start();
    const page = (await ask('GET', `/${MAKE.id}/events`)).body as { events: unknown[]; last: number };
    expect(page.events).toEqual([...events, { id: uuid(4), piece: 'float/1', at: 2_000, kind: 'undone', event: uuid(3) }]);
    expect((await ask('GET', `/${MAKE.id}/events?after=${page.last}`)).body).toEqual({ events: [], last: page.last });
    expect((await ask('GET', '')).body).toMatchObject([{ said: { 'float/1': [events[1]] } }]);
  });

  it('come in pages, and what is no event is refused alone', async () => {
    await ask('POST', '', MAKE);
    for (let batch = 0; batch < 3; batch++) {
      const events = Array.from({ length: 700 }, (_, i) => reached(batch * 700 + i + 1, 1));
      await ask('POST', `/${MAKE.id}/events`, { events });
    }
    const first = (await ask('GET', `/${MAKE.id}/events`)).body as { events: unknown[]; last: number };
    expect(first.events).toHaveLength(1_000);
    const answer = await ask('POST', `/${MAKE.id}/events`, { events: [reached(9_000, 1), { ...reached(9_001, -1) }] });
    expect(answer).toMatchObject({ status: 200, body: { refused: [{ index: 1, message: /^action: / }] } });
    const after = (await ask('GET', `/${MAKE.id}/events?after=2100`)).body as { events: { id: string }[] };
    expect(after.events.map(({ id }) => id)).toEqual([uuid(9_000)]);
    expect((await ask('POST', `/${uuid(5)}/events`, { events: [reached(9_500, 1)] })).status).toBe(404);
  });
});

describe('the database', () => {
  it('of a newer program is left alone, with a sentence that says so', async () => {
    await serving.database.em
      .getConnection()
      .execute("insert into migration (name, executed_at) values ('0999-from-the-future', 'now')");
    await expect(openDatabase(serving.folder)).rejects.toThrow(/newer Lemniscus.*0999-from-the-future/);
  });

  it('holds to its foreign keys and keeps a write-ahead log', async () => {
    const connection = serving.database.em.getConnection();
    expect(await connection.execute('pragma journal_mode')).toEqual([{ journal_mode: 'wal' }]);
    const orphan = "insert into event (id, make_id, piece, at, kind) values ('x', 'nobody', 'p', 1, 'undone')";
    await expect(connection.execute(orphan)).rejects.toThrow(/foreign key/i);
  });

  it('gets the demo once, and never again after the maker emptied the shelf', async () => {
    const demo = join(import.meta.dirname, '../../demo');
    await seedDemo(serving.database, demo, 'patterns');
    const makes = (await ask('GET', '')).body as { id: string; title: string }[];
    expect(makes.map((make) => make.title)).toEqual([
      'Harbour puffin',
      'Jelly pilot',
      'Lamp keeper',
      'Rowing boat',
      'Seal pup',
      'Signal kite',
      'Striped lighthouse',
      'First ball',
    ]);
    // The demo basket is a file as a maker would take in, and the puffin's black is short on purpose.
    const yarns = (await serving.ask('GET', '/yarns')).body as { id: string; name: string; colour: string }[];
    expect(yarns.length).toBeGreaterThan(6);
    const puffin = (await ask('GET', `/${makes[0]!.id}`)).body as { kit: { yarns: { colour: string; yarn: string }[] } };
    const black = puffin.kit.yarns.find((choice) => choice.colour === 'black')?.yarn;
    expect(yarns.find((yarn) => yarn.id === black)).toMatchObject({ name: 'Boathouse', colour: 'black' });
    for (const make of makes) await ask('DELETE', `/${make.id}`);
    await seedDemo(serving.database, demo, 'patterns');
    expect((await ask('GET', '')).body).toEqual([]);
  });
});

describe('settings', () => {
  it('come from the environment and the command line', () => {
    expect(readSettings({}, [], '/home')).toEqual({ port: 4600, data: '/home/data', demo: 'season', home: null });
    expect(readSettings({ PORT: '4700', LEMNISCUS_DATA: '/srv' }, ['--empty'], '/home')).toEqual({
      port: 4700,
      data: '/srv',
      demo: null,
      home: null,
    });
    const home = { port: 4701, addresses: ['10.0.0.5', '10.0.0.6'] };
    expect(readSettings({ PORT: '4700', HOME_ADDRESSES: '10.0.0.5,10.0.0.6' }, ['--home'], '/home')).toMatchObject({ home });
    expect(() => readSettings({ PORT: 'tea' }, [], '/home')).toThrow(/PORT is “tea”/);
  });
});
