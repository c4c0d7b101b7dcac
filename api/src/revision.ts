import * as z from 'zod';
import { PatternText } from './make.js';

/** An earlier text of a make, without the text itself. */
export const Revision = z.object({
  /** The version of the make that had this text. */
  version: z.int().min(1),
  /** When that text was saved, ms since 1970. */
  savedAt: z.int(),
  lines: z.int().min(1),
  characters: z.int().min(0),
});
export type Revision = z.infer<typeof Revision>;

export const RevisionText = z.object({ text: PatternText });
