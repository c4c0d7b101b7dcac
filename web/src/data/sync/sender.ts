import { computed, inject, Injectable, signal } from '@angular/core';
import type { Taken } from '@lemniscus/api';
import {
  catchError,
  defer,
  EMPTY,
  exhaustMap,
  firstValueFrom,
  from,
  fromEvent,
  map,
  merge,
  of,
  race,
  repeat,
  retry,
  Subject,
  switchMap,
  take,
  takeWhile,
  throwError,
  timeout,
  timer,
  type Observable,
} from 'rxjs';
import type { Entry, EntryKind } from '../device/database';
import { whenIdle } from '../device/when-idle';
import { alone, WindowId } from '../device/window-id';
import { RequestFailed } from '../server/server';
import { Journal } from './journal';

const RETRY_MS = { first: 1_000, most: 30_000 };
/** Steps leave the frame of the tap to the tap: they are sent in its pauses, in a burst together after at most so long. */
const GATHER_MS = { most: 300, unasked: 60 };
/** Longest that anyone waits for the server to know. */
const SETTLE_MS = 1_000;

/** What became of entries that were sent: the rest is stored. */
export interface Outcome {
  readonly refused?: readonly { readonly entry: Entry; readonly why: string }[];
  /** Those that wait for the maker, and are not sent until they are put again. */
  readonly asks?: readonly Entry[];
}

/** How one kind of entry gets to the server. */
export interface Route {
  readonly kind: EntryKind;
  /** Most sent at once. */
  readonly batch: number;
  /** @throws RequestFailed when nothing of it was taken */
  readonly send: (of: string, entries: readonly Entry[]) => Observable<Outcome>;
}

/**
 * The one sender of everything in the journal: kind by kind and batch by batch in the order it was made, by one window at a
 * time, again and again while the server is away. What is refused is set aside alone.
 */
@Injectable({ providedIn: 'root' })
export class Sender {
  private readonly journal = inject(Journal);
  private readonly windowId = inject(WindowId);
  private readonly routes = new Map<EntryKind, Route>();
  /** Entries that wait for the maker, as they were sent; forgotten with the window, which asks again. */
  private readonly asking = new Set<string>();
  private readonly again = new Subject<null>();
  /** Nothing waits, or what waits cannot be sent at the moment. */
  readonly rested = new Subject<void>();
  /** Whether something was added since what waits was last looked through. */
  private added = false;

  /** Entries the server has not acknowledged, by their keys. */
  private readonly keys = signal<ReadonlySet<string>>(new Set());

  /** How many entries the server has not acknowledged. */
  readonly waiting = computed(() => this.keys().size);
  /** Why sending does not work at the moment; null while it does. */
  readonly trouble = signal<string | null>(null);

  constructor() {
    fromEvent(window, 'online').subscribe(() => this.sendNow());
    const pause = this.journal.added.pipe(
      map(() => {
        this.added = true;
        // Told once: the pause is over, and the next one waits for itself.
        return race(whenIdle(GATHER_MS.most, GATHER_MS.unasked), this.again).pipe(take(1));
      }),
    );
    merge(of(of(null)), pause, this.again.pipe(map(() => of(null))))
      .pipe(exhaustMap((start) => start.pipe(switchMap(() => this.sendAll()))))
      .subscribe();
  }

  /** Says how entries of a kind are sent; without that they wait. */
  takes(route: Route): void {
    this.routes.set(route.kind, route);
    this.journal.added.next();
  }

  /** Keeps entries and sends them. */
  put(...entries: readonly Entry[]): Promise<void> {
    this.keys.update((keys) => new Set([...keys, ...entries.map(({ key }) => key)]));
    return this.journal.put(...entries);
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

  /** Sends batch after batch until nothing waits, trying again and again while the server is away. */
  private sendAll(): Observable<number> {
    return defer(() => {
      this.added = false;
      // Where locks are to be had one window sends; the others find nothing left.
      return from(alone('send', () => this.sendNext()));
    }).pipe(
      retry({
        delay: (error: unknown, count) => {
          this.trouble.set(error instanceof Error ? error.message : 'Sending failed. It is tried again.');
          this.rested.next();
          return race(timer(Math.min(RETRY_MS.most, RETRY_MS.first * 2 ** (count - 1))), this.again).pipe(take(1));
        },
        resetOnSuccess: true,
      }),
      repeat(),
      takeWhile((sent) => sent > 0 || this.added),
    );
  }

  private async sendNext(): Promise<number> {
    const all = await this.journal.pending();
    this.keys.set(new Set(all.map(({ key }) => key)));
    const mine = await this.mine(all);
    const first = mine[0];
    if (!first) {
      this.trouble.set(null);
      if (!this.added) this.rested.next();
      return 0;
    }
    const route = this.routes.get(first.kind)!;
    const batch = mine.filter(({ kind, of }) => kind === first.kind && of === first.of).slice(0, route.batch);
    await firstValueFrom(this.send(route, batch));
    this.trouble.set(null);
    return batch.length;
  }

  /** Entries this window may send: of a kind it knows, that ask nobody anything, and that are no other open window's. */
  private async mine(all: readonly Entry[]): Promise<Entry[]> {
    const free: Entry[] = [];
    for (const entry of all) {
      if (!this.routes.has(entry.kind) || this.asking.has(nameOf(entry))) continue;
      if (entry.by === this.windowId.id ? entry.waits : entry.by && (await this.windowId.isElsewhere(entry.by))) continue;
      free.push(entry);
    }
    return free;
  }

  private send(route: Route, batch: readonly Entry[]): Observable<void> {
    return route.send(batch[0]!.of, batch).pipe(
      switchMap((outcome) => from(this.after(batch, outcome))),
      catchError((error: unknown) => this.afterRefusal(route, batch, error)),
    );
  }

  /**
   * What is too much at once is halved, and what was refused without a word which, too, until the bad one is alone. Only a
   * refusal that is for good sets anything aside.
   */
  private afterRefusal(route: Route, batch: readonly Entry[], error: unknown): Observable<void> {
    if (!(error instanceof RequestFailed) || error.passing) return throwError(() => error);
    if (batch.length === 1 || error.status === 404)
      return from(this.after(batch, { refused: batch.map((entry) => ({ entry, why: error.message })) }));
    const half = Math.ceil(batch.length / 2);
    return this.send(route, batch.slice(0, half)).pipe(switchMap(() => this.send(route, batch.slice(half))));
  }

  private async after(batch: readonly Entry[], { refused = [], asks = [] }: Outcome): Promise<void> {
    for (const { entry, why } of refused) await this.journal.refuse(entry, why);
    const left = new Set([...refused.map(({ entry }) => entry.key), ...asks.map(({ key }) => key)]);
    await this.journal.acknowledge(batch.filter(({ key }) => !left.has(key)));
    for (const entry of asks) this.asking.add(nameOf(entry));
  }
}

/** One state of an entry: what was changed again asks nobody anything yet. */
function nameOf({ key, at }: Entry): string {
  return `${key} ${at}`;
}

/** What the answer to a batch says of its entries. */
export function refusedOf(entries: readonly Entry[], { refused }: Taken): Outcome {
  return { refused: refused.flatMap(({ index, message }) => (entries[index] ? [{ entry: entries[index], why: message }] : [])) };
}
