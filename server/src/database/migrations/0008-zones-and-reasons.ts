import { Migration } from '@mikro-orm/migrations';

/** How far the maker's clock was ahead of UTC, and why a piece was ripped back; events from before have neither. */
export class ZonesAndReasons extends Migration {
  override up(): void {
    this.addSql('alter table event add column zone integer');
    this.addSql('alter table event add column why text');
  }
}
