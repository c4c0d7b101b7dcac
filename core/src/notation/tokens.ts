import { fold } from './fold.js';
import type { Span } from './span.js';

/** The smallest meaningful pieces of a line. `text` is as written, look-alikes folded; `key` is its lower case. */
export interface Token extends Span {
  readonly kind: 'number' | 'word' | 'mark';
  readonly text: string;
  readonly key: string;
}

/** "incx6" is an increase six times. */
const TIMES = /^(?:sc|hdc|dc|tr|inc|dec|invdec|htr|decs|incs)x$/;
const LETTER = /\p{L}/u;

/** What a character is, by its code; signs are those of markup, which are read otherwise. */
const MARK = 0;
const SPACE = 1;
const DIGIT = 2;
const SMALL = 3;
const CAPITAL = 4;
const SIGN = 5;
const KINDS = Uint8Array.from({ length: 0x80 }, (_, code) => {
  const char = String.fromCharCode(code);
  if (char === ' ') return SPACE;
  if (char >= '0' && char <= '9') return DIGIT;
  if (char >= 'a' && char <= 'z') return SMALL;
  if (char >= 'A' && char <= 'Z') return CAPITAL;
  return code < 0x20 || code > 0x7e || '<&_`'.includes(char) ? SIGN : MARK;
});

function kindAt(chars: string, i: number): number {
  const code = chars.charCodeAt(i);
  if (code < 0x80) return KINDS[code]!;
  return LETTER.test(chars[i]!) ? CAPITAL : MARK;
}

/** A stretch of text as it is read, with the place of each character in the text. */
interface Folded {
  readonly chars: string;
  /** Where in `chars` the stretch begins and ends. */
  readonly start: number;
  readonly stop: number;
  /** Offset of each character, and of the end; null where they are read one for one. */
  readonly at: readonly number[] | null;
  /** What a place in `chars` lacks to its offset, where they are read one for one. */
  readonly shift: number;
}

/** The few characters beside plain ones that are read as others, one for one. */
const FOLDED_ALONE = /[×–—−]/g;
const DASHES = '–—−';
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

/** How a stretch can be read: as it stands, with single characters as others, or only character by character. */
function plainness(text: string, from: number, to: number): 'as it stands' | 'one for one' | 'not' {
  let before = 0;
  let folds = false;
  for (let i = from; i < to; i++) {
    const code = text.charCodeAt(i);
    if (code >= 0x80) {
      if (code !== 0xd7 && !DASHES.includes(text[i]!)) return 'not';
      folds = true;
    } else if (KINDS[code] === SIGN || (code === before && (code === 0x2a || code === 0x7e))) return 'not';
    before = code;
  }
  return folds ? 'one for one' : 'as it stands';
}

function folded(text: string, from: number, to: number): Folded {
  const plain = plainness(text, from, to);
  if (plain === 'as it stands') return { chars: text, start: from, stop: to, at: null, shift: 0 };
  const raw = text.slice(from, to);
  if (plain === 'one for one') {
    const chars = raw.replace(FOLDED_ALONE, (sign) => (sign === '×' ? 'x' : '-'));
    return { chars, start: 0, stop: chars.length, at: null, shift: from };
  }
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
  return { chars: chars.join(''), start: 0, stop: chars.length, at, shift: 0 };
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
  const { chars, start, stop, at, shift } = folded(text, from, to);
  const tokens: Token[] = [];
  for (let i = start; i < stop;) {
    const begin = i;
    const is = kindAt(chars, i);
    if (is === SPACE) {
      i++;
      continue;
    }
    if (is === DIGIT) {
      i = endOfNumber(chars, i, stop);
      const read = chars.slice(begin, i);
      tokens.push({ kind: 'number', text: read, key: read, from: begin + shift, to: i + shift });
    } else if (is === SMALL || is === CAPITAL) {
      i = endOfWord(chars, i, stop);
      const { text, key } = wordOf(chars.slice(begin, i));
      tokens.push({ kind: 'word', text, key, from: begin + shift, to: i + shift });
    } else {
      i = endOfMark(chars, i, stop);
      const read = chars.slice(begin, i);
      const key = markKey(read);
      tokens.push({ kind: 'mark', text: key === '...' ? key : read, key, from: begin + shift, to: i + shift });
    }
  }
  return at
    ? tokens.map((token) => ({ ...token, from: at[token.from]!, to: Math.min(to, endIn(text, from, at, token.to)) }))
    : tokens;
}

/** Where a place in folded characters ends in the text: past the last character before it. */
function endIn(text: string, from: number, at: readonly number[], i: number): number {
  return i > 0 ? at[i - 1]! + charLength(text, at[i - 1]!) : from;
}

/** Words met before, with their keys: the same few stand in every line. */
const WORDS = new Map<string, { readonly text: string; readonly key: string }>();
const MOST_WORDS = 5_000;

function wordOf(text: string): { readonly text: string; readonly key: string } {
  let word = WORDS.get(text);
  if (!word) {
    if (WORDS.size >= MOST_WORDS) WORDS.clear();
    WORDS.set(text, (word = { text, key: text.toLowerCase() }));
  }
  return word;
}

/** Arrows lead to a total as "=" does, dots in a row are one mark; all else is read as it is written. */
function markKey(read: string): string {
  if (read.length === 1) return read === '…' ? '...' : read;
  if (read === '=>' || read === '->') return '=';
  return isDot(read[0]) ? '...' : read.toLowerCase();
}

function charLength(text: string, at: number): number {
  const found = /^(?:<[^<>]*>|&\w+;)/.exec(text[at] === '&' ? text.slice(at, at + 8) : '');
  return found ? found[0].length : String.fromCodePoint(text.codePointAt(at) ?? 32).length;
}

function endOfDigits(chars: string, from: number, stop: number): number {
  let i = from;
  while (i < stop && kindAt(chars, i) === DIGIT) i++;
  return i;
}

function endOfNumber(chars: string, from: number, stop: number): number {
  const i = endOfDigits(chars, from, stop);
  return chars[i] === '.' && i + 1 < stop && kindAt(chars, i + 1) === DIGIT ? endOfDigits(chars, i + 1, stop) : i;
}

const isDot = (char: string | undefined): boolean => char === '.' || char === '…';

function endOfMark(chars: string, from: number, stop: number): number {
  const char = chars[from]!;
  if (char === '…' || (char === '.' && from + 2 < stop && chars.startsWith('...', from))) {
    let i = from;
    while (i < stop && (isDot(chars[i]) || (chars[i] === ' ' && i + 1 < stop && isDot(chars[i + 1])))) i++;
    return i;
  }
  const arrow = (char === '=' || char === '-') && from + 1 < stop && chars[from + 1] === '>';
  return arrow ? from + 2 : from + String.fromCodePoint(chars.codePointAt(from)!).length;
}

/** "sc2inc" is one word as "sc2tog" is. */
const CHANGES: ReadonlySet<string> = new Set(['inc', 'dec']);

/** The end of a word: letters, apostrophes between them, and digits where "tog" follows. */
function endOfWord(chars: string, from: number, stop: number): number {
  let i = from;
  for (; i < stop; i++) {
    if (isLetterAt(chars, i, stop)) continue;
    const code = chars.charCodeAt(i);
    if ((code !== 0x27 && code !== 0x2019) || !isLetterAt(chars, i + 1, stop)) break;
  }
  const digits = endOfDigits(chars, i, stop);
  if (digits === i) return i;
  const after = chars.slice(digits, Math.min(stop, digits + 3)).toLowerCase();
  const joined =
    after === 'tog' ||
    (chars[i] === '2' && digits === i + 1 && CHANGES.has(after) && !(digits + 3 < stop && kindAt(chars, digits + 3) === DIGIT));
  if (joined) return digits + 3;
  return TIMES.test(chars.slice(from, i).toLowerCase()) ? i - 1 : i;
}

function isLetterAt(chars: string, i: number, stop: number): boolean {
  const kind = i < stop ? kindAt(chars, i) : MARK;
  return kind === SMALL || kind === CAPITAL;
}

const UNITS =
  'zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen eighteen nineteen'.split(
    ' ',
  );
const TENS: ReadonlySet<string> = new Set('twenty thirty forty fifty sixty seventy eighty ninety'.split(' '));

/** Values of number words up to ninety-nine; those of two words are joined when a line is laid out. */
const NUMBER_WORDS: ReadonlyMap<string, number> = new Map([
  ...UNITS.map((word, i) => [word, i] as const).slice(1),
  ...[...TENS].flatMap((ten, i) => [
    [ten, 20 + 10 * i] as const,
    ...UNITS.slice(1, 10).map((one, j) => [`${ten}-${one}`, 21 + 10 * i + j] as const),
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
  if (!tokens.some(({ kind, key }) => kind === 'word' && TENS.has(key))) return tokens;
  const joined: Token[] = [];
  for (let i = 0; i < tokens.length; i++) {
    const ten = tokens[i]!;
    const dash = tokens[i + 1]?.key === '-' ? 1 : 0;
    const one = tokens[i + 1 + dash];
    const whole = TENS.has(ten.key) && one ? `${ten.key}-${one.key}` : '';
    if (!NUMBER_WORDS.has(whole)) joined.push(ten);
    else {
      joined.push({ kind: 'word', text: whole, key: whole, from: ten.from, to: one!.to });
      i += 1 + dash;
    }
  }
  return joined;
}
