import { Kit, Yarn, type BackupMake, type Restored } from '@lemniscus/api';
import type { EntityManager } from '@mikro-orm/libsql';
import { keepYarns } from '../basket/yarn-store.js';
import { AnswerEntity } from '../database/answer.entity.js';
import { MakeEntity, type MakeRow } from '../database/make.entity.js';
import { MeasurementEntity } from '../database/measurement.entity.js';
import type { Database } from '../database/open.js';
import { PhotoEntity } from '../database/photo.entity.js';
import { PlanEntity } from '../database/plan.entity.js';
import { RevisionEntity } from '../database/revision.entity.js';
import { SketchEntity } from '../database/sketch.entity.js';
import { YarnEntity } from '../database/yarn.entity.js';
import { allEvents, appendEvents } from '../events/event-store.js';
import { keepMeasurements } from '../measurements/measurement-store.js';
import { keepPhotos, keepPicture, pictureOf } from '../photos/photo-store.js';
import { keepPlan } from '../plan/plan-store.js';
import { keepAnswers } from '../practice/practice-store.js';
import { keepSketches } from '../sketches/sketch-store.js';
import type { Backup } from './backup-file.js';

/** Everything that is kept, makes taken off the shelf and things left out too. */
export async function readAll(database: Database, now: number): Promise<Backup> {
  const em = database.em.fork();
  const makes: BackupMake[] = [];
  for (const row of await em.find(MakeEntity, {}, { orderBy: { createdAt: 'asc', id: 'asc' } })) {
    const { id, title, text, yarnWeight, hookMm, version, createdAt, updatedAt, textSavedAt } = row;
    const revisions = await em.find(RevisionEntity, { make: id }, { orderBy: { version: 'asc' } });
    const kit = Kit.parse(row.kit);
    makes.push({
      make: {
        id,
        title,
        text,
        yarnWeight,
        hookMm,
        kit,
        version,
        createdAt,
        updatedAt,
        textSavedAt,
        removedAt: row.removedAt ?? null,
      },
      events: await allEvents(em, id),
      revisions: revisions.map(({ version: of, text: then, savedAt }) => ({ version: of, text: then, savedAt })),
    });
  }
  const yarns = await em.find(YarnEntity, {}, { orderBy: { name: 'asc', id: 'asc' } });
  const measurements = await em.find(MeasurementEntity, {}, { orderBy: { id: 'asc' } });
  const plan = await em.find(PlanEntity, {}, { orderBy: { id: 'asc' } });
  const practice = await em.find(AnswerEntity, {}, { orderBy: { id: 'asc' } });
  const sketches = await em.find(SketchEntity, {}, { orderBy: { id: 'asc' } });
  const photos = await em.find(PhotoEntity, {}, { orderBy: { id: 'asc' } });
  const pictures = new Map<string, Uint8Array>();
  for (const { id } of photos) {
    const bytes = await pictureOf(database, id);
    if (bytes) pictures.set(id, new Uint8Array(bytes));
  }
  return {
    savedAt: now,
    makes,
    yarns: yarns.map((row) => ({ ...Yarn.parse(row), changedAt: row.changedAt, removed: row.removed })),
    measurements: measurements.map(({ measurement, changedAt, removed }) => ({ measurement, changedAt, removed })),
    plan: plan.map(({ entry, changedAt, removed }) => ({ entry, changedAt, removed })),
    practice: practice.map(({ answer, changedAt, removed }) => ({ answer, changedAt, removed })),
    sketches: sketches.map(({ sketch, changedAt, removed }) => ({ sketch, changedAt, removed })),
    photos: photos.map(({ photo, changedAt, removed }) => ({ photo, changedAt, removed })),
    pictures,
  };
}

/**
 * Takes a copy in, all of it or nothing: by id, so that twice is once. Of two states of a make the one changed later stands,
 * and the text of the other is kept among the earlier ones; logs are put together; of yarns and measurements the later
 * change stands.
 */
export async function takeIn(
  database: Database,
  { makes, yarns, measurements, plan, practice, sketches, photos, pictures }: Backup,
): Promise<Restored> {
  const em = database.em.fork();
  let newMakes = 0;
  let newEvents = 0;
  await em.transactional(async (within) => {
    for (const each of makes) {
      const known = await within.findOne(MakeEntity, { id: each.make.id });
      if (known) await mergeMake(within, known, each);
      else {
        within.create(MakeEntity, each.make);
        newMakes++;
      }
      await within.flush();
      await addRevisions(within, each);
      newEvents += (await appendEvents(within, each.make.id, each.events))?.events.length ?? 0;
    }
    await keepYarns(within, yarns);
    await keepMeasurements(within, measurements);
    await keepPlan(within, plan);
    await keepAnswers(within, practice);
    await keepSketches(within, sketches);
    await keepPhotos(within, photos);
  });
  for (const [id, bytes] of pictures) if (!(await pictureOf(database, id))) await keepPicture(database, id, bytes);
  return {
    ...{ makes: makes.length, newMakes, newEvents, yarns: yarns.length, measurements: measurements.length },
    ...{ plan: plan.length, photos: photos.length, practice: practice.length, sketches: sketches.length },
  };
}

async function mergeMake(em: EntityManager, known: MakeRow, { make }: BackupMake): Promise<void> {
  const { id, version, text, ...state } = make;
  const later = make.updatedAt > known.updatedAt;
  const other = later ? known : make;
  if (known.text !== text && other.text !== '') {
    const kept = await em.findOne(RevisionEntity, { make: id, text: other.text });
    const { version: of, textSavedAt: savedAt } = other;
    if (!kept) em.create(RevisionEntity, { make: em.getReference(MakeEntity, id), version: of, text: other.text, savedAt });
  }
  // Windows that have either state open find that it is another.
  if (later) em.assign(known, { ...state, text, version: Math.max(version, known.version) + 1 });
}

async function addRevisions(em: EntityManager, { make, revisions }: BackupMake): Promise<void> {
  const kept = await em.find(RevisionEntity, { make: make.id }, { fields: ['version', 'text'] });
  for (const { version, text, savedAt } of revisions) {
    if (kept.some((one) => one.version === version && one.text === text)) continue;
    em.create(RevisionEntity, { make: em.getReference(MakeEntity, make.id), version, text, savedAt });
  }
  await em.flush();
}
