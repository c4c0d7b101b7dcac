import { BOUNDS } from '../bounds/index.js';
import { isColourCode } from './colour-key.js';
import type { ReadingDiagnostic } from './diagnostic.js';
import type { Item } from './pattern.js';
import { singular } from './plural.js';
import { printLabel } from './print.js';
import type { Span } from './span.js';

/** Things people make two of, in the plural (common practice). */
const PAIRED = new Set(
  'arm leg ear wing foot eye hand fin flipper paw horn antenna claw hoof cheek boot shoe oar sleeve eyelid tusk'.split(' '),
);

/** What can be told of a line from its own words: its numbers, its start, its heading, its colours. */
export class LineChecks {
  private readonly unnamed = new Set<string>();

  constructor(
    private readonly text: string,
    private readonly report: (diagnostic: ReadingDiagnostic) => void,
  ) {}

  /** The range in order and within bounds. */
  range(label: { first: number; last: number; span: Span; word: 'round' | 'row' }): { first: number; last: number } {
    const { span, word } = label;
    let first = Math.min(label.first, label.last);
    let last = Math.max(label.first, label.last);
    if (label.first > label.last) {
      const right = `${printLabel({ first, last, word })}:`;
      this.report({ code: 'range-backwards', severity: 'warning', first: label.first, last: label.last, label: right, span });
    }
    if (first < 1 || last > BOUNDS.rounds) {
      this.report({ code: 'bad-count', severity: 'error', text: this.text.slice(span.from, span.to), most: BOUNDS.rounds, span });
      first = Math.min(Math.max(1, first), BOUNDS.rounds);
      last = Math.min(last > BOUNDS.rounds ? first : last, BOUNDS.rounds);
    }
    return { first, last: Math.max(first, last) };
  }

  /** Whether a first round begins on something, a later one does not, and both say what is worked. */
  start(
    isFirst: boolean,
    told: boolean,
    line: { readonly span: Span; readonly label: { readonly span: Span } },
    items: readonly Item[],
    label: string,
  ): void {
    const foundation = items.find((item) => item.kind === 'foundation');
    const starts = items.some((item) => item.kind === 'start') || foundation?.from === 'chain';
    const works = items.some(
      (item) => item.kind === 'work' || item.kind === 'group' || item.kind === 'cluster' || item.kind === 'chain',
    );
    if (isFirst && !starts && !foundation && works)
      this.report({ code: 'start-missing', severity: 'hint', label, span: line.label.span });
    if (!isFirst && starts) this.report({ code: 'start-late', severity: 'error', label, span: line.span });
    if (!starts && !works && !told) this.report({ code: 'empty-round', severity: 'error', label, span: line.span });
    if (foundation?.from !== 'chain') return;
    const needed = foundation.sides === 2 ? 3 : foundation.first;
    if (foundation.chains < Math.max(needed, foundation.first))
      this.report({
        code: 'chain-short',
        severity: 'error',
        chains: foundation.chains,
        needed: Math.max(needed, foundation.first),
        span: foundation.span,
      });
  }

  /** A heading that sounds like several. */
  copies({ name, nameEnd, span }: { readonly name: string; readonly nameEnd: number; readonly span: Span }): void {
    const word = /\p{L}+$/u.exec(name)?.[0].toLowerCase() ?? '';
    if (singular(word) !== word && PAIRED.has(singular(word)))
      this.report({ code: 'copies-missing', severity: 'hint', name, insertAt: nameEnd, span: { from: span.from, to: nameEnd } });
  }

  /** A colour's letter that stands for nothing. */
  colour(item: Item): void {
    if (item.kind === 'group') item.items.forEach((each) => this.colour(each));
    if (item.kind !== 'colour' || !isColourCode(item.name) || this.unnamed.has(item.name)) return;
    this.unnamed.add(item.name);
    this.report({ code: 'colour-unnamed', severity: 'warning', name: item.name, span: item.span });
  }
}
