import { existsSync } from 'node:fs';
import { readFile, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { EMPTY_LOG, piecesSaid, record } from '@lemniscus/core/making';
import { fromFile, toFile } from '../backup/backup-file.js';
import { readAll, takeIn } from '../backup/backup-store.js';
import { openDatabase, type Database } from '../database/open.js';
import { readSettings } from '../settings.js';

const home = fileURLToPath(new URL('../../..', import.meta.url));
const folder = (): string => readSettings(process.env, [], home).data;

/** Does something with the database; what goes wrong is a sentence and exit code 2. */
async function withData(work: (database: Database) => Promise<number>): Promise<number> {
  try {
    const database = await openDatabase(folder());
    try {
      return await work(database);
    } finally {
      await database.close();
    }
  } catch (error) {
    console.error(error instanceof Error ? error.message : error);
    return 2;
  }
}

/** Saves everything as one file; one that was there under the name is replaced once the new one is whole. */
export function backup(file: string): Promise<number> {
  return withData(async (database) => {
    const all = await readAll(database, Date.now());
    await writeFile(`${file}.part`, await toFile(all));
    await rename(`${file}.part`, file);
    console.log(`${file}: ${all.makes.length} makes, ${all.yarns.length} yarns, ${all.measurements.length} measurements.`);
    return 0;
  });
}

/** Takes a copy in. */
export function restore(file: string): Promise<number> {
  return withData(async (database) => {
    const copy = await fromFile(new Uint8Array(await readFile(file)));
    const { makes, newMakes, newEvents } = await takeIn(database, copy);
    console.log(`${file}: ${makes} makes, ${newMakes} of them new here; ${newEvents} steps that were not here.`);
    return 0;
  });
}

/** Says whether the database is whole, and whether what was said of every make gives places of its pieces. */
export async function checkData(): Promise<number> {
  const path = join(folder(), 'lemniscus.db');
  if (!existsSync(path)) {
    console.error(`There is no data at ${path} yet.`);
    return 2;
  }
  return withData(async (database) => {
    const connection = database.em.getConnection();
    const broken = (await connection.execute<{ integrity_check: string }[]>('pragma integrity_check'))
      .map((row) => row.integrity_check)
      .filter((line) => line !== 'ok');
    const loose = await connection.execute<{ table: string }[]>('pragma foreign_key_check');
    const problems = [...broken, ...loose.map(({ table }) => `${table}: a row belongs to nothing`)];
    const { makes, yarns, measurements } = await readAll(database, Date.now());
    let steps = 0;
    for (const { make, events } of makes) {
      steps += events.length;
      try {
        piecesSaid(record(EMPTY_LOG, events));
      } catch (error) {
        problems.push(`${make.title} (${make.id}): ${error instanceof Error ? error.message : String(error)}`);
      }
    }
    for (const problem of problems) console.error(problem);
    const what = `${makes.length} makes with ${steps} steps, ${yarns.length} yarns, ${measurements.length} measurements`;
    console.log(problems.length === 0 ? `Whole: ${what}.` : `${problems.length} problems in ${what}.`);
    return problems.length === 0 ? 0 : 1;
  });
}
