import { signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  catchError,
  debounceTime,
  defer,
  EMPTY,
  exhaustMap,
  fromEvent,
  map,
  merge,
  of,
  repeat,
  retry,
  Subject,
  takeWhile,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import type * as z from 'zod';
import { forget, keep, keptKeys, recall } from '../device/local';
import { RequestFailed } from '../server/server';

/** A value under its id, as it was changed last; removed ones stay as removed, so that a late answer cannot bring them back. */
export interface Change<T> {
  readonly value: T;
  readonly changedAt: number;
  readonly removed: boolean;
}

interface Source<T extends { readonly id: string }> {
  /** Where changes are kept on this device: a short word. */
  readonly name: string;
  readonly change: z.ZodType<Change<T>>;
  readonly load: () => Observable<readonly T[]>;
  readonly send: (changes: readonly Change<T>[]) => Observable<unknown>;
  /** Most changes sent at once. */
  readonly batch: number;
}

const RETRY_MS = { first: 1_000, most: 30_000 };
const REFRESH_AFTER_MS = 50;

/**
 * A list kept on the server and changed here: each change is kept on this device under a key of its own until the server
 * has it, then sent, again and again while the server is away. Of two changes to one value the later wins.
 * Must be made where Angular injects.
 */
export class KeptList<T extends { readonly id: string }> {
  private readonly list = signal<readonly T[]>([]);
  private readonly wake = new Subject<void>();
  private readonly asked = new Subject<void>();
  private lastChange = 0;
  /** Grows with every change made or sent: an answer asked for before is out of date. */
  private edits = 0;

  readonly items: Signal<readonly T[]> = this.list.asReadonly();
  /** Whether the server's list is here. */
  readonly loaded = signal(false);
  /** Changes the server does not have yet. */
  readonly waiting = signal(0);
  /** Why the server refused a change for good; null when it did not. */
  readonly refused = signal<string | null>(null);

  constructor(private readonly source: Source<T>) {
    this.waiting.set(this.changes().length);
    this.list.set(this.withChanges([]));
    merge(of(undefined), this.asked, fromEvent(window, 'focus'))
      .pipe(
        debounceTime(REFRESH_AFTER_MS),
        exhaustMap(() => this.load()),
        takeUntilDestroyed(),
      )
      .subscribe(({ values, edits }) => {
        if (edits !== this.edits) {
          this.asked.next();
          return;
        }
        this.list.set(this.withChanges(values));
        this.loaded.set(true);
      });
    merge(of(undefined), this.wake, fromEvent(window, 'online'))
      .pipe(
        exhaustMap(() => this.sendAll()),
        takeUntilDestroyed(),
      )
      .subscribe();
  }

  find(id: string): T | null {
    return this.list().find((value) => value.id === id) ?? null;
  }

  put(...values: readonly T[]): void {
    this.change(values, false);
  }

  remove(...values: readonly T[]): void {
    this.change(values, true);
  }

  private load(): Observable<{ readonly values: readonly T[]; readonly edits: number }> {
    return defer(() => {
      const { edits } = this;
      return this.source.load().pipe(map((values) => ({ values, edits })));
    }).pipe(retry({ delay: (_error, count) => timer(pause(count)) }));
  }

  private change(values: readonly T[], removed: boolean): void {
    this.edits++;
    // Two changes in one millisecond keep their order.
    this.lastChange = Math.max(Date.now(), this.lastChange + 1);
    for (const value of values) keep(this.key(value.id), { value, changedAt: this.lastChange, removed });
    this.list.update((list) => this.withChanges(list));
    this.waiting.set(this.changes().length);
    this.wake.next();
  }

  private key(id: string): string {
    return `${this.source.name}.${id}`;
  }

  private changes(): Change<T>[] {
    return keptKeys(`${this.source.name}.`).flatMap((key) => {
      const change = this.source.change.safeParse(recall(key));
      return change.success ? [change.data] : [];
    });
  }

  private withChanges(values: readonly T[]): readonly T[] {
    const merged = new Map(values.map((value) => [value.id, value]));
    for (const { value, removed } of this.changes()) {
      if (removed) merged.delete(value.id);
      else merged.set(value.id, value);
    }
    return [...merged.values()];
  }

  private sendAll(): Observable<number> {
    return defer(() => {
      const batch = this.changes().slice(0, this.source.batch);
      if (batch.length === 0) {
        // Another window may have sent them.
        this.waiting.set(0);
        return of(0);
      }
      return this.source.send(batch).pipe(
        catchError((error: unknown) => {
          if (!(error instanceof RequestFailed) || error.passing) return throwError(() => error);
          this.refused.set(error.message);
          for (const change of batch) keep(`refused.${this.key(change.value.id)}`, change);
          return of(null);
        }),
        map(() => {
          this.edits++;
          // What was changed again meanwhile stays, and is sent next.
          for (const sent of batch) {
            const now = this.source.change.safeParse(recall(this.key(sent.value.id)));
            if (now.success && now.data.changedAt === sent.changedAt) forget(this.key(sent.value.id));
          }
          this.waiting.set(this.changes().length);
          return batch.length;
        }),
      );
    }).pipe(
      retry({ delay: (_error, count) => timer(pause(count)), resetOnSuccess: true }),
      repeat(),
      takeWhile((sent) => sent > 0),
      catchError(() => EMPTY),
    );
  }
}

function pause(count: number): number {
  return Math.min(RETRY_MS.most, RETRY_MS.first * 2 ** (count - 1));
}
