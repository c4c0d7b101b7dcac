import { mkdtemp, readFile, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { EVENT_BATCH } from '@lemniscus/api';
import { assemblyOf } from '@lemniscus/core/assembly';
import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { paceByKind } from '@lemniscus/core/history';
import { START, type MakerEvent } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { batchOf, jobsOf, simulate, taskOf, together, waysOutOf, workFrom, type Wish } from '@lemniscus/core/planning';
import { openDatabase, type Database } from '@lemniscus/server/database/open';
import { appendEvents } from '@lemniscus/server/events/event-store';
import { shelvedMakes } from '@lemniscus/server/folds/shelf';
import { addMake } from '@lemniscus/server/makes/make-store';
import { compare, type Result } from './measure.js';

const COPIES = 200;
const MAKES = 500;
const EVENTS_EACH = 1_000;

/** Planning 200 copies of the largest demo figure, beside adding up their stitches; the shelf of 500 makes, beside an empty one. */
export async function planAhead(root: string): Promise<Result[]> {
  const text = await readFile(join(root, 'demo/striped-lighthouse.md'), 'utf8');
  const count = checkPattern(read(text));
  const fabrics = count.parts.map(fabricOf);
  const { steps } = assemblyOf(count, { stitch: { width: 5, height: 4.8 }, eyeMm: 10, secondsPerStitch: 6 }).order;
  const pace = paceByKind([]);
  const each = together(fabrics.map((fabric) => workFrom(fabric, START)));
  const wish: Wish = { id: 'a', copies: COPIES, by: '2027-12-31', first: each, each };
  const options = { from: '2026-11-27', hours: { week: [120, 120, 120, 120, 120, 240, 0], days: new Map() }, pace };
  const plan = (): unknown => {
    const jobs = jobsOf(
      steps,
      (part) => fabrics[part]!,
      (part, [from, to]) => fabrics[part]!.roundStart[to]! - fabrics[part]!.roundStart[from]!,
    );
    return [simulate([taskOf(wish)], options), batchOf(jobs, COPIES)];
  };
  const adding = (): number => {
    let sum = 0;
    for (let copy = 0; copy < COPIES; copy++)
      for (const { part } of count.parts)
        for (let piece = 0; piece < part.copies; piece++)
          sum += fabrics[count.parts.findIndex((own) => own.part === part)]!.stitchCount;
    return sum;
  };
  const planned = await compare(9, plan, adding);
  const ways = await compare(5, () => waysOutOf([wish], 'a', options), plan);
  return [
    { name: `planning ${COPIES} copies of the lighthouse`, ...planned, baselineName: 'adding up their stitches', unit: 'ms' },
    { name: 'ways out of being late, each tried whole', ...ways, baselineName: 'one plan', unit: 'ms' },
    await shelf(text),
  ];
}

async function shelf(text: string): Promise<Result> {
  const folders = await Promise.all(['full', 'empty'].map((name) => mkdtemp(join(tmpdir(), `lemniscus-${name}-`))));
  const [full, empty] = (await Promise.all(folders.map(openDatabase))) as [Database, Database];
  let at = 0;
  for (let make = 0; make < MAKES; make++) {
    const id = crypto.randomUUID();
    await addMake(full.em.fork(), { id, text, yarnWeight: 4, hookMm: 3.5 }, make);
    const event = (_: unknown, i: number): MakerEvent => ({
      ...{ id: crypto.randomUUID(), piece: 'tower/1', at: ++at, kind: 'reached', round: i >> 5, action: i & 31 },
    });
    for (let batch = 0; batch < EVENTS_EACH / EVENT_BATCH; batch++)
      await appendEvents(full.em.fork(), id, Array.from({ length: EVENT_BATCH }, event));
  }
  // What was folded once is kept: the first visit is not measured.
  const measured = await compare(
    5,
    () => shelvedMakes(full.em.fork()),
    () => shelvedMakes(empty.em.fork()),
  );
  for (const database of [full, empty]) await database.close();
  for (const folder of folders) await rm(folder, { recursive: true });
  return {
    name: `the shelf of ${MAKES} makes with ${(MAKES * EVENTS_EACH).toLocaleString('en')} events`,
    ...measured,
    baselineName: 'an empty shelf',
    unit: 'ms',
  };
}
