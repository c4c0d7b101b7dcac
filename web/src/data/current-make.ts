import { computed, DestroyRef, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Make, MakeChange } from '@lemniscus/api';
import { fabricOf, type Fabric, type PartCount, type PatternCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import {
  alteredPart,
  countWith,
  EMPTY_LOG,
  logUntil,
  nextTime,
  piecesOf,
  positionOf,
  record,
  standingEvents,
  type Alteration,
  type AlteredPart,
  type Log,
  type MakerEvent,
  type Piece,
  type Position,
} from '@lemniscus/core/making';
import type { OpenRun } from '@lemniscus/core/notation';
import { handGauge } from '@lemniscus/core/supply';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  filter,
  forkJoin,
  fromEvent,
  map,
  merge,
  of,
  retry,
  share,
  Subject,
  switchMap,
  tap,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { forgetUnsaved, keepUnsaved, recallUnsaved, type Unsaved } from './make-changes';
import { Live, type LiveNews } from './live';
import { MakeApi } from './make-api';
import { Measurements } from './measurements';
import { RequestFailed } from './server';
import { Outbox } from './outbox';
import { settledReading } from './settled-reading';

const SAVE_AFTER_MS = 600;
const RETRY_MS = 3_000;
/** What other windows did is asked for once, however many things they did at a time. */
const REFRESH_AFTER_MS = 60;
/** Changes of one kind that follow each other sooner than this are one choice. */
const ONE_CHOICE_MS = 700;
const MOST_CHOICES = 100;

/** Rounds an open run without a length stands for until it is worked. */
const OPEN_ROUNDS = 6;

/** A piece with its own rounds. */
export interface PiecePlan {
  readonly piece: Piece;
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly altered: AlteredPart;
  readonly changes: readonly Alteration[];
}

interface Choice {
  readonly what: string;
  readonly at: number;
  readonly before: Pick<Make, 'yarnWeight' | 'hookMm' | 'kit'>;
}

/** What is said at the hook, without what every event has. */
export type Said = MakerEvent extends infer Each ? (Each extends MakerEvent ? Omit<Each, 'id' | 'piece' | 'at'> : never) : never;

export type Saving = 'saved' | 'saving' | 'away' | 'conflict';

/** The make that is open: its pattern read and counted, where every piece is, and all that changes it. */
@Injectable()
export class CurrentMake {
  private readonly api = inject(MakeApi);
  private readonly outbox = inject(Outbox);
  private readonly measurements = inject(Measurements);
  private readonly live = inject(Live);
  private readonly id$ = new Subject<string>();
  private readonly save$ = new Subject<void>();
  private readonly typing$ = new Subject<void>();
  private readonly stored = signal<Make | null>(null);
  private readonly unsaved = signal<Unsaved | null>(null);
  readonly log = signal<Log>(EMPTY_LOG);
  private readonly choices = signal<readonly Choice[]>([]);
  private readonly changesSaid = new WeakMap<readonly MakerEvent[], readonly Alteration[]>();
  private readonly plansMade = new Map<
    string,
    { readonly count: PatternCount; readonly key: string; readonly plan: PiecePlan }
  >();
  private cursor = 0;

  readonly failure = signal<RequestFailed | null>(null);
  readonly saving = signal<Saving>('saved');

  /** The make as the maker sees it: stored, with unsaved changes on top. */
  readonly make = computed<Make | null>(() => {
    const stored = this.stored();
    const unsaved = this.unsaved();
    if (!stored || !unsaved) return stored;
    const { text, yarnWeight, hookMm, kit } = unsaved;
    return {
      ...stored,
      text: text ?? stored.text,
      yarnWeight: yarnWeight ?? stored.yarnWeight,
      hookMm: hookMm ?? stored.hookMm,
      kit: kit ?? stored.kit,
    };
  });
  readonly text = computed(() => this.make()?.text ?? '');
  readonly reading = settledReading(this.text, this.typing$);
  readonly count = computed(() => this.reading().count);
  readonly title = computed(() => this.count().pattern.title || this.make()?.title || '');
  readonly terms = computed(() => this.count().pattern.terms);
  readonly pieces = computed(() => piecesOf(this.count().pattern));
  readonly gauge = computed(() => {
    const make = this.make();
    return make ? handGauge(make, make.kit.hand, this.measurements.taken.items()) : null;
  });
  readonly stitch = computed(() => this.gauge()?.stitch ?? null, { equal: sameStitch });
  readonly fabrics = computed(() => this.count().parts.map((part) => lazily(() => fabricOf(part))));

  constructor() {
    this.id$
      .pipe(
        tap(() => this.clear()),
        switchMap((id) =>
          forkJoin([this.api.show(id), this.api.eventsAfter(id, 0), this.outbox.of(id)]).pipe(
            catchError((error: unknown) => {
              this.failure.set(error as RequestFailed);
              return EMPTY;
            }),
          ),
        ),
        takeUntilDestroyed(),
      )
      .subscribe(([make, { events, last }, waiting]) => {
        this.cursor = last;
        this.log.set(record(record(EMPTY_LOG, events), waiting));
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
    // One line for all who listen: a browser has few to one server.
    const news = merge(
      this.id$.pipe(switchMap((id) => this.live.of(id))),
      fromEvent(window, 'focus').pipe(map((): LiveNews => 'connected')),
    ).pipe(share());
    news.pipe(takeUntilDestroyed()).subscribe((what) => {
      if (what === 'connected') this.outbox.sendNow();
    });
    for (const [one, refresh] of [
      ['events', (): void => this.refreshEvents()],
      ['make', (): void => this.refreshMake()],
    ] as const) {
      news
        .pipe(
          filter((what) => what === one || what === 'connected'),
          debounceTime(REFRESH_AFTER_MS),
          takeUntilDestroyed(),
        )
        .subscribe(refresh);
    }
    inject(DestroyRef).onDestroy(() => {
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

  /**
   * Every part with its rounds. One with an open run has the rounds of its first piece: as many as that was given, or as
   * the length asked for takes at this gauge.
   */
  readonly parts = computed<readonly Pick<PiecePlan, 'counted' | 'fabric'>[]>(() =>
    this.count().parts.map((counted, index) => {
      const first = counted.part.lines.some((line) => line.open)
        ? this.pieces().find((piece) => piece.part === index)
        : undefined;
      return (first && this.plan(first.id)) ?? { counted, fabric: this.fabric(index)! };
    }),
  );

  /** A piece as it is made: its part, with what was altered at the hook; null for a piece there is not. */
  plan(id: string): PiecePlan | null {
    const piece = this.pieces().find((each) => each.id === id);
    const height = this.stitch()?.height;
    if (!piece || height === undefined) return null;
    const count = this.count();
    const part = count.pattern.parts[piece.part]!;
    const changes = this.changesOf(id);
    const open = part.lines.some((line) => line.open);
    const key = `${open ? height : 0} ${changes.length === 0 ? '' : JSON.stringify(changes)}`;
    const known = this.plansMade.get(id);
    if (known?.count === count && known.key === key) return known.plan;
    const rounds = (run: OpenRun, before: number): number =>
      run.mm === null ? OPEN_ROUNDS : Math.max(1, Math.ceil(run.mm / height) - before);
    const altered = alteredPart(count.pattern, part, changes, rounds);
    const same = changes.length === 0 && !open;
    const counted = same ? count.parts[piece.part]! : countWith(count, piece.part, altered);
    const fabric = same ? this.fabric(piece.part)! : fabricOf(counted);
    const plan: PiecePlan = { piece, counted, fabric, altered, changes };
    this.plansMade.set(id, { count, key, plan });
    return plan;
  }

  private changesOf(id: string): readonly Alteration[] {
    const said = this.said(id);
    const known = this.changesSaid.get(said);
    if (known) return known;
    const changes = said.flatMap((event) => (event.kind === 'altered' ? event.changes : []));
    this.changesSaid.set(said, changes);
    return changes;
  }

  place(piece: string): Position {
    return positionOf(this.log(), piece);
  }

  /** Where every piece was at a time, ms since 1970. */
  placesAt(time: number): (piece: string) => Position {
    const then = logUntil(this.log(), time);
    return (piece) => positionOf(then, piece);
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
    this.say(piece, { kind: 'reached', round, action });
  }

  /** What was said of a piece beside its place, and is not undone; earliest first. */
  said(piece: string): readonly MakerEvent[] {
    return standingEvents(this.log(), piece);
  }

  canUndo(piece: string): boolean {
    return this.said(piece).length > 0;
  }

  /** Takes back the last thing said of a piece, whatever it was. */
  undo(piece: string): void {
    const last = this.said(piece).at(-1);
    if (last) this.say(piece, { kind: 'undone', event: last.id });
  }

  /** Says something of a piece at the hook. */
  say(piece: string, what: Said): void {
    this.append({ id: crypto.randomUUID(), piece, at: nextTime(this.log(), Date.now()), ...what });
  }

  /** Whether a choice of yarn, hook or kit can be taken back. */
  readonly canTakeBack = computed(() => this.choices().length > 0);

  /** Takes back the last choice of yarn, hook or kit made in this window. */
  takeBack(): void {
    const last = this.choices().at(-1);
    if (!last) return;
    this.choices.update((choices) => choices.slice(0, -1));
    this.apply(last.before);
  }

  change(change: Omit<MakeChange, 'version'>): void {
    const make = this.make();
    if (make && change.text === undefined) this.remember(make, Object.keys(change).join());
    this.apply(change);
  }

  /** A slider's way counts as one choice. */
  private remember({ yarnWeight, hookMm, kit }: Make, what: string): void {
    const at = Date.now();
    const last = this.choices().at(-1);
    if (last?.what === what && at - last.at < ONE_CHOICE_MS) {
      this.choices.update((choices) => [...choices.slice(0, -1), { ...last, at }]);
      return;
    }
    this.choices.update((choices) => [...choices.slice(-MOST_CHOICES), { what, at, before: { yarnWeight, hookMm, kit } }]);
  }

  private apply(change: Omit<MakeChange, 'version'>): void {
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

  /** Takes in what other windows did at the hook since. */
  private refreshEvents(): void {
    const make = this.stored();
    if (!make) return;
    this.api
      .eventsAfter(make.id, this.cursor)
      .pipe(catchError(() => EMPTY))
      .subscribe(({ events, last }) => {
        this.cursor = last;
        this.log.update((log) => record(log, events));
      });
  }

  /** Takes in what other windows changed of the make, unless there are changes here. */
  private refreshMake(): void {
    const make = this.stored();
    if (!make || this.unsaved()) return;
    this.api
      .show(make.id)
      .pipe(catchError(() => EMPTY))
      .subscribe((latest) => {
        if (!this.unsaved() && latest.version > make.version) this.stored.set(latest);
      });
  }

  private clear(): void {
    this.stored.set(null);
    this.unsaved.set(null);
    this.failure.set(null);
    this.saving.set('saved');
    this.log.set(EMPTY_LOG);
    this.choices.set([]);
    this.cursor = 0;
  }
}

function sameStitch(a: StitchSize | null, b: StitchSize | null): boolean {
  return a === b || (a !== null && b !== null && a.width === b.width && a.height === b.height);
}

/** Whether a stored make already has everything that a change would bring. */
function holds(make: Make, { text, yarnWeight, hookMm, kit }: Unsaved): boolean {
  return (
    (kit === undefined || JSON.stringify(kit) === JSON.stringify(make.kit)) &&
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
