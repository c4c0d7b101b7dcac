import type { PiecesSaid, ShelvedMake } from '@lemniscus/api';
import { decisiveEvents, lastReached, standingEvents, withNewNames, type Log } from '@lemniscus/core/making';
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
  return makes.map((make) => ({ ...make, said: piecesSaid(logs.get(make.id)) }));
}

/** What of a log says where each begun piece is. */
export function piecesSaid(log: Log | undefined): PiecesSaid {
  if (!log) return {};
  const named = withNewNames(log);
  const begun = [...named.keys()].map((piece) => [piece, standingEvents(named, piece)] as const);
  return Object.fromEntries(begun.filter(([, said]) => lastReached(said)).map(([piece, said]) => [piece, decisiveEvents(said)]));
}
