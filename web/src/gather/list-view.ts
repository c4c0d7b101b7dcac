import { Component, computed, inject } from '@angular/core';
import { FormsModule } from '@angular/forms';
import { listToCsv, listToMarkdown, listToText } from '@lemniscus/core/exchange';
import { amountWords, purchaseWords, type ListEntry } from '@lemniscus/core/supply';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { CurrentMake } from '../data/open/current-make';
import { save } from '../data/device/files';
import { Gathering } from '../data/follows/gathering';

/** What is needed, what the basket has of it, and what to buy; ticked, printed, and saved as a file. */
@Component({
  selector: 'lem-list-view',
  imports: [FormsModule, NzButtonModule],
  template: `
    <div class="acts">
      <p role="status">{{ words() }}</p>
      <button nz-button type="button" (click)="print()">Print</button>
      <button nz-button type="button" (click)="saveAs('txt')">Text</button>
      <button nz-button type="button" (click)="saveAs('md')">Markdown</button>
      <button nz-button type="button" (click)="saveAs('csv')">CSV</button>
    </div>
    <h2 class="on-paper">{{ current.title() }}: what is needed</h2>
    <table>
      <thead>
        <tr>
          <th>Got</th>
          <th>What</th>
          <th>Needed</th>
          <th>In the basket</th>
          <th>To buy</th>
        </tr>
      </thead>
      <tbody>
        @for (entry of entries(); track entry.id) {
          @if ($first || entries()[$index - 1]!.group !== entry.group) {
            <tr class="group">
              <th colspan="5" scope="rowgroup">{{ entry.group }}</th>
            </tr>
          }
          <tr [class.got]="got(entry)">
            <td>
              <label class="tick">
                <input type="checkbox" [ngModel]="got(entry)" (ngModelChange)="tick(entry, $event)" />
                <span class="visually-hidden">{{ entry.what }} got</span>
              </label>
            </td>
            <th scope="row">
              {{ entry.what }} <small>{{ entry.why }}</small>
            </th>
            <td>{{ amount(entry.need) }}</td>
            <td>{{ amount(entry.have) }}</td>
            <td>
              <b>{{ purchase(entry.buy) }}</b>
            </td>
          </tr>
        }
      </tbody>
    </table>
  `,
  styleUrl: './list-view.css',
})
export class ListView {
  protected readonly current = inject(CurrentMake);
  private readonly gathering = inject(Gathering);
  protected readonly entries = this.gathering.list;
  protected readonly amount = amountWords;
  protected readonly purchase = purchaseWords;

  protected readonly words = computed(() => {
    const left = this.entries().filter((entry) => entry.buy && !this.got(entry)).length;
    return left === 0 ? 'Nothing left to buy.' : `${counted(left, 'thing')} left to buy.`;
  });

  protected got(entry: ListEntry): boolean {
    return this.gathering.kit().got.includes(entry.id);
  }

  protected tick(entry: ListEntry, got: boolean): void {
    const others = this.gathering.kit().got.filter((id) => id !== entry.id);
    this.gathering.changeKit({ got: got ? [...others, entry.id] : others });
  }

  protected print(): void {
    window.print();
  }

  protected saveAs(kind: 'txt' | 'md' | 'csv'): void {
    const title = this.current.title() || 'Make';
    const { got } = this.gathering.kit();
    const text = {
      txt: () => listToText(title, this.entries(), got),
      md: () => listToMarkdown(title, this.entries(), got),
      csv: () => listToCsv(this.entries(), got),
    }[kind]();
    save(`${title}, to get`, kind, text);
  }
}
