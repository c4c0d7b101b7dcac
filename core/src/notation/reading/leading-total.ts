import { BOUNDS } from '../../bounds/index.js';
import { wholeNumber } from '../ordinals.js';
import { join, type Span } from '../span.js';
import type { Token } from '../tokens.js';
import { longestPhrase, type Vocabulary } from '../vocabulary.js';
import { isWorked } from './placing.js';
import { CLOSER_OF } from './state.js';

/** A number before all else that may be the total, and the words that then say what is worked. */
export interface LeadingTotal {
  readonly count: number;
  readonly span: Span;
  readonly rest: readonly Token[];
}

/** "12 (inc all)", "12 sc (2 in each stitch)", "18 sc *1 sc, inc*", "12 sc inc in each", "12 inc all", "12 sc – 2 in each"; null for anything else. */
export function leadingTotal(vocabulary: Vocabulary, tokens: readonly Token[]): LeadingTotal | null {
  const [first, unit] = tokens;
  const count = wholeNumber(first);
  if (count === null || count < 1 || count > BOUNDS.partStitches || !unit) return null;
  const is = vocabulary.next.get(unit.key)?.match?.meaning.is;
  const at = is === 'stitch' || is === 'stitches' ? 2 : 1;
  const dashed = at === 2 && DASHES.has(tokens[2]?.key ?? '') && tokens[2]!.from > unit.to;
  if (dashed) return tokens[at + 1] ? { count, span: join(first!, unit), rest: tokens.slice(at + 1) } : null;
  const goesOn = worksAt(vocabulary, tokens, at) && (at === 2 || tokens[2]?.kind === 'word');
  const rest = inBrackets(tokens, at) ?? (goesOn ? tokens.slice(at) : null);
  return rest && { count, span: { from: first!.from, to: tokens[at - 1]!.to }, rest };
}

/** What stands in the brackets or stars that are all the rest of a line; a number alone there is a total itself. */
function inBrackets(tokens: readonly Token[], at: number): readonly Token[] | null {
  const opener = tokens[at]?.key ?? '';
  const closer = opener === '*' ? '*' : CLOSER_OF[opener];
  if (!closer) return null;
  const end = tokens.at(-1)!.key === '.' ? tokens.length - 2 : tokens.length - 1;
  const inner = tokens.slice(at + 1, end);
  const whole = tokens[end]?.key === closer && !inner.some(({ key }) => key === closer || key === opener);
  return whole && inner.some(({ kind }) => kind === 'word') ? inner : null;
}

const DASHES: ReadonlySet<string> = new Set(['-', '=']);

function worksAt(vocabulary: Vocabulary, tokens: readonly Token[], at: number): boolean {
  const phrase = longestPhrase(vocabulary, tokens, at);
  return phrase !== null && isWorked(phrase.meaning);
}
