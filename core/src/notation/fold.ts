/** Look-alikes folded together that Unicode's own folding leaves apart. */
const FOLDED: ReadonlyMap<string, string> = new Map(
  Object.entries({
    '×': 'x',
    '✕': 'x',
    '✖': 'x',
    '⨯': 'x',
    '╳': 'x',
    '–': '-',
    '—': '-',
    '―': '-',
    '‐': '-',
    '‑': '-',
    '‒': '-',
    '−': '-',
    '─': '-',
    '━': '-',
    '﹘': '-',
    '﹣': '-',
    '⁃': '-',
    '〜': '~',
    '∼': '~',
    '…': '…',
    '⋯': '…',
    '→': '=',
    '⇒': '=',
    '➔': '=',
    '➜': '=',
    '➡': '=',
    '⟶': '=',
    '►': '•',
    '▶': '•',
    '、': ',',
    '。': '.',
    '・': '•',
    '·': '•',
    '∙': '•',
    '•': '•',
    '‣': '•',
    '◦': '•',
    '∗': '*',
    '＊': '*',
    '“': '"',
    '”': '"',
    '„': '"',
    '‘': "'",
    '’': '’',
    '【': '[',
    '】': ']',
    '「': '[',
    '」': ']',
    '〈': '<',
    '〉': '>',
    '｛': '{',
    '｝': '}',
    '⏎': ' ',
    '\u20e3': ':',
    '🔟': '10:',
  }),
);

const IGNORED = /[\p{Cf}\p{Mn}\p{Me}\0]/u;
const PICTURE = /[\p{So}\p{Sk}\p{Co}\p{Cn}\p{Cs}]/u;
const SPACE = /[\p{Z}\p{Cc}]/u;
const CIRCLED = /[\u2460-\u24ff\u2776-\u2793]/u;

/**
 * A character as it is read: wide, styled and joined forms as plain letters and digits, every dash as "-", every space as
 * " ". Invisible marks give nothing, pictures a space; a number in a circle or on a key is a number with a colon.
 * @param char one code point
 */
export function fold(char: string): string {
  const known = FOLDED.get(char);
  if (known !== undefined) return known;
  if (IGNORED.test(char)) return '';
  if (SPACE.test(char)) return ' ';
  const plain = char.normalize('NFKC');
  if (CIRCLED.test(char)) return /^\d+$/.test(plain) ? `${plain}:` : plain;
  if (plain !== char) return FOLDED.get(plain) ?? plain;
  return PICTURE.test(char) ? ' ' : char;
}

/** Words that are seen as they are written. */
const PLAIN = /^[\x21-\x7e]*(?: [\x21-\x7e]+)*$/;
const UNSEEN = /\p{Cf}/gu;
const SPACES = /[\p{Z}\p{Cc}]+/gu;
const JOINED = /[\ufb00-\ufb06]/g;

/** Words as they are seen: without marks that cannot be seen, joined letters apart, every space the same one. */
export function asSeen(words: string): string {
  if (PLAIN.test(words)) return words;
  return words
    .replace(UNSEEN, '')
    .replace(SPACES, ' ')
    .replace(JOINED, (letters) => letters.normalize('NFKC'));
}
