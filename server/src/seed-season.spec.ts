import { join } from 'node:path';
import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { historyOf, workedMs } from '@lemniscus/core/history';
import {
  EMPTY_LOG,
  openRoundsAt,
  pieceMade,
  pieceSaid,
  piecesOf,
  positionOfPiece,
  record,
  standingEvents,
} from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { describe, expect, it } from 'vitest';
import type { ShelvedMake } from '@lemniscus/api';
import type { KeptPlanEntry } from '@lemniscus/api/plan';
import { allEvents } from './events/event-store.js';
import { readSeason } from './seed-season.js';
import { seedDemo } from './seed.js';
import { Serving } from './test/serving.js';

const serving = new Serving();
const demo = join(import.meta.dirname, '../../demo');

describe('the demo season', () => {
  it('has logs that a hook could have written: pieces end where their patterns do, evenings are as long as they were', async () => {
    await seedDemo(serving.database, demo);
    const season = await readSeason(demo);
    const makes = (await serving.ask('GET', '/makes')).body as ShelvedMake[];
    const begun = makes.filter(({ said }) => Object.keys(said).length > 0);
    expect(begun).toHaveLength(season.makes.length);
    for (const make of begun) {
      const count = checkPattern(read(make.text));
      const log = record(EMPTY_LOG, await allEvents(serving.database.em.fork(), make.id));
      const open = openRoundsAt(4.8);
      const made = new Map(
        piecesOf(count.pattern).map((piece) => {
          const state = pieceSaid(count, piece.part, standingEvents(log, piece.id), open);
          expect(state.changed).toEqual([]);
          const own = pieceMade(count, piece.part, state, open);
          return [piece.id, { name: piece.name, fabric: fabricOf(own.counted), position: positionOfPiece(state, own) }];
        }),
      );
      const history = historyOf(
        log,
        (piece) => made.get(piece) ?? null,
        () => 0,
      );
      const finished = history.finished !== null;
      expect([...made.values()].every(({ fabric, position }) => position.round >= fabric.roundCount)).toBe(finished);
      // Never more sittings than evenings, each within its evening and one step.
      const own = season.makes.find(
        ({ finished: as, evenings }) => (as !== null) === finished && evenings.length >= history.sittings.length,
      )!;
      const longest = Math.max(...own.evenings.map(([, , minutes]) => minutes));
      for (const { from, to } of history.sittings) expect((to - from) / 60_000).toBeLessThanOrEqual(longest + 1);
      expect(workedMs(history.sittings)).toBeGreaterThan(20 * 60_000);
    }
  });

  it('plans for makes that are there, and has the picture of every photo', async () => {
    await seedDemo(serving.database, demo);
    const makes = (await serving.ask('GET', '/makes')).body as ShelvedMake[];
    const plan = (await serving.ask('GET', '/plan')).body as KeptPlanEntry[];
    const wishes = plan.flatMap(({ entry }) => (entry.kind === 'wish' ? [entry] : []));
    expect(wishes.length).toBeGreaterThan(2);
    for (const { make, stall } of wishes) {
      expect(makes.some(({ id }) => id === make)).toBe(true);
      if (stall) expect(plan.some(({ entry }) => entry.id === stall)).toBe(true);
    }
    const photos = (await serving.ask('GET', '/photos')).body as { photo: { id: string } }[];
    expect(photos.length).toBeGreaterThan(0);
    for (const { photo } of photos) expect((await serving.fetch('GET', `/photos/${photo.id}/picture`)).status).toBe(200);
  });
});
