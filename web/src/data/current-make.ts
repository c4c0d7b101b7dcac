import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Make, MakeChange } from '@lemniscus/api';
import { fabricOf, type Fabric } from '@lemniscus/core/fabric';
import { estimateStitch } from '@lemniscus/core/gauge';
import {
  EMPTY_LOG,
  lastReached,
  nextTime,
  piecesOf,
  positionOf,
  record,
  type Log,
  type MakerEvent,
  type Position,
} from '@lemniscus/core/making';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  forkJoin,
  from,
  of,
  retry,
  Subject,
  switchMap,
  tap,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { forgetUnsaved, keepUnsaved, recallUnsaved, type Unsaved } from './make-changes';
import { MakeApi, RequestFailed } from './make-api';
import { Outbox } from './outbox';
import { settledReading } from './settled-reading';

const SAVE_AFTER_MS = 600;
const RETRY_MS = 3_000;

export type Saving = 'saved' | 'saving' | 'away' | 'conflict';

/** The make that is open: its pattern read and counted, where every piece is, and all that changes it. */
@Injectable()
export class CurrentMake {
  private readonly api = inject(MakeApi);
  private readonly outbox = inject(Outbox);
  private readonly id$ = new Subject<string>();
  private readonly save$ = new Subject<void>();
  private readonly typing$ = new Subject<void>();
  private readonly stored = signal<Make | null>(null);
  private readonly unsaved = signal<Unsaved | null>(null);
  private readonly log = signal<Log>(EMPTY_LOG);
  private cursor = 0;

  readonly failure = signal<RequestFailed | null>(null);
  readonly saving = signal<Saving>('saved');

  /** The make as the maker sees it: stored, with unsaved changes on top. */
  readonly make = computed<Make | null>(() => {
    const stored = this.stored();
    const unsaved = this.unsaved();
    if (!stored || !unsaved) return stored;
    const { text, yarnWeight, hookMm } = unsaved;
    return { ...stored, text: text ?? stored.text, yarnWeight: yarnWeight ?? stored.yarnWeight, hookMm: hookMm ?? stored.hookMm };
  });
  readonly text = computed(() => this.make()?.text ?? '');
  readonly reading = settledReading(this.text, this.typing$);
  readonly count = computed(() => this.reading().count);
  readonly title = computed(() => this.count().pattern.title || this.make()?.title || '');
  readonly terms = computed(() => this.count().pattern.terms);
  readonly pieces = computed(() => piecesOf(this.count().pattern));
  readonly stitch = computed(() => {
    const make = this.make();
    return make ? estimateStitch(make.yarnWeight, make.hookMm) : null;
  });
  readonly fabrics = computed(() => this.count().parts.map((part) => lazily(() => fabricOf(part))));

  constructor() {
    this.id$
      .pipe(
        tap(() => this.clear()),
        switchMap((id) =>
          forkJoin([this.api.show(id), this.api.eventsAfter(id, 0)]).pipe(
            catchError((error: unknown) => {
              this.failure.set(error as RequestFailed);
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe(([make, { events, last }]) => {
        this.cursor = last;
        this.log.set(record(record(EMPTY_LOG, events), this.outbox.of(make.id)));
        this.unsaved.set(recallUnsaved(make.id));
        this.stored.set(make);
        if (this.unsaved()) this.save$.next();
      });
    this.save$
      .pipe(
        debounceTime(SAVE_AFTER_MS),
        concatMap(() => this.save()),
        takeUntilDestroyed(),
      )
      .subscribe();
    const onFocus = (): void => this.refresh();
    window.addEventListener('focus', onFocus);
    inject(DestroyRef).onDestroy(() => {
      window.removeEventListener('focus', onFocus);
      // A change made just before leaving is sent at once instead of after the pause.
      if (this.saving() === 'saving') this.save().subscribe();
    });
  }

  open(id: string): void {
    this.id$.next(id);
  }

  fabric(part: number): Fabric | null {
    return this.fabrics()[part]?.() ?? null;
  }

  place(piece: string): Position {
    return positionOf(this.log(), piece);
  }

  /** The piece worked on last, or null before the first stitch of the make. */
  readonly lastPiece = computed(() => {
    let last: MakerEvent | null = null;
    for (const events of this.log().values()) {
      const event = events[events.length - 1];
      if (event && (!last || event.at > last.at)) last = event;
    }
    return last?.piece ?? null;
  });

  reach(piece: string, { round, action }: Position): void {
    this.append({ id: crypto.randomUUID(), piece, at: nextTime(this.log(), Date.now()), kind: 'reached', round, action });
  }

  canUndo(piece: string): boolean {
    return lastReached(this.log(), piece) !== null;
  }

  undo(piece: string): void {
    const last = lastReached(this.log(), piece);
    if (last)
      this.append({ id: crypto.randomUUID(), piece, at: nextTime(this.log(), Date.now()), kind: 'undone', event: last.id });
  }

  change(change: Omit<MakeChange, 'version'>): void {
    const stored = this.stored();
    if (!stored) return;
    if (change.text !== undefined) this.typing$.next();
    const unsaved = { version: stored.version, ...withoutVersion(this.unsaved()), ...change };
    this.unsaved.set(unsaved);
    keepUnsaved(stored.id, unsaved);
    if (this.saving() !== 'conflict') {
      this.saving.set('saving');
      this.save$.next();
    }
  }

  /** After a conflict: store what stands here over what another window stored. */
  keepMine(): void {
    const stored = this.stored();
    const unsaved = this.unsaved();
    if (!stored || !unsaved) return;
    this.api.show(stored.id).subscribe((latest) => {
      this.stored.set(latest);
      this.unsaved.set({ ...unsaved, version: latest.version });
      this.saving.set('saving');
      this.save$.next();
    });
  }

  /** After a conflict: let go of what stands here. */
  takeTheirs(): void {
    const stored = this.stored();
    if (!stored) return;
    this.api.show(stored.id).subscribe((latest) => {
      forgetUnsaved(stored.id);
      this.unsaved.set(null);
      this.stored.set(latest);
      this.saving.set('saved');
    });
  }

  private append(event: MakerEvent): void {
    const make = this.stored();
    if (!make) return;
    this.log.update((log) => record(log, [event]));
    this.outbox.add(make.id, event);
  }

  private save(): Observable<unknown> {
    const stored = this.stored();
    const sent = this.unsaved();
    if (!stored || !sent) return EMPTY;
    return this.api.change(stored.id, sent).pipe(
      retry({
        delay: (error: unknown) => {
          if (!(error instanceof RequestFailed) || !error.passing) return throwError(() => error);
          this.saving.set('away');
          return timer(RETRY_MS);
        },
      }),
      catchError((error: unknown) => this.afterRefusal(stored.id, sent, error)),
      tap((saved) => this.took(saved, sent)),
    );
  }

  /**
   * After a conflict, looks at what is stored: when it is what was sent, an earlier try got through although its answer
   * was lost, and all is well. Anything else is for the maker to decide.
   */
  private afterRefusal(id: string, sent: Unsaved, error: unknown): Observable<Make> {
    if (!(error instanceof RequestFailed) || error.status !== 409) {
      this.failure.set(error as RequestFailed);
      return EMPTY;
    }
    return this.api.show(id).pipe(
      catchError(() => of(null)),
      switchMap((latest) => {
        if (latest && holds(latest, sent)) return of(latest);
        this.saving.set('conflict');
        return EMPTY;
      }),
    );
  }

  /** What was sent is stored; what was typed since goes on from there. */
  private took(saved: Make, sent: Unsaved): void {
    this.stored.set(saved);
    const now = this.unsaved();
    if (now === sent) {
      this.unsaved.set(null);
      forgetUnsaved(saved.id);
      this.saving.set('saved');
    } else if (now) {
      const rest = { ...now, version: saved.version };
      this.unsaved.set(rest);
      keepUnsaved(saved.id, rest);
      this.save$.next();
    }
  }

  /** Takes in what other windows did since. */
  private refresh(): void {
    const make = this.stored();
    if (!make) return;
    from(this.api.eventsAfter(make.id, this.cursor))
      .pipe(catchError(() => EMPTY))
      .subscribe(({ events, last }) => {
        this.cursor = last;
        this.log.update((log) => record(log, events));
      });
    if (!this.unsaved()) {
      this.api
        .show(make.id)
        .pipe(catchError(() => EMPTY))
        .subscribe((latest) => {
          if (!this.unsaved() && latest.version > make.version) this.stored.set(latest);
        });
    }
  }

  private clear(): void {
    this.stored.set(null);
    this.unsaved.set(null);
    this.failure.set(null);
    this.saving.set('saved');
    this.log.set(EMPTY_LOG);
    this.cursor = 0;
  }
}

/** Whether a stored make already has everything that a change would bring. */
function holds(make: Make, { text, yarnWeight, hookMm }: Unsaved): boolean {
  return (
    (text === undefined || text === make.text) &&
    (yarnWeight === undefined || yarnWeight === make.yarnWeight) &&
    (hookMm === undefined || hookMm === make.hookMm)
  );
}

function withoutVersion(change: Unsaved | null): Omit<Unsaved, 'version'> {
  const { version: _version, ...rest } = change ?? { version: 0 };
  return rest;
}

/** Works the value out at the first call and keeps it. */
function lazily<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
