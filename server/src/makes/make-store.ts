import { Kit, type Make, type MakeChange, type NewMake } from '@lemniscus/api';
import { titleOf as titleIn } from '@lemniscus/core/notation';
import { EMPTY_KIT } from '@lemniscus/core/supply';
import type { EntityManager } from '@mikro-orm/libsql';
import { MakeEntity, type MakeRow } from '../database/make.entity.js';
import { Problem } from '../http/problem.js';
import { keepRevision } from './revisions.js';

const UNTITLED = 'Untitled make';

function toMake(row: MakeRow): Make {
  const { id, title, text, yarnWeight, hookMm, version, createdAt, updatedAt } = row;
  return { id, title, text, yarnWeight, hookMm, kit: kitOf(row), version, createdAt, updatedAt };
}

/** A make's kit; makes from before there were kits have an empty one. */
function kitOf({ kit }: Pick<MakeRow, 'kit'>): Kit {
  return Kit.parse(kit);
}

export function titleOf(text: string): string {
  return titleIn(text) || UNTITLED;
}

/** Makes on the shelf, the one touched last first. */
export async function listMakes(em: EntityManager): Promise<Make[]> {
  return (await em.find(MakeEntity, { removedAt: null }, { orderBy: { updatedAt: 'desc', id: 'asc' } })).map(toMake);
}

/** The kit of every make on the shelf. */
export async function listKits(em: EntityManager): Promise<Pick<Make, 'id' | 'kit'>[]> {
  const rows = await em.find(MakeEntity, { removedAt: null }, { fields: ['id', 'kit'] });
  return rows.map((row) => ({ id: row.id, kit: kitOf(row) }));
}

/** @throws Problem `not-found` */
export async function findMake(em: EntityManager, id: string): Promise<MakeRow> {
  const row = await em.findOne(MakeEntity, { id, removedAt: null });
  if (!row) throw new Problem('not-found', 'This make is not on the shelf. It may have been taken off in another window.');
  return row;
}

export async function showMake(em: EntityManager, id: string): Promise<Make> {
  return toMake(await findMake(em, id));
}

/** Puts a make on the shelf; one that is already there under this id is answered as it is. */
export async function addMake(em: EntityManager, make: NewMake, now: number, kit: Kit = EMPTY_KIT): Promise<Make> {
  const known = await em.findOne(MakeEntity, { id: make.id });
  if (known) return toMake(known);
  const row = em.create(MakeEntity, {
    ...make,
    kit,
    title: titleOf(make.text),
    version: 1,
    createdAt: now,
    updatedAt: now,
    removedAt: null,
  });
  await em.flush();
  return toMake(row);
}

/** @throws Problem `not-found`, or `conflict` when the change was made to another version than the stored one */
export async function changeMake(em: EntityManager, id: string, { version, ...change }: MakeChange, now: number): Promise<Make> {
  const row = await findMake(em, id);
  if (row.version !== version)
    throw new Problem('conflict', 'This make was changed in another window since. Look at both before you save.', 'version');
  if (change.text !== undefined) {
    await keepRevision(em, row, change.text, now);
    row.text = change.text;
    row.title = titleOf(change.text);
  }
  if (change.yarnWeight !== undefined) row.yarnWeight = change.yarnWeight;
  if (change.hookMm !== undefined) row.hookMm = change.hookMm;
  if (change.kit !== undefined) row.kit = change.kit;
  row.version += 1;
  row.updatedAt = now;
  await em.flush();
  return toMake(row);
}

/** Takes a make off the shelf. It is kept and can be put back. */
export async function removeMake(em: EntityManager, id: string, now: number): Promise<void> {
  const row = await findMake(em, id);
  row.removedAt = now;
  await em.flush();
}

/** @throws Problem `not-found` when there never was such a make */
export async function restoreMake(em: EntityManager, id: string): Promise<Make> {
  const row = await em.findOne(MakeEntity, { id });
  if (!row) throw new Problem('not-found', 'There is no such make to put back.');
  row.removedAt = null;
  await em.flush();
  return toMake(row);
}
