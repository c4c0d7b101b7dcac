import { inject, Injectable } from '@angular/core';
import { Event, EVENT_BATCH } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import { map } from 'rxjs';
import { entryOfEvent } from '../device/database';
import { MakeApi } from '../server/make-api';
import { Journal } from './journal';
import { refusedOf, Sender } from './sender';

/** Events on their way to the server, which passes over doubles. */
@Injectable({ providedIn: 'root' })
export class Outbox {
  private readonly journal = inject(Journal);
  private readonly sender = inject(Sender);

  constructor() {
    const api = inject(MakeApi);
    this.sender.takes({
      kind: 'event',
      batch: EVENT_BATCH,
      send: (make, entries) =>
        api
          .append(
            make,
            entries.map(({ body }) => body),
          )
          .pipe(map((taken) => refusedOf(entries, taken))),
    });
  }

  add(make: string, event: MakerEvent): void {
    void this.sender.put(entryOfEvent(make, event));
  }

  /** Events of a make that are still waiting here. */
  async of(make: string): Promise<MakerEvent[]> {
    const waiting = await this.journal.pending('event');
    return waiting.flatMap(({ of, body }) => (of === make ? [Event.parse(body)] : []));
  }
}
