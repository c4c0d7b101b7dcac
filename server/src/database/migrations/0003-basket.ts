import { Migration } from '@mikro-orm/migrations';

/** The basket, what was measured, and each make's kit. */
export class Basket extends Migration {
  override up(): void {
    this.addSql(`alter table make add column kit text not null default '{}'`);
    this.addSql(`create table yarn (
      id text not null primary key,
      name text not null,
      yarn_weight integer not null check (yarn_weight between 0 and 7),
      fibre text not null,
      colour text not null,
      metres_per100g real check (metres_per100g > 0),
      grams real not null check (grams >= 0),
      weighed_at integer not null,
      dye_lot text not null,
      ball_grams real check (ball_grams > 0),
      price real check (price >= 0),
      changed_at integer not null,
      removed integer not null
    ) strict`);
    this.addSql(`create table measurement (
      id text not null primary key,
      measurement text not null,
      changed_at integer not null,
      removed integer not null
    ) strict`);
  }
}
