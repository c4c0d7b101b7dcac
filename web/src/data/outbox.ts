import { inject, Injectable, signal } from '@angular/core';
import { Event, EVENT_BATCH } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import {
  catchError,
  defer,
  exhaustMap,
  merge,
  mergeMap,
  of,
  repeat,
  retry,
  Subject,
  takeWhile,
  tap,
  throwError,
  timer,
  fromEvent,
} from 'rxjs';
import { forget, keep, keptKeys, recall } from './local';
import { MakeApi, RequestFailed } from './make-api';

const START = 'event.';
const RETRY_MS = { first: 1_000, most: 30_000 };

interface Waiting {
  readonly key: string;
  readonly event: MakerEvent;
}

/**
 * Events on their way to the server. Each is kept on this device under a key of its own before it is sent, so a closed
 * window loses none, and windows that share the device cannot overwrite each other; the server passes over doubles.
 */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly api = inject(MakeApi);
  private readonly wake = new Subject<void>();

  /** How many events the server has not acknowledged. */
  readonly waiting = signal(keptKeys(START).length);
  /** Why sending does not work at the moment; null while it does. */
  readonly trouble = signal<string | null>(null);

  constructor() {
    merge(of(undefined), this.wake, fromEvent(window, 'online'))
      .pipe(exhaustMap(() => this.sendAll()))
      .subscribe();
  }

  add(make: string, event: MakerEvent): void {
    keep(`${START}${make}.${event.id}`, event);
    this.waiting.update((count) => count + 1);
    this.wake.next();
  }

  /** Events of a make that are still waiting here. */
  of(make: string): MakerEvent[] {
    return this.kept(`${START}${make}.`).map(({ event }) => event);
  }

  private kept(start: string): Waiting[] {
    return keptKeys(start).flatMap((key) => {
      const event = Event.safeParse(recall(key));
      return event.success ? [{ key, event: event.data }] : [];
    });
  }

  /** Sends batch after batch until nothing waits, trying again and again while the server is away. */
  private sendAll() {
    return defer(() => {
      const all = this.kept(START);
      const make = all[0]?.key.split('.')[1];
      if (make === undefined) return of(0);
      const batch = all.filter(({ key }) => key.startsWith(`${START}${make}.`)).slice(0, EVENT_BATCH);
      return this.api
        .append(
          make,
          batch.map(({ event }) => event),
        )
        .pipe(
          catchError((error: unknown) =>
            error instanceof RequestFailed && !error.passing ? this.setAside(batch, error) : throwError(() => error),
          ),
          tap(() => {
            for (const { key } of batch) forget(key);
            this.trouble.set(null);
          }),
          mergeMap(() => of(batch.length)),
        );
    }).pipe(
      retry({
        delay: (error: unknown, count) => {
          this.trouble.set(error instanceof Error ? error.message : 'Sending failed. It is tried again.');
          return timer(Math.min(RETRY_MS.most, RETRY_MS.first * 2 ** (count - 1)));
        },
        resetOnSuccess: true,
      }),
      repeat(),
      takeWhile((sent) => sent > 0),
      tap({ next: () => this.waiting.set(keptKeys(START).length), complete: () => this.waiting.set(keptKeys(START).length) }),
    );
  }

  /** What the server refuses for good is kept under another key and no longer sent, so that it cannot block the rest. */
  private setAside(batch: readonly Waiting[], error: RequestFailed) {
    for (const { key, event } of batch) keep(`refused.${key}`, { event, why: error.message });
    return of(null);
  }
}
