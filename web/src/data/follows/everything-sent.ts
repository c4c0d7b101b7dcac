import { inject, Injectable } from '@angular/core';
import { Basket } from '../owned/basket';
import { Measurements } from '../owned/measurements';
import { MakeChanges } from '../sync/make-changes';
import { Outbox } from '../sync/outbox';

/** Whatever an earlier window left in the journal is sent, on whichever screen this one opens. */
@Injectable({ providedIn: 'root' })
export class EverythingSent {
  constructor() {
    for (const sends of [Outbox, MakeChanges, Basket, Measurements]) inject(sends as typeof Outbox);
  }
}
