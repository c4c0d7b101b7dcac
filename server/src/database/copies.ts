import { mkdir, readdir, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { EntityManager } from '@mikro-orm/libsql';

const KEPT = 7;
const NAME = /^lemniscus-\d{4}-\d\d-\d\d.*\.db$/;

/** Copies of the whole database beside it, to go back to by hand: see docs/backup.md. */
export function copiesIn(folder: string): string {
  return join(folder, 'copies');
}

/** One copy a day, however often it is asked. @returns its name, or null where there is one of today */
export async function copyOfTheDay(em: EntityManager, folder: string, now: number): Promise<string | null> {
  const day = new Date(now).toISOString().slice(0, 10);
  const known = await namesIn(folder);
  return known.includes(`lemniscus-${day}.db`) ? null : copy(em, folder, `lemniscus-${day}.db`);
}

/** A copy as it is before a migration changes it. */
export async function copyBefore(em: EntityManager, folder: string, migration: string, now: number): Promise<string> {
  const at = new Date(now).toISOString().slice(0, 19).replaceAll(':', '');
  return copy(em, folder, `lemniscus-${at}-before-${migration}.db`);
}

async function copy(em: EntityManager, folder: string, name: string): Promise<string> {
  await mkdir(copiesIn(folder), { recursive: true });
  const file = join(copiesIn(folder), name);
  await rm(file, { force: true });
  await em.getConnection().execute('vacuum into ?', [file]);
  const old = (await namesIn(folder)).sort().reverse().slice(KEPT);
  for (const each of old) await rm(join(copiesIn(folder), each));
  return name;
}

async function namesIn(folder: string): Promise<string[]> {
  const names = await readdir(copiesIn(folder)).catch(() => []);
  return names.filter((name) => NAME.test(name));
}
