import { randomUUID } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { YarnWeightNumber } from '@lemniscus/core/gauge';
import type { Database } from './database/open.js';
import { MakeEntity } from './database/make.entity.js';
import { addMake } from './makes/make-store.js';

/** Yarn and hook for each demo pattern, by file name. */
const DEMO_KIT: Readonly<Record<string, { readonly yarnWeight: YarnWeightNumber; readonly hookMm: number }>> = {
  'harbour-puffin.md': { yarnWeight: 4, hookMm: 3.5 },
  'lamp-keeper.md': { yarnWeight: 4, hookMm: 3.5 },
  'rowing-boat.md': { yarnWeight: 4, hookMm: 3.5 },
  'seal-pup.md': { yarnWeight: 4, hookMm: 3.5 },
  'signal-kite.md': { yarnWeight: 4, hookMm: 4 },
  'striped-lighthouse.md': { yarnWeight: 4, hookMm: 4 },
};

/** Puts the demo patterns on the shelf of a database that has never held a make. */
export async function seedDemo(database: Database, folder: string): Promise<void> {
  const em = database.em.fork();
  if ((await em.count(MakeEntity)) > 0) return;
  const files = (await readdir(folder)).filter((name) => name in DEMO_KIT).sort();
  // The first file ends up in front, as the shelf shows the latest first.
  const now = Date.now();
  for (const [index, file] of files.entries()) {
    const text = await readFile(join(folder, file), 'utf8');
    await addMake(em, { id: randomUUID(), text, ...DEMO_KIT[file]! }, now - index);
  }
}
