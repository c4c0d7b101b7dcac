import { describe, expect, it } from 'vitest';
import { MAKE, reached, Serving, SWATCH, uuid } from '../test/serving.js';

const serving = new Serving();
const yarn = (n: number, more: object = {}) => ({
  id: uuid(n),
  name: 'Quay',
  yarnWeight: 4,
  fibre: '',
  colour: 'black',
  metresPer100g: 190,
  grams: 50,
  weighedAt: 1_000,
  dyeLot: '',
  ballGrams: null,
  price: null,
  changedAt: 1_000,
  removed: false,
  ...more,
});
const put = (...yarns: object[]) => serving.ask('PUT', '/yarns', { yarns });
const list = async () => (await serving.ask('GET', '/yarns')).body;
const KIT = {
  hand: 'loose',
  copies: 2,
  underThree: true,
  yarns: [{ part: null, colour: 'black', yarn: uuid(1) }],
  order: [],
  got: [],
};

describe('the basket', () => {
  it('keeps the later of two changes, in whichever order they come and however often', async () => {
    const early = yarn(1, { grams: 50, changedAt: 1_000 });
    const late = yarn(1, { grams: 30, changedAt: 2_000 });
    for (const order of [
      [early, late, early],
      [late, early],
      [late, late],
    ]) {
      for (const each of order) expect((await put(each)).status).toBe(204);
      expect(await list()).toMatchObject([{ id: uuid(1), grams: 30 }]);
    }
    await put(yarn(1, { removed: true, changedAt: 3_000 }));
    await put(late);
    expect(await list()).toEqual([]);
    await put(yarn(1, { grams: 12, changedAt: 4_000 }));
    expect(await list()).toMatchObject([{ grams: 12 }]);
  });

  it('refuses a bad yarn alone, and names the field', async () => {
    const answer = await put(yarn(1), yarn(2, { grams: -1 }), yarn(3));
    expect(answer.body).toEqual({ refused: [{ index: 1, message: 'grams: Grams: at least 0.' }] });
    expect(await list()).toMatchObject([{ id: uuid(1), changedAt: 1_000 }, { id: uuid(3) }]);
    for (const wrong of [
      { metresPer100g: 0 },
      { yarnWeight: 8 },
      { name: '' },
      { grams: 'many' },
      { price: -1 },
      { ballGrams: 1e9 },
    ])
      expect((await put(yarn(1, wrong))).body).toMatchObject({ refused: [{ index: 0 }] });
    expect((await put(...Array.from({ length: 400 }, (_, n) => yarn(n)))).status).toBe(204);
    expect(await list()).toHaveLength(400);
  });

  it('knows where a make was when its yarn was weighed', async () => {
    await serving.ask('POST', '/makes', MAKE);
    await put(yarn(1, { weighedAt: 1_002 }), yarn(2));
    expect((await serving.ask('GET', '/yarns/uses')).body).toEqual([]);
    expect(await serving.ask('PATCH', `/makes/${MAKE.id}`, { version: 1, kit: KIT })).toMatchObject({
      status: 200,
      body: { kit: KIT },
    });
    const events = [reached(1, 1), reached(2, 2), reached(3, 5)];
    await serving.ask('POST', `/makes/${MAKE.id}/events`, { events });
    expect((await serving.ask('GET', '/yarns/uses')).body).toEqual([
      { yarn: uuid(1), make: MAKE.id, before: { 'float/1': [events[1]] } },
    ]);
  });

  it('leaves kits whole: a bad one is refused, a make from before there were kits has an empty one', async () => {
    await serving.ask('POST', '/makes', MAKE);
    for (const kit of [
      { ...KIT, copies: 0 },
      { ...KIT, hand: 'heavy' },
      { ...KIT, yarns: [{ part: null, colour: 'x', yarn: 'y' }] },
    ])
      expect((await serving.ask('PATCH', `/makes/${MAKE.id}`, { version: 1, kit })).status).toBe(400);
    await serving.database.em.getConnection().execute(`update make set kit = '{}'`);
    expect((await serving.ask('GET', `/makes/${MAKE.id}`)).body).toMatchObject({ kit: { hand: null, copies: 1, yarns: [] } });
  });
});

describe('measurements', () => {
  const keep = (measurement: object, changedAt = 1, removed = false) =>
    serving.ask('PUT', '/measurements', { measurements: [{ measurement, changedAt, removed }] });

  it('are kept with all their numbers, through a restart, until they are left out', async () => {
    const weight = {
      id: uuid(8),
      takenAt: 3,
      kind: 'weight',
      yarnWeight: 4,
      hookMm: 3.5,
      part: 'Wing',
      grams: 6.5,
      metresPer100g: 190,
      runs: { across: 500, up: 300, fixed: 900 },
    };
    for (const each of [SWATCH, weight, SWATCH]) expect((await keep(each)).status).toBe(204);
    await serving.stop();
    await serving.start();
    expect((await serving.ask('GET', '/measurements')).body).toMatchObject([
      { measurement: weight },
      { measurement: SWATCH, changedAt: 1 },
    ]);
    await keep(SWATCH, 2, true);
    await keep(SWATCH, 1);
    expect((await serving.ask('GET', '/measurements')).body).toMatchObject([{ measurement: weight }]);
  });

  it.each([
    [{ ...SWATCH, kind: 'guess' }],
    [{ ...SWATCH, stitches: 0 }],
    [{ ...SWATCH, widthMm: -4 }],
    [{ ...SWATCH, hookMm: 0.1 }],
    [{ ...SWATCH, hookMm: 500 }],
  ])('refuse %j', async (bad) => expect((await keep(bad)).body).toMatchObject({ refused: [{ index: 0 }] }));
});
