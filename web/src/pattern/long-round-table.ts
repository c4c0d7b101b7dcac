import { CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport } from '@angular/cdk/scrolling';
import { Component, computed, input, output } from '@angular/core';
import type { PatternCount } from '@lemniscus/core/fabric';
import { printInstruction, printLabel } from '@lemniscus/core/notation';
import { outlineOf, type OutlineRow } from './findings';

/** Height of a row, px. */
const ROW = 44;

/** A line of the list: a part's name, or a written line of it. */
interface Listed {
  readonly part: number;
  readonly row: OutlineRow | null;
}

/** The table of rounds of a pattern too long for a page: only what is in sight is drawn, a row to each written line. */
@Component({
  selector: 'lem-long-round-table',
  imports: [CdkFixedSizeVirtualScroll, CdkVirtualForOf, CdkVirtualScrollViewport],
  template: `
    <cdk-virtual-scroll-viewport role="table" aria-label="Rounds" [itemSize]="height" [attr.aria-rowcount]="listed().length">
      <div
        *cdkVirtualFor="let one of listed(); let index = index; trackBy: place"
        role="row"
        [attr.aria-rowindex]="index + 1"
        [class.off]="one.row && !one.row.ok"
        [class.here]="one.row && here()?.part === one.part && here()?.line === one.row.line"
      >
        @if (one.row; as row) {
          <span role="rowheader"
            ><button type="button" (click)="goTo.emit(row.at)">{{ label(one.part, row) }}</button></span
          >
          <span role="cell" class="worked" [title]="instruction(one.part, row)">{{ instruction(one.part, row) }}</span>
          <b role="cell">{{ row.makes }}</b>
          <span role="cell" class="stated">{{ row.stated === null ? 'not stated' : row.ok ? '✓' : 'says ' + row.stated }}</span>
        } @else {
          <h3 role="rowheader">{{ name(one.part) }}</h3>
        }
      </div>
    </cdk-virtual-scroll-viewport>
  `,
  styles: `
    :host {
      display: block;
      margin-top: 22px;
    }
    [role='row'] {
      display: grid;
      grid-template-columns: 96px minmax(0, 1fr) 58px 88px;
      align-items: center;
      height: 44px;
      border-top: 1px solid var(--line);
    }
    h3 {
      grid-column: 1 / -1;
      font-size: 18px;
    }
    .worked {
      overflow: hidden;
      text-overflow: ellipsis;
      white-space: nowrap;
    }
    button {
      padding: 6px 4px 6px 0;
      border: 0;
      background: none;
      color: var(--soft);
      cursor: pointer;
    }
    button:hover {
      color: var(--act);
      text-decoration: underline;
    }
    b {
      font-size: 18px;
      text-align: right;
    }
    .stated {
      padding-left: 10px;
      color: var(--soft);
      white-space: nowrap;
    }
    .off {
      background: var(--warn-wash);
    }
    .off b,
    .off .stated {
      color: var(--warn);
    }
    .here {
      background: var(--act-wash);
    }
  `,
})
export class LongRoundTable {
  readonly count = input.required<PatternCount>();
  /** Part and line at the text's cursor. */
  readonly here = input<{ readonly part: number; readonly line: number } | null>(null);
  /** Asks to go to an offset in the text. */
  readonly goTo = output<number>();
  protected readonly height = ROW;

  protected readonly listed = computed<Listed[]>(() =>
    outlineOf(this.count()).flatMap((rows, part) => [{ part, row: null }, ...rows.map((row) => ({ part, row }))]),
  );

  protected readonly place = (index: number): number => index;

  protected name(part: number): string {
    const { name, copies } = this.count().parts[part]!.part;
    return copies > 1 ? `${name}, make ${copies}` : name;
  }

  protected label(part: number, { line }: OutlineRow): string {
    return printLabel(this.count().parts[part]!.part.lines[line]!);
  }

  protected instruction(part: number, { line }: OutlineRow): string {
    const { pattern, parts } = this.count();
    return printInstruction(parts[part]!.part.lines[line]!, { terms: pattern.terms, form: 'short' });
  }
}
