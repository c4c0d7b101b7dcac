import { ListedYarn, type KeptYarn } from '@lemniscus/api';
import type { EntityManager } from '@mikro-orm/libsql';
import { YarnEntity } from '../database/yarn.entity.js';

/** The yarns in the basket, by name. */
export async function listYarns(em: EntityManager): Promise<ListedYarn[]> {
  const rows = await em.find(YarnEntity, { removed: false }, { orderBy: { name: 'asc', colour: 'asc', id: 'asc' } });
  return rows.map((row) => ListedYarn.parse(row));
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
