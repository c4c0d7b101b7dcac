import { Component, computed, effect, inject, untracked } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { calendarFile } from '@lemniscus/core/planning';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { catchError, map, of } from 'rxjs';
import { isThisMachine } from '../data/device/this-machine';
import { HomeApi } from '../data/server/home-api';
import { PlanAhead } from '../data/follows/plan-ahead';
import { PlanList } from '../data/owned/plan-list';
import { calendarEntries } from './calendar-entries';

/** An address under which a calendar program finds the plan, as it was worked out last. */
@Component({
  selector: 'lem-calendar-feed',
  imports: [NzButtonModule],
  template: `
    <h2>In your calendar</h2>
    @if (addresses(); as all) {
      @for (address of all; track address) {
        <input readonly [value]="address" aria-label="Address of the calendar" (focus)="$any($event.target).select()" />
      }
      <p class="soft">
        Subscribe to it in a calendar program. Whoever knows the address can read the plan, and nothing else. It is told anew
        while this page is open.
      </p>
      <button nz-button type="button" (click)="stop()">Feed it no longer</button>
    } @else {
      <button nz-button type="button" (click)="start()">Make an address to subscribe to</button>
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 6px;
      margin-top: 10px;
    }
    h2 {
      margin: 0;
      font-size: 17px;
    }
    input {
      width: 100%;
      min-height: 38px;
      padding: 4px 10px;
      border: 1.5px solid var(--line);
      border-radius: 10px;
      background: var(--paper);
      font-size: 14px;
    }
    .soft {
      color: var(--soft);
      font-size: 15px;
    }
  `,
})
export class CalendarFeed {
  private readonly list = inject(PlanList);
  private readonly ahead = inject(PlanAhead);
  /** Addresses in the house, which other devices reach; this machine alone is told. */
  private readonly house = toSignal(
    isThisMachine()
      ? inject(HomeApi)
          .show()
          .pipe(
            map(({ open }) => open?.addresses ?? []),
            catchError(() => of<string[]>([])),
          )
      : of<string[]>([]),
    { initialValue: [] },
  );

  protected readonly addresses = computed(() => {
    const feed = this.list.feed();
    return feed && [...this.house(), location.origin].map((origin) => `${origin}/api/plan/feed/${feed.key}.ics`);
  });

  constructor() {
    effect(() => {
      const feed = this.list.feed();
      const [busy, planned, outlooks] = [this.ahead.busy(), this.ahead.planned(), this.ahead.outlooks()];
      if (!feed || busy || planned.some(({ wish }) => !outlooks.has(wish.id))) return;
      const file = this.file();
      if (file !== feed.file) untracked(() => this.list.put({ ...feed, file }));
    });
  }

  /** The same plan on the same day is the same file. */
  private file(): string {
    const { planned, outlooks, hours, today } = this.ahead;
    const entries = calendarEntries(planned(), outlooks(), this.list.stalls(), hours(), today());
    return calendarFile('Crochet plan', entries, Date.parse(`${today()}T00:00:00Z`));
  }

  protected start(): void {
    const key = crypto.randomUUID().replaceAll('-', '');
    this.list.put({ id: crypto.randomUUID(), kind: 'feed', key, file: this.file() });
  }

  protected stop(): void {
    const feed = this.list.feed();
    if (feed) this.list.remove(feed);
  }
}
