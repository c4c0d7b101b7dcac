import { Component, computed, input, output } from '@angular/core';
import type { PatternCount } from '@lemniscus/core/fabric';
import { printInstruction, printLabel } from '@lemniscus/core/notation';
import { outlineOf } from './findings';

const MOST_ROWS = 3_000;

/** Every part with its written lines: what is worked, what it makes, what is stated. */
@Component({
  selector: 'lem-round-table',
  templateUrl: './round-table.html',
  styleUrl: './round-table.css',
})
export class RoundTable {
  readonly count = input.required<PatternCount>();
  /** Part and line at the text's cursor. */
  readonly here = input<{ readonly part: number; readonly line: number } | null>(null);
  /** Asks to go to an offset in the text. */
  readonly goTo = output<number>();

  private readonly outlines = computed(() => outlineOf(this.count()));

  /** Lines that are left out, as nobody scrolls so far. */
  protected readonly left = computed(() => Math.max(0, this.outlines().reduce((sum, rows) => sum + rows.length, 0) - MOST_ROWS));

  protected readonly parts = computed(() => {
    const { pattern, parts } = this.count();
    let shown = 0;
    const outlines = this.outlines().map((rows) => rows.filter(() => shown++ < MOST_ROWS));
    return parts.map(({ part }, index) => ({
      name: part.name,
      copies: part.copies,
      rows: outlines[index]!.map((row) => {
        const line = part.lines[row.line]!;
        return {
          ...row,
          label: printLabel(line),
          instruction: printInstruction(line, { terms: pattern.terms, form: 'short' }),
        };
      }),
    }));
  });

  protected readonly widest = computed(() => Math.max(1, ...this.parts().flatMap((part) => part.rows.map((row) => row.last))));
}
