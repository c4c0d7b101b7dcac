import { defineEntity } from '@mikro-orm/core';
import type { Sketch } from '@lemniscus/api/sketch';

export const SketchEntity = defineEntity({
  name: 'Sketch',
  tableName: 'sketch',
  properties: (p) => ({
    id: p.string().primary(),
    sketch: p.json().$type<Sketch>(),
    changedAt: p.integer(),
    removed: p.boolean(),
  }),
});
