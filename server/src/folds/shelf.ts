import type { PiecesSaid, ShelvedMake } from '@lemniscus/api';
import { EMPTY_LOG, piecesSaid, record } from '@lemniscus/core/making';
import type { EntityManager } from '@mikro-orm/libsql';
import { ShelfPlaceEntity, type ShelfPlaceRow } from '../database/shelf-place.entity.js';
import { eventsSince, logsOf, type Since } from '../events/event-store.js';
import { listMakes } from '../makes/make-store.js';

/** Makes on the shelf, the one touched last first, with where each begun piece is. */
export async function shelvedMakes(em: EntityManager): Promise<ShelvedMake[]> {
  const makes = await listMakes(em);
  const said = await placesOf(
    em,
    makes.map(({ id }) => id),
  );
  return makes.map((make) => ({ ...make, said: said.get(make.id) ?? {} }));
}

/** Folds what came to makes, one at a time, so that whoever visits the shelf need not wait for it. */
export async function foldAhead(em: EntityManager, makes: readonly string[]): Promise<void> {
  for (const make of makes) await placesOf(em.fork(), [make]);
}

/**
 * Where the pieces of makes are. What was folded before is kept, so that only what came since is looked at: a long log is
 * folded once, not at every visit.
 */
async function placesOf(em: EntityManager, makes: readonly string[]): Promise<Map<string, PiecesSaid>> {
  const kept = new Map((await em.find(ShelfPlaceEntity, { makeId: [...makes] })).map((row) => [row.makeId, row]));
  const since = await eventsSince(em, new Map(makes.map((make) => [make, kept.get(make)?.upTo ?? 0])));
  const again = [...since].filter(([make, news]) => !goesOn(kept.get(make), news)).map(([make]) => make);
  const whole = await logsOf(em, again);
  const said = new Map(makes.map((make) => [make, kept.get(make)?.said ?? {}]));
  for (const [make, { events, last }] of since) {
    const log = whole.get(make) ?? record(record(EMPTY_LOG, Object.values(said.get(make)!).flat()), events);
    const latest = events.reduce((most, { at }) => Math.max(most, at), kept.get(make)?.latest ?? 0);
    const place = { makeId: make, upTo: last, latest, said: piecesSaid(log) };
    // Another visit may have written it meanwhile: either is right by itself.
    await em.upsert(ShelfPlaceEntity, place);
    said.set(make, place.said);
  }
  return said;
}

/** Whether events only go on from what was folded: later places in lines that are in it. Anything else needs the whole log. */
function goesOn(kept: ShelfPlaceRow | undefined, { events }: Since): boolean {
  if (!kept || events.some(({ at }) => at <= kept.latest)) return false;
  return events.every((event) => {
    const own = kept.said[event.piece];
    return event.kind === 'reached' && own?.some(({ id }) => id === event.follows) === true;
  });
}
