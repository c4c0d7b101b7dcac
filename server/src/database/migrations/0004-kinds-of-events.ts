import { Migration } from '@mikro-orm/migrations';

/** Events of any kind: what is not a place or an undoing is kept whole, as JSON. */
export class KindsOfEvents extends Migration {
  override up(): void {
    this.addSql(`create table event_next (
      sequence integer not null primary key autoincrement,
      id text not null unique,
      make_id text not null references make (id),
      piece text not null,
      at integer not null,
      kind text not null,
      round integer,
      action integer,
      event text,
      detail text
    ) strict`);
    this.addSql(`insert into event_next (sequence, id, make_id, piece, at, kind, round, action, event)
      select sequence, id, make_id, piece, at, kind, round, action, event from event order by sequence`);
    this.addSql('drop table event');
    this.addSql('alter table event_next rename to event');
    this.addSql('create index event_of_make on event (make_id, sequence)');
  }
}
