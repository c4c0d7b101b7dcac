import { defineEntity } from '@mikro-orm/core';
import type { Photo } from '@lemniscus/api/photo';

export const PhotoEntity = defineEntity({
  name: 'Photo',
  tableName: 'photo',
  properties: (p) => ({
    id: p.string().primary(),
    photo: p.json().$type<Photo>(),
    changedAt: p.integer(),
    removed: p.boolean(),
  }),
});
