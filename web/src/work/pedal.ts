import { Injectable, signal } from '@angular/core';
import * as z from 'zod';
import { keep, recall } from '../data/device/local';

const KEY = 'pedal';

/** The key a pedal or clicker sends, learned by pressing it; null while none is. It takes the maker's step, as Space does. */
@Injectable({ providedIn: 'root' })
export class Pedal {
  private readonly learned = signal<string | null>(z.string().min(1).max(40).nullable().catch(null).parse(recall(KEY)));
  readonly key = this.learned.asReadonly();
  /** Whether the next key pressed is learned. */
  readonly learning = signal(false);

  /** Takes a key press; says whether it was used up by learning. */
  pressed(key: string): boolean {
    if (!this.learning()) return false;
    this.learning.set(false);
    if (key !== 'Escape') {
      this.learned.set(key);
      keep(KEY, key);
    }
    return true;
  }

  forget(): void {
    this.learned.set(null);
    keep(KEY, null);
  }
}
