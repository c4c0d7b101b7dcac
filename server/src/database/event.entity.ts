import { defineEntity, type InferEntity } from '@mikro-orm/core';
import type { MakerEvent } from '@lemniscus/core/making';
import { MakeEntity } from './make.entity.js';

/** One appended event; `sequence` is the order of arrival. */
export const EventEntity = defineEntity({
  name: 'Event',
  tableName: 'event',
  properties: (p) => ({
    sequence: p.integer().primary().autoincrement(),
    id: p.string().unique(),
    make: () => p.manyToOne(MakeEntity),
    piece: p.string(),
    at: p.integer(),
    kind: p.string().$type<MakerEvent['kind']>(),
    round: p.integer().nullable(),
    action: p.integer().nullable(),
    line: p.integer().nullable(),
    nth: p.integer().nullable(),
    follows: p.string().nullable(),
    event: p.string().nullable(),
    /** The whole event as JSON, for kinds that are no place and no undoing; the open runs behind a place. */
    detail: p.text().nullable(),
    zone: p.integer().nullable(),
    why: p.string().nullable(),
  }),
});
export type EventRow = InferEntity<typeof EventEntity>;
