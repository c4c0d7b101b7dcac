import Papa from 'papaparse';
import { amountWords, purchaseWords, type Amount, type ListEntry, type ListGroup } from '../supply/index.js';

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

/** The list as CSV, its amounts as numbers, with the reason of each. */
export function listToCsv(entries: readonly ListEntry[], got: readonly string[]): string {
  const fields = ['group', 'what', 'need from', 'need to', 'unit', 'in the basket', 'to buy', 'grams each', 'got', 'why'];
  const data = entries.map((one) => [
    one.group,
    one.what,
    figure(one.need.from, one.need.unit),
    figure(one.need.to, one.need.unit),
    one.need.unit,
    one.have === null ? '' : figure(one.have.to, one.have.unit),
    one.buy?.count ?? '',
    one.buy?.gramsEach ?? '',
    got.includes(one.id) ? 'yes' : 'no',
    one.why,
  ]);
  return `${Papa.unparse({ fields, data }, { escapeFormulae: true, newline: '\r\n' })}\r\n`;
}

/** Grams to a tenth; what is counted or measured as it is. */
function figure(number: number, unit: Amount['unit']): number {
  return unit === 'g' ? Math.round(number * 10) / 10 : number;
}

function groupsOf(entries: readonly ListEntry[]): ListGroup[] {
  return [...new Set(entries.map((entry) => entry.group))];
}

function sentence(entry: ListEntry): string {
  const { what } = entry;
  const [need, have, buy] = [amountWords(entry.need), amountWords(entry.have), purchaseWords(entry.buy)];
  const parts = [need === '1' ? what : `${what}: ${need}`, have && `in the basket ${have}`, buy && `buy ${buy}`];
  return parts.filter(Boolean).join(', ');
}
