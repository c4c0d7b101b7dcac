import { defineEntity, type InferEntity } from '@mikro-orm/core';
import type { Measurement } from '@lemniscus/api';

export const MeasurementEntity = defineEntity({
  name: 'Measurement',
  tableName: 'measurement',
  properties: (p) => ({
    id: p.string().primary(),
    /** As JSON: its numbers depend on its kind. */
    measurement: p.json().$type<Measurement>(),
    changedAt: p.integer(),
    removed: p.boolean(),
  }),
});
export type MeasurementRow = InferEntity<typeof MeasurementEntity>;
