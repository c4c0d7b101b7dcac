import type { Revision } from '@lemniscus/api';
import type { EntityManager } from '@mikro-orm/libsql';
import { MakeEntity, type MakeRow } from '../database/make.entity.js';
import { RevisionEntity } from '../database/revision.entity.js';
import { Problem } from '../http/problem.js';

/** Saves that follow each other sooner than this are one go at the text, of which only the start is kept. */
const ONE_GO_MS = 60_000;
/** Most earlier texts of one make; the oldest go first. */
const KEPT = 200;

type Earlier = Pick<MakeRow, 'id' | 'text' | 'version' | 'textSavedAt'>;

/** Keeps the text a make has now, before `next` takes its place: once a go, and whenever half of it or more would go. */
export async function keepRevision(em: EntityManager, make: Earlier, next: string, now: number): Promise<void> {
  if (next === make.text || make.text === '') return;
  const latest = await em.findOne(RevisionEntity, { make: make.id }, { orderBy: { version: 'desc' } });
  const sameGo = latest !== null && now - make.textSavedAt < ONE_GO_MS;
  if (sameGo && next.length * 2 > make.text.length) return;
  em.create(RevisionEntity, {
    make: em.getReference(MakeEntity, make.id),
    version: make.version,
    text: make.text,
    savedAt: make.textSavedAt,
  });
  const old = await em.find(
    RevisionEntity,
    { make: make.id },
    { orderBy: { version: 'desc' }, offset: KEPT - 1, fields: ['id'] },
  );
  for (const row of old) em.remove(row);
}

/** Earlier texts of a make, the latest first. */
export async function listRevisions(em: EntityManager, make: string): Promise<Revision[]> {
  const rows = await em.find(RevisionEntity, { make }, { orderBy: { version: 'desc' } });
  return rows.map(({ version, savedAt, text }) => ({
    version,
    savedAt,
    lines: text.split('\n').length,
    characters: text.length,
  }));
}

/** @throws Problem `not-found` */
export async function showRevision(em: EntityManager, make: string, version: number): Promise<string> {
  const row = await em.findOne(RevisionEntity, { make, version });
  if (!row) throw new Problem('not-found', 'This earlier text is not kept any more.');
  return row.text;
}
