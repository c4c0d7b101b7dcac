import type { DraftMaking } from '../assembly.js';
import { factsIn } from '../facts.js';
import type { Part } from '../pattern.js';
import { tokenize, type Token } from '../tokens.js';
import type { MakingLine, Placing } from './placing.js';
import { namesOf, type PartName } from './place-words.js';
import { placingIn, TELLS_PLACE } from './read-placing.js';

/** The lines of the making-up, each with where it places something. */
export function readMakingUp(text: string, lines: readonly DraftMaking[], parts: readonly Part[]): MakingLine[] {
  const names = namesOf(parts);
  return lines.map(({ tokens, span }) => {
    const words = text.slice(span.from, span.to);
    return { text: words, facts: factsIn(words), placing: placingOf(words, names, null, () => tokens), span };
  });
}

/** Notes between rounds that place something: on the part they stand in, or that part on another. */
export function withPlacings(parts: readonly Part[]): Part[] {
  const names = namesOf(parts);
  return parts.map((part, of) => {
    if (!part.notes.some(({ text }) => TELLS_PLACE.test(text))) return part;
    const notes = part.notes.map((note) =>
      TELLS_PLACE.test(note.text) ? { ...note, placing: placingOf(note.text, names, of, () => tokenize(note.text)) } : note,
    );
    return { ...part, notes };
  });
}

/** What words placed while the parts were called so: a text is read anew at every keystroke, and hardly changes. */
const known = { parts: '', placings: new Map<string, Placing | null>() };
const MOST_KNOWN = 2_000;

function placingOf(words: string, names: readonly PartName[], of: number | null, tokens: () => readonly Token[]): Placing | null {
  const parts = names.map(({ name, copies }) => `${copies} ${name}`).join('\n');
  if (parts !== known.parts || known.placings.size >= MOST_KNOWN) {
    known.parts = parts;
    known.placings.clear();
  }
  const key = `${of} ${words}`;
  let placing = known.placings.get(key);
  if (placing === undefined) known.placings.set(key, (placing = placingIn(tokens(), { names, of })));
  return placing;
}
