import Papa from 'papaparse';
import type { ListEntry, ListGroup } from '../supply/index.js';

/** The list as a page of Markdown with boxes to tick. */
export function listToMarkdown(title: string, entries: readonly ListEntry[], got: readonly string[]): string {
  const lines = [`# ${title}: what is needed`];
  for (const group of groupsOf(entries)) {
    lines.push('', `## ${group}`);
    for (const entry of entries.filter((one) => one.group === group)) {
      lines.push(`- [${got.includes(entry.id) ? 'x' : ' '}] ${sentence(entry)}`);
    }
  }
  return `${lines.join('\n')}\n`;
}

/** The list as plain text. */
export function listToText(title: string, entries: readonly ListEntry[], got: readonly string[]): string {
  const lines = [`${title}: what is needed`];
  for (const group of groupsOf(entries)) {
    lines.push('', group.toUpperCase());
    for (const entry of entries.filter((one) => one.group === group))
      lines.push(`${got.includes(entry.id) ? '✓' : '☐'} ${sentence(entry)}`);
  }
  return `${lines.join('\n')}\n`;
}

/** The list as CSV, with the reason of every amount. */
export function listToCsv(entries: readonly ListEntry[], got: readonly string[]): string {
  const fields = ['group', 'what', 'need', 'in the basket', 'to buy', 'got', 'why'];
  const data = entries.map((one) => [
    one.group,
    one.what,
    one.need,
    one.have,
    one.buy,
    got.includes(one.id) ? 'yes' : 'no',
    one.why,
  ]);
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

function groupsOf(entries: readonly ListEntry[]): ListGroup[] {
  return [...new Set(entries.map((entry) => entry.group))];
}

function sentence({ what, need, have, buy }: ListEntry): string {
  const parts = [need === '1' ? what : `${what}: ${need}`, have && `in the basket ${have}`, buy && `buy ${buy}`];
  return parts.filter(Boolean).join(', ');
}
