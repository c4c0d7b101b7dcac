import type { DraftMaking } from '../assembly.js';
import { factsIn } from '../facts.js';
import type { Part } from '../pattern.js';
import { tokenize } from '../tokens.js';
import type { MakingLine } from './placing.js';
import { namesOf } from './place-words.js';
import { placingIn, TELLS_PLACE } from './read-placing.js';

/** The lines of the making-up, each with where it places something. */
export function readMakingUp(text: string, lines: readonly DraftMaking[], parts: readonly Part[]): MakingLine[] {
  const names = namesOf(parts);
  return lines.map(({ tokens, span }) => {
    const words = text.slice(span.from, span.to);
    return { text: words, facts: factsIn(words), placing: placingIn(tokens, { names, of: null }), span };
  });
}

/** Notes between rounds that place something: on the part they stand in, or that part on another. */
export function withPlacings(parts: readonly Part[]): Part[] {
  const names = namesOf(parts);
  return parts.map((part, of) => {
    if (!part.notes.some(({ text }) => TELLS_PLACE.test(text))) return part;
    const notes = part.notes.map((note) =>
      TELLS_PLACE.test(note.text) ? { ...note, placing: placingIn(tokenize(note.text), { names, of }) } : note,
    );
    return { ...part, notes };
  });
}
