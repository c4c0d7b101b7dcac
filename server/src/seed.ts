import { randomUUID } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { basketFromCsv } from '@lemniscus/core/exchange';
import type { YarnWeightNumber } from '@lemniscus/core/gauge';
import { chooseYarn, EMPTY_KIT, type Kit, type Yarn } from '@lemniscus/core/supply';
import { FIRST_MAKE } from '@lemniscus/core/technique';
import { keepYarns } from './basket/yarn-store.js';
import type { Database } from './database/open.js';
import type { Make } from '@lemniscus/api';
import { Sketch } from '@lemniscus/api/sketch';
import type { EntityManager } from '@mikro-orm/libsql';
import { MakeEntity } from './database/make.entity.js';
import { addMake } from './makes/make-store.js';
import { keepSketches } from './sketches/sketch-store.js';
import { begunAt, readSeason, seedLog, seedPlan } from './seed-season.js';

interface DemoKit {
  readonly yarnWeight: YarnWeightNumber;
  readonly hookMm: number;
  /** Colours of the pattern, with the name and colour of the basket's yarn. */
  readonly yarns: Readonly<Record<string, string>>;
}

/** Yarn and hook for each demo pattern, by file name. */
const DEMO_KIT: Readonly<Record<string, DemoKit>> = {
  'harbour-puffin.md': {
    yarnWeight: 4,
    hookMm: 3.5,
    yarns: { black: 'Boathouse black', white: 'Boathouse white', orange: 'Boathouse orange', yellow: 'Boathouse yellow' },
  },
  'jelly-pilot.md': {
    yarnWeight: 4,
    hookMm: 3.5,
    yarns: { white: 'Boathouse white', navy: 'Slipway navy', red: 'Boathouse red' },
  },
  'lamp-keeper.md': { yarnWeight: 4, hookMm: 3.5, yarns: { navy: 'Slipway navy', black: 'Boathouse black' } },
  'rowing-boat.md': { yarnWeight: 4, hookMm: 3.5, yarns: {} },
  'seal-pup.md': { yarnWeight: 4, hookMm: 3.5, yarns: { grey: 'Boathouse grey' } },
  'signal-kite.md': { yarnWeight: 4, hookMm: 4, yarns: { red: 'Boathouse red', navy: 'Slipway navy' } },
  'striped-lighthouse.md': { yarnWeight: 4, hookMm: 4, yarns: {} },
};
const BASKET = 'basket.csv';
const SKETCH = 'harbour-gull.json';

/** What an empty database is filled with: the basket and the patterns, or with them a season of making them. */
export type Demo = 'patterns' | 'season';

/** Puts the demo into a database that has never held a make. */
export async function seedDemo(database: Database, folder: string, demo: Demo = 'season'): Promise<void> {
  const em = database.em.fork();
  if ((await em.count(MakeEntity)) > 0) return;
  const now = Date.now();
  const basket = basketFromCsv(await readFile(join(folder, BASKET), 'utf8'));
  const yarns: Yarn[] = basket.ok ? basket.rows.map((row) => ({ ...row, id: randomUUID(), weighedAt: now })) : [];
  await keepYarns(
    em,
    yarns.map((yarn) => ({ ...yarn, changedAt: now, removed: false })),
  );
  const files = (await readdir(folder)).filter((name) => name in DEMO_KIT).sort();
  // The first file ends up in front, as the shelf shows the latest first.
  const makes = new Map<string, string>();
  for (const [index, file] of files.entries()) {
    const { id } = await addDemo(em, folder, file, now - index, yarns);
    makes.set(file, id);
  }
  const { text, yarnWeight, hookMm } = FIRST_MAKE;
  await addMake(em, { id: randomUUID(), text, yarnWeight, hookMm }, now - files.length, EMPTY_KIT);
  const sketch = Sketch.parse(JSON.parse(await readFile(join(folder, SKETCH), 'utf8')));
  await keepSketches(em, [{ sketch: { ...sketch, id: randomUUID(), at: now }, changedAt: now, removed: false }]);
  if (demo === 'season') await seedSeason(database, folder, makes, yarns, now);
}

async function addDemo(em: EntityManager, folder: string, file: string, at: number, yarns: readonly Yarn[]): Promise<Make> {
  const text = await readFile(join(folder, file), 'utf8');
  const { yarnWeight, hookMm, yarns: chosen } = DEMO_KIT[file]!;
  return addMake(em, { id: randomUUID(), text, yarnWeight, hookMm }, at, kitOf(chosen, yarns));
}

/** Makes that were begun earlier, with their logs, and what is planned. */
async function seedSeason(
  database: Database,
  folder: string,
  fresh: ReadonlyMap<string, string>,
  yarns: readonly Yarn[],
  now: number,
): Promise<void> {
  const season = await readSeason(folder);
  const begun = new Map<string, string>();
  for (const each of season.makes) {
    const make = await addDemo(database.em.fork(), folder, each.file, begunAt(each, now), yarns);
    await seedLog(database, folder, each, make, now);
    if (!each.finished) begun.set(each.file, make.id);
  }
  await seedPlan(database, season, (file) => begun.get(file) ?? fresh.get(file) ?? null, now);
}

function kitOf(chosen: DemoKit['yarns'], yarns: readonly Yarn[]): Kit {
  return Object.entries(chosen).reduce((kit, [colour, named]) => {
    const yarn = yarns.find(({ name, colour: own }) => `${name} ${own}` === named);
    return yarn ? chooseYarn(kit, null, colour, yarn.id) : kit;
  }, EMPTY_KIT);
}
