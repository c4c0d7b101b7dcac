import type { MakerEvent } from '@lemniscus/core/making';
import { EMPTY_LOG, piecesSaid, record } from '@lemniscus/core/making';
import fc from 'fast-check';
import { expect, it, vi } from 'vitest';
import { MAKE, reached, Serving, uuid } from '../test/serving.js';

const serving = new Serving();
const PIECES = ['float/1', 'float/2'];

/** Something that could be said at the hook, of one of two pieces, perhaps late, and about what was said before. */
const said = fc.record({
  kind: fc.constantFrom('reached', 'reached', 'reached', 'followed', 'altered', 'undone', 'became'),
  piece: fc.constantFrom(...PIECES),
  at: fc.integer({ min: 1, max: 60 }),
  pick: fc.nat(),
  visit: fc.boolean(),
});

function eventOf(
  { kind, piece, at, pick }: { kind: string; piece: string; at: number; pick: number },
  n: number,
  all: MakerEvent[],
): MakerEvent {
  const common = { id: uuid(n + 1), piece, at };
  const follows = all.findLast((each) => each.kind === 'followed' && each.piece === piece)?.id;
  const lines = follows === undefined ? {} : { line: 0, nth: pick % 3, follows };
  if (kind === 'followed') return { ...common, kind, lines: [`R1: ${1 + (pick % 5)} sc`], seen: null, parts: ['Float'] };
  if (kind === 'altered') return { ...common, kind, changes: [{ kind: 'length', line: 0, rounds: 1 + (pick % 9) }] };
  if (kind === 'became') return { ...common, kind, as: PIECES[pick % 2]! };
  if (kind === 'undone' && all.length > 0) return { ...common, kind, event: all[pick % all.length]!.id };
  return { ...common, kind: 'reached', round: pick % 7, action: pick % 5, ...lines };
}

it('says of every make where its pieces are as its whole log does, however often it was looked at in between', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(said, { minLength: 1, maxLength: 25 }), async (steps) => {
      const execute = (sql: string): Promise<unknown> => serving.database.em.getConnection().execute(sql);
      for (const table of ['shelf_place', 'event', 'make']) await execute(`delete from ${table}`);
      await serving.ask('POST', '/makes', MAKE);
      const all: MakerEvent[] = [];
      for (const [n, step] of steps.entries()) {
        all.push(eventOf(step, n, all));
        expect((await serving.ask('POST', `/makes/${MAKE.id}/events`, { events: [all.at(-1)!] })).status).toBe(204);
        if (step.visit || n === steps.length - 1) {
          const whole = JSON.parse(JSON.stringify(piecesSaid(record(EMPTY_LOG, all)))) as object;
          const [make] = (await serving.ask('GET', '/makes')).body as [{ said: object }];
          expect(make.said).toEqual(whole);
        }
      }
    }),
    { numRuns: 60 },
  );
}, 60_000);

it('writes the place of a make soon after its events, before anybody visits, and a visit meanwhile goes well', async () => {
  await serving.ask('POST', '/makes', MAKE);
  const upTo = async (): Promise<number | undefined> => {
    const rows = await serving.database.em.getConnection().execute<{ up_to: number }[]>('select up_to from shelf_place');
    return rows[0]?.up_to;
  };
  for (let n = 1; n <= 30; n++) await serving.ask('POST', `/makes/${MAKE.id}/events`, { events: [reached(n, n % 6)] });
  await vi.waitFor(async () => expect(await upTo()).toBe(30), { timeout: 5_000 });
  await serving.ask('POST', `/makes/${MAKE.id}/events`, { events: [reached(31, 1)] });
  const visits = Array.from({ length: 8 }, () => serving.ask('GET', '/makes'));
  for (const { status, body } of await Promise.all(visits)) {
    expect(status).toBe(200);
    expect(body).toMatchObject([{ said: { 'float/1': [{ id: uuid(31), action: 1 }] } }]);
  }
  expect(await upTo()).toBe(31);
});
