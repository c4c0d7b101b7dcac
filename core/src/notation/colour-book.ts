import { asSeen } from './fold.js';
import { NO_BOOK, colourLength, isColourCode, type ColourBook } from './colours.js';
import type { Line } from './layout/line.js';
import type { Token } from './tokens.js';
import { phraseInEither } from './vocabulary.js';

const JOINS = new Set(['=', ':', '-']);
const COLOUR_WORDS = new Set(['color', 'colour', 'colors', 'colours', 'yarn', 'yarns', 'key', 'legend']);
const CHANGES = new Set(['change', 'switch', 'changing', 'switching', 'swap']);
const NO_NAMES = new Set(
  'g gram grams ball balls skein skeins of m metres meters yards yd and or some a the any weight worsted cotton wool acrylic plush chunky bulky medium fine dk yarn yarns in each your new for with to back mm hook colour color colours colors ply left scrap scraps small amount amounts main light-weight leftover leftovers about around next'.split(
    ' ',
  ),
);

/** Collects what a text calls its colours: "A: navy", "Colours: A navy, B cream", "Yarn: 20 g coral", "change to flame". */
export function readColourBook(text: string, lines: readonly Line[]): ColourBook {
  const codes = new Map<string, string>();
  const named = new Set<string>();
  for (const line of lines) {
    if (line.is === 'blank' || line.is === 'terms') continue;
    const { tokens } = line;
    if (line.is !== 'round') {
      readCodes(text, tokens, codes);
      if (COLOUR_WORDS.has(tokens[0]!.key)) namesIn(tokens.slice(1)).forEach((name) => named.add(name));
    }
    for (let i = 0; i < tokens.length; i++) {
      if (!CHANGES.has(tokens[i]!.key)) continue;
      for (const name of namesIn(tokens.slice(i + 1, changedUpTo(tokens, i + 1)))) named.add(name);
    }
  }
  return { codes, named };
}

function changedUpTo(tokens: readonly Token[], from: number): number {
  const to = tokens.findIndex((token, i) => i >= from && token.key === 'to');
  if (to < 0 || to > from + 2) return from;
  const end = tokens.findIndex((token, i) => i > to && (token.kind !== 'word' || isCraft(tokens, i)));
  return end < 0 ? tokens.length : end;
}

/** Single words of a list of colours; words of the craft and of yarns are no names. */
function namesIn(tokens: readonly Token[]): string[] {
  return tokens
    .filter((token, i) => token.kind === 'word' && token.key.length > 2 && !NO_NAMES.has(token.key) && !isCraft(tokens, i))
    .map(({ key }) => key);
}

function isCraft(tokens: readonly Token[], at: number): boolean {
  return phraseInEither(tokens, at) !== null;
}

function readCodes(text: string, tokens: readonly Token[], codes: Map<string, string>): void {
  const said = COLOUR_WORDS.has(tokens[0]!.key);
  for (let i = 0; i < tokens.length; i++) {
    const token = tokens[i]!;
    const before = tokens[i - 1]?.key === '(' && tokens[i + 1]?.key === ')' ? colourBefore(tokens, i - 1) : -1;
    if (before >= 0 && isColourCode(token.text)) {
      codes.set(token.text, asSeen(text.slice(tokens[before]!.from, tokens[i - 2]!.to)));
      continue;
    }
    const begins = i === 0 || COLOUR_WORDS.has(tokens[i - 1]!.key) || tokens[i - 1]!.kind === 'mark';
    if (!begins || !isColourCode(token.text)) continue;
    const joined = JOINS.has(tokens[i + 1]?.key ?? '') ? 1 : 0;
    const bracketed =
      ['(', '['].includes(tokens[i - 1]?.key ?? '') || ['(', '['].includes(tokens[0]!.key) || inBrackets(tokens, i);
    if (joined === 0 && !said && !bracketed) continue;
    const name = wordsFrom(text, tokens, i + 1 + joined);
    if (name) codes.set(token.text, name);
  }
}

/** "sand (A)": where the colour begins that ends before a token; -1 for none. */
function colourBefore(tokens: readonly Token[], end: number): number {
  for (let from = Math.max(0, end - MOST_WORDS); from < end; from++)
    if (colourLength(tokens, from, NO_BOOK) === end - from) return from;
  return -1;
}

/** Longest name of a colour, in tokens: "off-white". */
const MOST_WORDS = 3;

/** Longest list of letters in brackets, in tokens. */
const MOST_IN_BRACKETS = 60;

/** "(Y yellow, K black)" */
function inBrackets(tokens: readonly Token[], at: number): boolean {
  let open = at - 1;
  while (open >= 0 && at - open < MOST_IN_BRACKETS && tokens[open]!.key !== '(' && tokens[open]!.key !== '[') open--;
  return ['(', '['].includes(tokens[open]?.key ?? '') && isColourCode(tokens[open + 1]?.text ?? '');
}

/** The run of words at `at`, up to the first mark or number; nothing where it is a stitch. */
function wordsFrom(text: string, tokens: readonly Token[], at: number): string {
  if (at < tokens.length && isCraft(tokens, at)) return '';
  let end = at;
  while (tokens[end]?.kind === 'word' && !isColourCode(tokens[end]!.text)) end++;
  return end > at ? asSeen(text.slice(tokens[at]!.from, tokens[end - 1]!.to)) : '';
}
