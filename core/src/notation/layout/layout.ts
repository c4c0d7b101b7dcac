import { withContinuations, withoutHyphens, withoutNeighbours } from './broken.js';
import { withoutSenders } from './chat.js';
import { readLine, type Line } from './line.js';
import { withNumberedLines } from './numbered-lines.js';
import { withoutPages } from './pages.js';
import { rawLines } from './raw-line.js';
import { rowsApart } from './rows.js';
import { withoutSymbols } from './symbols.js';
import { withoutTables } from './table.js';

/**
 * The lines of a text, each by what it is for, with what programs and people do to a page undone: chat names and times,
 * page numbers, tables, columns, numbers without a mark, rows in one sentence, words and rounds broken over lines, symbols for stitches.
 */
export function layOut(text: string): Line[] {
  const pages = withoutPages(withoutSenders(text, rawLines(text)));
  const rows = rowsApart(withoutSymbols(text, withNumberedLines(withoutTables(text, withoutHyphens(pages)))));
  return withContinuations(withoutNeighbours(text, rows).map((raw) => readLine(text, raw)));
}
