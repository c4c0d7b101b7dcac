import { describe, expect, it } from 'vitest';
import { Serving, uuid } from '../test/serving.js';

const serving = new Serving();
const PART = {
  id: uuid(2),
  name: 'Body',
  copies: 1,
  outline: {
    points: [
      { r: 0, z: 0, corner: false, edge: false },
      { r: 30, z: 30, corner: false, edge: false },
      { r: 0, z: 60, corner: false, edge: false },
    ],
    end: 'shut',
    straight: 0,
  },
  counts: null,
  first: null,
  stuffed: true,
  worked: 'sc',
  colours: [{ from: 1, name: 'white' }],
  place: null,
  grows: null,
};
const SKETCH = { id: uuid(1), name: 'Trial', yarnWeight: 4, hookMm: 3.5, parts: [PART], at: 1_790_000_000_000 };
const keep = (sketch: object, changedAt = 1, removed = false) =>
  serving.ask('PUT', '/sketches', { sketches: [{ sketch, changedAt, removed }] });
const names = async (): Promise<string[]> =>
  ((await serving.ask('GET', '/sketches')).body as { sketch: { name: string } }[]).map(({ sketch }) => sketch.name);

describe('a sketch', () => {
  it('is kept through a restart; of two changes the later stands, whichever comes first', async () => {
    expect((await keep({ ...SKETCH, name: 'Later' }, 5)).status).toBe(204);
    await keep(SKETCH, 3);
    await serving.stop();
    await serving.start();
    expect(await names()).toEqual(['Later']);
    await keep(SKETCH, 6, true);
    expect(await names()).toEqual([]);
  });

  it.each([
    [{ ...SKETCH, parts: [{ ...PART, outline: { ...PART.outline, straight: -1 } }] }, 'straight'],
    [{ ...SKETCH, parts: [{ ...PART, counts: [6] }] }, 'counts'],
    [{ ...SKETCH, parts: [{ ...PART, name: '' }] }, 'name'],
    [{ ...SKETCH, hookMm: 99 }, 'hookMm'],
  ])('with a field that cannot be is refused by it: %#', async (bad, field) => {
    const { body } = await keep(bad);
    expect((body as { refused: { message: string }[] }).refused[0]!.message).toContain(field);
  });
});
