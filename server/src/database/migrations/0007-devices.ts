import { Migration } from '@mikro-orm/migrations';

/** Other devices that were let in. */
export class Devices extends Migration {
  override up(): void {
    this.addSql(`create table device (
      id text not null primary key,
      name text not null,
      token text not null unique,
      paired_at integer not null,
      seen_at integer not null
    ) strict`);
  }
}
