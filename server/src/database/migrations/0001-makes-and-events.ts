import { Migration } from '@mikro-orm/migrations';

export class MakesAndEvents extends Migration {
  override up(): void {
    this.addSql(`create table make (
      id text not null primary key,
      title text not null,
      text text not null,
      yarn_weight integer not null check (yarn_weight between 0 and 7),
      hook_mm real not null check (hook_mm > 0),
      version integer not null,
      created_at integer not null,
      updated_at integer not null,
      removed_at integer
    ) strict`);
    this.addSql(`create table event (
      sequence integer not null primary key autoincrement,
      id text not null unique,
      make_id text not null references make (id),
      piece text not null,
      at integer not null,
      kind text not null check (kind in ('reached', 'undone')),
      round integer,
      action integer,
      event text
    ) strict`);
    this.addSql('create index event_of_make on event (make_id, sequence)');
  }
}
