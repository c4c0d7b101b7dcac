import type { YarnUse } from '@lemniscus/api';
import { EMPTY_LOG, logUntil, piecesSaid } from '@lemniscus/core/making';
import type { EntityManager } from '@mikro-orm/libsql';
import { listYarns } from '../basket/yarn-store.js';
import { logsOf } from '../events/event-store.js';
import { listKits } from '../makes/make-store.js';

/** For every yarn and every make on the shelf that uses it, where the make's pieces were when the yarn was weighed. */
export async function usesOfYarns(em: EntityManager): Promise<YarnUse[]> {
  const yarns = new Map((await listYarns(em)).map((yarn) => [yarn.id, yarn]));
  const using = (await listKits(em)).flatMap(({ id, kit }) => {
    const own = [...new Set(kit.yarns.map((choice) => choice.yarn))].flatMap((yarn) => yarns.get(yarn) ?? []);
    return own.length > 0 ? [{ id, own }] : [];
  });
  const logs = await logsOf(
    em,
    using.map(({ id }) => id),
  );
  return using.flatMap(({ id, own }) =>
    own.map((yarn) => ({
      yarn: yarn.id,
      make: id,
      before: piecesSaid(logUntil(logs.get(id) ?? EMPTY_LOG, yarn.weighedAt)),
    })),
  );
}
