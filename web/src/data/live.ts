import { Injectable } from '@angular/core';
import { EMPTY, fromEvent, Observable, startWith, switchMap } from 'rxjs';

/** What an open window is told: something was added to a make's events, the make was changed, or the line is up again. */
export type LiveNews = 'events' | 'make' | 'connected';

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
  return new Observable((subscriber) => {
    // The service worker leaves a stream alone when it is told to.
    const source = new EventSource(`/api/makes/${make}/events/live?ngsw-bypass`);
    const tell = (news: LiveNews) => (): void => subscriber.next(news);
    source.addEventListener('open', tell('connected'));
    source.addEventListener('events', tell('events'));
    source.addEventListener('make', tell('make'));
    return () => source.close();
  });
}
