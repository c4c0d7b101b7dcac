import { Component, computed, inject, model, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Sitting } from '@lemniscus/core/history';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { zoneHere } from '../data/follows/made-make';
import { dayWords } from '../controls/day-words';
import { clockWords, minutesWords } from './log-words';
import { Logbook } from './logbook';

const DAY_MS = 86_400_000;

/** Every sitting: corrected, taken out, or put in by hand. */
@Component({
  selector: 'lem-sitting-list',
  imports: [FormsModule, NzButtonModule],
  templateUrl: './sitting-list.html',
  styleUrl: './sitting-list.css',
})
export class SittingList {
  readonly chosen = model<number | null>(null);
  protected readonly book = inject(Logbook);
  protected readonly counted = counted;

  protected readonly sittings = computed(() =>
    [...(this.book.history()?.sittings ?? [])].reverse().map((sitting) => ({
      sitting,
      day: dayWords(sitting.day),
      clock: `${clockWords(sitting.from, sitting.zone)} to ${clockWords(sitting.to, sitting.zone)}`,
      minutes: minutesWords(sitting.ms / 60_000),
      pieces: sitting.pieces.map(this.book.nameOf).join(', '),
    })),
  );

  /** What the fields say: a day, and from when to when by this device's clock. */
  protected readonly day = signal('');
  protected readonly from = signal('');
  protected readonly to = signal('');
  protected readonly putting = signal(false);
  /** The sitting that the fields correct; null for one that is put in. */
  protected readonly correcting = signal<Sitting | null>(null);
  protected readonly problem = signal('');

  protected put(): void {
    const now = Date.now();
    this.correcting.set(null);
    this.fill(now - 3_600_000, now);
  }

  protected correct(sitting: Sitting): void {
    this.correcting.set(sitting);
    this.chosen.set(sitting.from);
    this.fill(sitting.from, sitting.to);
  }

  private fill(from: number, to: number): void {
    const local = new Date(from + zoneHere(from) * 60_000).toISOString();
    this.day.set(local.slice(0, 10));
    this.from.set(local.slice(11, 16));
    this.to.set(new Date(to + zoneHere(to) * 60_000).toISOString().slice(11, 16));
    this.problem.set('');
    this.putting.set(true);
  }

  protected keep(): void {
    const from = new Date(`${this.day()}T${this.from()}`).getTime();
    const ends = new Date(`${this.day()}T${this.to()}`).getTime();
    if (!Number.isFinite(from) || !Number.isFinite(ends)) {
      this.problem.set('Give a day, and from when to when.');
      return;
    }
    // An evening may go on past midnight.
    const to = ends <= from ? ends + DAY_MS : ends;
    if (from > Date.now()) {
      this.problem.set('That time has not come yet.');
      return;
    }
    if (to - from > 16 * 3_600_000) {
      this.problem.set('A sitting is at most 16 hours long.');
      return;
    }
    const before = this.correcting();
    if (before) this.book.takeOut(before);
    this.book.putIn(from, to);
    this.chosen.set(from);
    this.putting.set(false);
  }
}
