import { MakeChange } from '@lemniscus/api';
import * as z from 'zod';
import { forget, keep, recall } from '../device/local';

/** Changes to a make that the server has not stored yet, on top of the version they were made to. */
const Unsaved = MakeChange.extend({ version: z.int() });
export type Unsaved = z.infer<typeof Unsaved>;

const key = (make: string): string => `change.${make}`;

export function keepUnsaved(make: string, change: Unsaved): void {
  keep(key(make), change);
}

export function recallUnsaved(make: string): Unsaved | null {
  const kept = Unsaved.safeParse(recall(key(make)));
  return kept.success ? kept.data : null;
}

export function forgetUnsaved(make: string): void {
  forget(key(make));
}
