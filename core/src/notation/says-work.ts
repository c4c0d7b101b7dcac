import { labelWord } from './label-word.js';
import { numberOf, type Token } from './tokens.js';
import { phraseInEither, type Match } from './vocabulary.js';

const MEASURES: ReadonlySet<string> = new Set(['cm', 'mm', 'inch', 'inches', 'gauge', 'swatch', 'tension']);
const REPEATS: ReadonlySet<string> = new Set(['repeat', 'rep', 'repeating']);
const DEFINES: ReadonlySet<string> = new Set(['-', '=', ':', '...']);

/**
 * Whether words that are kept as a note sound like work: they begin with a round's label, or count a stitch. Legends
 * ("inc – increase (2 sc in one)") and gauges ("16 sc on 10 cm") do not.
 */
export function saysWork(tokens: readonly Token[]): 'label' | 'stitch' | null {
  if (labelWord(tokens[0]) !== null && numberOf(tokens[1]) !== null) return 'label';
  if (
    REPEATS.has(tokens[0]?.key ?? '') &&
    tokens.some((token, i) => labelWord(token) !== null && numberOf(tokens[i + 1]) !== null)
  )
    return 'label';
  if (tokens.some(({ key }) => MEASURES.has(key)) || defines(tokens)) return null;
  for (let i = 0; i + 1 < tokens.length; i++) {
    if (tokens[i]!.kind === 'number' && isWorked(phraseInEither(tokens, i + 1))) return 'stitch';
    const phrase = tokens[i]!.kind === 'word' ? phraseInEither(tokens, i) : null;
    if (isWorked(phrase) && saysHowOften(tokens, i + phrase!.length)) return 'stitch';
  }
  return null;
}

/** "× 6", "6", "(12)", "around", "in each st" after a stitch. */
function saysHowOften(tokens: readonly Token[], at: number): boolean {
  const bracket = tokens[at]?.key === '(' || tokens[at]?.key === '[' ? 1 : 0;
  // "Dec 12: sent it off" is a day.
  if (tokens[at + bracket]?.kind === 'number')
    return bracket === 0 ? tokens[at + 1]?.key !== ':' : tokens[at + 2]?.kind === 'mark';
  const lead = tokens[at]?.key === 'in' || tokens[at]?.key === 'into' ? 1 : 0;
  const is = phraseInEither(tokens, at + lead)?.meaning.is;
  return (
    is === 'around' || (is === 'next' && lead === 1) || is === 'each' || (is === 'times' && tokens[at + 1]?.kind === 'number')
  );
}

function isWorked(phrase: Match | null): boolean {
  const is = phrase?.meaning.is;
  return is === 'stitch' || is === 'increase' || is === 'decrease';
}

/** Words for what a part begins on: what follows them is that, and no meaning of theirs. */
export const FOUNDS: ReadonlySet<string> = new Set(['foundation', 'start', 'begin', 'base', 'setup']);

/** Words that patterns explain; "Join: …" and "Colour: …" say what is done. */
const DEFINED: ReadonlySet<Match['meaning']['is']> = new Set([
  'stitch',
  'increase',
  'decrease',
  'chain',
  'ring',
  'loop',
  'skip',
  'picot',
  'stitches',
  'times',
  'turn',
]);

/** A word of the craft or an abbreviation, and right after it a mark that says what it means: "inc – increase". */
export function defines(tokens: readonly Token[]): boolean {
  const [first] = tokens;
  if (first?.kind !== 'word' || FOUNDS.has(first.key)) return false;
  const phrase = phraseInEither(tokens, 0);
  const length = phrase?.length ?? 1;
  if (!DEFINES.has(tokens[length]?.key ?? '')) return false;
  if (phrase !== null) return DEFINED.has(phrase.meaning.is);
  const after = phraseInEither(tokens, length + 1);
  const end = tokens[length + 1 + (after?.length ?? 0)];
  const says = after !== null && (end === undefined || ['(', ',', ';', '[', '.'].includes(end.key));
  return first.text.length <= 4 && says;
}
