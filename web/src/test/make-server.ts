import { Kit, type EventPage, type Make, type MakeChange, type Taken } from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import { defer, of, throwError, type Observable } from 'rxjs';
import { RequestFailed } from '../data/server/server';

export const MAKE_ID = '0f6a1f52-3a55-4d56-9d8e-0d7f3a1c1111';

/** A server in memory that stores one make by version, as the real one does. */
export class MakeServer {
  make: Make;
  events: MakerEvent[] = [];
  away = false;

  constructor(text: string) {
    const now = { version: 1, createdAt: 0, updatedAt: 0 };
    this.make = { id: MAKE_ID, title: 'Buoy', text, yarnWeight: 4, hookMm: 3.5, kit: Kit.parse({}), ...now };
  }

  private answer<T>(work: () => T): Observable<T> {
    return defer(() => (this.away ? throwError(() => new RequestFailed(0, 'away')) : of(work())));
  }
  append = (_id: string, events: readonly MakerEvent[]): Observable<Taken> =>
    this.answer(() => {
      this.events.push(...events.filter(({ id }) => this.events.every((each) => each.id !== id)));
      return { refused: [] };
    });
  show = (_id: string): Observable<Make> => this.answer(() => this.make);
  eventsAfter = (_id: string, after: number): Observable<EventPage> =>
    this.answer(() => ({ events: this.events.slice(after), last: this.events.length }));
  change = (_id: string, { version, text, yarnWeight, hookMm, kit }: MakeChange): Observable<Make> =>
    this.answer(() => {
      if (version !== this.make.version) throw new RequestFailed(409, 'conflict');
      const { make } = this;
      this.make = {
        ...make,
        text: text ?? make.text,
        yarnWeight: yarnWeight ?? make.yarnWeight,
        hookMm: hookMm ?? make.hookMm,
        kit: kit ?? make.kit,
        version: version + 1,
      };
      return this.make;
    });
}
