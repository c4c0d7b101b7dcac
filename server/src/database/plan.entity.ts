import { defineEntity } from '@mikro-orm/core';
import type { PlanEntry } from '@lemniscus/api/plan';

export const PlanEntity = defineEntity({
  name: 'PlanEntry',
  tableName: 'plan_entry',
  properties: (p) => ({
    id: p.string().primary(),
    entry: p.json().$type<PlanEntry>(),
    changedAt: p.integer(),
    removed: p.boolean(),
  }),
});
