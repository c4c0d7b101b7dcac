import { map, Observable, timer } from 'rxjs';

/**
 * Tells once, when the page has nothing else to do.
 * @param within ms after which it tells although the page is busy
 * @param otherwise ms to wait in a browser that does not say when it is idle
 */
export function whenIdle(within: number, otherwise: number): Observable<null> {
  if (typeof requestIdleCallback === 'undefined') return timer(otherwise).pipe(map(() => null));
  return new Observable((subscriber) => {
    const waiting = requestIdleCallback(
      () => {
        subscriber.next(null);
        subscriber.complete();
      },
      { timeout: within },
    );
    return () => cancelIdleCallback(waiting);
  });
}
