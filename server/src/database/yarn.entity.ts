import { defineEntity, type InferEntity } from '@mikro-orm/core';
import type { YarnWeightNumber } from '@lemniscus/core/gauge';

export const YarnEntity = defineEntity({
  name: 'Yarn',
  tableName: 'yarn',
  properties: (p) => ({
    id: p.string().primary(),
    name: p.string(),
    yarnWeight: p.integer().$type<YarnWeightNumber>(),
    fibre: p.string(),
    colour: p.string(),
    metresPer100g: p.float().name('metres_per100g').nullable(),
    grams: p.float(),
    weighedAt: p.integer(),
    dyeLot: p.string(),
    ballGrams: p.float().nullable(),
    price: p.float().nullable(),
    changedAt: p.integer(),
    removed: p.boolean(),
  }),
});
export type YarnRow = InferEntity<typeof YarnEntity>;
