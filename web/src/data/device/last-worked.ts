import * as z from 'zod';
import { forget, keep, recall } from './local';

const KEY = 'last worked';

/** The make that was worked last on this device; null before the first. */
export function lastWorked(): string | null {
  return z.uuid().nullable().catch(null).parse(recall(KEY));
}

/** A make that was taken off the shelf is not gone straight to. */
export function forgetLastWorked(make: string): void {
  if (lastWorked() === make) forget(KEY);
}

export function keepLastWorked(make: string): void {
  keep(KEY, make);
}
