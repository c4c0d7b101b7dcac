import { Kit, type Make, type MakeChange, type NewMake } from '@lemniscus/api';
import { titleOf as titleIn } from '@lemniscus/core/notation';
import { EMPTY_KIT } from '@lemniscus/core/supply';
import type { EntityData } from '@mikro-orm/core';
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
    textSavedAt: now,
    removedAt: null,
  });
  await em.flush();
  return toMake(row);
}

/** @throws Problem `not-found`, or `conflict` when the change was made to another version than the stored one */
export async function changeMake(em: EntityManager, id: string, { version, ...change }: MakeChange, now: number): Promise<Make> {
  await em.transactional(async (within) => {
    const { text } = change;
    const before = text === undefined ? null : await within.findOne(MakeEntity, { id }, { disableIdentityMap: true });
    // The check of the version and the write are one statement: of two at a time one is refused.
    const changed = await within.nativeUpdate(
      MakeEntity,
      { id, version, removedAt: null },
      { ...written(change, now), version: version + 1, updatedAt: now },
    );
    if (changed === 0) {
      await findMake(within, id);
      throw new Problem('conflict', 'This make was changed in another window since. Look at both before you save.', 'version');
    }
    if (before && text !== undefined) await keepRevision(within, before, text, now);
  });
  return toMake(await findMake(em.fork(), id));
}

function written({ text, yarnWeight, hookMm, kit }: Omit<MakeChange, 'version'>, now: number): EntityData<MakeRow> {
  return {
    ...(text === undefined ? {} : { text, title: titleOf(text), textSavedAt: now }),
    ...(yarnWeight === undefined ? {} : { yarnWeight }),
    ...(hookMm === undefined ? {} : { hookMm }),
    ...(kit === undefined ? {} : { kit }),
  };
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
