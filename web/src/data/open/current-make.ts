import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { StitchSize } from '@lemniscus/core/gauge';
import { FIRM } from '@lemniscus/core/shape';
import { handGauge, handStretch } from '@lemniscus/core/supply';
import {
  catchError,
  debounceTime,
  EMPTY,
  filter,
  forkJoin,
  from,
  fromEvent,
  map,
  merge,
  share,
  Subject,
  switchMap,
  tap,
  type Observable,
} from 'rxjs';
import { Make } from '@lemniscus/api';
import { Live, type LiveNews } from '../server/live';
import { MakeApi } from '../server/make-api';
import { MakeDraft } from './make-draft';
import { MakerLog } from './maker-log';
import { Measurements } from '../owned/measurements';
import { Outbox } from '../sync/outbox';
import { KeptAnswers } from '../sync/kept-answers';
import { Sender } from '../sync/sender';
import { RequestFailed } from '../server/server';
import { settledReading } from './settled-reading';

/** What other windows did is asked for once, however many things they did at a time. */
const REFRESH_AFTER_MS = 60;

/** The make that is open: opened, kept in step with other windows, its pattern read and counted. */
@Injectable()
export class CurrentMake {
  private readonly api = inject(MakeApi);
  private readonly draft = inject(MakeDraft);
  private readonly log = inject(MakerLog);
  private readonly outbox = inject(Outbox);
  private readonly sender = inject(Sender);
  private readonly answers = inject(KeptAnswers);
  private readonly measurements = inject(Measurements);
  private readonly live = inject(Live);
  private readonly id$ = new Subject<string>();
  private readonly notOpened = signal<RequestFailed | null>(null);

  readonly make = this.draft.make;
  readonly failure = this.notOpened.asReadonly();
  readonly text = computed(() => this.make()?.text ?? '');
  private readonly typing$ = new Subject<void>();
  readonly reading = settledReading(this.text, this.typing$);
  readonly count = computed(() => this.reading().count);
  readonly title = computed(() => this.count().pattern.title || this.make()?.title || '');
  readonly terms = computed(() => this.count().pattern.terms);
  readonly gauge = computed(() => {
    const make = this.make();
    return make ? handGauge(make, make.kit.hand, this.measurements.items()) : null;
  });
  readonly stitch = computed(() => this.gauge()?.stitch ?? null, { equal: sameStitch });
  /** Share by which this maker's stuffing stretches a part. */
  readonly stretch = computed(() => {
    const make = this.make();
    return make ? handStretch(make, this.measurements.items()) : FIRM;
  });

  constructor() {
    this.id$
      .pipe(
        tap(() => this.clear()),
        switchMap((id) => this.opening(id)),
        takeUntilDestroyed(),
      )
      .subscribe();
    this.draft.saves.pipe(takeUntilDestroyed()).subscribe();
    // One line for all who listen: a browser has few to one server.
    const news = merge(
      this.id$.pipe(switchMap((id) => this.live.of(id))),
      fromEvent(window, 'focus').pipe(map((): LiveNews => ({ what: 'connected' }))),
    ).pipe(share());
    news.pipe(takeUntilDestroyed()).subscribe(({ what }) => {
      if (what === 'connected') this.sender.sendNow();
    });
    news
      .pipe(
        filter((one) => one.what !== 'make'),
        // What was told with the news need not be asked for.
        filter((one) => !(one.what === 'events' && one.added && this.log.takeIn(one.added))),
        debounceTime(REFRESH_AFTER_MS),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.log.refresh());
    news
      .pipe(
        filter(({ what }) => what !== 'events'),
        debounceTime(REFRESH_AFTER_MS),
        takeUntilDestroyed(),
      )
      .subscribe(() => this.draft.refresh());
  }

  open(id: string): void {
    this.id$.next(id);
  }

  /** Opens what this device has of a make at once, and brings it up to what the server has. */
  private opening(id: string): Observable<unknown> {
    const here = [
      this.answers.find(`make/${id}`, Make),
      this.answers.eventsOf(id),
      this.outbox.of(id),
      this.draft.left(id),
    ] as const;
    return forkJoin([from(here[0]), from(here[1]), from(here[2]), from(here[3])]).pipe(
      switchMap(([make, kept, waiting, left]) => {
        if (make) {
          this.log.open(id, kept, waiting);
          this.draft.open(make, left);
        }
        return forkJoin([this.api.show(id), this.api.eventsAfter(id, kept.last)]).pipe(
          tap(([latest, page]) => {
            if (!make) {
              this.log.open(id, kept, waiting);
              this.draft.open(latest, left);
            } else this.draft.renew(latest);
            this.log.takeIn({ ...page, after: kept.last });
          }),
          catchError((error: unknown) => {
            const away = make && error instanceof RequestFailed && error.passing;
            if (!away) this.notOpened.set(error as RequestFailed);
            return EMPTY;
          }),
        );
      }),
    );
  }

  /** Takes the text as it is being typed. */
  type(text: string): void {
    this.typing$.next();
    this.draft.change({ text });
  }

  private clear(): void {
    this.notOpened.set(null);
    this.draft.clear();
    this.log.clear();
  }
}

function sameStitch(a: StitchSize | null, b: StitchSize | null): boolean {
  return a === b || (a !== null && b !== null && a.width === b.width && a.height === b.height);
}
