import { defineEntity, type InferEntity } from '@mikro-orm/core';
import { MakeEntity } from './make.entity.js';

/** An earlier text of a make. */
export const RevisionEntity = defineEntity({
  name: 'Revision',
  tableName: 'revision',
  properties: (p) => ({
    id: p.integer().primary().autoincrement(),
    make: () => p.manyToOne(MakeEntity),
    version: p.integer(),
    text: p.text(),
    savedAt: p.integer(),
  }),
});
export type RevisionRow = InferEntity<typeof RevisionEntity>;
