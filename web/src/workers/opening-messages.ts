import type { Talk } from '@lemniscus/core/notation/talk';
import type { Opened } from '@lemniscus/core/decoding';

/** A file to open, or a text that was pasted. */
export interface OpeningQuestion {
  readonly bytes: Uint8Array;
}

/** How far it has come, from 0 to 1; or what was found: its lines, and where it is a talk, that talk read. */
export type OpeningAnswer =
  { readonly done: number } | { readonly opened: Opened; readonly talk: Talk | null } | { readonly failed: string };
