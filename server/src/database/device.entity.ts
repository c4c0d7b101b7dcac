import { defineEntity, type InferEntity } from '@mikro-orm/core';

/** Another device of the maker's that was let in. */
export const DeviceEntity = defineEntity({
  name: 'Device',
  tableName: 'device',
  properties: (p) => ({
    id: p.string().primary(),
    name: p.string(),
    /** SHA-256 of what its cookie holds: the database lets nobody in. */
    token: p.string().unique(),
    pairedAt: p.integer(),
    seenAt: p.integer(),
  }),
});
export type DeviceRow = InferEntity<typeof DeviceEntity>;
