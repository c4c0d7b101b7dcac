import { ApplicationRef, inject, Injectable } from '@angular/core';
import type { PreloadingStrategy, Route } from '@angular/router';
import { concatMap, delay, filter, type Observable, shareReplay, take } from 'rxjs';
import { whenIdle } from '../data/device/when-idle';

/** The first screen has all its figures by then, on a slow device too. */
const AFTER_MS = 2_500;
const IDLE_MS = { most: 10_000, unasked: 500 };

/** Fetches the other screens once the first stands and the page has nothing else to do. */
@Injectable({ providedIn: 'root' })
export class PreloadWhenIdle implements PreloadingStrategy {
  private readonly stands = inject(ApplicationRef).isStable.pipe(filter(Boolean), take(1), delay(AFTER_MS), shareReplay(1));

  preload(_route: Route, load: () => Observable<unknown>): Observable<unknown> {
    return this.stands.pipe(
      concatMap(() => whenIdle(IDLE_MS.most, IDLE_MS.unasked)),
      concatMap(load),
    );
  }
}
