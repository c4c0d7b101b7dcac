import { inject, Injectable, Injector, type Type } from '@angular/core';
import { whenIdle } from '../device/when-idle';
import { ENTRY_KINDS, type EntryKind } from '../device/database';
import { Journal } from '../sync/journal';

const MS = { within: 1_500, otherwise: 500 };

/** Who sends what the journal holds, by its kind: each comes only where something of it waits. */
const SENDERS: Readonly<Record<EntryKind, () => Promise<Type<unknown>>>> = {
  event: () => import('../sync/outbox').then((m) => m.Outbox),
  change: () => import('../sync/make-changes').then((m) => m.MakeChanges),
  yarn: () => import('../owned/basket').then((m) => m.Basket),
  measurement: () => import('../owned/measurements').then((m) => m.Measurements),
  plan: () => import('../owned/plan-list').then((m) => m.PlanList),
  photo: () => import('../owned/photos').then((m) => m.Photos),
  picture: () => import('../owned/photos').then((m) => m.Photos),
  practice: () => import('../owned/practice').then((m) => m.Practice),
  sketch: () => import('../owned/sketches').then((m) => m.Sketches),
};

/** Whatever an earlier window left in the journal is sent, on whichever screen this one opens. */
@Injectable({ providedIn: 'root' })
export class EverythingSent {
  private readonly journal = inject(Journal);
  private readonly injector = inject(Injector);

  constructor() {
    whenIdle(MS.within, MS.otherwise).subscribe(() => void this.send());
  }

  private async send(): Promise<void> {
    const waiting = new Set((await this.journal.pending()).map(({ kind }) => kind));
    for (const kind of ENTRY_KINDS) if (waiting.has(kind)) this.injector.get(await SENDERS[kind]());
  }
}
