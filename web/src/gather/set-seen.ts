import { Injectable, signal } from '@angular/core';
import * as z from 'zod';
import { keep, recall } from '../data/device/local';

const Seen = z.enum(['round', 'side']);
export type Seen = z.infer<typeof Seen>;
const KEY = 'set seen';

/** How the maker at this device sees the set: in the round, or from the side. */
@Injectable({ providedIn: 'root' })
export class SetSeen {
  private readonly stored = signal<Seen>(Seen.catch('round').parse(recall(KEY)));
  readonly seen = this.stored.asReadonly();
  readonly choices: readonly { readonly label: string; readonly value: Seen }[] = [
    { label: 'In the round', value: 'round' },
    { label: 'From the side', value: 'side' },
  ];

  choose(seen: Seen): void {
    this.stored.set(seen);
    keep(KEY, seen);
  }
}
