import { NO_BOOK, colourLength } from '../colours.js';
import { labelWord } from '../label-word.js';
import type { Token } from '../tokens.js';
import { namesWork } from './label.js';
import { mark, type RawLine } from './raw-line.js';

type Cell = readonly Token[];
type Delimiter = '|' | '\t' | ',' | ';' | '   ';

const LABELS: ReadonlySet<string> = new Set(['#', 'no', 'nr', 'number', 'n', 'no .']);
const COLOURS: ReadonlySet<string> = new Set(['colour', 'color', 'yarn', 'col', 'yarn colour', 'yarn color']);
const TOTALS: ReadonlySet<string> = new Set([
  'total',
  'totals',
  'count',
  'st count',
  'stitch count',
  'sts',
  'stitches',
  'total sts',
  'total stitches',
  'number of stitches',
  '# sts',
  'st',
]);
const PARTS: ReadonlySet<string> = new Set(['part', 'parts', 'piece', 'pieces', 'section', 'element', 'body part']);
const OTHERS: ReadonlySet<string> = new Set([
  'instruction',
  'instructions',
  'what to do',
  'pattern',
  'do',
  'work',
  'how',
  'description',
  'notes',
  'note',
  'remarks',
  'comment',
  'comments',
  'done',
  'directions',
]);

/** Rows of tables, written as the lines they stand for: "5-8 | red | sc around | 24" as "5-8: red, sc around (24)". */
export function withoutTables(text: string, lines: readonly RawLine[]): RawLine[] {
  const plain: RawLine[] = [];
  for (let i = 0; i < lines.length;) {
    const table = tableAt(text, lines, i);
    if (table) for (const line of table.lines) plain.push(line);
    else plain.push(lines[i]!);
    i = table?.end ?? i + 1;
  }
  return plain;
}

interface Row {
  readonly line: RawLine;
  readonly cells: readonly Cell[];
}

function tableAt(text: string, lines: readonly RawLine[], at: number): { lines: RawLine[]; end: number } | null {
  const header = delimiterOf(text, lines[at]!);
  if (!header) return null;
  const head = cellsOf(text, lines[at]!, header);
  const titled = isHeader(head);
  if (!titled && header !== '|' && header !== '\t') return null;
  if (!titled && !isLabel(head[0])) return null;
  const rows: Row[] = [];
  let end = at + (titled ? 1 : 0);
  for (; end < lines.length; end++) {
    const line = lines[end]!;
    if (line.tokens.length === 0 && rows.length === 0) continue;
    const cells = cellsOf(text, line, header);
    if (cells.length < 2) break;
    if (!line.tokens.every(({ kind }) => kind === 'mark')) rows.push({ line, cells });
  }
  const roles = rolesOf(titled ? head.map(wordsOf) : [], rows);
  const read = rows.filter(({ cells }) => isLabel(cells[roles.label]));
  const real = titled ? read.length > 0 : read.length > 1 && read.length === rows.length && roles.work >= 0;
  if (!real) return end > at + 1 ? { lines: lines.slice(at, end), end } : null;
  const kept = new Set(rows.map(({ line }) => line));
  const skipped = lines.slice(at, end).filter((line) => !kept.has(line));
  return {
    lines: [...skipped.map((line) => ({ ...line, tokens: [] })), ...rows.flatMap((row, i) => asLines(row, rows[i - 1], roles))],
    end,
  };
}

/** A row, below a heading where its part is another than that of the row before. */
function asLines(row: Row, before: Row | undefined, roles: Roles): RawLine[] {
  const part = row.cells[roles.part] ?? [];
  if (part.length === 0 || (before && wordsOf(before.cells[roles.part]) === wordsOf(part))) return [asLine(row, roles)];
  return [{ ...row.line, tokens: [mark('#', part[0]!.from), ...part] }, asLine(row, roles)];
}

function delimiterOf(text: string, { tokens, from, to }: RawLine): Delimiter | null {
  if (tokens.length < 2) return null;
  const pipe = tokens.findIndex(({ key }) => key === '|');
  if (pipe === 0 || (pipe > 0 && tokens.findLastIndex(({ key }) => key === '|') > pipe)) return '|';
  if (text.slice(tokens[0]!.to, tokens.at(-1)!.from).includes('\t')) return '\t';
  if (
    labelWord(tokens[0]) === null &&
    !PARTS.has(tokens[0]!.key) &&
    tokens[0]!.key !== '#' &&
    tokens[0]!.key !== 'no' &&
    tokens[0]!.kind !== 'mark'
  )
    return null;
  if (/\S {3,}\S.*\S {3,}\S/.test(text.slice(from, Math.min(to, from + 200)))) return '   ';
  const words = text.slice(from, Math.min(to, from + 60));
  const listed = /^\W*(?:r|rnd|rd|round|row|#|no\.?|part|piece)\W*?([,;])/i.exec(words);
  return (listed?.[1] as Delimiter | undefined) ?? null;
}

function cellsOf(text: string, { tokens, to }: RawLine, delimiter: Delimiter): Cell[] {
  const cells: Token[][] = [[]];
  let quoted = false;
  let end = tokens[0]?.from ?? 0;
  for (const token of tokens) {
    const parts = (delimiter === '\t' || delimiter === '   ') && text.slice(end, token.from).includes(delimiter);
    end = token.to;
    if ((delimiter === ',' || delimiter === ';') && token.key === '"') {
      quoted = !quoted;
      continue;
    }
    const cut = token.key === delimiter && !quoted;
    if (parts || cut) cells.push([]);
    if (!cut) cells.at(-1)!.push(token);
  }
  if (delimiter === '|' && cells[0]!.length === 0) cells.shift();
  if (delimiter === '|' && cells.length > 1 && cells.at(-1)!.length === 0 && tokens.at(-1)?.key === '|') cells.pop();
  return to >= 0 ? cells : [];
}

const wordsOf = (cell: Cell | undefined): string => (cell ?? []).map(({ key }) => key).join(' ');

function isHeader(cells: readonly Cell[]): boolean {
  const words = cells.map(wordsOf);
  const labelled = words.some(
    (word, i) => LABELS.has(word) || (cells[i]!.length <= 2 && labelWord(cells[i]![0]) !== null && cells[i]!.length === 1),
  );
  return labelled && words.some((word) => COLOURS.has(word) || TOTALS.has(word) || OTHERS.has(word));
}

interface Roles {
  readonly label: number;
  readonly work: number;
  readonly colour: number;
  readonly total: number;
  readonly part: number;
}

/** Rows that show what a column is for. */
const ENOUGH = 200;

/** What each column is for, by its head and by what stands in it. */
function rolesOf(heads: readonly string[], rows: readonly Row[]): Roles {
  const columns = Math.max(0, ...rows.map(({ cells }) => cells.length));
  const all = Array.from({ length: columns }, (_, i) => i);
  const filled = all.map((column) => rows.map((row) => row.cells[column] ?? []).filter((cell) => cell.length > 0));
  const cells = (column: number): Cell[] => filled[column]!;
  const label = all.find((i) => LABELS.has(heads[i] ?? '') || labelWord({ key: heads[i] ?? '' } as Token) !== null) ?? 0;
  const part = all.find((i) => i !== label && PARTS.has(heads[i] ?? '')) ?? -1;
  const others = all.filter((i) => i !== label && i !== part);
  const working = filled.map((column) => column.slice(0, ENOUGH).filter((cell) => namesWork(cell)).length);
  const sizes = filled.map((column) => column.slice(0, ENOUGH).reduce((sum, cell) => sum + cell.length, 0));
  const works = (i: number): number => working[i]!;
  const size = (i: number): number => sizes[i]!;
  const named = others.reduce((best, i) => (best < 0 || works(i) > works(best) ? i : best), -1);
  const longest = others.reduce((best, i) => (best < 0 || size(i) > size(best) ? i : best), -1);
  const work = named >= 0 && works(named) > 0 ? named : longest;
  const total = others.findLast((i) => i !== work && cells(i).length > 0 && cells(i).every(isCount)) ?? -1;
  const coloured = (i: number): boolean =>
    COLOURS.has(heads[i] ?? '') ||
    (cells(i).length > 0 && cells(i).every((cell) => colourLength(cell, 0, NO_BOOK) === cell.length));
  const colour = others.find((i) => i !== work && i !== total && coloured(i)) ?? -1;
  return { label, work, colour, total, part };
}

const isCount = (cell: Cell): boolean =>
  cell.filter(({ kind }) => kind === 'number').length === 1 &&
  cell.every(({ kind, key }) => kind !== 'word' || ['sts', 'st', 'stitches', 'sc'].includes(key));

function isLabel(cell: Cell | undefined): boolean {
  if (!cell || cell.length === 0) return false;
  return (
    cell.some(({ kind }) => kind === 'number') &&
    cell.every((token) => token.kind !== 'word' || labelWord(token) !== null || ['to', 'and'].includes(token.key))
  );
}

function asLine({ line, cells }: Row, { label, work, colour, total, part }: Roles): RawLine {
  if (!isLabel(cells[label])) return { ...line, tokens: cells.flat() };
  const tokens: Token[] = [...cells[label]!];
  const end = (): number => tokens.at(-1)?.to ?? line.from;
  tokens.push(mark(':', end()));
  const add = (cell: Cell | undefined, before: string, after: string): void => {
    if (!cell || cell.length === 0) return;
    if (before) tokens.push(mark(before, cell[0]!.from));
    tokens.push(...cell);
    if (after) tokens.push(mark(after, end()));
  };
  add(colour >= 0 ? cells[colour] : undefined, '', ':');
  add(work >= 0 ? cells[work] : undefined, '', '');
  if (total >= 0)
    add(
      cells[total]?.filter(({ kind }) => kind !== 'mark'),
      '(',
      ')',
    );
  cells.forEach((cell, i) => {
    if (i !== label && i !== work && i !== colour && i !== total && i !== part) add(cell, '.', '');
  });
  return { ...line, tokens, sure: true };
}
