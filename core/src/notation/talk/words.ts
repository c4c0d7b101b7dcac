import type { Span } from '../span.js';
import { numberOf, tokenize, type Token } from '../tokens.js';
import type { Cue } from './captions.js';
import { MISHEARD, ORDINAL_SOUNDS, SOUNDS_LIKE } from './mishearings.js';

/**
 * A word as it was said, with its time in seconds and its place in the file. `key` is a lower-case word, "#24" for a number,
 * "~4" for a word that sounds like one ("for"), "%3" for an ordinal, or "." for the end of a sentence.
 */
export interface Spoken extends Span {
  readonly key: string;
  readonly at: number;
  /** Whether a comma stands before it. */
  readonly afterComma: boolean;
}

/** What captions put among the words for sounds, speakers and markup. */
const NO_WORDS = /\[[^\][]{0,60}\]|\([^()]{0,40}\)|<[^<>]{0,80}>|[♪♫]+|^\s*(?:>>+|-)\s*|&(?:nbsp|gt|lt|amp);/g;

const ORDINALS = 'first second third fourth fifth sixth seventh eighth ninth tenth eleventh twelfth'.split(' ');
const SIZES = /^(?:the|a|an|that|this|those|me|us|you|now|it|him|her|your|my|our|about|going|get|make|when|where|if)$/;

/** The words of a talk, numbers joined, mishearings that mean nothing else put right. */
export function spokenWords(text: string, cues: readonly Cue[]): readonly Spoken[] {
  return joinNumbers(putRight(cues.flatMap((cue) => wordsOfCue(text, cue))));
}

function wordsOfCue(text: string, cue: Cue): Spoken[] {
  const tokens = cue.spans.flatMap((span) => {
    const bare = text.slice(span.from, span.to).replace(NO_WORDS, (match) => ' '.repeat(match.length));
    return tokenize(bare).map((token) => ({ ...token, from: token.from + span.from, to: token.to + span.from }));
  });
  let comma = false;
  const words: Spoken[] = [];
  tokens.forEach((token, i) => {
    const at = cue.from + ((cue.to - cue.from) * i) / Math.max(1, tokens.length);
    const key = keyOf(token);
    if (key === ',') comma = true;
    else if (key !== null) {
      words.push({ key, at, from: token.from, to: token.to, afterComma: comma });
      comma = false;
    }
  });
  return words;
}

function keyOf(token: Token): string | null {
  if (token.kind === 'mark') return ['.', '!', '?', ';', '...'].includes(token.key) ? '.' : token.key === '-' ? null : ',';
  const word = token.key.replaceAll('’', "'");
  const number = numberOf(token);
  if (number !== null) return `#${number}`;
  const ordinal = ORDINALS.indexOf(ORDINAL_SOUNDS.get(word) ?? word);
  if (ordinal >= 0) return `%${ordinal + 1}`;
  const sound = SOUNDS_LIKE.get(word);
  return sound === undefined ? word : `~${sound}`;
}

const BY_FIRST = byFirstWord();

function byFirstWord(): ReadonlyMap<string, readonly (readonly [readonly string[], readonly string[]])[]> {
  const table = new Map<string, (readonly [readonly string[], readonly string[]])[]>();
  for (const [heard, said] of MISHEARD.flatMap(withPlural)) {
    const from = heard.split(' ').map((word) => (SOUNDS_LIKE.has(word) ? `~${SOUNDS_LIKE.get(word)}` : word));
    table.set(from[0]!, [...(table.get(from[0]!) ?? []), [from, said.split(' ')]]);
  }
  for (const rows of table.values()) rows.sort((a, b) => b[0].length - a[0].length);
  return table;
}

/** Of several as of one: "crow shades" are crochets. */
function withPlural([heard, said]: readonly [string, string]): (readonly [string, string])[] {
  const nouns = /(?:crochet|increase|decrease|ring)$/.test(said) && !heard.endsWith('s');
  return nouns
    ? [
        [heard, said],
        [`${heard}s`, `${said}s`],
      ]
    : [[heard, said]];
}

function putRight(words: readonly Spoken[]): Spoken[] {
  const right: Spoken[] = [];
  for (let i = 0; i < words.length; i++) {
    const row = BY_FIRST.get(words[i]!.key)?.find(([heard]) => heard.every((word, j) => words[i + j]?.key === word));
    if (!row) {
      right.push(words[i]!);
      continue;
    }
    const last = words[i + row[0].length - 1]!;
    row[1].forEach((key) => right.push({ ...words[i]!, key, to: last.to }));
    i += row[0].length - 1;
  }
  return right;
}

const valueOf = (word: Spoken | undefined): number | null => (word?.key.startsWith('#') ? Number(word.key.slice(1)) : null);

/** "twenty four" is one number, and "twenty ate"; "one hundred and eight"; "24th" an ordinal. */
function joinNumbers(words: readonly Spoken[]): Spoken[] {
  const joined: Spoken[] = [];
  for (let i = 0; i < words.length; i++) {
    const word = words[i]!;
    const value = valueOf(word);
    const next = words[i + 1];
    const suffix = value !== null && next?.from === word.to && /^(?:st|nd|rd|th)$/.test(next.key);
    if (value === null || !next || next.afterComma) joined.push(word);
    else if (suffix) {
      joined.push({ ...word, key: `%${value}`, to: next.to });
      i++;
    } else if (next.key === 'hundred') {
      const and = words[i + 2]?.key === 'and' ? 1 : 0;
      const rest = valueOf(words[i + 2 + and]);
      const takes = rest !== null && rest < 100 && !words[i + 2]!.afterComma;
      joined.push({ ...word, key: `#${value * 100 + (takes ? rest : 0)}`, to: (takes ? words[i + 2 + and]! : next).to });
      i += takes ? 2 + and : 1;
    } else {
      const one = oneAfterTens(words, i);
      if (one === null) joined.push(word);
      else {
        joined.push({ ...word, key: one, to: next.to });
        i++;
      }
    }
  }
  return joined;
}

/** The key of "twenty four", "twenty for", "twenty fourth"; null where the next word is none of the number. */
function oneAfterTens(words: readonly Spoken[], at: number): string | null {
  const tens = valueOf(words[at])!;
  const next = words[at + 1]!;
  if (tens % 10 !== 0 || tens < 20 || tens > 90 || next.key === '.') return null;
  // "thirty, one in each".
  if (next.key === '#1' && ['in', 'single'].includes(words[at + 2]?.key ?? '')) return null;
  const digit = /^[#%](\d)$/.exec(next.key);
  if (digit && digit[1] !== '0') return `${next.key[0]}${tens + Number(digit[1])}`;
  const sound = /^~(\d)$/.exec(next.key);
  const after = words[at + 2];
  const ends = !after || after.key === '.' || !SIZES.test(after.key);
  // "twenty to the marker", "twenty for this round".
  return sound && (sound[1] === '8' || (ends && !valueOf(after))) ? `#${tens + Number(sound[1])}` : null;
}
