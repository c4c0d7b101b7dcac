import { Component, computed, inject, input, linkedSignal } from '@angular/core';
import { yarnWeight, YARN_WEIGHTS, type YarnWeightNumber } from '@lemniscus/core/gauge';
import { waysToWidth, type WayToSize } from '@lemniscus/core/supply';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Basket } from '../data/owned/basket';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { Gathering } from '../data/follows/gathering';
import { LengthUnits } from '../data/device/length-units';
import type { MadePart } from '../data/follows/made-part';
import { Measurements } from '../data/owned/measurements';
import { NumberField } from '../controls/number-field';

const MM = { min: 5, max: 3_000 };

/** Backwards: a height, and which yarns and hooks come to it. */
@Component({
  selector: 'lem-wanted-size',
  imports: [NumberField, NzButtonModule],
  template: `
    <div class="ask">
      <label for="wanted-mm">{{ part().name }} high</label>
      <lem-number-field inputId="wanted-mm" [value]="wanted()" (changed)="wanted.set($event)" [by]="10" />
      <span>mm</span>
      @if (asPattern(); as mm) {
        <button nz-button type="button" (click)="wanted.set(mm)">As the pattern</button>
      }
    </div>
    @if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    } @else {
      <table>
        <caption>
          {{
            ofBasket() ? 'With the yarns in the basket' : 'The basket is empty: with any yarn'
          }}
        </caption>
        @for (way of ways(); track way.yarnWeight) {
          <tr>
            <th scope="row">{{ name(way) }}</th>
            <td>{{ way.hookMm }} mm</td>
            <td>{{ lengths.words(wanted()! * (1 + way.off)) }}</td>
            <td [class.near]="near(way)">{{ words(way) }}</td>
            <td>
              <button
                nz-button
                nzSize="small"
                type="button"
                (click)="take(way)"
                [attr.aria-label]="'Take ' + name(way) + ' on ' + way.hookMm + ' mm'"
              >
                Take
              </button>
            </td>
          </tr>
        }
      </table>
    }
  `,
  styles: `
    :host {
      display: block;
      max-height: 280px;
      overflow: auto;
    }
    .ask {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 4px 8px;
      margin-top: 8px;
    }
    lem-number-field {
      width: 92px;
    }
    table {
      width: 100%;
      margin-top: 10px;
      border-collapse: collapse;
    }
    caption {
      color: var(--soft);
      text-align: left;
    }
    tr {
      border-top: 1px solid var(--line);
    }
    th {
      font-weight: 600;
      text-align: left;
    }
    td,
    th {
      height: 42px;
      padding-right: 6px;
      font-size: 15px;
      white-space: nowrap;
    }
    td:last-child {
      padding: 0;
      text-align: right;
    }
    .near {
      color: var(--dec);
      font-weight: 600;
    }
    .problem {
      margin-top: 10px;
      color: var(--warn);
    }
  `,
})
export class WantedSize {
  readonly part = input.required<MadePart>();

  protected readonly lengths = inject(LengthUnits);
  private readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);
  private readonly gathering = inject(Gathering);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);

  /** Height as it was when the part was taken up: sliding the hook does not change what is wanted. */
  protected readonly wanted = linkedSignal<number, number | null>({
    source: () => this.part().index,
    computation: () => Math.round(this.part().size.height / 10) * 10 || 10,
  });

  protected readonly problem = computed(() => {
    const mm = this.wanted();
    return mm !== null && mm >= MM.min && mm <= MM.max ? '' : `Give a height from ${MM.min} to ${MM.max} mm.`;
  });

  /** The height the pattern means, with its own yarn and hook. */
  protected readonly asPattern = computed(() => {
    const factor = this.gathering.overPattern();
    return factor === null ? null : Math.round(this.part().size.height / factor);
  });

  protected readonly ofBasket = computed(() => this.basket.items().length > 0);

  protected readonly ways = computed<readonly WayToSize[]>(() => {
    const stitch = this.current.stitch();
    const mm = this.wanted();
    if (!stitch || mm === null || this.problem()) return [];
    const owned = this.basket.items().map((yarn) => yarn.yarnWeight);
    const weights: YarnWeightNumber[] = owned.length > 0 ? [...new Set(owned)] : YARN_WEIGHTS.map((one) => one.number);
    const width = (stitch.width * mm) / this.part().size.height;
    return waysToWidth(width, weights, this.gathering.kit().hand, this.measurements.items());
  });

  protected name(way: WayToSize): string {
    return yarnWeight(way.yarnWeight).name;
  }

  protected near(way: WayToSize): boolean {
    return Math.abs(way.off) < 0.05;
  }

  protected words({ off }: WayToSize): string {
    const percent = Math.round(Math.abs(off) * 100);
    return percent === 0 ? 'just so' : `${percent} % ${off > 0 ? 'larger' : 'smaller'}`;
  }

  protected take({ yarnWeight: number, hookMm }: WayToSize): void {
    this.draft.change({ yarnWeight: number, hookMm });
  }
}
