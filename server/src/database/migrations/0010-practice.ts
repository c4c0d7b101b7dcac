import { Migration } from '@mikro-orm/migrations';

/** What was answered while learning to read the work. */
export class Practice extends Migration {
  override up(): void {
    this.addSql(`create table practice_answer (
      id text not null primary key,
      answer text not null,
      changed_at integer not null,
      removed integer not null
    ) strict`);
  }
}
