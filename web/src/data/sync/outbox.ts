import { inject, Injectable, signal } from '@angular/core';
import { EVENT_BATCH } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import {
  catchError,
  defer,
  EMPTY,
  exhaustMap,
  from,
  fromEvent,
  map,
  merge,
  mergeMap,
  of,
  race,
  repeat,
  retry,
  Subject,
  switchMap,
  take,
  takeWhile,
  tap,
  throwError,
  timeout,
  timer,
  type Observable,
} from 'rxjs';
import { MakeApi } from '../server/make-api';
import { RequestFailed } from '../server/server';
import { WaitingEvents, type Waiting } from './waiting-events';
import { whenIdle } from '../device/when-idle';

const RETRY_MS = { first: 1_000, most: 30_000 };
/** Steps leave the frame of the tap to the tap: they are sent in its pauses, in a burst together after at most so long. */
const GATHER_MS = { most: 300, unasked: 60 };
/** Longest that anyone waits for the server to know. */
const SETTLE_MS = 1_000;

/**
 * Events on their way to the server. Each is kept on this device before it is sent, so a closed window loses none, and
 * windows that share the device send each other's; the server passes over doubles.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(MakeApi);
  private readonly kept = inject(WaitingEvents);
  private readonly wake = new Subject<void>();
  private readonly again = new Subject<null>();
  /** Nothing waits, or what waits cannot be sent at the moment. */
  private readonly rested = new Subject<void>();
  /** Whether something was added since what waits was last looked through. */
  private added = false;

  /** How many events the server has not acknowledged. */
  readonly waiting = signal(0);
  /** Why sending does not work at the moment; null while it does. */
  readonly trouble = signal<string | null>(null);

  constructor() {
    fromEvent(window, 'online').subscribe(() => this.sendNow());
    const pause = this.wake.pipe(map(() => race(whenIdle(GATHER_MS.most, GATHER_MS.unasked), this.again)));
    merge(of(of(null)), pause, this.again.pipe(map(() => of(null))))
      .pipe(exhaustMap((start) => start.pipe(switchMap(() => this.sendAll()))))
      .subscribe();
  }

  add(make: string, event: MakerEvent): void {
    this.waiting.update((count) => count + 1);
    void this.kept.put({ id: event.id, make, event }).then(() => {
      this.added = true;
      this.wake.next();
    });
  }

  /** Tries at once what waits for its next try: the server was heard of. */
  sendNow(): void {
    this.again.next(null);
  }

  /** Tells once when the server knows what was said here, or cannot be told soon: for whoever asks it about that. */
  settled(): Observable<unknown> {
    return defer(() => {
      if (this.waiting() === 0) return of(null);
      const rested = this.rested.pipe(take(1), timeout({ first: SETTLE_MS, with: () => of(null) }));
      return merge(
        rested,
        defer(() => (this.sendNow(), EMPTY)),
      );
    });
  }

  /** Events of a make that are still waiting here. */
  async of(make: string): Promise<MakerEvent[]> {
    return (await this.kept.all(make)).map(({ event }) => event);
  }

  /** Sends batch after batch until nothing waits, trying again and again while the server is away. */
  private sendAll(): Observable<number> {
    return defer(() => {
      this.added = false;
      return from(this.kept.all());
    }).pipe(
      tap((all) => {
        this.waiting.set(all.length);
        if (all.length === 0 && !this.added) this.rested.next();
      }),
      switchMap((all) => {
        const make = all[0]?.make;
        if (make === undefined) return of(0);
        return this.send(make, all.filter((one) => one.make === make).slice(0, EVENT_BATCH));
      }),
      retry({
        delay: (error: unknown, count) => {
          this.trouble.set(error instanceof Error ? error.message : 'Sending failed. It is tried again.');
          this.rested.next();
          return race(timer(Math.min(RETRY_MS.most, RETRY_MS.first * 2 ** (count - 1))), this.again);
        },
        resetOnSuccess: true,
      }),
      repeat(),
      takeWhile((sent) => sent > 0 || this.added),
    );
  }

  private send(make: string, batch: readonly Waiting[]): Observable<number> {
    return this.api
      .append(
        make,
        batch.map(({ event }) => event),
      )
      .pipe(
        catchError((error: unknown) =>
          error instanceof RequestFailed && !error.passing
            ? // What is refused for good is set aside, so that it cannot block the rest.
              from(this.kept.refuse(batch, error.message))
            : throwError(() => error),
        ),
        mergeMap(() => from(this.kept.remove(batch))),
        map(() => {
          this.trouble.set(null);
          return batch.length;
        }),
      );
  }
}
