import Papa from 'papaparse';
import type { LogRow } from '../history/index.js';

const COLUMNS = ['day', 'time', 'what', 'piece', 'minutes', 'stitches', 'detail'] as const;

/** The log of a make as CSV (RFC 4180, comma, CRLF), a line a sitting or a thing that happened. */
export function logToCsv(rows: readonly LogRow[]): string {
  const data = rows.map((row) => COLUMNS.map((column) => row[column] ?? ''));
  // What begins like a formula is words here, but a number below 0 is a number.
  const escapeFormulae = /^[=+@\t\r].*$|^-(?!\d+$).*$/;
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { escapeFormulae, newline: '\r\n' })}\r\n`;
}
