import { spawnSync } from 'node:child_process';
import { readdir, readFile, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import fc from 'fast-check';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { describe, expect, it } from 'vitest';
import { copyOfTheDay } from '../database/copies.js';
import { MAKE, reached, Serving, SWATCH, uuid } from '../test/serving.js';
import { fromFile, toFile } from './backup-file.js';
import { readAll, takeIn } from './backup-store.js';

const serving = new Serving();
const OTHER = { ...MAKE, id: uuid(900), text: '# Bell\n\n## Shell\nR1: 6 sc in ring (6)' };
const STALL = { id: uuid(71), kind: 'stall', name: 'Quay market', day: '2026-12-12' };
const ANSWER = { id: uuid(72), kind: 'hidden', level: 2, seed: 17, at: 1_790_000_000_000, seconds: 9.5, right: true };
const SKETCH = { id: uuid(76), name: 'Trial', yarnWeight: 4, hookMm: 3.5, parts: [], at: 9 };
const PHOTO = { id: uuid(72), make: MAKE.id, addedAt: 9, width: 40, height: 30, words: 'on the sill' };
/** As a JPEG begins; what comes after is as it may. */
const PICTURE = Uint8Array.from([0xff, 0xd8, 0xff, 0xe0, 1, 2, 3]);
/** What is told of a whole make, and a place with its zone and the reason it was ripped back to. */
const TOLD = [
  { ...reached(3, 1), zone: 120, why: 'count' },
  { id: uuid(73), piece: 'make', at: 2_000, zone: -60, kind: 'sat', from: 1_000, to: 61_000, counts: true },
  {
    ...{ id: uuid(74), piece: 'make', at: 2_001, kind: 'finished', day: '2026-11-27', heightMm: 92.5, widthMm: null },
    ...{ yarnGrams: 31, stuffingGrams: null, forWhom: 'Ada', notes: 'next time 5 mm hook' },
  },
  { id: uuid(75), piece: 'make', at: 2_002, kind: 'put away', away: true },
];
const yarn = (n: number, grams: number, changedAt: number) => ({
  ...{ id: uuid(n), name: `Gull ${n}`, yarnWeight: 4, fibre: 'wool', colour: '=red', metresPer100g: 200, grams },
  ...{ weighedAt: 5, dyeLot: '', ballGrams: null, price: null, changedAt, removed: false },
});
/** Two makes, one off the shelf and changed, with logs, earlier texts, yarns and a measurement. */
async function fill(): Promise<void> {
  await serving.ask('POST', '/makes', MAKE);
  await serving.ask('POST', '/makes', OTHER);
  await serving.ask('PATCH', `/makes/${MAKE.id}`, { version: 1, text: `${MAKE.text}\nR2: inc × 6 (12)`, hookMm: 4 });
  await serving.ask('DELETE', `/makes/${OTHER.id}`);
  await serving.ask('POST', `/makes/${MAKE.id}/events`, { events: [reached(1, 1), reached(2, 2)] });
  await serving.ask('POST', `/makes/${MAKE.id}/events`, { events: TOLD });
  await serving.ask('PUT', '/plan', { entries: [{ entry: STALL, changedAt: 4, removed: false }] });
  await serving.ask('PUT', '/practice', { answers: [{ answer: ANSWER, changedAt: 4, removed: false }] });
  await serving.ask('PUT', '/sketches', { sketches: [{ sketch: SKETCH, changedAt: 4, removed: false }] });
  await serving.ask('PUT', '/photos', { photos: [{ photo: PHOTO, changedAt: 4, removed: false }] });
  await serving.fetch('POST', `/photos/${PHOTO.id}/picture`, PICTURE, { 'content-type': 'image/jpeg' });
  await serving.ask('PUT', '/yarns', { yarns: [yarn(1, 50, 10), yarn(2, 60, 10)] });
  await serving.ask('PUT', '/measurements', { measurements: [{ measurement: SWATCH, changedAt: 3, removed: false }] });
}

const all = () => readAll(serving.database, 0);
const empty = async (): Promise<void> => {
  const execute = (sql: string): Promise<unknown> => serving.database.em.getConnection().execute(sql);
  for (const table of [
    'shelf_place',
    'event',
    'revision',
    'make',
    'yarn',
    'measurement',
    'plan_entry',
    'photo',
    'practice_answer',
    'sketch',
  ])
    await execute(`delete from ${table}`);
  await rm(join(serving.folder, 'photos'), { recursive: true, force: true });
};
const restore = async (file: Uint8Array) => takeIn(serving.database, await fromFile(file));

describe('a saved copy', () => {
  it('brings everything back into an empty database, and twice is once', async () => {
    await fill();
    const before = await all();
    const file = await toFile(before);
    await empty();
    expect(await restore(file)).toEqual({
      makes: 2,
      newMakes: 2,
      newEvents: 6,
      yarns: 2,
      measurements: 1,
      plan: 1,
      photos: 1,
      practice: 1,
      sketches: 1,
    });
    expect(await all()).toEqual(before);
    expect(await restore(file)).toEqual({
      makes: 2,
      newMakes: 0,
      newEvents: 0,
      yarns: 2,
      measurements: 1,
      plan: 1,
      photos: 1,
      practice: 1,
      sketches: 1,
    });
    expect(await all()).toEqual(before);
    expect((await serving.ask('GET', '/makes')).body).toMatchObject([
      {
        id: MAKE.id,
        said: { 'float/1': [{ action: 1, zone: 120, why: 'count' }], make: [{ day: '2026-11-27' }, { away: true }] },
      },
    ]);
    const picture = await serving.fetch('GET', `/photos/${PHOTO.id}/picture`);
    expect(new Uint8Array(await picture.arrayBuffer())).toEqual(PICTURE);
  });

  it('is merged with what was done since: the later state stands, the other text is kept, logs are put together', async () => {
    await fill();
    const file = await toFile(await all());
    const now = { version: 2, text: `${MAKE.text}\nR2: sc around (6)` };
    await serving.ask('PATCH', `/makes/${MAKE.id}`, now);
    await serving.ask('POST', `/makes/${MAKE.id}/events`, { events: [reached(4, 3)] });
    await serving.ask('PUT', '/yarns', { yarns: [yarn(1, 20, 99), yarn(2, 61, 4)] });
    for (let times = 0; times < 2; times++) {
      await restore(file);
      const [make] = (await all()).makes.filter((each) => each.make.id === MAKE.id);
      expect(make).toMatchObject({ make: { text: now.text, version: 3 }, events: { length: 7 } });
      expect(make!.revisions.filter(({ text }) => text === `${MAKE.text}\nR2: inc × 6 (12)`)).toHaveLength(1);
      expect((await serving.ask('GET', '/yarns')).body).toMatchObject([{ grams: 20 }, { grams: 60 }]);
    }
    // A state that is later than what is here takes its place; open windows see that it is another.
    await serving.database.em.getConnection().execute(`update make set updated_at = 1, text = '# Old'`);
    await restore(file);
    const [make] = (await all()).makes.filter((each) => each.make.id === MAKE.id);
    expect(make).toMatchObject({ make: { text: `${MAKE.text}\nR2: inc × 6 (12)`, version: 4 } });
    expect(make!.revisions.some(({ text }) => text === '# Old')).toBe(true);
  });

  it('that is damaged anywhere takes nothing, and says where', async () => {
    await fill();
    const file = await toFile(await all());
    await empty();
    const files = unzipSync(file);
    const name = `makes/${MAKE.id}.json`;
    const broken = (change: (text: string) => string): Uint8Array =>
      zipSync({ ...files, [name]: strToU8(change(strFromU8(files[name]!))) });
    await expect(restore(broken((text) => text.replace('"action": 2', '"action": 3')))).rejects.toThrow(
      `${name}: it is not as it was saved`,
    );
    await expect(restore(zipSync({ 'lemniscus.json': files['lemniscus.json']! }))).rejects.toThrow('it is missing');
    await expect(restore(zipSync({ 'a.json': strToU8('{}') }))).rejects.toThrow('lemniscus.json: it is missing');
    await expect(restore(strToU8('no zip at all'))).rejects.toThrow('cannot be unpacked');
    await fc.assert(
      fc.asyncProperty(fc.nat({ max: file.length - 1 }), fc.integer({ min: 1, max: 255 }), async (at, by) => {
        const bad = Uint8Array.from(file);
        bad[at] = bad[at]! ^ by;
        // A byte of no meaning (a date) may be another; then all is as it was saved.
        const read = await fromFile(bad).catch(() => null);
        if (read) expect(read).toEqual(await fromFile(file));
      }),
      { numRuns: 150 },
    );
    expect((await all()).makes).toEqual([]);
  });

  it('comes from the application and goes in there', async () => {
    await fill();
    const { makes } = await all();
    const saved = await serving.fetch('GET', '/backup');
    expect(saved.headers.get('content-disposition')).toMatch(/lemniscus-\d{4}-\d\d-\d\d\.zip/);
    const file = new Uint8Array(await saved.arrayBuffer());
    expect(strFromU8(unzipSync(file)['basket.csv']!)).toContain("'=red");
    await empty();
    const taken = await serving.fetch('POST', '/backup', file, { 'content-type': 'application/zip' });
    expect(await taken.json()).toMatchObject({ newMakes: 2 });
    expect((await all()).makes).toEqual(makes);
    const refused = await serving.fetch('POST', '/backup', strToU8('tea'), { 'content-type': 'application/zip' });
    expect([refused.status, await refused.json()]).toMatchObject([400, { error: { message: /Nothing was taken in/ } }]);
  });
});

it('copies the database once a day, and keeps seven', async () => {
  await fill();
  const em = serving.database.em.fork();
  const day = 86_400_000;
  for (let n = 0; n < 9; n++) expect(await copyOfTheDay(em, serving.folder, n * day)).not.toBeNull();
  expect(await copyOfTheDay(em, serving.folder, 8 * day + 5)).toBeNull();
  const kept = await readdir(join(serving.folder, 'copies'));
  expect(kept.sort()).toEqual([3, 4, 5, 6, 7, 8, 9].map((n) => `lemniscus-1970-01-0${n}.db`));
});

describe('the command', () => {
  const run = (...args: string[]) =>
    spawnSync(process.execPath, [join(import.meta.dirname, '../../dist/command/check.js'), ...args], {
      encoding: 'utf8',
      env: { ...process.env, LEMNISCUS_DATA: serving.folder },
    });

  it('saves, takes in, and says whether the data is whole', async () => {
    await fill();
    const file = join(serving.folder, 'copy.zip');
    expect(run('backup', file)).toMatchObject({ status: 0, stdout: `${file}: 2 makes, 2 yarns, 1 measurements.\n` });
    await empty();
    expect(run('restore', file).stdout).toContain('2 makes, 2 of them new here; 6 steps that were not here.');
    expect(run('check-data')).toMatchObject({ status: 0, stdout: 'Whole: 2 makes with 6 steps, 2 yarns, 1 measurements.\n' });
    await writeFile(file, (await readFile(file)).subarray(0, 300));
    expect(run('restore', file)).toMatchObject({ status: 2, stderr: /Nothing was taken in/ });
    expect(run('backup')).toMatchObject({ status: 2, stderr: /^Usage/ });
    await serving.database.em.getConnection().execute('pragma foreign_keys = off');
    await serving.database.em.getConnection().execute(`update event set make_id = '${uuid(5)}' where id = '${uuid(1)}'`);
    expect(run('check-data')).toMatchObject({ status: 1, stderr: /event: a row belongs to nothing/ });
  });
});
