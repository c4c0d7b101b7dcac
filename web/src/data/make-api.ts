import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable } from '@angular/core';
import {
  ApiError,
  EVENT_BATCH,
  EventPage,
  Make,
  Revision,
  RevisionText,
  ShelvedMake,
  type MakeChange,
  type NewMake,
} from '@lemniscus/api';
import type { MakerEvent } from '@lemniscus/core/making';
import { catchError, EMPTY, expand, map, type Observable, reduce, throwError } from 'rxjs';
import * as z from 'zod';

/** A request that failed, with a sentence for the person. `status` is 0 when the server could not be reached. */
export class RequestFailed extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
    this.name = 'RequestFailed';
  }

  /** The server is away or stumbled; the same request may succeed later. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500;
  }
}

function asFailure(error: unknown): RequestFailed {
  if (!(error instanceof HttpErrorResponse))
    return new RequestFailed(500, 'The server answered in a way this page does not understand. Reload it.');
  if (error.status === 0)
    return new RequestFailed(0, 'The server cannot be reached. What you do is kept here and sent when it is back.');
  const known = ApiError.safeParse(error.error);
  return new RequestFailed(
    error.status,
    known.success ? known.data.error.message : 'Something went wrong on the server. Try again.',
  );
}

/** The server's contract as streams; every answer is parsed. */
@Injectable({ providedIn: 'root' })
export class MakeApi {
  private readonly http = inject(HttpClient);

  list(): Observable<ShelvedMake[]> {
    return this.parsed(this.http.get('/api/makes'), z.array(ShelvedMake));
  }

  show(id: string): Observable<Make> {
    return this.parsed(this.http.get(`/api/makes/${id}`), Make);
  }

  add(make: NewMake): Observable<Make> {
    return this.parsed(this.http.post('/api/makes', make), Make);
  }

  change(id: string, change: MakeChange): Observable<Make> {
    return this.parsed(this.http.patch(`/api/makes/${id}`, change), Make);
  }

  remove(id: string): Observable<unknown> {
    return this.failing(this.http.delete(`/api/makes/${id}`));
  }

  restore(id: string): Observable<Make> {
    return this.parsed(this.http.post(`/api/makes/${id}/restore`, null), Make);
  }

  revisions(id: string): Observable<Revision[]> {
    return this.parsed(this.http.get(`/api/makes/${id}/revisions`), z.array(Revision));
  }

  revisionText(id: string, version: number): Observable<string> {
    return this.parsed(this.http.get(`/api/makes/${id}/revisions/${version}`), RevisionText).pipe(map(({ text }) => text));
  }

  append(id: string, events: readonly MakerEvent[]): Observable<unknown> {
    return this.failing(this.http.post(`/api/makes/${id}/events`, { events }));
  }

  /** All events after the cursor, page by page, and the new cursor. */
  eventsAfter(id: string, after: number): Observable<EventPage> {
    const page = (from: number): Observable<EventPage> =>
      this.parsed(this.http.get(`/api/makes/${id}/events`, { params: { after: from } }), EventPage);
    return page(after).pipe(
      expand((got) => (got.events.length < EVENT_BATCH ? EMPTY : page(got.last))),
      reduce((all, got) => ({ events: [...all.events, ...got.events], last: got.last })),
    );
  }

  private parsed<T>(request: Observable<unknown>, schema: z.ZodType<T>): Observable<T> {
    return this.failing(request.pipe(map((body) => schema.parse(body))));
  }

  private failing<T>(request: Observable<T>): Observable<T> {
    return request.pipe(catchError((error: unknown) => throwError(() => asFailure(error))));
  }
}
