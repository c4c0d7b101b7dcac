import { inject, Injectable } from '@angular/core';
import { ShelvedMake } from '@lemniscus/api';
import { EMPTY_LOG, piecesSaid, record, type MakerEvent } from '@lemniscus/core/making';
import { forkJoin, from, map, of, switchMap, type Observable } from 'rxjs';
import * as z from 'zod';
import { MakeApi } from '../server/make-api';
import { Journal } from '../sync/journal';
import { KeptAnswers } from '../sync/kept-answers';

const KEY = 'shelf';
const Shelved = z.array(ShelvedMake);

/** The makes on the shelf, as the server has them or as it told them last, with what was worked here since. */
@Injectable({ providedIn: 'root' })
export class ShelfList {
  private readonly api = inject(MakeApi);
  private readonly answers = inject(KeptAnswers);
  private readonly journal = inject(Journal);

  /** As it was told last; null where it never was. */
  kept(): Observable<ShelvedMake[] | null> {
    return from(this.answers.find(KEY, Shelved)).pipe(switchMap((makes) => (makes ? this.withWaiting(makes) : of(null))));
  }

  latest(): Observable<ShelvedMake[]> {
    return this.answers.latest(KEY, Shelved, this.api.list()).pipe(switchMap((makes) => this.withWaiting(makes)));
  }

  private withWaiting(makes: readonly ShelvedMake[]): Observable<ShelvedMake[]> {
    return from(this.journal.pending('event')).pipe(
      switchMap((waiting) => {
        const all = makes.map((make) => {
          const own = waiting.filter(({ of }) => of === make.id).map(({ body }) => body as MakerEvent);
          return own.length === 0 ? of(make) : this.withEvents(make, own);
        });
        return all.length > 0 ? forkJoin(all) : of([]);
      }),
    );
  }

  private withEvents(make: ShelvedMake, waiting: readonly MakerEvent[]): Observable<ShelvedMake> {
    return from(this.answers.eventsOf(make.id)).pipe(
      map(({ events }) => ({ ...make, said: piecesSaid(record(record(EMPTY_LOG, events), waiting)) })),
    );
  }
}
