import type { KeptPlanEntry } from '@lemniscus/api/plan';
import type { EntityManager } from '@mikro-orm/libsql';
import { PlanEntity } from '../database/plan.entity.js';

/** Everything planned that was not taken out. */
export async function listPlan(em: EntityManager): Promise<KeptPlanEntry[]> {
  const rows = await em.find(PlanEntity, { removed: false }, { orderBy: { id: 'asc' } });
  return rows.map(({ entry, changedAt, removed }) => ({ entry, changedAt, removed }));
}

/** Stores all or none; of two changes to one the later wins, whichever arrives first. */
export async function keepPlan(em: EntityManager, entries: readonly KeptPlanEntry[]): Promise<void> {
  await em.transactional(async (within) => {
    for (const { entry, changedAt, removed } of entries) {
      const row = await within.findOne(PlanEntity, { id: entry.id });
      if (!row) within.create(PlanEntity, { id: entry.id, entry, changedAt, removed });
      else if (row.changedAt <= changedAt) within.assign(row, { entry, changedAt, removed });
    }
  });
}

/** The calendar file that is fed under a key; null where there is none (any more). */
export async function feedOf(em: EntityManager, key: string): Promise<string | null> {
  const feeds = (await listPlan(em)).flatMap(({ entry }) => (entry.kind === 'feed' && entry.key === key ? [entry.file] : []));
  return feeds[0] ?? null;
}
