import { computed, inject, Injectable, signal } from '@angular/core';
import { takeUntilDestroyed } from '@angular/core/rxjs-interop';
import type { Make } from '@lemniscus/api';
import { catchError, debounceTime, EMPTY, filter, finalize, Subject, tap, type Observable } from 'rxjs';
import { Choices } from './choices';
import { TextSteps } from './text-steps';
import { MakeApi } from '../server/make-api';
import { KeptAnswers } from '../sync/kept-answers';
import { fieldsOf, MakeChanges, type Told, type Unsaved } from '../sync/make-changes';
import { merged, type Fields } from '../sync/merge-make';
import { Sender } from '../sync/sender';

const SAVE_AFTER_MS = 600;

/** Whether what stands here is stored; 'conflict' and 'refused' wait for the maker. */
export type Saving = 'saved' | 'saving' | 'away' | 'conflict' | 'refused';

/** The open make as this window has it: what is stored, with the changes made here on top, and their way to the server. */
@Injectable()
export class MakeDraft {
  private readonly api = inject(MakeApi);
  private readonly changes = inject(MakeChanges);
  private readonly sender = inject(Sender);
  private readonly answers = inject(KeptAnswers);
  private readonly save$ = new Subject<void>();
  private readonly stored = signal<Make | null>(null);
  private readonly unsaved = signal<Unsaved | null>(null);
  private readonly choices = new Choices();
  private readonly texts = new TextSteps();
  /** Names the last change; the journal goes by it. */
  private at = 0;
  private waits = false;

  private readonly asks = signal<'conflict' | 'refused' | null>(null);
  /** Why the server did not take what stands here, in a sentence; empty when it did. */
  readonly refusal = signal('');

  readonly saving = computed<Saving>(() => {
    if (!this.unsaved()) return 'saved';
    return this.asks() ?? (this.sender.trouble() ? 'away' : 'saving');
  });

  readonly make = computed<Make | null>(() => {
    const stored = this.stored();
    const unsaved = this.unsaved();
    return stored && unsaved ? { ...stored, ...defined(fieldsOf(unsaved)) } : stored;
  });

  /** Saves while it is subscribed to, after a pause in the changes; what waits for its pause at the end is sent at once. */
  readonly saves: Observable<unknown> = this.save$.pipe(
    debounceTime(SAVE_AFTER_MS),
    tap(() => this.release()),
    finalize(() => this.release()),
  );

  constructor() {
    this.changes.told
      .pipe(
        filter(({ make }) => make === this.stored()?.id),
        takeUntilDestroyed(),
      )
      .subscribe((told) => this.heard(told));
  }

  /** What windows that are gone could not save of a make. */
  left(make: string): Promise<Unsaved | null> {
    this.at = this.next();
    return this.changes.adopt(make, this.at);
  }

  /** Takes up a make as it is stored, with what was left of it. */
  open(make: Make, left: Unsaved | null): void {
    this.store(make);
    this.unsaved.set(left);
    if (!left) return;
    this.waits = true;
    this.release();
  }

  clear(): void {
    this.release();
    this.stored.set(null);
    this.unsaved.set(null);
    this.settleAsk();
    this.choices.clear();
    this.texts.clear();
  }

  /** Takes in the make as it is stored now, unless there are changes here: those are brought together when they are saved. */
  renew(latest: Make): void {
    const now = this.stored();
    if (!this.unsaved() && now?.id === latest.id && latest.version !== now.version) this.store(latest);
  }

  private store(make: Make): void {
    this.stored.set(make);
    void this.answers.keep(`make/${make.id}`, make);
  }

  /** Asks what other windows changed, and takes it in. */
  refresh(): void {
    const make = this.stored();
    if (!make || this.unsaved()) return;
    this.api
      .show(make.id)
      .pipe(catchError(() => EMPTY))
      .subscribe((latest) => {
        // An answer that was long on its way may be of before.
        if (latest.version > (this.stored()?.version ?? 0)) this.renew(latest);
      });
  }

  change(change: Fields): void {
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

  /** Writes the text from elsewhere than its editor, so that it can be taken back: `what` names what follows quickly and is one step. */
  writeText(text: string, what: string): void {
    const make = this.make();
    if (!make) return;
    this.texts.remember(make.text, text, what);
    this.apply({ text });
  }

  readonly canUnwrite = computed(() => this.texts.canTakeBack(this.make()?.text ?? ''));

  /** Takes back what was written last from elsewhere than the editor. */
  unwrite(): void {
    const before = this.texts.takeBack(this.make()?.text ?? '');
    if (before !== null) this.apply({ text: before });
  }

  private apply(change: Fields): void {
    const stored = this.stored();
    if (!stored) return;
    const before = this.unsaved();
    // What is as it is stored is no change: an editor may show a text from elsewhere.
    if (!before && Object.keys(merged({}, change, stored) ?? change).length === 0) return;
    const known = before?.base ?? {};
    const base = { ...stored, ...defined(known) };
    this.take({ version: stored.version, ...defined(before ?? {}), ...change, base: fieldsOf(base) }, true);
    if (this.asks() === 'refused') this.settleAsk();
    if (!this.asks()) this.save$.next();
  }

  /** Keeps a change on this device. */
  private take(unsaved: Unsaved, waits: boolean): void {
    const { id } = this.stored()!;
    this.at = this.next();
    this.waits = waits;
    this.unsaved.set(unsaved);
    this.changes.keep(id, unsaved, this.at, waits || this.asks() !== null);
  }

  private next(): number {
    return Math.max(Date.now(), this.at + 1);
  }

  /** Lets what waited for its pause go to the server. */
  private release(): void {
    const stored = this.stored();
    const unsaved = this.unsaved();
    if (!stored || !unsaved || !this.waits || this.asks()) return;
    this.waits = false;
    this.changes.keep(stored.id, unsaved, this.at, false);
  }

  private settleAsk(): void {
    this.asks.set(null);
    this.refusal.set('');
  }

  /** After a conflict: store what stands here over what another window stored. */
  keepMine(): void {
    this.settle((latest, unsaved) => {
      this.store(latest);
      this.settleAsk();
      this.take({ ...unsaved, version: latest.version, base: fieldsOf(latest) }, false);
    });
  }

  /** After a conflict: let go of what stands here. */
  takeTheirs(): void {
    this.settle((latest) => {
      void this.changes.forget(latest.id, this.at);
      this.unsaved.set(null);
      this.settleAsk();
      this.store(latest);
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

  private heard(told: Told): void {
    if (told.is === 'stored') this.took(told.saved, told.sent, told.at);
    else if (told.at === this.at) {
      this.asks.set(told.is);
      this.refusal.set(told.is === 'refused' ? told.why : '');
    }
  }

  /** What was sent is stored, perhaps with what others changed; what was typed since goes on from there. */
  private took(saved: Make, sent: Unsaved, at: number): void {
    const now = this.unsaved();
    this.store(saved);
    if (!now || at === this.at) {
      this.unsaved.set(null);
      return;
    }
    const rest = merged({ ...now.base, ...fieldsOf(sent) }, fieldsOf(now), saved);
    if (!rest) {
      // The lines being typed were changed elsewhere: the server will find that, and ask.
      this.take({ ...now, version: sent.version }, false);
    } else if (Object.keys(rest).length === 0) {
      this.unsaved.set(null);
      void this.changes.forget(saved.id, this.at);
    } else {
      this.take({ version: saved.version, ...rest, base: fieldsOf(saved) }, true);
      this.save$.next();
    }
  }
}

/** Without what is undefined, which a spread would take. */
function defined<T extends object>(fields: T): { [K in keyof T]: Exclude<T[K], undefined> } {
  return Object.fromEntries(Object.entries(fields).filter(([, value]) => value !== undefined)) as never;
}
