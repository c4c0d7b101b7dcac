import { fold } from './fold.js';
import type { Span } from './span.js';

/** The smallest meaningful pieces of a line. `text` is as written, look-alikes folded; `key` is its lower case. */
export interface Token extends Span {
  readonly kind: 'number' | 'word' | 'mark';
  readonly text: string;
  readonly key: string;
}

/** "incx6" is an increase six times. */
const TIMES = /^(?:sc|hdc|dc|tr|inc|dec|invdec|htr|decs|incs)x$/i;
const LETTER = /\p{L}/u;
const isDigit = (char: string): boolean => char >= '0' && char <= '9';
const isLetter = (char: string): boolean =>
  (char >= 'a' && char <= 'z') || (char >= 'A' && char <= 'Z') || (char > '\x7f' && LETTER.test(char));

/** A stretch of text as it is read, with the place of each character in the text. */
interface Folded {
  readonly chars: string;
  /** Offset of each character, and of the end. */
  readonly at: readonly number[] | null;
  readonly from: number;
}

/** Text whose characters are read one for one, and the few of them that are read as others. */
const PLAIN = /^[\x20-\x7e×–—−]*$/;
const MARKED = /[<&_`]|\*\*|~~/;
const SIGNS = /[×–—−]/g;
const MARKUP =
  /<\/?(?:b|i|u|p|em|strong|span|li|ul|ol|div|br|hr|h[1-6]|td|tr|table|a|font)(?:\s[^<>]{0,200})?\/?>|&(?:nbsp|amp|times|ndash|mdash|quot|lt|gt);|\*\*|__|~~|`/gi;
const ENTITIES: Readonly<Record<string, string>> = {
  '&amp;': '&',
  '&times;': 'x',
  '&ndash;': '-',
  '&mdash;': '-',
  '&quot;': '"',
  '&lt;': '<',
  '&gt;': '>',
};

function folded(text: string, from: number, to: number): Folded {
  const raw = text.slice(from, to);
  if (PLAIN.test(raw) && !MARKED.test(raw))
    return { chars: raw.replace(SIGNS, (sign) => (sign === '×' ? 'x' : '-')), at: null, from };
  const chars: string[] = [];
  const at: number[] = [];
  const put = (read: string, offset: number): void => {
    for (const unit of read.split('')) {
      chars.push(unit);
      at.push(offset);
    }
  };
  let markup = nextMarkup(raw, 0);
  for (let i = 0; i < raw.length;) {
    if (markup?.at === i) {
      const read =
        ENTITIES[markup.text.toLowerCase()] ?? (markup.text.startsWith('<') ? '' : markup.text === '&nbsp;' ? ' ' : '');
      put(read, from + i);
      i += markup.text.length;
      markup = nextMarkup(raw, i);
      continue;
    }
    const point = raw.codePointAt(i)!;
    const char = String.fromCodePoint(point);
    if (point < 0x7f && point >= 0x20) put(char === '_' ? ' ' : char, from + i);
    else if (!(char === '\u20e3' && /^[\ufe0f]?[0-9]/.test(raw.slice(i + 1, i + 3)))) put(fold(char), from + i);
    i += char.length;
  }
  at.push(to);
  return { chars: chars.join(''), at, from };
}

function nextMarkup(raw: string, from: number): { readonly at: number; readonly text: string } | null {
  MARKUP.lastIndex = from;
  const found = MARKUP.exec(raw);
  return found && { at: found.index, text: found[0] };
}

/**
 * Cuts `text[from, to)` into tokens. White space, invisible characters and marks of bold or coloured type are passed over.
 * Letters and digits part ("sc3" is `sc` and `3`), except in "sc2tog", which is one word; three dots and more are one mark.
 */
export function tokenize(text: string, from = 0, to = text.length): Token[] {
  const { chars, at } = folded(text, from, to);
  const tokens: Token[] = [];
  const end = (i: number): number => (at ? (i > 0 ? at[i - 1]! + charLength(text, at[i - 1]!) : from) : from + i);
  const push = (kind: Token['kind'], start: number, stop: number): void => {
    const read = chars.slice(start, stop);
    tokens.push({ kind, text: read, key: read.toLowerCase(), from: at ? at[start]! : from + start, to: Math.min(to, end(stop)) });
  };
  for (let i = 0; i < chars.length;) {
    const char = chars[i]!;
    const start = i;
    if (char === ' ') i++;
    else if (isDigit(char)) {
      i = endOfNumber(chars, i);
      push('number', start, i);
    } else if (isLetter(char)) {
      i = endOfWord(chars, i);
      if (isDigit(chars[i] ?? '') && TIMES.test(chars.slice(start, i))) i--;
      push('word', start, i);
    } else if ((char === '.' && chars.startsWith('...', i)) || char === '…') {
      while (chars[i] === '.' || chars[i] === '…' || (chars[i] === ' ' && (chars[i + 1] === '.' || chars[i + 1] === '…'))) i++;
      tokens.push({ kind: 'mark', text: '...', key: '...', from: at ? at[start]! : from + start, to: Math.min(to, end(i)) });
    } else {
      i += chars.startsWith('=>', i) || chars.startsWith('->', i) ? 2 : String.fromCodePoint(chars.codePointAt(i)!).length;
      const arrow = i - start === 2 && chars[start + 1] === '>';
      push('mark', start, i);
      if (arrow) tokens[tokens.length - 1] = { ...tokens[tokens.length - 1]!, key: '=' };
    }
  }
  return tokens;
}

function charLength(text: string, at: number): number {
  const found = /^(?:<[^<>]*>|&\w+;)/.exec(text[at] === '&' ? text.slice(at, at + 8) : '');
  return found ? found[0].length : String.fromCodePoint(text.codePointAt(at) ?? 32).length;
}

function endOfNumber(chars: string, from: number): number {
  let i = from;
  while (i < chars.length && isDigit(chars[i]!)) i++;
  if (chars[i] !== '.' || i + 1 >= chars.length || !isDigit(chars[i + 1]!)) return i;
  i++;
  while (i < chars.length && isDigit(chars[i]!)) i++;
  return i;
}

/** "sc2inc" is one word as "sc2tog" is. */
const CHANGES: ReadonlySet<string> = new Set(['inc', 'dec']);

function endOfWord(chars: string, from: number): number {
  let i = from;
  while (i < chars.length && (isLetter(chars[i]!) || ((chars[i] === '’' || chars[i] === "'") && isLetter(chars[i + 1] ?? ''))))
    i++;
  let digits = i;
  while (digits < chars.length && isDigit(chars[digits]!)) digits++;
  const after = chars.slice(digits, digits + 3).toLowerCase();
  return digits > i &&
    (after === 'tog' || (chars[i] === '2' && digits === i + 1 && CHANGES.has(after) && !isDigit(chars[digits + 3] ?? '')))
    ? digits + 3
    : i;
}

const SMALL =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS = 'twenty thirty forty fifty sixty seventy eighty ninety'.split(' ');

/** Values of number words up to ninety-nine; those of two words are joined when a line is laid out. */
const NUMBER_WORDS: ReadonlyMap<string, number> = new Map([
  ...SMALL.map((word, i) => [word, i] as const).slice(1),
  ...TENS.flatMap((ten, i) => [
    [ten, 20 + 10 * i] as const,
    ...SMALL.slice(1, 10).map((one, j) => [`${ten}-${one}`, 21 + 10 * i + j] as const),
  ]),
]);

/** The value of a number token or a number word up to ninety-nine; null for any other. May be fractional. */
export function numberOf(token: Token | undefined): number | null {
  if (token === undefined) return null;
  if (token.kind === 'number') return Number(token.text);
  return NUMBER_WORDS.get(token.key) ?? null;
}

/** Tokens with number words of two parts as one: "twenty four", "thirty-six". */
export function withWholeNumbers(tokens: readonly Token[]): readonly Token[] {
  if (!tokens.some(({ key }) => TENS.includes(key))) return tokens;
  const joined: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const ten = tokens[i]!;
    const dash = tokens[i + 1]?.key === '-' ? 1 : 0;
    const one = tokens[i + 1 + dash];
    const whole = TENS.includes(ten.key) && one ? `${ten.key}-${one.key}` : '';
    if (!NUMBER_WORDS.has(whole)) joined.push(ten);
    else {
      joined.push({ kind: 'word', text: whole, key: whole, from: ten.from, to: one!.to });
      i += 1 + dash;
    }
  }
  return joined;
}
