import { SetAside } from '../controls/set-aside';
import { Component, computed, inject, signal } from '@angular/core';
import type { Yarn } from '@lemniscus/api';
import { textOf } from '@lemniscus/core/decoding';
import { basketFromCsv, basketToCsv, type RowProblem } from '@lemniscus/core/exchange';
import { gramWords, yarnWeight } from '@lemniscus/core/gauge';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { EmptyState } from '../controls/empty-state';
import { PageHeader } from '../controls/page-header';
import { Basket } from '../data/owned/basket';
import { save } from '../data/device/files';
import { YarnUses } from '../data/follows/yarn-uses';
import { YarnBall } from '../drawing/yarn-ball';
import { YarnEditor } from './yarn-editor';
import { Icon } from '../controls/icon';

const FILE_MOST = 2_000_000;

interface Undo {
  readonly words: string;
  readonly back: () => void;
}

/** Every yarn the maker owns, what is left of each, and which makes need it. */
@Component({
  selector: 'lem-basket-page',
  imports: [EmptyState, Icon, NzButtonModule, PageHeader, YarnBall, YarnEditor, SetAside],
  templateUrl: './basket-page.html',
  styleUrl: './basket-page.css',
})
export class BasketPage {
  protected readonly basket = inject(Basket);
  private readonly uses = inject(YarnUses);
  protected readonly grams = gramWords;

  protected readonly editing = signal<Yarn | 'new' | null>(null);
  protected readonly problems = signal<readonly RowProblem[]>([]);
  protected readonly said = signal('');
  private readonly past = signal<readonly Undo[]>([]);
  protected readonly undoable = computed(() => this.past().at(-1) ?? null);

  protected readonly rows = computed(() => {
    const shares = this.uses.shares();
    return [...this.basket.items()]
      .sort((a, b) => a.name.localeCompare(b.name) || a.colour.localeCompare(b.colour))
      .map((yarn) => {
        const own = shares.filter((share) => share.yarn === yarn.id);
        const left = Math.max(0, yarn.grams - own.reduce((sum, share) => sum + share.used, 0));
        const needed = own.reduce((sum, share) => sum + share.needed, 0);
        return {
          yarn,
          left,
          free: Math.max(0, left - needed),
          short: needed > left,
          facts: [
            yarnWeight(yarn.yarnWeight).name.toLowerCase(),
            yarn.fibre,
            yarn.metresPer100g === null ? '' : `${yarn.metresPer100g} m in 100 g`,
            yarn.dyeLot && `dye lot ${yarn.dyeLot}`,
          ]
            .filter(Boolean)
            .join(' · '),
          needs: own.filter((share) => share.needed > 0).map((share) => `${share.title} ${gramWords(share.needed)}`),
        };
      });
  });

  constructor() {
    this.uses.refresh();
  }

  protected keep(yarn: Yarn): void {
    const before = this.basket.find(yarn.id);
    this.basket.put(yarn);
    this.remember(before ? `${yarn.name} ${yarn.colour} changed.` : `${yarn.name} ${yarn.colour} is in the basket.`, () =>
      before ? this.basket.put(before) : this.basket.remove(yarn),
    );
    this.editing.set(null);
  }

  protected remove(yarn: Yarn): void {
    this.basket.remove(yarn);
    this.remember(`${yarn.name} ${yarn.colour} is out of the basket.`, () => this.basket.put(yarn));
    this.editing.set(null);
  }

  protected undo(): void {
    const last = this.past().at(-1);
    if (!last) return;
    last.back();
    this.past.update((past) => past.slice(0, -1));
    this.said.set('Undone.');
  }

  protected saveCsv(): void {
    save('Basket', 'csv', basketToCsv(this.rows().map((row) => row.yarn)));
  }

  protected async takeFile(input: HTMLInputElement): Promise<void> {
    const file = input.files?.[0];
    input.value = '';
    if (!file) return;
    this.said.set('');
    // Which rows are here already can only be told from the whole list.
    if (!this.basket.loaded()) {
      this.problems.set([
        { line: 1, column: '', message: 'The basket is not here yet. Take the file in when the server is back.' },
      ]);
      return;
    }
    if (file.size > FILE_MOST) {
      this.problems.set([
        { line: 1, column: '', message: `“${file.name}” is larger than ${FILE_MOST / 1_000_000} MB, the most that is read.` },
      ]);
      return;
    }
    // Spreadsheets save letters in their own way.
    const found = textOf(new Uint8Array(await file.arrayBuffer()));
    if (!found.ok && found.why !== 'empty') {
      this.problems.set([{ line: 1, column: '', message: `“${file.name}” is no CSV file. Save the table as .csv.` }]);
      return;
    }
    const read = basketFromCsv(found.ok ? found.text : '');
    this.problems.set(read.ok ? [] : read.problems);
    if (read.ok) this.takeRows(read.rows);
  }

  /** Rows of a yarn that is here already (same name, colour and dye lot) renew it; the others are new. */
  private takeRows(rows: readonly Omit<Yarn, 'id' | 'weighedAt'>[]): void {
    const known = new Map(this.basket.items().map((yarn) => [nameOf(yarn), yarn]));
    const before: Yarn[] = [];
    const fresh: Yarn[] = [];
    const all = rows.map((row): Yarn => {
      const own = known.get(nameOf(row));
      known.delete(nameOf(row));
      const yarn = {
        ...row,
        id: own?.id ?? crypto.randomUUID(),
        weighedAt: own?.grams === row.grams ? own.weighedAt : this.basket.now(),
      };
      if (own) before.push(own);
      else fresh.push(yarn);
      return yarn;
    });
    this.basket.put(...all);
    this.remember(`${counted(all.length, 'yarn')} taken from the file: ${fresh.length} new, ${before.length} renewed.`, () => {
      this.basket.remove(...fresh);
      this.basket.put(...before);
    });
  }

  private remember(words: string, back: () => void): void {
    this.past.update((past) => [...past, { words, back }]);
    this.said.set(words);
  }
}

function nameOf({ name, colour, dyeLot }: Pick<Yarn, 'name' | 'colour' | 'dyeLot'>): string {
  return JSON.stringify([name, colour, dyeLot].map((words) => words.trim().toLowerCase()));
}
