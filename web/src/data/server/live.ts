import { Injectable } from '@angular/core';
import { NewEvents } from '@lemniscus/api';
import { EMPTY, fromEvent, Observable, retry, startWith, switchMap, timer } from 'rxjs';

/** What an open window is told: events were added (null when there are too many to tell), the make was changed, or the line is up again. */
export type LiveNews = { readonly what: 'events'; readonly added: NewEvents | null } | { readonly what: 'make' | 'connected' };

/** A server of another version may tell otherwise; then everything is asked for. */
const Told = NewEvents.nullable().catch(null);

/** Pause before a line that was given up is opened again. */
const AGAIN_MS = 5_000;

/** Server-sent events about a make. The browser connects again by itself when the server was away. */
@Injectable({ providedIn: 'root' })
export class Live {
  /** A page that nobody looks at lets its line go: a browser has few to one server. It connects when it is looked at again. */
  of(make: string): Observable<LiveNews> {
    return fromEvent(document, 'visibilitychange').pipe(
      startWith(null),
      switchMap(() => (document.visibilityState === 'visible' ? listen(make) : EMPTY)),
    );
  }
}

function listen(make: string): Observable<LiveNews> {
  return new Observable<LiveNews>((subscriber) => {
    // The service worker leaves a stream alone when it is told to.
    const source = new EventSource(`/api/makes/${make}/events/live?ngsw-bypass`);
    // After an answer that is no stream a browser gives the line up for good.
    source.addEventListener('error', () => {
      if (source.readyState === EventSource.CLOSED) subscriber.error(new Error('The line was given up.'));
    });
    source.addEventListener('open', () => subscriber.next({ what: 'connected' }));
    source.addEventListener('make', () => subscriber.next({ what: 'make' }));
    source.addEventListener('events', ({ data }: MessageEvent<string>) =>
      subscriber.next({ what: 'events', added: Told.parse(JSON.parse(data)) }),
    );
    return () => source.close();
  }).pipe(retry({ delay: () => timer(AGAIN_MS) }));
}
