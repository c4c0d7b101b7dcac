import { computed, inject, Injectable, signal } from '@angular/core';
import { EventPage, type ShelvedMake } from '@lemniscus/api';
import { checkPattern } from '@lemniscus/core/fabric';
import { localTime, paceByKind, type Bit, type PaceByKind } from '@lemniscus/core/history';
import { EMPTY_LOG, record, withNewNames } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { handGauge } from '@lemniscus/core/supply';
import { catchError, forkJoin, from, map, of, switchMap, type Observable } from 'rxjs';
import { Measurements } from '../owned/measurements';
import { MakeApi } from '../server/make-api';
import { KeptAnswers } from '../sync/kept-answers';
import { madeMake, zoneHere } from './made-make';

/** So many of the makes worked last tell how fast their maker is now. */
const LEARNED_FROM = 12;

/** How fast this maker is by kind of round, learned from the makes that were worked last. */
@Injectable({ providedIn: 'root' })
export class MakerPace {
  private readonly api = inject(MakeApi);
  private readonly answers = inject(KeptAnswers);
  private readonly measurements = inject(Measurements);
  private readonly bits = signal<readonly Bit[]>([]);

  readonly learned = signal(false);
  readonly pace = computed<PaceByKind>(() => paceByKind(this.bits()));
  /** Minutes worked today, by the maker's clock. */
  readonly workedToday = computed(() => {
    const now = Date.now();
    const today = localTime(now, zoneHere(now)).day;
    const own = this.bits().filter(({ at, zone }) => localTime(at, zone ?? zoneHere(at)).day === today);
    return own.reduce((sum, { tookMs }) => sum + tookMs, 0) / 60_000;
  });

  learn(makes: readonly ShelvedMake[]): void {
    const latest = makes
      .map((make) => ({ make, at: Math.max(0, ...Object.values(make.said).flatMap((said) => said.map((event) => event.at))) }))
      .filter(({ at }) => at > 0)
      .sort((a, b) => b.at - a.at)
      .slice(0, LEARNED_FROM);
    const logs = latest.map(({ make }) => this.bitsOf(make));
    (logs.length > 0 ? forkJoin(logs) : of([])).subscribe((all) => {
      // Sittings are told apart from make to make.
      this.bits.set(all.flatMap((bits, i) => bits.map((bit) => ({ ...bit, sitting: bit.sitting * LEARNED_FROM + i }))));
      this.learned.set(true);
    });
  }

  private bitsOf(make: ShelvedMake): Observable<readonly Bit[]> {
    return from(this.answers.eventsOf(make.id)).pipe(
      switchMap((kept) =>
        this.api.eventsAfter(make.id, kept.last).pipe(
          catchError(() => of<EventPage>({ events: [], last: kept.last })),
          map(({ events }) => [...kept.events, ...events]),
        ),
      ),
      map((events) => {
        const { height } = handGauge(make, make.kit.hand, this.measurements.items()).stitch;
        const log = withNewNames(record(EMPTY_LOG, events));
        return madeMake(checkPattern(read(make.text)), log, height).history.bits;
      }),
    );
  }
}
