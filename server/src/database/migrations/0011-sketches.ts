import { Migration } from '@mikro-orm/migrations';

/** What is drawn in the Studio. */
export class Sketches extends Migration {
  override up(): void {
    this.addSql(`create table sketch (
      id text not null primary key,
      sketch text not null,
      changed_at integer not null,
      removed integer not null
    ) strict`);
  }
}
