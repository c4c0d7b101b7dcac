import { BOUNDS } from '../../bounds/index.js';
import { labelWord } from '../label-word.js';
import { wholeNumber } from '../ordinals.js';
import { singular } from '../plural.js';
import { keyAt, type ReadState } from './state.js';

const ARTICLES: ReadonlySet<string> = new Set(
  'the a first second third other left right one each both next your this last back front two these'.split(' '),
);

/** The name of a part at `at`, also "the second leg" or "legs", and the tokens it takes; null for other words. */
export function partAt(state: ReadState, at = state.at): { readonly name: string; readonly length: number } | null {
  let best: { name: string; length: number } | null = null;
  for (let skip = 0; skip <= 3; skip++) {
    if (skip > 0 && !ARTICLES.has(keyAt(state, at + skip - 1))) break;
    if (state.tokens[at + skip]?.kind !== 'word') continue;
    const key = singular(keyAt(state, at + skip));
    for (const { name, words } of state.context.parts) {
      const length = words[0] === key ? lengthOfName(state, at + skip, words) : 0;
      if (length > 0 && (!best || skip + length > best.length)) best = { name, length: skip + length };
    }
  }
  return best;
}

/** Tokens that a part's name takes at `at`, with the number of a copy after it ("leg 2"); 0 where it does not stand there. */
function lengthOfName(state: ReadState, at: number, words: readonly string[]): number {
  if (!words.every((word, i) => singular(keyAt(state, at + i)) === word)) return 0;
  const copy = wholeNumber(state.tokens[at + words.length]);
  const next = keyAt(state, at + words.length + 1);
  return copy !== null && copy <= 9 && next !== 'sc' && next !== 'x' ? words.length + 1 : words.length;
}

/** Parts of figures that are named without having a heading (common practice). */
export const LIMBS: ReadonlySet<string> = new Set(
  'paw paws leg legs arm arms ear ears tail head body wing wings fin fins flipper flippers foot feet beak horn horns trunk snout limb neck'.split(
    ' ',
  ),
);
const BEFORE_LIMB: ReadonlySet<string> = new Set('the a first second left right front back other your one'.split(' '));

/** A part, or a limb that has no heading, that is named at `at`. */
export function limbNamed(state: ReadState, at: number): { readonly name: string; readonly length: number } | null {
  const part = partAt(state, at);
  if (part) return part;
  let i = at;
  while (BEFORE_LIMB.has(keyAt(state, i))) i++;
  if (!LIMBS.has(keyAt(state, i))) return null;
  const from = keyAt(state, at) === 'the' ? at + 1 : at;
  return {
    name: state.tokens
      .slice(from, i + 1)
      .map(({ text }) => text)
      .join(' '),
    length: i + 1 - at,
  };
}

export interface RoundReference {
  readonly first: number;
  readonly last: number;
  readonly part: string | null;
  readonly length: number;
}

/** "R8" or "R8–R9" (with "of the tower") at `at`: the rounds, the part's name, and the tokens it takes. */
export function roundAt(state: ReadState, at = state.at): RoundReference | null {
  let i = at;
  const lead = partAt(state, i);
  if (lead) i += lead.length;
  if (keyAt(state, i) === 'the') i++;
  if (!labelWord(state.tokens[i])) return null;
  const first = wholeNumber(state.tokens[i + 1]);
  if (first === null || first < 1 || first > BOUNDS.rounds) return null;
  i += 2;
  let last = first;
  if (['-', 'to', 'through', 'and', '&', 'thru', '+'].includes(keyAt(state, i))) {
    const relabelled = labelWord(state.tokens[i + 1]) ? 1 : 0;
    const end = wholeNumber(state.tokens[i + 1 + relabelled]);
    if (end !== null && end >= first && end <= BOUNDS.rounds) {
      last = end;
      i += 2 + relabelled;
    }
  }
  const of = ['of', 'from', 'on', 'in', 'for'].includes(keyAt(state, i)) ? 1 : 0;
  const named = of ? partAt(state, i + of) : null;
  if (named) i += of + named.length;
  return { first, last, part: (named ?? lead)?.name ?? null, length: i - at };
}
