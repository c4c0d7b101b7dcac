import Papa from 'papaparse';
import { YARN_BOUNDS } from '../bounds/index.js';
import { YARN_WEIGHTS, type YarnWeightNumber } from '../gauge/index.js';
import type { Yarn } from '../supply/index.js';

/** A yarn as a file holds it: without what only this basket knows. */
export type YarnRow = Omit<Yarn, 'id' | 'weighedAt'>;

/** What keeps a file from being taken: at this line (1-based, the heading is line 1), in this column. */
export interface RowProblem {
  readonly line: number;
  readonly column: string;
  readonly message: string;
}

export type BasketFile =
  { readonly ok: true; readonly rows: readonly YarnRow[] } | { readonly ok: false; readonly problems: readonly RowProblem[] };

/** The columns, in the order they are written; described in docs/basket-csv.md. */
export const BASKET_COLUMNS = [
  'name',
  'weight',
  'fibre',
  'colour',
  'metres per 100 g',
  'grams',
  'dye lot',
  'ball grams',
  'price',
] as const;
type Column = (typeof BASKET_COLUMNS)[number];
const NEEDED: readonly Column[] = ['name', 'weight', 'grams'];

/** What spreadsheets take for a formula; such a cell is written with an apostrophe before it, and read without. */
const FORMULA = /^'*[=+\-@\t\r]/;
const ESCAPED = /^'+[=+\-@\t\r]/;

/** The basket as CSV (RFC 4180, comma, CRLF). */
export function basketToCsv(yarns: readonly YarnRow[]): string {
  const data = yarns.map((yarn): readonly (string | number)[] => [
    yarn.name,
    yarn.yarnWeight,
    yarn.fibre,
    yarn.colour,
    yarn.metresPer100g ?? '',
    yarn.grams,
    yarn.dyeLot,
    yarn.ballGrams ?? '',
    yarn.price ?? '',
  ]);
  return `${Papa.unparse({ fields: [...BASKET_COLUMNS], data: data.map((row) => [...row]) }, { escapeFormulae: FORMULA, newline: '\r\n' })}\r\n`;
}

/** Reads a basket from CSV; comma, semicolon or tab between cells, point or comma in numbers. All rows are taken, or none. */
export function basketFromCsv(text: string): BasketFile {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), {
    skipEmptyLines: false,
    delimitersToGuess: [',', ';', '\t'],
  });
  const heading = (data[0] ?? []).map((cell) => cell.trim().toLowerCase());
  const missing = NEEDED.filter((column) => !heading.includes(column));
  if (missing.length > 0) {
    const message = `The first line must name the columns. Missing: ${missing.join(', ')}. Known are: ${BASKET_COLUMNS.join(', ')}.`;
    return { ok: false, problems: [{ line: 1, column: missing[0]!, message }] };
  }
  const problems: RowProblem[] = errors
    .filter((error) => error.type === 'Quotes')
    .map((error) => ({ line: (error.row ?? 0) + 1, column: '', message: 'A quotation mark is not closed.' }));
  for (const name of heading.filter((column) => column && !BASKET_COLUMNS.some((known) => known === column)))
    problems.push({ line: 1, column: name, message: `There is no column “${name}”. Known are: ${BASKET_COLUMNS.join(', ')}.` });
  const filled = data
    .slice(1)
    .map((cells, index) => ({ cells, line: index + 2 }))
    .filter(({ cells }) => cells.some((cell) => cell.trim() !== ''));
  if (filled.length > YARN_BOUNDS.rows)
    return {
      ok: false,
      problems: [{ line: YARN_BOUNDS.rows + 2, column: '', message: `A file may hold ${YARN_BOUNDS.rows} yarns at most.` }],
    };
  const rows = filled.map(({ cells, line }) =>
    readRow(heading, cells, (column, message) => problems.push({ line, column, message })),
  );
  return problems.length > 0 ? { ok: false, problems } : { ok: true, rows };
}

function readRow(
  heading: readonly string[],
  cells: readonly string[],
  wrong: (column: string, message: string) => void,
): YarnRow {
  if (cells.length > heading.length)
    wrong('', `There are ${cells.length} cells where the first line names ${heading.length} columns.`);
  const cell = (column: Column): string => {
    const raw = (cells[heading.indexOf(column)] ?? '').trim();
    return ESCAPED.test(raw) ? raw.slice(1) : raw;
  };
  const words = (column: Column): string => {
    const value = cell(column);
    if (value.length > YARN_BOUNDS.words)
      wrong(column, `“${value.slice(0, 20)}…” is longer than ${YARN_BOUNDS.words} characters.`);
    return value;
  };
  const number = (column: Column, [min, max]: readonly [number, number]): number | null => {
    const raw = cell(column);
    if (raw === '') return null;
    const value = Number(raw.replace(',', '.'));
    if (value >= min && value <= max) return value;
    wrong(column, `“${raw}” is no number from ${min} to ${max}.`);
    return null;
  };
  const name = words('name');
  if (name === '') wrong('name', 'A yarn needs a name.');
  const weight = weightOf(cell('weight'));
  if (weight === null)
    wrong('weight', `“${cell('weight')}” is no yarn weight: give 0 to 7, or ${YARN_WEIGHTS.map((one) => one.name).join(', ')}.`);
  const grams = number('grams', YARN_BOUNDS.grams);
  if (grams === null && cell('grams') === '') wrong('grams', 'Say how many grams there are.');
  return {
    name,
    yarnWeight: weight ?? 4,
    fibre: words('fibre'),
    colour: words('colour'),
    metresPer100g: number('metres per 100 g', YARN_BOUNDS.metresPer100g),
    grams: grams ?? 0,
    dyeLot: words('dye lot'),
    ballGrams: number('ball grams', YARN_BOUNDS.ballGrams),
    price: number('price', YARN_BOUNDS.price),
  };
}

function weightOf(cell: string): YarnWeightNumber | null {
  const key = cell.toLowerCase();
  return YARN_WEIGHTS.find(({ number, name }) => key === String(number) || key === name.toLowerCase())?.number ?? null;
}
