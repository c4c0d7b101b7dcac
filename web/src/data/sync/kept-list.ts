import { inject, signal, type Signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import {
  debounceTime,
  defer,
  exhaustMap,
  filter,
  from,
  fromEvent,
  map,
  merge,
  of,
  retry,
  Subject,
  switchMap,
  timer,
  type Observable,
} from 'rxjs';
import * as z from 'zod';
import type { Taken } from '@lemniscus/api';
import type { Entry, EntryKind } from '../device/database';
import { Journal } from './journal';
import { KeptAnswers } from './kept-answers';
import { refusedOf, Sender } from './sender';

/** A value under its id, as it was changed last; removed ones stay as removed, so that a late answer cannot bring them back. */
export interface Change<T> {
  readonly value: T;
  readonly changedAt: number;
  readonly removed: boolean;
}

/** A value as the server lists it. */
export interface Listed<T> {
  readonly value: T;
  readonly changedAt: number;
}

interface Source<T extends { readonly id: string }> {
  /** What the values are, as the kind of their entries. */
  readonly name: EntryKind;
  readonly value: z.ZodType<T>;
  readonly load: () => Observable<readonly Listed<T>[]>;
  readonly send: (changes: readonly Change<T>[]) => Observable<Taken>;
  /** Most changes sent at once. */
  readonly batch: number;
}

const RETRY_MS = { first: 1_000, most: 30_000 };
const REFRESH_AFTER_MS = 50;

/**
 * A list kept on the server and changed here: each change goes into the journal and over what the server said. Of two
 * changes to one value the later wins; a change is made one past everything seen, whatever this device's clock says.
 * Must be made where Angular injects.
 */
export class KeptList<T extends { readonly id: string }> {
  private readonly journal = inject(Journal);
  private readonly sender = inject(Sender);
  private readonly answers = inject(KeptAnswers);
  private readonly change: z.ZodType<Change<T>>;
  private readonly list = signal<readonly T[]>([]);
  private readonly changes = new Map<string, Change<T>>();
  private readonly asked = new Subject<void>();
  /** The latest change seen, anybody's. */
  private seen = 0;
  /** Grows with every change made or sent: an answer asked for before is out of date. */
  private edits = 0;

  readonly items: Signal<readonly T[]> = this.list.asReadonly();
  /** Whether the server's list is here, as it is or as it was told last. */
  readonly loaded = signal(false);
  /** Changes the server does not have yet. */
  readonly waiting = signal(0);

  constructor(private readonly source: Source<T>) {
    this.change = z.object({ value: source.value, changedAt: z.int(), removed: z.boolean() });
    this.sender.takes({
      kind: source.name,
      batch: source.batch,
      send: (_of, entries) => this.send(entries),
    });
    from(this.recall())
      .pipe(takeUntilDestroyed())
      .subscribe((kept) => {
        const told = this.loaded() ? null : kept;
        this.list.update((list) => this.withChanges(told ?? list));
        if (told) this.loaded.set(true);
      });
    const sentElsewhere = this.sender.rested.pipe(filter(() => this.changes.size > 0));
    merge(of(undefined), this.asked, sentElsewhere, fromEvent(window, 'focus'))
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
        for (const { changedAt } of values) this.seen = Math.max(this.seen, changedAt);
        const list = values.map(({ value }) => value);
        void this.answers.keep(source.name, list);
        this.list.set(this.withChanges(list));
        this.loaded.set(true);
      });
  }

  find(id: string): T | null {
    return this.list().find((value) => value.id === id) ?? null;
  }

  put(...values: readonly T[]): void {
    this.make(values, false);
  }

  remove(...values: readonly T[]): void {
    this.make(values, true);
  }

  /** The time of something that happens now, in the order of the changes: never before one that was seen. */
  now(): number {
    return Math.max(Date.now(), this.seen + 1);
  }

  private load(): Observable<{ readonly values: readonly Listed<T>[]; readonly edits: number }> {
    return defer(() => {
      const { edits } = this;
      return from(this.letGoOfSent()).pipe(
        switchMap(() => this.source.load()),
        map((values) => ({ values, edits })),
      );
    }).pipe(retry({ delay: (_error, count) => timer(pause(count)) }));
  }

  /** Changes that wait from before, and the list as it was told last; null where none was. */
  private async recall(): Promise<readonly T[] | null> {
    for (const { body } of await this.journal.pending(this.source.name)) {
      const change = this.change.safeParse(body);
      if (!change.success || this.changes.has(change.data.value.id)) continue;
      this.changes.set(change.data.value.id, change.data);
    }
    this.waiting.set(this.changes.size);
    return this.answers.find(this.source.name, z.array(this.source.value));
  }

  /** Another window may have sent what was changed here: then the server has it, and says so when it is asked next. */
  private async letGoOfSent(): Promise<void> {
    const before = [...this.changes];
    const waiting = new Set((await this.journal.pending(this.source.name)).map(({ key }) => key));
    for (const [id, change] of before)
      if (this.changes.get(id) === change && !waiting.has(`${this.source.name}/${id}`)) this.changes.delete(id);
    this.waiting.set(this.changes.size);
  }

  private make(values: readonly T[], removed: boolean): void {
    this.edits++;
    this.seen = this.now();
    const changes = values.map((value): Change<T> => ({ value, changedAt: this.seen, removed }));
    for (const change of changes) this.changes.set(change.value.id, change);
    this.list.update((list) => this.withChanges(list));
    this.waiting.set(this.changes.size);
    const { name } = this.source;
    void this.sender.put(
      ...changes.map((body) => ({ key: `${name}/${body.value.id}`, kind: name, of: name, at: body.changedAt, body })),
    );
  }

  private withChanges(values: readonly T[]): readonly T[] {
    const merged = new Map(values.map((value) => [value.id, value]));
    for (const { value, removed } of this.changes.values()) {
      if (removed) merged.delete(value.id);
      else merged.set(value.id, value);
    }
    return [...merged.values()];
  }

  private send(entries: readonly Entry[]): ReturnType<Parameters<Sender['takes']>[0]['send']> {
    const read = entries.map((entry) => ({ entry, change: this.change.safeParse(entry.body) }));
    const good = read.flatMap(({ entry, change }) => (change.success ? [{ entry, change: change.data }] : []));
    const bad = read.flatMap(({ entry, change }) => (change.success ? [] : [{ entry, why: change.error.issues[0]!.message }]));
    return this.source.send(good.map(({ change }) => change)).pipe(
      map((taken) => {
        const outcome = refusedOf(
          good.map(({ entry }) => entry),
          taken,
        );
        // What was changed again meanwhile stays, and is sent next.
        for (const { change } of good)
          if (this.changes.get(change.value.id)?.changedAt === change.changedAt) this.changes.delete(change.value.id);
        this.sent();
        return { refused: [...bad, ...(outcome.refused ?? [])] };
      }),
    );
  }

  private sent(): void {
    this.edits++;
    this.waiting.set(this.changes.size);
    // What the server has of it is seen when it is asked.
    this.asked.next();
  }
}

function pause(count: number): number {
  return Math.min(RETRY_MS.most, RETRY_MS.first * 2 ** (count - 1));
}
