import { Component, computed, inject, input, output, signal } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { RouterLink } from '@angular/router';
import type { PlannedWish } from '@lemniscus/api/plan';
import type { WayOut } from '@lemniscus/core/planning';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NumberField } from '../controls/number-field';
import { Select } from '../controls/select';
import { PlanAhead, type Outlook, type PlannedOne } from '../data/follows/plan-ahead';
import { PlanList } from '../data/owned/plan-list';
import { dayWords } from '../controls/day-words';
import { chanceWords, hoursWords, readyWords, wayWords } from './plan-words';

/** One wish: when it is ready, what would help where it is late, and what was asked for. */
@Component({
  selector: 'lem-wish-panel',
  imports: [FormsModule, NumberField, NzButtonModule, RouterLink, Select],
  templateUrl: './wish-panel.html',
  styleUrl: './wish-panel.css',
})
export class WishPanel {
  readonly one = input.required<PlannedOne>();
  readonly outlook = input.required<Outlook | null>();
  readonly take = output<WayOut>();
  protected readonly ahead = inject(PlanAhead);
  protected readonly list = inject(PlanList);
  protected readonly dayWords = dayWords;

  protected readonly ready = computed(() => {
    const outlook = this.outlook();
    return outlook && readyWords(outlook);
  });
  protected readonly chance = computed(() => {
    const outlook = this.outlook();
    return outlook ? chanceWords(outlook) : '';
  });
  protected readonly gone = computed(() => {
    const { by } = this.one().wish;
    return by !== null && by < this.ahead.today();
  });
  protected readonly ways = computed(() => {
    const titles = new Map(this.ahead.planned().map(({ wish, made }) => [wish.id, made.make.title]));
    return (this.outlook()?.ways ?? []).map((way) => ({
      way,
      words: wayWords(way),
      late: way.late.length > 0 ? `makes ${way.late.map((id) => titles.get(id)).join(', ')} late` : '',
    }));
  });
  protected readonly takes = computed(() => {
    const { pace } = this.ahead;
    const minutes = this.ahead.minutesOf(this.one());
    return `One takes about ${hoursWords(minutes)} at ${pace().own ? 'your pace' : 'the common pace (yours is not known yet)'}.`;
  });
  protected readonly noRounds = computed(() => this.one().made.steps.length === 0);
  protected readonly makes = computed(() =>
    (this.ahead.makes() ?? []).map((make) => ({ value: make.id, label: this.labelOf(make.id) })),
  );
  protected readonly stalls = computed(() =>
    this.list.stalls().map(({ id, name, day }) => ({ value: id, label: `${name}, ${dayWords(day)}` })),
  );
  /** A new stall's name and day while it is put down. */
  protected readonly stallName = signal<string | null>(null);
  protected readonly stallDay = signal('');

  private labelOf(id: string): string {
    const make = this.ahead.makes()?.find((each) => each.id === id);
    const begun = make && Object.keys(make.said).length > 0;
    return make ? `${make.title}${begun ? ', begun' : ''}` : '';
  }

  protected change(change: Partial<PlannedWish>): void {
    this.list.put({ ...this.one().wish, ...change });
  }

  protected stall(id: string | null): void {
    const stall = this.list.stalls().find((each) => each.id === id);
    this.change({ stall: id, ...(stall ? { by: stall.day } : {}) });
  }

  protected addStall(): void {
    const name = this.stallName()?.trim();
    const day = this.stallDay();
    if (!name || !day) return;
    const id = crypto.randomUUID();
    this.list.put({ id, kind: 'stall', name, day });
    this.change({ stall: id, by: day });
    this.stallName.set(null);
  }

  protected remove(): void {
    this.list.remove(this.one().wish);
  }
}
