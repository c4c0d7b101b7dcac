import { Migration } from '@mikro-orm/migrations';

/** When a make's text was saved, beside any other change of it; and where its pieces are, folded up to an event. */
export class Shelf extends Migration {
  override up(): void {
    this.addSql('alter table make add column text_saved_at integer not null default 0');
    this.addSql('update make set text_saved_at = updated_at');
    this.addSql(`create table shelf_place (
      make_id text not null primary key references make (id),
      up_to integer not null,
      latest integer not null,
      said text not null
    ) strict`);
  }
}
