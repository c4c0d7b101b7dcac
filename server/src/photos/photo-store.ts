import { mkdir, readFile, rename, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { KeptPhoto } from '@lemniscus/api/photo';
import type { EntityManager } from '@mikro-orm/libsql';
import type { Database } from '../database/open.js';
import { PhotoEntity } from '../database/photo.entity.js';

/** Every photo that was not taken out, the one added last first. */
export async function listPhotos(em: EntityManager): Promise<KeptPhoto[]> {
  const rows = await em.find(PhotoEntity, { removed: false });
  return rows
    .map(({ photo, changedAt, removed }) => ({ photo, changedAt, removed }))
    .sort(({ photo: a }, { photo: b }) => b.addedAt - a.addedAt || (a.id < b.id ? -1 : 1));
}

/** Stores all or none; of two changes to one the later wins, whichever arrives first. */
export async function keepPhotos(em: EntityManager, photos: readonly KeptPhoto[]): Promise<void> {
  await em.transactional(async (within) => {
    for (const { photo, changedAt, removed } of photos) {
      const row = await within.findOne(PhotoEntity, { id: photo.id });
      if (!row) within.create(PhotoEntity, { id: photo.id, photo, changedAt, removed });
      else if (row.changedAt <= changedAt) within.assign(row, { photo, changedAt, removed });
    }
  });
}

const fileOf = (database: Pick<Database, 'config'>, id: string): string =>
  join(dirname(database.config.get('dbName')), 'photos', `${id}.jpg`);

/** Keeps a picture beside the database, whole or not at all; one that is there stays as it is. */
export async function keepPicture(database: Pick<Database, 'config'>, id: string, bytes: Uint8Array): Promise<void> {
  const file = fileOf(database, id);
  await mkdir(dirname(file), { recursive: true });
  const part = `${file}.${process.pid}.part`;
  await writeFile(part, bytes);
  await rename(part, file);
}

/** The picture of a photo; null where it has not come (yet). */
export async function pictureOf(database: Pick<Database, 'config'>, id: string): Promise<Uint8Array | null> {
  return readFile(fileOf(database, id)).catch(() => null);
}

/** Whether bytes begin as a JPEG file does (ITU-T T.81: the marker SOI, then another). */
export function isJpeg(bytes: Uint8Array): boolean {
  return bytes.length > 3 && bytes[0] === 0xff && bytes[1] === 0xd8 && bytes[2] === 0xff;
}
