import { computed, inject, Injectable } from '@angular/core';
import { TakenAnswer } from '@lemniscus/api';
import {
  KeptPlanEntry,
  PlanEntry,
  type PlannedDay,
  type PlannedStall,
  type PlannedWish,
  type PlanFeed,
  type PlanTerms,
} from '@lemniscus/api/plan';
import { map } from 'rxjs';
import * as z from 'zod';
import { Server } from '../server/server';
import { KeptList } from '../sync/kept-list';

/** There is one of it, whichever window makes it. */
const TERMS_ID = '5f0a6f0e-1f6d-4b1a-9c55-7e1d3c3a0001';

/** Until the maker says otherwise: an hour on five evenings, two on the sixth day (our own estimate). */
const USUAL_TERMS: PlanTerms = {
  id: TERMS_ID,
  kind: 'terms',
  week: [60, 60, 60, 60, 0, 120, 0],
  wage: 0,
  more: 0,
  currency: '€',
  eyePrice: null,
  stuffingPricePerKilo: null,
};

/** What is wanted, for which stalls, and when there is time for it. */
@Injectable({ providedIn: 'root' })
export class PlanList extends KeptList<PlanEntry> {
  readonly wishes = computed(() =>
    this.items()
      .filter((entry): entry is PlannedWish => entry.kind === 'wish')
      .sort((a, b) => a.rank - b.rank || (a.id < b.id ? -1 : 1)),
  );
  readonly stalls = computed(() =>
    this.items()
      .filter((entry): entry is PlannedStall => entry.kind === 'stall')
      .sort((a, b) => (a.day < b.day ? -1 : 1)),
  );
  readonly days = computed(() => this.items().filter((entry): entry is PlannedDay => entry.kind === 'day'));
  readonly terms = computed(() => this.items().find((entry): entry is PlanTerms => entry.kind === 'terms') ?? USUAL_TERMS);
  readonly feed = computed(() => this.items().find((entry): entry is PlanFeed => entry.kind === 'feed') ?? null);
  /** Whether the hours of the week were ever said. */
  readonly termsSaid = computed(() => this.items().some(({ kind }) => kind === 'terms'));

  constructor() {
    const server = inject(Server);
    super({
      name: 'plan',
      value: PlanEntry,
      load: () =>
        server
          .get('/api/plan', z.array(KeptPlanEntry))
          .pipe(map((all) => all.map(({ entry: value, changedAt }) => ({ value, changedAt })))),
      send: (changes) =>
        server.put(
          '/api/plan',
          { entries: changes.map(({ value, changedAt, removed }) => ({ entry: value, changedAt, removed })) },
          TakenAnswer,
        ),
      batch: 1_000,
    });
  }

  /** A day with other minutes than its weekday; null gives it back to the week. */
  setDay(day: string, minutes: number | null): void {
    const known = this.days().filter((each) => each.day === day);
    if (minutes === null) {
      if (known.length > 0) this.remove(...known);
      return;
    }
    this.put({ id: known[0]?.id ?? crypto.randomUUID(), kind: 'day', day, minutes });
  }

  setTerms(change: Partial<Omit<PlanTerms, 'id' | 'kind'>>): void {
    this.put({ ...this.terms(), ...change });
  }
}
