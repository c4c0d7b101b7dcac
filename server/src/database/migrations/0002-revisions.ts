import { Migration } from '@mikro-orm/migrations';

/** Earlier texts of a make, so that nothing written is lost by writing on. */
export class Revisions extends Migration {
  override up(): void {
    this.addSql(`create table revision (
      id integer not null primary key autoincrement,
      make_id text not null references make (id),
      version integer not null,
      text text not null,
      saved_at integer not null,
      unique (make_id, version)
    ) strict`);
  }
}
