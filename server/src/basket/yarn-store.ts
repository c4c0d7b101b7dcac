import { Yarn, type KeptYarn, type YarnUse } from '@lemniscus/api';
import { logUntil, positionOf } from '@lemniscus/core/making';
import type { EntityManager } from '@mikro-orm/libsql';
import { MakeEntity } from '../database/make.entity.js';
import { YarnEntity } from '../database/yarn.entity.js';
import { logsOf } from '../events/event-store.js';
import { kitOf } from '../makes/make-store.js';

/** The yarns in the basket, by name. */
export async function listYarns(em: EntityManager): Promise<Yarn[]> {
  const rows = await em.find(YarnEntity, { removed: false }, { orderBy: { name: 'asc', colour: 'asc', id: 'asc' } });
  return rows.map((row) => Yarn.parse(row));
}

/** Stores all of the yarns or none. Of two changes to one yarn the later wins, whichever arrives first. */
export async function keepYarns(em: EntityManager, yarns: readonly KeptYarn[]): Promise<void> {
  await em.transactional(async (within) => {
    const known = new Map((await within.find(YarnEntity, { id: yarns.map((yarn) => yarn.id) })).map((row) => [row.id, row]));
    for (const yarn of yarns) {
      const row = known.get(yarn.id);
      if (!row) known.set(yarn.id, within.create(YarnEntity, yarn));
      else if (row.changedAt <= yarn.changedAt) within.assign(row, yarn);
    }
  });
}

/** For every yarn and every make on the shelf that uses it, where the make's pieces were when the yarn was weighed. */
export async function usesOfYarns(em: EntityManager): Promise<YarnUse[]> {
  const yarns = new Map((await listYarns(em)).map((yarn) => [yarn.id, yarn]));
  const makes = await em.find(MakeEntity, { removedAt: null }, { fields: ['id', 'kit'] });
  const using = makes.flatMap((make) => {
    const { id } = make;
    const own = [...new Set(kitOf(make).yarns.map((choice) => choice.yarn))].flatMap((yarn) => yarns.get(yarn) ?? []);
    return own.length > 0 ? [{ id, own }] : [];
  });
  const logs = await logsOf(
    em,
    using.map(({ id }) => id),
  );
  return using.flatMap(({ id, own }) => {
    const log = logs.get(id);
    return own.map((yarn) => {
      const then = logUntil(log ?? new Map(), yarn.weighedAt);
      return {
        yarn: yarn.id,
        make: id,
        before: Object.fromEntries([...then.keys()].map((piece) => [piece, positionOf(then, piece)])),
      };
    });
  });
}
