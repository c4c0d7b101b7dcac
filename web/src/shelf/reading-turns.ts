import { Injectable, signal, type Signal } from '@angular/core';
import { concatMap, Subject, tap } from 'rxjs';
import { whenIdle } from '../data/device/when-idle';

/** A page that is never idle reads all the same, ms. */
const TURN_MS = { most: 400, unasked: 30 };

/** Patterns on the shelf are read one at a time, in the pauses of the page, so that it answers meanwhile. */
@Injectable({ providedIn: 'root' })
export class ReadingTurns {
  private readonly asked = new Subject<() => void>();

  constructor() {
    this.asked.pipe(concatMap((begin) => whenIdle(TURN_MS.most, TURN_MS.unasked).pipe(tap(begin)))).subscribe();
  }

  /** True from when it is the asker's turn. */
  next(): Signal<boolean> {
    const turn = signal(false);
    this.asked.next(() => turn.set(true));
    return turn.asReadonly();
  }
}
