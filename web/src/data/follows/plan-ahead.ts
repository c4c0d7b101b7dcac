import { computed, DestroyRef, effect, inject, Injectable, signal, untracked } from '@angular/core';
import type { ShelvedMake } from '@lemniscus/api';
import type { PlannedWish } from '@lemniscus/api/plan';
import { localTime, type PaceByKind } from '@lemniscus/core/history';
import {
  batchOf,
  isLate,
  minutesOf,
  times,
  type Batch,
  type Day,
  type Hours,
  type Ready,
  type WayOut,
  type Wish,
} from '@lemniscus/core/planning';
import { catchError, of } from 'rxjs';
import type { PlanAnswer, PlanQuestion } from '../../workers/plan-messages';
import { Measurements } from '../owned/measurements';
import { PlanList } from '../owned/plan-list';
import { zoneHere } from './made-make';
import { MakerPace } from './maker-pace';
import { jobsFor, plannedMake, unitsLogged, type PlannedMake } from './planned-make';
import { ShelfList } from './shelf-list';

/** A wish with what its make takes and how it is batched. */
export interface PlannedOne {
  readonly wish: PlannedWish;
  readonly made: PlannedMake;
  readonly batch: Batch;
  /** Units of each job that are done: as the board says, or the log of the copy that is begun. */
  readonly done: ReadonlyMap<string, number>;
  /** Share of its minutes that is done, 0 to 1. */
  readonly share: number;
}

/** What was worked out of a wish. */
export interface Outlook {
  readonly ready: Ready;
  readonly late: boolean;
  readonly startBy: Day | null;
  readonly ways: readonly WayOut[];
}

/** The plan worked out: when everything is ready, from this maker's own pace, in a worker. */
@Injectable()
export class PlanAhead {
  private readonly list = inject(PlanList);
  private readonly shelf = inject(ShelfList);
  private readonly measurements = inject(Measurements);
  private readonly maker = inject(MakerPace);
  private readonly worker = new Worker(new URL('../../workers/plan.worker', import.meta.url), { type: 'module' });
  private readonly known = new Map<string, { readonly make: ShelvedMake; readonly made: PlannedMake }>();
  private batches: { readonly pace: PaceByKind | null; readonly of: Map<PlannedMake, Map<number, Batch>> } = {
    pace: null,
    of: new Map(),
  };
  private question = 0;

  readonly makes = signal<readonly ShelvedMake[] | null>(null);
  readonly failure = signal<string | null>(null);
  readonly today = signal<Day>(todayHere());
  readonly pace = this.maker.pace;
  readonly busy = signal(false);
  private readonly ready = signal<ReadonlyMap<string, Ready>>(new Map());
  private readonly told = signal<ReadonlyMap<string, { readonly startBy: Day | null; readonly ways: readonly WayOut[] }>>(
    new Map(),
  );

  readonly hours = computed<Hours>(() => ({
    week: this.list.terms().week,
    days: new Map(this.list.days().map(({ day, minutes }) => [day, minutes])),
  }));

  /** The wishes whose make is on the shelf, in the order they are made. */
  readonly planned = computed<readonly PlannedOne[]>(() => {
    const makes = new Map(this.makes()?.map((make) => [make.id, make]) ?? []);
    return this.list.wishes().flatMap((wish): PlannedOne[] => {
      const make = makes.get(wish.make);
      if (!make) return [];
      const made = this.made(make);
      const found = this.batch(made, wish.copies);
      const batch = wish.order ? { ...found, order: ordered(found.order, wish.order) } : found;
      const all = batch.order.reduce((sum, job) => sum + job.minutes * job.units * wish.copies, 0);
      const logged = unitsLogged(made, batch.order);
      const done = new Map(batch.order.map(({ id }) => [id, Math.max(wish.done[id] ?? 0, logged.get(id) ?? 0)]));
      const minutes = batch.order.reduce(
        (sum, job) => sum + job.minutes * Math.min(job.units * wish.copies, done.get(job.id) ?? 0),
        0,
      );
      return [{ wish, made, batch, done, share: all > 0 ? minutes / all : 0 }];
    });
  });
  /** Wishes for makes that are not on the shelf any more. */
  readonly lost = computed(() => {
    const makes = this.makes();
    return makes ? this.list.wishes().filter(({ make }) => !makes.some(({ id }) => id === make)) : [];
  });

  private readonly wishes = computed<readonly Wish[]>(() =>
    this.planned().map(({ wish, made, share }): Wish => ({
      id: wish.id,
      copies: wish.copies,
      by: wish.by,
      // What the log tells of the copy that is begun is in the share already.
      first: times(made.each, 1 - share),
      each: times(made.each, 1 - share),
    })),
  );

  readonly outlooks = computed<ReadonlyMap<string, Outlook>>(() => {
    const told = this.told();
    return new Map(
      [...this.ready()].map(([id, ready]) => [
        id,
        { ready, late: isLate(ready), startBy: told.get(id)?.startBy ?? null, ways: told.get(id)?.ways ?? [] },
      ]),
    );
  });

  constructor() {
    this.worker.addEventListener('message', ({ data }: MessageEvent<PlanAnswer>) => this.hear(data));
    this.worker.addEventListener('error', () =>
      this.failure.set('The plan cannot be worked out: the worker did not start. Reload the page.'),
    );
    inject(DestroyRef).onDestroy(() => this.worker.terminate());
    effect(() => {
      const wishes = this.wishes();
      const options = { from: this.today(), hours: this.hours(), pace: this.pace(), workedToday: this.maker.workedToday() };
      if (!this.makes() || !this.maker.learned()) return;
      untracked(() => {
        this.busy.set(true);
        const question: PlanQuestion = { key: ++this.question, wishes, options };
        this.worker.postMessage(question);
      });
    });
    this.load();
  }

  load(): void {
    this.failure.set(null);
    this.shelf
      .latest()
      .pipe(
        catchError((error: Error) => {
          this.failure.set(error.message);
          return of(null);
        }),
      )
      .subscribe((makes) => {
        if (!makes) return;
        this.makes.set(makes);
        this.maker.learn(makes);
      });
  }

  /** Minutes a whole copy takes. */
  minutesOf({ made }: PlannedOne): number {
    return minutesOf(made.each, this.pace());
  }

  private hear(answer: PlanAnswer): void {
    if (answer.key !== this.question) return;
    if ('ready' in answer) {
      this.ready.set(new Map(answer.ready.map((each) => [each.id, each])));
      this.told.set(new Map());
    } else if ('wish' in answer) {
      this.told.update((all) => new Map(all).set(answer.wish, { startBy: answer.startBy, ways: answer.ways }));
    } else {
      this.busy.set(false);
    }
  }

  /** The best order of a batch is looked for once for so many of a make at a pace. */
  private batch(made: PlannedMake, copies: number): Batch {
    const pace = this.pace();
    if (this.batches.pace !== pace) this.batches = { pace, of: new Map() };
    const own = this.batches.of.get(made) ?? new Map<number, Batch>();
    this.batches.of.set(made, own);
    const batch = own.get(copies) ?? batchOf(jobsFor(made, pace), copies);
    own.set(copies, batch);
    return batch;
  }

  private made(make: ShelvedMake): PlannedMake {
    const known = this.known.get(make.id);
    if (known?.make === make) return known.made;
    const made = plannedMake(make, this.measurements.items());
    this.known.set(make.id, { make, made });
    return made;
  }
}

export function todayHere(): Day {
  const now = Date.now();
  return localTime(now, zoneHere(now)).day;
}

/** Jobs in the maker's own order; those it does not name come last. */
function ordered<T extends { readonly id: string }>(jobs: readonly T[], order: readonly string[]): T[] {
  const rank = ({ id }: T): number => (order.includes(id) ? order.indexOf(id) : order.length);
  return [...jobs].sort((a, b) => rank(a) - rank(b));
}
