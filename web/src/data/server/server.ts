import { HttpClient, HttpErrorResponse } from '@angular/common/http';
import { inject, Injectable, signal } from '@angular/core';
import { ApiError } from '@lemniscus/api';
import { catchError, map, type Observable, throwError } from 'rxjs';
import type * as z from 'zod';

/** Not signed in, not let in, too slow, too many: none says that what was sent is wrong. */
const PASSING: ReadonlySet<number> = new Set([401, 403, 408, 429]);

/** A request that failed, with a sentence for the person. `status` is 0 when the server could not be reached. */
export class RequestFailed extends Error {
  constructor(
    readonly status: number,
    message: string,
  ) {
    super(message);
    this.name = 'RequestFailed';
  }

  /** The server is away, stumbled, or does not know this device (any more); the same request may succeed later. */
  get passing(): boolean {
    return this.status === 0 || this.status >= 500 || PASSING.has(this.status);
  }
}

/** Whether the server said last that it does not know this device. */
const unknownHere = signal(false);

function asFailure(error: unknown): RequestFailed {
  if (!(error instanceof HttpErrorResponse))
    return new RequestFailed(500, 'The server answered in a way this page does not understand. Reload it.');
  if (error.status === 0)
    return new RequestFailed(0, 'The server cannot be reached. What you do is kept here and sent when it is back.');
  const known = ApiError.safeParse(error.error);
  if (error.status === 401) unknownHere.set(true);
  return new RequestFailed(
    error.status,
    known.success ? known.data.error.message : 'Something went wrong on the server. Try again.',
  );
}

/** Requests to the server, every answer parsed, every failure a `RequestFailed`. */
@Injectable({ providedIn: 'root' })
export class Server {
  private readonly http = inject(HttpClient);
  /** Whether this device is not let in (any more): it has to be paired. */
  readonly unknownHere = unknownHere.asReadonly();

  get<T>(path: string, schema: z.ZodType<T>, params: Record<string, number> = {}): Observable<T> {
    return this.parsed(this.http.get(path, { params }), schema);
  }

  post<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.parsed(this.http.post(path, body), schema);
  }

  patch<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.parsed(this.http.patch(path, body), schema);
  }

  put<T>(path: string, body: unknown, schema: z.ZodType<T>): Observable<T> {
    return this.parsed(this.http.put(path, body), schema);
  }

  sendFile<T>(path: string, file: Blob, type: string, schema: z.ZodType<T>): Observable<T> {
    return this.parsed(this.http.post(path, file, { headers: { 'Content-Type': type } }), schema);
  }

  /** Sends where nothing but success is answered. */
  send(method: 'DELETE', path: string): Observable<unknown> {
    return this.failing(this.http.request(method, path));
  }

  private parsed<T>(request: Observable<unknown>, schema: z.ZodType<T>): Observable<T> {
    return this.failing(request.pipe(map((body) => schema.parse(body))));
  }

  private failing<T>(request: Observable<T>): Observable<T> {
    return request.pipe(catchError((error: unknown) => throwError(() => asFailure(error))));
  }
}
