import type { ShelvedMake } from '@lemniscus/api';
import { positionOf, type Log, type Position } from '@lemniscus/core/making';
import type { EntityManager } from '@mikro-orm/libsql';
import { logsOf } from '../events/event-store.js';
import { listMakes } from '../makes/make-store.js';

/** Makes on the shelf, the one touched last first, with where each begun piece is. */
export async function shelvedMakes(em: EntityManager): Promise<ShelvedMake[]> {
  const makes = await listMakes(em);
  const logs = await logsOf(
    em,
    makes.map(({ id }) => id),
  );
  return makes.map((make) => ({ ...make, places: placesIn(logs.get(make.id)) }));
}

/** Where each begun piece is after all that a log says. */
export function placesIn(log: Log | undefined): Record<string, Position> {
  return log ? Object.fromEntries([...log.keys()].map((piece) => [piece, positionOf(log, piece)])) : {};
}
