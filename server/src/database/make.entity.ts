import type { Kit } from '@lemniscus/api';
import { defineEntity, type InferEntity } from '@mikro-orm/core';
import type { YarnWeightNumber } from '@lemniscus/core/gauge';

export const MakeEntity = defineEntity({
  name: 'Make',
  tableName: 'make',
  properties: (p) => ({
    id: p.string().primary(),
    title: p.string(),
    text: p.text(),
    yarnWeight: p.integer().$type<YarnWeightNumber>(),
    hookMm: p.float(),
    kit: p.json().$type<Kit>(),
    version: p.integer(),
    createdAt: p.integer(),
    updatedAt: p.integer(),
    /** When its text was saved last. */
    textSavedAt: p.integer(),
    /** When it was taken off the shelf; null while it stands there. Nothing is deleted. */
    removedAt: p.integer().nullable(),
  }),
});
export type MakeRow = InferEntity<typeof MakeEntity>;
