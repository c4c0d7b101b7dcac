import { fromWindows } from '../decoding/index.js';

/** Groups whose words are none of the text: fonts, colours, styles, pictures, heads and feet of pages. */
const SILENT: ReadonlySet<string> = new Set(
  'fonttbl colortbl stylesheet info pict header headerl headerr headerf footer footerl footerr footerf themedata datastore fldinst listtable listoverridetable generator xmlnstbl rsidtbl latentstyles object bkmkstart bkmkend'.split(
    ' ',
  ),
);
/** Control words that stand for letters. */
const LETTERS: Readonly<Record<string, string>> = {
  par: '\n',
  line: '\n',
  sect: '\n',
  page: '\n',
  row: '\n',
  cell: '\t',
  nestcell: '\t',
  tab: '\t',
  emdash: '—',
  endash: '–',
  lquote: '‘',
  rquote: '’',
  ldblquote: '“',
  rdblquote: '”',
  bullet: '•',
  enspace: ' ',
  emspace: ' ',
};
const TOKEN = /\\'([0-9a-f]{2})|\\([a-z]+)(-?\d+)? ?|\\([^a-z])|([{}])|([^\\{}\r\n]+)|[\r\n]+/gi;

interface Group {
  readonly silent: boolean;
  /** Letters that stand in for a Unicode letter where it is not known: they are passed over. */
  readonly fallback: number;
}

/**
 * The text of a rich text file (RTF 1.9.1, from memory): paragraphs, cells parted by tabs, letters of Windows-1252 and of
 * Unicode. No kept package reads cells and code pages without a browser's document.
 */
export function textOfRtf(source: string): string {
  const groups: Group[] = [];
  let group: Group = { silent: false, fallback: 1 };
  let skip = 0;
  let text = '';
  const write = (letters: string): void => {
    if (!group.silent) text += letters;
  };
  for (const [all, hex, word, number, symbol, brace, plain] of source.matchAll(TOKEN)) {
    if (brace === '{') groups.push(group);
    else if (brace === '}') group = groups.pop() ?? group;
    else if (hex !== undefined) {
      if (skip > 0) skip--;
      else write(fromWindows(Uint8Array.of(parseInt(hex, 16))));
    } else if (symbol !== undefined) {
      if (symbol === '*') group = { ...group, silent: true };
      else write(symbol === '~' ? ' ' : symbol === '_' ? '-' : symbol === '-' ? '' : symbol);
    } else if (plain !== undefined) {
      write(plain.slice(skip));
      skip = Math.max(0, skip - plain.length);
    } else if (word === 'u' && number !== undefined) {
      write(String.fromCharCode((Number(number) + 65_536) % 65_536));
      skip = group.fallback;
    } else if (word === 'uc') group = { ...group, fallback: Number(number ?? 1) };
    else if (word !== undefined && SILENT.has(word)) group = { ...group, silent: true };
    else if (word !== undefined && word in LETTERS) write(LETTERS[word]!);
    else if (all.trim() === '') continue;
  }
  return text.replace(/\t\n/g, '\n');
}
