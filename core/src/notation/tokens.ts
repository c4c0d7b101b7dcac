import type { Span } from './span.js';

/** The smallest meaningful pieces of a line. `key` is the lower-case text, with look-alike marks folded together. */
export interface Token extends Span {
  readonly kind: 'number' | 'word' | 'mark';
  readonly text: string;
  readonly key: string;
}

const FOLDED: Readonly<Record<string, string>> = {
  '×': 'x',
  '✕': 'x',
  '–': '-',
  '—': '-',
  '−': '-',
  '…': '...',
  '→': '=',
};

const LETTER = /\p{L}/u;
const SPACE = /\s/u;
const isDigit = (char: string | undefined): boolean => char !== undefined && char >= '0' && char <= '9';
const isAsciiLetter = (char: string): boolean => (char >= 'a' && char <= 'z') || (char >= 'A' && char <= 'Z');
const isLetter = (char: string | undefined): boolean =>
  char !== undefined && (isAsciiLetter(char) || (char > '\x7f' && !FOLDED[char] && LETTER.test(char)));
const isSpace = (char: string): boolean =>
  char === ' ' || char === '\t' || (char > '\x7f' && SPACE.test(char)) || (char < ' ' && SPACE.test(char));

/**
 * Cuts `text[from, to)` into tokens. White space and paired stars of bold type ("**") are passed over.
 * Letters and digits part ("sc3" is `sc` and `3`), except in "sc2tog", which is one word.
 */
export function tokenize(text: string, from = 0, to = text.length): Token[] {
  const tokens: Token[] = [];
  const push = (kind: Token['kind'], start: number, end: number): void => {
    const raw = text.slice(start, end);
    tokens.push({ kind, text: raw, key: FOLDED[raw] ?? raw.toLowerCase(), from: start, to: end });
  };
  let i = from;
  while (i < to) {
    const char = text[i]!;
    const start = i;
    if (isSpace(char)) i++;
    else if (char === '*' && text[i + 1] === '*') i += 2;
    else if (isDigit(char)) {
      while (i < to && isDigit(text[i])) i++;
      if (text[i] === '.' && isDigit(text[i + 1]) && i + 1 < to) {
        i++;
        while (i < to && isDigit(text[i])) i++;
      }
      push('number', start, i);
    } else if (isLetter(char)) {
      while (i < to && (isLetter(text[i]) || text[i] === '’' || text[i] === "'")) i++;
      let digits = i;
      while (digits < to && isDigit(text[digits])) digits++;
      if (digits > i && digits + 3 <= to && text.slice(digits, digits + 3).toLowerCase() === 'tog') i = digits + 3;
      push('word', start, i);
    } else {
      i++;
      push('mark', start, i);
    }
  }
  return tokens;
}

const NUMBER_WORDS = ['zero', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

/** The value of a number token or a number word up to twelve; null for any other. May be fractional. */
export function numberOf(token: Token | undefined): number | null {
  if (token === undefined) return null;
  if (token.kind === 'number') return Number(token.text);
  const index = NUMBER_WORDS.indexOf(token.key);
  return index > 0 ? index : null;
}
