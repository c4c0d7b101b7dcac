import { describe, expect, it } from 'vitest';
import { Serving, uuid } from '../test/serving.js';

const serving = new Serving();
const ANSWER = { id: uuid(1), kind: 'hidden', level: 2, seed: 17, at: 1_790_000_000_000, seconds: 9.5, right: true };
const keep = (answer: object, changedAt = 1) =>
  serving.ask('PUT', '/practice', { answers: [{ answer, changedAt, removed: false }] });

describe('what was answered', () => {
  it('is kept once however often it comes, through a restart', async () => {
    expect((await keep(ANSWER)).status).toBe(204);
    await keep(ANSWER);
    await serving.stop();
    await serving.start();
    expect((await serving.ask('GET', '/practice')).body).toEqual([{ answer: ANSWER, changedAt: 1, removed: false }]);
  });

  it.each([
    [{ ...ANSWER, kind: 'guessing' }, 'kind'],
    [{ ...ANSWER, level: 6 }, 'level'],
    [{ ...ANSWER, seconds: -1 }, 'seconds'],
  ])('refuses %j and names the field', async (bad, field) => {
    const { body } = await keep(bad);
    expect((body as { refused: { message: string }[] }).refused[0]!.message).toMatch(new RegExp(`^answer.${field}: `));
  });
});
