import { EventPage, NewEvents } from '@lemniscus/api';
import { describe, expect, it } from 'vitest';
import { MAKE, reached, Serving, uuid } from '../test/serving.js';

const serving = new Serving();
const events = (...all: object[]) => serving.ask('POST', `/makes/${MAKE.id}/events`, { events: all });

describe('open windows', () => {
  it('are told within a second of events and changes, of their make only, and let go when the window goes', async () => {
    await serving.ask('POST', '/makes', MAKE);
    await serving.ask('POST', '/makes', { ...MAKE, id: uuid(9) });
    const told: string[] = [];
    const window = await serving.listen(`/makes/${MAKE.id}/events/live`, (what) => told.push(what));
    const elsewhere = await serving.listen(`/makes/${uuid(9)}/events/live`, (what) => told.push(`wrong ${what}`));
    await events(reached(1, 1));
    await serving.ask('PATCH', `/makes/${MAKE.id}`, { version: 1, hookMm: 4 });
    await expect.poll(() => told).toEqual(['events', 'make']);
    expect(serving.live.windows(MAKE.id)).toBe(1);
    window.close();
    // The server itself lets go of it, and of it only.
    await expect.poll(() => serving.live.windows(MAKE.id)).toBe(0);
    expect(serving.live.windows(uuid(9))).toBe(1);
    elsewhere.close();
    expect((await events(reached(2, 2))).status).toBe(204);
    expect((await serving.ask('GET', `/makes/${uuid(1)}/events/live`)).status).toBe(404);
  });
});

describe('events that open windows are told of', () => {
  it('are all there are, in the order they are kept, each once; of many at a time only that they came', async () => {
    await serving.ask('POST', '/makes', MAKE);
    await serving.ask('POST', '/makes', { ...MAKE, id: uuid(9) });
    const told: (NewEvents | null)[] = [];
    const window = await serving.listen(`/makes/${MAKE.id}/events/live`, (_, added) =>
      told.push(NewEvents.nullable().parse(added)),
    );
    await events(reached(1, 1), reached(2, 2));
    // Another make takes numbers of the same row of events.
    await serving.ask('POST', `/makes/${uuid(9)}/events`, { events: [reached(50, 1)] });
    await Promise.all([events(reached(2, 2), reached(3, 3)), events(reached(4, 4), reached(3, 3)), events(reached(1, 1))]);
    await events(...Array.from({ length: 101 }, (_, i) => reached(100 + i, 1)));
    await events(reached(5, 5));
    await expect.poll(() => told.length).toBeGreaterThanOrEqual(5);
    await expect.poll(() => told.at(-1)?.events).toEqual([reached(5, 5)]);
    const { events: kept, last } = EventPage.parse((await serving.ask('GET', `/makes/${MAKE.id}/events`)).body);
    let cursor: number | null = 0;
    const heard = told.flatMap((added) => {
      if (!added) {
        cursor = null;
        return kept.slice(4, 105);
      }
      if (cursor !== null) expect(added.after).toBe(cursor);
      cursor = added.last;
      return added.events;
    });
    expect(heard).toEqual(kept);
    expect(cursor).toBe(last);
    expect(told.filter((added) => added === null)).toHaveLength(1);
    window.close();
  });
});

describe('events of every kind', () => {
  const common = (n: number) => ({ id: uuid(n), piece: 'float/1', at: n });
  it('come back as they went in, also from a database of before', async () => {
    await serving.ask('POST', '/makes', MAKE);
    const all = [
      reached(1, 1),
      {
        ...common(2),
        kind: 'altered',
        changes: [
          { kind: 'length', line: 2, rounds: 9 },
          { kind: 'instead', line: 3, nth: 1, text: '3 sc, inc' },
        ],
      },
      { ...common(3), kind: 'remarked', line: 0, nth: 0, text: 'tight “here”' },
      { ...common(4), kind: 'settled', gate: 'eyes Set the eyes', how: 'done' },
      { ...common(5), kind: 'stuffed', grams: 12.5 },
      { ...common(6), kind: 'undone', event: uuid(3) },
    ];
    expect((await events(...all)).status).toBe(204);
    expect((await serving.ask('GET', `/makes/${MAKE.id}/events`)).body).toMatchObject({ events: all });
    for (const bad of [
      { ...common(7), kind: 'altered', changes: [] },
      { ...common(7), kind: 'altered', changes: [{ kind: 'length', line: 0, rounds: 0 }] },
      { ...common(7), kind: 'stuffed', grams: -1 },
      { ...common(7), kind: 'settled', gate: 'x', how: 'maybe' },
      { ...common(7), kind: 'danced' },
    ])
      expect((await events(bad)).body).toMatchObject({ refused: [{ index: 0 }] });
  });

  it('from fifty windows at once are all kept, each once', async () => {
    await serving.ask('POST', '/makes', MAKE);
    const windows = Array.from({ length: 50 }, (_, w) =>
      Array.from({ length: 4 }, (_, i) => events(...[reached(w * 10 + i + 1, i), reached(((w + 1) % 50) * 10 + i + 1, i)])),
    );
    const answers = await Promise.all(windows.flat());
    expect(new Set(answers.map((answer) => answer.status))).toEqual(new Set([204]));
    const page = (await serving.ask('GET', `/makes/${MAKE.id}/events`)).body as { events: { id: string }[] };
    expect(page.events).toHaveLength(200);
    expect(new Set(page.events.map((event) => event.id)).size).toBe(200);
  });
});
