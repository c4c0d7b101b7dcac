import type { KeptMeasurement } from '@lemniscus/api';
import type { EntityManager } from '@mikro-orm/libsql';
import { MeasurementEntity } from '../database/measurement.entity.js';

/** Everything measured, the earliest first. */
export async function listMeasurements(em: EntityManager): Promise<KeptMeasurement[]> {
  const rows = await em.find(MeasurementEntity, { removed: false });
  return rows
    .map(({ measurement, changedAt, removed }) => ({ measurement, changedAt, removed }))
    .sort(({ measurement: a }, { measurement: b }) => a.takenAt - b.takenAt || (a.id < b.id ? -1 : 1));
}

/** Stores all or none; of two changes to one the later wins, whichever arrives first. */
export async function keepMeasurements(em: EntityManager, measurements: readonly KeptMeasurement[]): Promise<void> {
  await em.transactional(async (within) => {
    for (const { measurement, changedAt, removed } of measurements) {
      const row = await within.findOne(MeasurementEntity, { id: measurement.id });
      if (!row) within.create(MeasurementEntity, { id: measurement.id, measurement, changedAt, removed });
      else if (row.changedAt <= changedAt) within.assign(row, { measurement, changedAt, removed });
    }
  });
}
