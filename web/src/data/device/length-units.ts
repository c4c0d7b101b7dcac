import { Injectable, signal } from '@angular/core';
import { lengthOfWords, lengthRange, lengthWords, type Units } from '@lemniscus/core/gauge';
import * as z from 'zod';
import { keep, recall } from './local';

const KEY = 'units';

/** Whether the maker at this device reads millimetres or inches. */
@Injectable({ providedIn: 'root' })
export class LengthUnits {
  private readonly chosen = signal<Units>(z.enum(['metric', 'inches']).catch('metric').parse(recall(KEY)));
  readonly units = this.chosen.asReadonly();

  choose(units: Units): void {
    this.chosen.set(units);
    keep(KEY, units);
  }

  words(mm: number): string {
    return lengthWords(mm, this.units());
  }

  of(mm: number, whole: number): string {
    return lengthOfWords(mm, whole, this.units());
  }

  range(mm: number, spread: number): string {
    return lengthRange(mm, spread, this.units());
  }
}
