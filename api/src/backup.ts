import * as z from 'zod';
import { Event } from './event.js';
import { Make, PatternText } from './make.js';

/** What a saved copy says of itself, as `lemniscus.json` in it. */
export const BackupManifest = z.object({
  format: z.literal('lemniscus', 'This is no copy saved by Lemniscus.'),
  version: z.literal(1, 'This copy was saved by a newer Lemniscus. Update, then take it in.'),
  /** ms since 1970. */
  savedAt: z.int(),
  /** SHA-256 of every other file in it, by its name. */
  files: z.record(z.string(), z.string()),
});
export type BackupManifest = z.infer<typeof BackupManifest>;

/** A make with all of its log and its earlier texts, as `makes/<id>.json`. */
export const BackupMake = z.object({
  make: Make.extend({ textSavedAt: z.int(), removedAt: z.int().nullable() }),
  events: z.array(Event),
  revisions: z.array(z.object({ version: z.int().min(1), text: PatternText, savedAt: z.int() })),
});
export type BackupMake = z.infer<typeof BackupMake>;

/** What a copy that was taken in had in it, and what of that was new here. */
export const Restored = z.object({
  makes: z.int(),
  newMakes: z.int(),
  newEvents: z.int(),
  yarns: z.int(),
  measurements: z.int(),
  plan: z.int(),
  photos: z.int(),
  practice: z.int(),
  sketches: z.int(),
});
export type Restored = z.infer<typeof Restored>;
