import Papa from 'papaparse';
import type { Measurement } from '../supply/index.js';

const FIELDS = ['id', 'taken', 'kind', 'part', 'yarn weight', 'hook mm', 'measured'];

/** Everything measured as CSV (RFC 4180, comma, CRLF); what differs from kind to kind as JSON in the last column. */
export function measurementsToCsv(all: readonly Measurement[]): string {
  const data = all.map(({ id, takenAt, kind, yarnWeight, hookMm, ...rest }) => {
    const { part = '', ...measured } = rest as { readonly part?: string };
    return [id, new Date(takenAt).toISOString(), kind, part, yarnWeight, hookMm, JSON.stringify(measured)];
  });
  return `${Papa.unparse({ fields: FIELDS, data }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}
