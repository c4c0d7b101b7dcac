import { Component, computed, input, output } from '@angular/core';
import type { PatternCount } from '@lemniscus/core/fabric';
import { printInstruction, printLabel } from '@lemniscus/core/notation';
import { outlineOf } from './findings';
import { LongRoundTable } from './long-round-table';

/** Rows that are drawn at once; of more only those in sight are. */
const MOST_ROWS = 600;

/** Every part with its written lines: what is worked, what it makes, what is stated. */
@Component({
  selector: 'lem-round-table',
  imports: [LongRoundTable],
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

  protected readonly long = computed(() => this.outlines().reduce((sum, rows) => sum + rows.length, 0) > MOST_ROWS);

  protected readonly parts = computed(() => {
    const { pattern, parts } = this.count();
    return parts.map(({ part }, index) => ({
      name: part.name,
      copies: part.copies,
      rows: this.outlines()[index]!.map((row) => {
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
