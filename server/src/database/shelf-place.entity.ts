import { defineEntity, type InferEntity } from '@mikro-orm/core';
import type { PiecesSaid } from '@lemniscus/api';

/** Where the pieces of a make are, folded from its events up to one of them: what the shelf needs of a log. */
export const ShelfPlaceEntity = defineEntity({
  name: 'ShelfPlace',
  tableName: 'shelf_place',
  properties: (p) => ({
    makeId: p.string().primary(),
    /** `sequence` of the last event in it. */
    upTo: p.integer(),
    /** When the latest of them happened, by the makers' clocks: what comes late needs them all again. */
    latest: p.integer(),
    said: p.json().$type<PiecesSaid>(),
  }),
});
export type ShelfPlaceRow = InferEntity<typeof ShelfPlaceEntity>;
