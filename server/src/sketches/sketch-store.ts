import type { KeptSketch } from '@lemniscus/api/sketch';
import type { EntityManager } from '@mikro-orm/libsql';
import { SketchEntity } from '../database/sketch.entity.js';

/** Every sketch that was not thrown away, by id. */
export async function listSketches(em: EntityManager): Promise<KeptSketch[]> {
  const rows = await em.find(SketchEntity, { removed: false }, { orderBy: { id: 'asc' } });
  return rows.map(({ sketch, changedAt, removed }) => ({ sketch, changedAt, removed }));
}

/** Stores all or none; of two changes to one the later wins, whichever arrives first. */
export async function keepSketches(em: EntityManager, sketches: readonly KeptSketch[]): Promise<void> {
  await em.transactional(async (within) => {
    for (const { sketch, changedAt, removed } of sketches) {
      const row = await within.findOne(SketchEntity, { id: sketch.id });
      if (!row) within.create(SketchEntity, { id: sketch.id, sketch, changedAt, removed });
      else if (row.changedAt <= changedAt) within.assign(row, { sketch, changedAt, removed });
    }
  });
}
