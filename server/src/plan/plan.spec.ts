import { describe, expect, it } from 'vitest';
import { MAKE, Serving, uuid } from '../test/serving.js';

const serving = new Serving();
const WISH = {
  ...{ id: uuid(1), kind: 'wish', make: MAKE.id, copies: 5, colours: 'red', forWhom: 'the stall', stall: null, by: '2026-12-18' },
  ...{ rank: 1, done: { 'work 0 0': 2 }, order: null, given: 0, sold: 0 },
};
const keep = (entry: object, changedAt = 1, removed = false) =>
  serving.ask('PUT', '/plan', { entries: [{ entry, changedAt, removed }] });

describe('the plan', () => {
  it('keeps the later of two changes, through a restart, until it is taken out', async () => {
    expect((await keep(WISH, 5)).status).toBe(204);
    await keep({ ...WISH, copies: 3 }, 4);
    await serving.stop();
    await serving.start();
    expect((await serving.ask('GET', '/plan')).body).toEqual([{ entry: WISH, changedAt: 5, removed: false }]);
    await keep(WISH, 6, true);
    expect((await serving.ask('GET', '/plan')).body).toEqual([]);
  });

  it.each([
    [{ ...WISH, copies: 10_001 }, 'copies'],
    [{ ...WISH, copies: 0 }, 'copies'],
    [{ ...WISH, by: '2026-02-30' }, 'by'],
    [{ id: uuid(2), kind: 'day', day: '2026-12-01', minutes: 961 }, 'minutes'],
    [{ id: uuid(2), kind: 'stall', name: '', day: '2026-12-01' }, 'name'],
  ])('refuses %j and names the field', async (bad, field) => {
    const { body } = await keep(bad);
    expect(body).toMatchObject({ refused: [{ index: 0 }] });
    expect((body as { refused: { message: string }[] }).refused[0]!.message).toMatch(new RegExp(`^entry.${field}: `));
  });
});

describe('a feed', () => {
  it('gives the plan to who knows its key, until it is taken out', async () => {
    const feed = { id: uuid(9), kind: 'feed', key: 'ab'.repeat(16), file: 'BEGIN:VCALENDAR' };
    await keep(feed);
    const read = (key: string) => serving.fetch('GET', `/plan/feed/${key}.ics`);
    const answer = await read(feed.key);
    expect(answer.headers.get('content-type')).toContain('text/calendar');
    expect(await answer.text()).toBe(feed.file);
    expect((await read('cd'.repeat(16))).status).toBe(404);
    await keep(feed, 2, true);
    expect((await read(feed.key)).status).toBe(404);
  });
});

describe('photos', () => {
  const photo = { id: uuid(8), make: MAKE.id, addedAt: 3, width: 40, height: 30, words: '' };
  const send = (bytes: Uint8Array, type = 'image/jpeg', id = photo.id) =>
    serving.fetch('POST', `/photos/${id}/picture`, bytes, { 'content-type': type });
  const jpeg = Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 1]);

  it('have their pictures beside the database, and take nothing that is none, too large, or elsewhere', async () => {
    await serving.ask('PUT', '/photos', { photos: [{ photo, changedAt: 1, removed: false }] });
    expect((await serving.fetch('GET', `/photos/${photo.id}/picture`)).status).toBe(404);
    expect((await send(jpeg)).status).toBe(204);
    const back = await serving.fetch('GET', `/photos/${photo.id}/picture`);
    expect(back.headers.get('content-type')).toBe('image/jpeg');
    expect(new Uint8Array(await back.arrayBuffer())).toEqual(jpeg);
    expect((await send(Uint8Array.from([1, 2, 3, 4]))).status).toBe(400);
    expect((await send(jpeg, 'image/png')).status).toBe(400);
    expect((await send(Uint8Array.from({ length: 3_100_000 }, (_, i) => jpeg[i % 3]!))).status).toBe(413);
    expect((await send(jpeg, 'image/jpeg', '..%2f..%2flemniscus')).status).toBe(400);
    expect((await serving.ask('GET', '/photos')).body).toMatchObject([{ photo }]);
  });
});
