/** Words that stand at one place of a page, in points from its lower left corner. */
export interface PlacedText {
  readonly text: string;
  readonly x: number;
  /** Of the line that its letters stand on. */
  readonly y: number;
  readonly width: number;
  /** Of its letters. */
  readonly size: number;
}

/** A page as its file places it, in points. */
export interface Page {
  readonly width: number;
  readonly height: number;
  readonly placed: readonly PlacedText[];
}

/** Words on one line, from left to right, with what they span. */
export interface PageLine {
  readonly text: string;
  readonly x: number;
  readonly right: number;
  readonly y: number;
  readonly size: number;
}

/** Shares of the letters' size: lines as far apart are one, gaps as wide part words, and columns of a table. */
const SAME_LINE = 0.45;
const WORD_GAP = 0.16;
const COLUMN_GAP = 1.6;
/** Lines farther apart than this, in line heights, have a blank one between them. */
const BLANK_GAP = 1.75;

/** Ligatures and other ways to place letters that are read as the letters they are. */
function plain(text: string): string {
  return text
    .replace(/[\ufb00-\ufb06]/g, (each) => each.normalize('NFKC'))
    .replace(/\u00ad/g, '')
    .replace(/[\u00a0\u2000-\u200a]/g, ' ');
}

/** The lines of a page in the order they are read: columns one after the other, what runs across them where it stands. */
export function linesOfPage(page: Page): readonly PageLine[] {
  const lines = linesIn(page.placed);
  const gutter = gutterOf(lines, page);
  if (gutter === null) return lines.map(joined);
  const read: PageLine[] = [];
  let left: PlacedText[] = [];
  let right: PlacedText[] = [];
  const flush = (): void => {
    read.push(...linesIn(left).map(joined), ...linesIn(right).map(joined));
    [left, right] = [[], []];
  };
  for (const line of lines) {
    if (crosses(line, gutter)) {
      flush();
      read.push(joined(line));
    } else for (const each of line) (each.x < gutter ? left : right).push(each);
  }
  flush();
  return read;
}

/** Words of a page line by line, from the top. */
function linesIn(placed: readonly PlacedText[]): PlacedText[][] {
  const sorted = placed.filter(({ text }) => text.trim() !== '').sort((a, b) => b.y - a.y || a.x - b.x);
  const lines: PlacedText[][] = [];
  for (const each of sorted) {
    const line = lines.at(-1);
    if (line && Math.abs(line[0]!.y - each.y) <= SAME_LINE * Math.max(line[0]!.size, each.size)) line.push(each);
    else lines.push([each]);
  }
  for (const line of lines) line.sort((a, b) => a.x - b.x);
  return lines;
}

function joined(line: readonly PlacedText[]): PageLine {
  let text = '';
  let right = line[0]!.x;
  for (const each of line) {
    const gap = each.x - right;
    const words = plain(each.text);
    const between = text === '' ? '' : gap > COLUMN_GAP * each.size ? '\t' : gap > WORD_GAP * each.size ? ' ' : '';
    text += /\s$/.test(text) || /^\s/.test(words) ? (between === '\t' ? '\t' : '') + words : between + words;
    right = each.x + each.width;
  }
  const size = Math.max(...line.map((each) => each.size));
  return {
    text: text
      .replace(/ {2,}/g, ' ')
      .replace(/ ?\t ?/g, '\t')
      .trim(),
    x: line[0]!.x,
    right,
    y: line[0]!.y,
    size,
  };
}

/** A page in two columns has this many lines on both sides, its gutter in the middle third, and both about as wide. */
const LEAST_LINES = 5;
const MIDDLE = [0.36, 0.64] as const;
const WIDTHS = 0.55;
/** Of the lines on both sides this share may cross it: headings, and what runs across. */
const CROSSING = 0.25;
/** How far apart both columns are at least, in points. */
const GUTTER = 9;

const rightOf = ({ x, width }: PlacedText): number => x + width;

function crosses(line: readonly PlacedText[], gutter: number): boolean {
  return line.some((each) => each.x < gutter - 1 && rightOf(each) > gutter + 1);
}

/** Where a page in two columns is parted; null for a page in one, or with a table. */
function gutterOf(lines: readonly PlacedText[][], { placed }: Page): number | null {
  const words = placed.filter(({ text }) => text.trim() !== '');
  if (words.length === 0) return null;
  const [from, to] = [Math.min(...words.map(({ x }) => x)), Math.max(...words.map(rightOf))];
  const wide = to - from;
  for (let share = 0.5, step = 0; share <= MIDDLE[1]; step++, share = 0.5 + (step % 2 ? 1 : -1) * Math.ceil(step / 2) * 0.02) {
    if (share < MIDDLE[0]) continue;
    const gutter = from + share * wide;
    if (isGutter(lines, gutter, from, to)) return gutter;
  }
  return null;
}

function isGutter(lines: readonly PlacedText[][], gutter: number, from: number, to: number): boolean {
  const parted = lines.filter((line) => !crosses(line, gutter));
  const left = parted.flatMap((line) => line.filter((each) => each.x < gutter));
  const right = parted.flatMap((line) => line.filter((each) => each.x >= gutter));
  if (left.length === 0 || right.length === 0) return false;
  const [leftEnd, rightBegin] = [Math.max(...left.map(rightOf)), Math.min(...right.map(({ x }) => x))];
  if (rightBegin - leftEnd < GUTTER) return false;
  const [leftWide, rightWide] = [leftEnd - from, to - rightBegin];
  const alike = Math.min(leftWide, rightWide) / Math.max(leftWide, rightWide) >= WIDTHS;
  const many = linesIn(left).length >= LEAST_LINES && linesIn(right).length >= LEAST_LINES;
  return alike && many && lines.length - parted.length <= CROSSING * lines.length && !isTable(parted, gutter);
}

/** In a table the left cells are short and each has its right one on the same line; a column's lines end where they may. */
function isTable(lines: readonly PlacedText[][], gutter: number): boolean {
  const both = lines.filter((line) => line[0]!.x < gutter && line.at(-1)!.x >= gutter);
  const short = both.filter((line) => {
    const left = line.filter((each) => each.x < gutter);
    return rightOf(left.at(-1)!) - left[0]!.x < (gutter - left[0]!.x) * 0.5;
  });
  return both.length >= lines.length * 0.8 && short.length >= both.length * 0.8;
}

/** Whether a blank line stands between two lines of a page. */
export function apart(above: PageLine, below: PageLine): boolean {
  const gap = above.y - below.y;
  return gap > BLANK_GAP * Math.max(above.size, below.size) || gap < 0 || below.size > 1.2 * above.size;
}
