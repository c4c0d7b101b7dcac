import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { defineConfig, MikroORM } from '@mikro-orm/libsql';
import { Migrator } from '@mikro-orm/migrations';
import { copyBefore } from './copies.js';
import { AnswerEntity } from './answer.entity.js';
import { DeviceEntity } from './device.entity.js';
import { EventEntity } from './event.entity.js';
import { MakeEntity } from './make.entity.js';
import { MeasurementEntity } from './measurement.entity.js';
import { PhotoEntity } from './photo.entity.js';
import { PlanEntity } from './plan.entity.js';
import { RevisionEntity } from './revision.entity.js';
import { ShelfPlaceEntity } from './shelf-place.entity.js';
import { SketchEntity } from './sketch.entity.js';
import { YarnEntity } from './yarn.entity.js';
import { MIGRATIONS } from './migrations/index.js';

export type Database = Awaited<ReturnType<typeof connect>>;

export class NewerDatabaseError extends Error {
  constructor(path: string, unknown: readonly string[]) {
    super(
      `The database ${path} was written by a newer Lemniscus (it has ${unknown.join(', ')}). ` +
        'Update Lemniscus, or set LEMNISCUS_DATA to another folder. Nothing was changed.',
    );
    this.name = 'NewerDatabaseError';
  }
}

function connect(path: string) {
  return MikroORM.init(
    defineConfig({
      dbName: path,
      entities: [
        ...[MakeEntity, EventEntity, RevisionEntity, ShelfPlaceEntity],
        ...[YarnEntity, MeasurementEntity, PlanEntity, PhotoEntity, AnswerEntity, SketchEntity, DeviceEntity],
      ],
      extensions: [Migrator],
      migrations: { migrationsList: MIGRATIONS, tableName: 'migration', snapshot: false, silent: true },
      discovery: { disableDynamicFileAccess: true },
      forceUndefined: false,
    }),
  );
}

/**
 * Opens the database in a folder, making and migrating it where needed. The only place that opens it.
 * @throws NewerDatabaseError when it has migrations this program does not know
 */
export async function openDatabase(folder: string): Promise<Database> {
  const path = join(folder, 'lemniscus.db');
  const fresh = !existsSync(path);
  const orm = await connect(path);
  try {
    if (!fresh) await refuseNewer(orm, path);
    const connection = orm.em.getConnection();
    await connection.execute('pragma journal_mode = wal');
    await connection.execute('pragma synchronous = full');
    await connection.execute('pragma busy_timeout = 5000');
    const [next] = fresh ? [] : await orm.migrator.getPendingMigrations();
    if (next) await copyBefore(orm.em.fork(), folder, next.name, Date.now());
    await orm.migrator.up();
    await connection.execute('pragma foreign_keys = on');
    return orm;
  } catch (error) {
    await orm.close(true);
    throw error;
  }
}

async function refuseNewer(orm: Database, path: string): Promise<void> {
  const connection = orm.em.getConnection();
  const table = await connection.execute<{ name: string }[]>(
    "select name from sqlite_master where type = 'table' and name = 'migration'",
  );
  if (table.length === 0) return;
  const applied = await connection.execute<{ name: string }[]>('select name from migration order by id');
  const known = new Set(MIGRATIONS.map((migration) => migration.name));
  const unknown = applied.map((row) => row.name).filter((name) => !known.has(name));
  if (unknown.length > 0) throw new NewerDatabaseError(path, unknown);
}
