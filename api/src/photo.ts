import * as z from 'zod';
import { MakeId } from './make.js';
import { Time } from './yarn.js';

/** A photo of a make; its picture is kept apart, under its id. */
export const Photo = z.object({
  id: z.uuid('A photo is named by a UUID.'),
  make: MakeId,
  addedAt: Time,
  width: z.int().min(1).max(10_000),
  height: z.int().min(1).max(10_000),
  words: z.string().max(500, 'At most 500 characters.'),
});
export type Photo = z.infer<typeof Photo>;

export const KeptPhoto = z.object({ photo: Photo, changedAt: Time, removed: z.boolean() });
export type KeptPhoto = z.infer<typeof KeptPhoto>;

/** Each is looked at on its own (`KeptPhoto`). */
export const PhotoBatch = z.object({ photos: z.array(z.unknown()).max(1_000, 'Send at most 1000 photos at once.') });

/** Most bytes of a picture: a small one is kept, not what the camera took. */
export const PICTURE_BYTES = 3_000_000;
