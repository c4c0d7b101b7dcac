import { Injectable, signal } from '@angular/core';
import * as z from 'zod';
import { keep, recall } from './local';

/** What a hand with stuffing needs, mm (common practice: 35 to 40). */
const USUAL_MM = 38;
const KEY = 'hand-opening';

/** The opening that the hand of the maker at this device needs. */
@Injectable({ providedIn: 'root' })
export class HandSize {
  private readonly opening = signal(z.number().min(10).max(120).catch(USUAL_MM).parse(recall(KEY)));
  /** As the maker says; mm. */
  readonly mm = this.opening.asReadonly();

  change(mm: number): void {
    this.opening.set(mm);
    keep(KEY, mm);
  }
}
