import { BOUNDS } from '../bounds/index.js';
import { isColourCode } from './colours.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import { foundationOf, walk } from './items.js';
import type { RoundLine } from './pattern.js';
import { singular } from './plural.js';
import { printLabel } from './print.js';
import type { Span } from './span.js';

type Report = (diagnostic: ReadingDiagnostic) => void;

/** Things people make two of, in the plural (common practice). */
const PAIRED = new Set(
  'arm leg ear wing foot eye hand fin flipper paw horn antenna claw hoof cheek boot shoe oar sleeve eyelid tusk'.split(' '),
);

/** A label's range in order and within bounds. */
export function checkedRange(
  text: string,
  label: { readonly first: number; readonly last: number; readonly span: Span; readonly word: 'round' | 'row' },
  report: Report,
): { readonly first: number; readonly last: number } {
  const { span, word } = label;
  let first = Math.min(label.first, label.last);
  let last = Math.max(label.first, label.last);
  if (label.first > label.last) {
    const right = `${printLabel({ first, last, word })}:`;
    report({ code: 'range-backwards', severity: 'warning', first: label.first, last: label.last, label: right, span });
  }
  if (first < 1 || last > BOUNDS.rounds) {
    report({ code: 'bad-count', severity: 'error', text: text.slice(span.from, span.to), most: BOUNDS.rounds, span });
    first = Math.min(Math.max(1, first), BOUNDS.rounds);
    last = Math.min(last > BOUNDS.rounds ? first : last, BOUNDS.rounds);
  }
  return { first, last: Math.max(first, last) };
}

/** Whether the pieces that are joined are there: how many stitches they bring follows from them. */
export function checkBridge({ items, places, stated, label }: RoundLine, report: Report): void {
  const foundation = foundationOf(items);
  if (foundation?.from !== 'bridge') return;
  const unknown = foundation.parts.find(({ part }) => part === null);
  if (!unknown) return;
  const { from, to } = places[items.indexOf(foundation)] ?? label;
  report({ code: 'part-unknown', severity: stated ? 'warning' : 'error', name: unknown.name, span: { from, to } });
}

/** Whether a first round begins on something, a later one does not, and both say what is worked. */
export function checkStart(line: RoundLine, isFirst: boolean, told: boolean, report: Report): void {
  const { items } = line;
  const label = `${line.word === 'row' ? 'Row' : 'Round'} ${line.first}`;
  const foundation = foundationOf(items);
  const starts = items.some((item) => item.kind === 'start') || foundation?.from === 'chain';
  const works = items.some(
    ({ kind }) => kind === 'work' || kind === 'group' || kind === 'cluster' || kind === 'chain' || kind === 'spur',
  );
  if (isFirst && !starts && !foundation && works && !items.every(({ kind }) => kind === 'chain'))
    report({ code: 'start-missing', severity: 'hint', label, span: line.label });
  if (!isFirst && starts) report({ code: 'start-late', severity: 'error', label, span: line.span });
  if (!starts && !works && !told) report({ code: 'empty-round', severity: 'error', label, span: line.span });
  if (foundation?.from !== 'chain') return;
  const needed = Math.max(foundation.sides === 2 ? 3 : foundation.first, foundation.first);
  const place = line.places[items.indexOf(foundation)] ?? line.label;
  if (foundation.chains < needed)
    report({
      code: 'chain-short',
      severity: 'error',
      chains: foundation.chains,
      needed,
      span: { from: place.from, to: place.to },
    });
}

/** A heading that sounds like several. */
export function checkCopies(
  { name, nameEnd, span }: { readonly name: string; readonly nameEnd: number; readonly span: Span },
  report: Report,
): void {
  const word = /\p{L}+$/u.exec(name)?.[0].toLowerCase() ?? '';
  if (singular(word) !== word && PAIRED.has(singular(word)))
    report({ code: 'copies-missing', severity: 'hint', name, insertAt: nameEnd, span: { from: span.from, to: nameEnd } });
}

/** A colour's letter that stands for nothing; each is told once. */
export function checkColours(line: RoundLine, unnamed: Set<string>, report: Report): void {
  walk(line.items, (item) => {
    if (item.kind !== 'colour' || !isColourCode(item.name) || unnamed.has(item.name)) return;
    unnamed.add(item.name);
    const place = line.places[line.items.indexOf(item)] ?? line.label;
    report({ code: 'colour-unnamed', severity: 'warning', name: item.name, span: { from: place.from, to: place.to } });
  });
}
