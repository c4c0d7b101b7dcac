import { BOUNDS } from '../../bounds/index.js';
import { labelWord } from '../label-word.js';
import { numberOf, type Token } from '../tokens.js';

/** How many a heading asks for. */
export interface Copies {
  readonly copies: number | null;
  readonly bad: Token | null;
  /** Tokens that say it, `[from, to)`; equal for none. */
  readonly from: number;
  readonly to: number;
}

/** "make 2", "(make 2, …)", "× 2", "x2", "2x", "(2)", "you need two", "(you need 3)", "2 pieces", "both alike", "2 arms". */
export function copiesSaid(tokens: readonly Token[], start: number, end: number): Copies {
  let found: SaidAt | null = null;
  for (let i = start; i < end && !found; i++) found = copiesAt(tokens, i, start, end);
  // "Two horns" says how many only where nothing else does.
  found ??= countedName(tokens, start, end);
  if (!found) return { copies: null, bad: null, from: end, to: end };
  const number = found.number === 'both' ? 2 : numberOf(tokens[found.number])!;
  const minus = found.number !== 'both' && tokens[found.number - 1]?.key === '-' && found.number - 1 >= found.from;
  const good = Number.isInteger(number) && number >= 1 && number <= BOUNDS.copies && !minus;
  const bad = good || found.number === 'both' ? null : tokens[found.number]!;
  return { copies: good ? number : null, bad, from: found.from, to: found.to };
}

/** Where it is said how many: the token with the number, and those that say it, `[from, to)`. */
interface SaidAt {
  readonly number: number | 'both';
  readonly from: number;
  readonly to: number;
}

const MAKE: ReadonlySet<string> = new Set(['make', 'need', 'want', 'crochet', 'makes']);
const PIECES: ReadonlySet<string> = new Set(['x', 'times', 'pieces', 'pcs', 'pc', 'identical', 'of', 'copies', 'parts']);

function copiesAt(tokens: readonly Token[], i: number, start: number, end: number): SaidAt | null {
  const token = tokens[i]!;
  const { key } = token;
  if (key === 'both' && ['alike', 'the', 'are', 'identical'].includes(tokens[i + 1]?.key ?? ''))
    return { number: 'both', from: i, to: i + 2 };
  const closed = [')', ']'].includes(tokens[i + 1]?.key ?? '');
  if (key === 'pair' && (tokens[i + 1]?.key === 'of' || closed))
    return { number: 'both', from: Math.max(start, i - 1), to: i + 2 };
  if (key === 'twice' && closed) return { number: 'both', from: Math.max(start, i - 1), to: i + 2 };
  if (MAKE.has(key) && i < end - 1) {
    const minus = tokens[i + 1]?.key === '-' ? 1 : 0;
    const x = tokens[i + 1]?.key === 'x' ? 1 : 0;
    const number = i + 1 + minus + x;
    if (numberOf(tokens[number]) === null || labelWord(tokens[number + 1]) !== null) return null;
    const after = number + 1 + (PIECES.has(tokens[number + 1]?.key ?? '') ? 1 : 0);
    return { number, from: i, to: Math.min(end, after) };
  }
  if (key === 'x' && numberOf(tokens[i + 1]) !== null) return { number: i + 1, from: i, to: i + 2 };
  if (numberOf(token) === null) return null;
  if (['x', 'pieces', 'pcs', 'copies', 'times'].includes(tokens[i + 1]?.key ?? '')) return { number: i, from: i, to: i + 2 };
  if (tokens[i + 1]?.key === 'of' && tokens[i + 2]?.key === 'them') return { number: i, from: i, to: i + 3 };
  const bracketed = ['(', '['].includes(tokens[i - 1]?.key ?? '') && closed;
  if (bracketed && i - 1 > start) return { number: i, from: i - 1, to: i + 2 };
  return null;
}

/** "Paws. Make 4 in white.": how many, in a sentence of its own after the name. */
export function laterCopies(tokens: readonly Token[], sentence: number, end: number, none: Copies): Copies {
  const at = tokens.findIndex((token, i) => i > sentence && i < end && MAKE.has(token.key));
  if (at < 0) return none;
  const { copies, bad } = copiesSaid(tokens, at, end);
  return { ...none, copies, bad };
}

/** "2 arms", "two horns": a number before the only words of a heading. */
function countedName(tokens: readonly Token[], start: number, end: number): SaidAt | null {
  const several = (numberOf(tokens[start]) ?? 0) > 1 && end - start <= 3 && (tokens[end - 1]?.key.endsWith('s') ?? false);
  return several && tokens[start + 1]?.kind === 'word' ? { number: start, from: start, to: start + 1 } : null;
}

/** How many to make, where a line says nothing else: "make 2", "(× 4)". */
export function copiesAlone(tokens: readonly Token[]): number | null {
  if (tokens.length > 6) return null;
  const said = copiesSaid(tokens, 0, tokens.length);
  const rest = tokens.filter(
    (token, i) => (i < said.from || i >= said.to) && (token.kind !== 'mark' || !'()[].:'.includes(token.key)),
  );
  return rest.length === 0 ? said.copies : null;
}
