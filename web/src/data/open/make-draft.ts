import { computed, inject, Injectable, signal } from '@angular/core';
import type { Make, MakeChange } from '@lemniscus/api';
import {
  catchError,
  concatMap,
  debounceTime,
  EMPTY,
  finalize,
  of,
  retry,
  Subject,
  switchMap,
  tap,
  throwError,
  timer,
  type Observable,
} from 'rxjs';
import { Choices } from './choices';
import { MakeApi } from '../server/make-api';
import { forgetUnsaved, keepUnsaved, recallUnsaved, type Unsaved } from './make-changes';
import { RequestFailed } from '../server/server';

const SAVE_AFTER_MS = 600;
const RETRY_MS = 3_000;

export type Saving = 'saved' | 'saving' | 'away' | 'conflict';

type Change = Omit<MakeChange, 'version'>;

/** The open make as this window has it: what is stored, with the changes made here on top, and their way to the server. */
@Injectable()
export class MakeDraft {
  private readonly api = inject(MakeApi);
  private readonly save$ = new Subject<void>();
  private readonly stored = signal<Make | null>(null);
  private readonly unsaved = signal<Unsaved | null>(null);
  private readonly choices = new Choices();

  readonly failure = signal<RequestFailed | null>(null);
  readonly saving = signal<Saving>('saved');

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

  /** Saves while it is subscribed to, after a pause in the changes; what waits for its pause at the end is sent at once. */
  readonly saves: Observable<unknown> = this.save$.pipe(
    debounceTime(SAVE_AFTER_MS),
    concatMap(() => this.save()),
    finalize(() => {
      if (this.saving() === 'saving') this.save().subscribe();
    }),
  );

  /** Takes up a make as it is stored, with what a window before this one could not save. */
  open(make: Make): void {
    this.unsaved.set(recallUnsaved(make.id));
    this.stored.set(make);
    if (this.unsaved()) this.save$.next();
  }

  clear(): void {
    this.stored.set(null);
    this.unsaved.set(null);
    this.failure.set(null);
    this.saving.set('saved');
    this.choices.clear();
  }

  /** Takes in what other windows changed, unless there are changes here. */
  refresh(): void {
    const make = this.stored();
    if (!make || this.unsaved()) return;
    this.api
      .show(make.id)
      .pipe(catchError(() => EMPTY))
      .subscribe((latest) => {
        const now = this.stored();
        if (!this.unsaved() && now?.id === latest.id && latest.version > now.version) this.stored.set(latest);
      });
  }

  change(change: Change): void {
    const make = this.make();
    if (make && change.text === undefined) this.choices.remember(make, Object.keys(change).join());
    this.apply(change);
  }

  /** Whether a choice of yarn, hook or kit can be taken back. */
  readonly canTakeBack = this.choices.any;

  /** Takes back the last choice of yarn, hook or kit made in this window. */
  takeBack(): void {
    const before = this.choices.takeBack();
    if (before) this.apply(before);
  }

  private apply(change: Change): void {
    const stored = this.stored();
    if (!stored) return;
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
    this.settle((latest, unsaved) => {
      this.stored.set(latest);
      this.unsaved.set({ ...unsaved, version: latest.version });
      this.saving.set('saving');
      this.save$.next();
    });
  }

  /** After a conflict: let go of what stands here. */
  takeTheirs(): void {
    this.settle((latest) => {
      forgetUnsaved(latest.id);
      this.unsaved.set(null);
      this.stored.set(latest);
      this.saving.set('saved');
    });
  }

  private settle(take: (latest: Make, unsaved: Unsaved) => void): void {
    const stored = this.stored();
    if (!stored) return;
    this.api
      .show(stored.id)
      // The question stays on the screen, to be answered again when the server is back.
      .pipe(catchError(() => EMPTY))
      .subscribe((latest) => {
        const unsaved = this.unsaved();
        if (unsaved && this.stored()?.id === latest.id) take(latest, unsaved);
      });
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
      tap((saved) => {
        if (this.stored()?.id === saved.id) this.took(saved, sent);
      }),
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
