import { inject, Injectable, signal } from '@angular/core';
import type { EventPage } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import { catchError, defer, from, of, switchMap, tap, throwError, type Observable } from 'rxjs';
import * as z from 'zod';
import { DeviceDatabase } from '../device/database';
import { RequestFailed } from '../server/server';

const Cursor = z.int().min(0);

/** What the server said last, kept on this device, so that screens open while it is away. */
@Injectable({ providedIn: 'root' })
export class KeptAnswers {
  private readonly database = inject(DeviceDatabase);

  /** Whether the last answer was one from before, as the server is away. */
  readonly stale = signal(false);

  /** The answer, kept for later; what was kept before where the server is away. */
  latest<T>(key: string, schema: z.ZodType<T>, ask: Observable<T>): Observable<T> {
    return ask.pipe(
      tap((value) => {
        this.stale.set(false);
        void this.keep(key, value);
      }),
      catchError((error: unknown) => {
        if (!(error instanceof RequestFailed) || !error.passing) return throwError(() => error);
        return defer(() => from(this.find(key, schema))).pipe(
          switchMap((kept) => {
            if (kept === null) return throwError(() => error);
            this.stale.set(true);
            return of(kept);
          }),
        );
      }),
    );
  }

  async find<T>(key: string, schema: z.ZodType<T>): Promise<T | null> {
    const kept = await this.database.with((device) => device.get('answers', key), undefined);
    const value = schema.safeParse(kept?.value);
    return value.success ? value.data : null;
  }

  async keep(key: string, value: unknown): Promise<void> {
    await this.database.with((device) => device.put('answers', { key, value }), '');
  }

  /** Events of a make as far as they were told here, with the cursor to ask on from. */
  async eventsOf(make: string): Promise<EventPage> {
    return this.database.with(
      async (device) => {
        const transaction = device.transaction(['events', 'answers']);
        const kept = await transaction.objectStore('events').index('make').getAll(make);
        const cursor = Cursor.safeParse((await transaction.objectStore('answers').get(cursorOf(make)))?.value);
        return cursor.success ? { events: kept.map(({ event }) => event), last: cursor.data } : { events: [], last: 0 };
      },
      { events: [], last: 0 },
    );
  }

  /** Keeps events that come right after those kept before, up to a cursor. */
  async keepEvents(make: string, events: readonly MakerEvent[], last: number): Promise<void> {
    await this.database.with(async (device) => {
      const transaction = device.transaction(['events', 'answers'], 'readwrite');
      const store = transaction.objectStore('events');
      await Promise.all([
        ...events.map((event) => store.put({ id: event.id, make, event })),
        transaction.objectStore('answers').put({ key: cursorOf(make), value: last }),
        transaction.done,
      ]);
    }, undefined);
  }
}

function cursorOf(make: string): string {
  return `cursor/${make}`;
}
