import { Migration } from '@mikro-orm/migrations';

/** What is planned, and the photos of makes; their pictures lie in a folder beside the database. */
export class PlanAndPhotos extends Migration {
  override up(): void {
    this.addSql(`create table plan_entry (
      id text not null primary key,
      entry text not null,
      changed_at integer not null,
      removed integer not null
    ) strict`);
    this.addSql(`create table photo (
      id text not null primary key,
      photo text not null,
      changed_at integer not null,
      removed integer not null
    ) strict`);
  }
}
