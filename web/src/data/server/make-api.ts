import { inject, Injectable } from '@angular/core';
import {
  EVENT_BATCH,
  EventPage,
  Make,
  Revision,
  RevisionText,
  ShelvedMake,
  TakenAnswer,
  type Taken,
  type MakeChange,
  type NewMake,
} from '@lemniscus/api';
import { EMPTY, expand, map, type Observable, reduce } from 'rxjs';
import * as z from 'zod';
import { Server } from './server';

/** Makes and their events on the server. */
@Injectable({ providedIn: 'root' })
export class MakeApi {
  private readonly server = inject(Server);

  list(): Observable<ShelvedMake[]> {
    return this.server.get('/api/makes', z.array(ShelvedMake));
  }

  show(id: string): Observable<Make> {
    return this.server.get(`/api/makes/${id}`, Make);
  }

  add(make: NewMake): Observable<Make> {
    return this.server.post('/api/makes', make, Make);
  }

  change(id: string, change: MakeChange): Observable<Make> {
    return this.server.patch(`/api/makes/${id}`, change, Make);
  }

  remove(id: string): Observable<unknown> {
    return this.server.send('DELETE', `/api/makes/${id}`);
  }

  restore(id: string): Observable<Make> {
    return this.server.post(`/api/makes/${id}/restore`, null, Make);
  }

  revisions(id: string): Observable<Revision[]> {
    return this.server.get(`/api/makes/${id}/revisions`, z.array(Revision));
  }

  revisionText(id: string, version: number): Observable<string> {
    return this.server.get(`/api/makes/${id}/revisions/${version}`, RevisionText).pipe(map(({ text }) => text));
  }

  append(id: string, events: readonly unknown[]): Observable<Taken> {
    return this.server.post(`/api/makes/${id}/events`, { events }, TakenAnswer);
  }

  /** All events after the cursor, page by page, and the new cursor. */
  eventsAfter(id: string, after: number): Observable<EventPage> {
    const page = (from: number): Observable<EventPage> => this.server.get(`/api/makes/${id}/events`, EventPage, { after: from });
    return page(after).pipe(
      expand((got) => (got.events.length < EVENT_BATCH ? EMPTY : page(got.last))),
      reduce((all, got) => ({ events: [...all.events, ...got.events], last: got.last })),
    );
  }
}
