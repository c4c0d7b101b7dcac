import { Migration } from '@mikro-orm/migrations';

/** A place is kept by its line too, with the event that keeps the lines it is of; places from before have none. */
export class PlacesInLines extends Migration {
  override up(): void {
    this.addSql('alter table event add column line integer');
    this.addSql('alter table event add column nth integer');
    this.addSql('alter table event add column follows text');
  }
}
