import { inject, Injectable } from '@angular/core';
import { MakeChange, type Make } from '@lemniscus/api';
import { catchError, map, of, Subject, switchMap, tap, throwError, type Observable } from 'rxjs';
import * as z from 'zod';
import type { Entry } from '../device/database';
import { WindowId } from '../device/window-id';
import { MakeApi } from '../server/make-api';
import { RequestFailed } from '../server/server';
import { Journal } from './journal';
import { merged, type Fields } from './merge-make';
import { Sender, type Outcome } from './sender';

const FieldsRead = MakeChange.omit({ version: true });

/** Changes to a make that the server does not have: on top of which version, and what the fields were before. */
const Unsaved = MakeChange.extend({ base: FieldsRead });
export type Unsaved = z.infer<typeof Unsaved>;

/** What became of this window's changes. `at` tells which of its changes they were. */
export type Told = { readonly make: string; readonly at: number } & (
  | { readonly is: 'stored'; readonly sent: Unsaved; readonly saved: Make }
  | { readonly is: 'conflict' }
  | { readonly is: 'refused'; readonly why: string }
);

/** So often a change is brought together with what others stored meanwhile, before it asks. */
const MOST_TRIES = 5;

/**
 * Changes of makes on their way to the server, one entry a make and window. What another window stored meanwhile is brought
 * together with them, field by field and line by line; only what does not fit is asked.
 */
@Injectable({ providedIn: 'root' })
export class MakeChanges {
  private readonly api = inject(MakeApi);
  private readonly journal = inject(Journal);
  private readonly sender = inject(Sender);
  private readonly windowId = inject(WindowId);

  readonly told = new Subject<Told>();

  constructor() {
    this.sender.takes({ kind: 'change', batch: 1, send: (make, entries) => this.send(make, entries[0]!) });
  }

  /** Keeps what was changed here; it is sent once it does not wait any more. */
  keep(make: string, unsaved: Unsaved, at: number, waits: boolean): void {
    const entry: Entry = { key: this.key(make), kind: 'change', of: make, at, body: unsaved, by: this.windowId.id };
    void this.sender.put(waits ? { ...entry, waits } : entry);
  }

  async forget(make: string, at: number): Promise<void> {
    await this.journal.acknowledge([{ key: this.key(make), kind: 'change', of: make, at, body: null }]);
  }

  /**
   * Takes up what windows that are gone could not save, the earliest first, under this window's name. Texts that do not fit
   * together are not mixed: the later goes on, the other is set aside where the maker finds it.
   */
  async adopt(make: string, at: number): Promise<Unsaved | null> {
    let all: Unsaved | null = null;
    const taken: Entry[] = [];
    for (const entry of await this.journal.pending('change')) {
      if (entry.of !== make || (entry.by && (await this.windowId.isElsewhere(entry.by)))) continue;
      const left = Unsaved.safeParse(entry.body);
      if (!left.success) continue;
      const both: Unsaved | null = all && together(all, left.data);
      if (all && !both)
        await this.journal.refuse({ ...entry, body: all }, 'Two windows changed the same lines; the later ones went on.');
      all = both ?? left.data;
      taken.push(entry);
    }
    if (all && taken.some(({ key }) => key !== this.key(make))) {
      this.keep(make, all, at, true);
      await this.journal.acknowledge(taken.filter(({ key }) => key !== this.key(make)));
    }
    return all;
  }

  private key(make: string): string {
    return `change/${make}/${this.windowId.id}`;
  }

  private send(make: string, entry: Entry): Observable<Outcome> {
    const read = Unsaved.safeParse(entry.body);
    if (!read.success) return of({ refused: [{ entry, why: read.error.issues[0]!.message }] });
    const sent = read.data;
    // What another window left is none of this one's changes: the draft here goes on from its own.
    const own = entry.key === this.key(make);
    const tell = (told: DistributiveOmit<Told, 'make' | 'at'>): void => {
      if (own) this.told.next({ make, at: entry.at, ...told });
    };
    return this.store(make, sent, MOST_TRIES).pipe(
      tap((saved) => tell(saved ? { is: 'stored', sent, saved } : { is: 'conflict' })),
      map((saved) => (saved ? {} : { asks: [entry] })),
      catchError((error: unknown) => {
        if (!(error instanceof RequestFailed) || error.passing) return throwError(() => error);
        tell({ is: 'refused', why: error.message });
        // What is too long stays where it was typed, to be made shorter; a make that is gone takes nothing any more.
        return error.status === 404 ? throwError(() => error) : of({ asks: [entry] });
      }),
    );
  }

  /** Stores a change, with what others stored meanwhile taken in; null where that does not fit. */
  private store(make: string, { base, ...change }: Unsaved, tries: number): Observable<Make | null> {
    return this.api.change(make, change).pipe(
      catchError((error: unknown) => {
        if (!(error instanceof RequestFailed) || error.status !== 409) return throwError(() => error);
        return this.api.show(make).pipe(
          switchMap((latest) => {
            const fit = merged(base, change, latest);
            if (!fit || tries === 0) return of(null);
            if (Object.keys(fit).length === 0) return of(latest);
            return this.store(make, { base: latest, version: latest.version, ...fit }, tries - 1);
          }),
        );
      }),
    );
  }
}

type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

/** What two windows left, as one change; null where they do not fit. */
function together(first: Unsaved, { version, base, ...then }: Unsaved): Unsaved | null {
  const fit = merged(base, then, { ...base, ...fieldsOf(first) });
  return fit && { ...first, ...fit, version: Math.min(first.version, version), base: { ...base, ...first.base } };
}

export function fieldsOf({ text, yarnWeight, hookMm, kit }: Fields): Fields {
  return {
    ...(text === undefined ? {} : { text }),
    ...(yarnWeight === undefined ? {} : { yarnWeight }),
    ...(hookMm === undefined ? {} : { hookMm }),
    ...(kit === undefined ? {} : { kit }),
  };
}
