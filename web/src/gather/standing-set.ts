import { Component, computed, input, output } from '@angular/core';
import { Silhouette } from '../drawing/silhouette';
import type { Units } from '@lemniscus/core/gauge';
import { INCH } from '@lemniscus/core/notation';
import type { MadePart } from '../data/follows/made-part';

/** A coin of a usual size to measure by eye, mm across. */
const COIN = 24;

/** All copies of all parts side by side at true scale, with a ruler and a coin. Units of the drawing are mm. */
@Component({
  selector: 'lem-standing-set',
  imports: [Silhouette],
  template: `
    <svg
      [attr.viewBox]="frame()"
      role="img"
      aria-label="All parts at true scale"
      preserveAspectRatio="xMidYMax meet"
      [style.--unit.px]="unit()"
    >
      <line class="table" [attr.x1]="-100000" x2="100000" y1="0" y2="0" />
      @for (tick of ruler(); track tick.mm) {
        <line class="tick" [attr.x1]="-unit() * (tick.major ? 16 : 9)" x2="0" [attr.y1]="-tick.mm" [attr.y2]="-tick.mm" />
        @if (tick.major && tick.mm > 0) {
          <text [attr.x]="-unit() * 20" [attr.y]="-tick.mm + unit() * 5" text-anchor="end">
            {{ tick.words }}{{ $last ? ' ' + ruled().unit : '' }}
          </text>
        }
      }
      <g [attr.transform]="'translate(' + (width() - coinSlot() / 2) + ' ' + -coin / 2 + ')'">
        <circle class="coin" [attr.r]="coin / 2" />
        <text class="name" [attr.y]="coin / 2" [attr.dy]="unit() * 24" text-anchor="middle">coin {{ coin }} mm</text>
      </g>
      @for (one of standing(); track $index) {
        <g [attr.transform]="'translate(' + one.x + ' 0)'" class="piece" (click)="choose.emit(one.part.index)">
          <rect
            [attr.x]="-one.part.size.diameter / 2"
            [attr.y]="-one.part.size.height"
            [attr.width]="one.part.size.diameter"
            [attr.height]="one.part.size.height"
          />
          <svg:g
            lemSilhouette
            [profile]="one.part.profile"
            [colours]="one.part.colours"
            [upright]="one.part.upright"
            [done]="one.part.index === chosen() ? rounds() : everything"
          />
          <text class="name" y="0" [attr.dy]="unit() * 24" text-anchor="middle" [class.on]="one.part.index === chosen()">
            {{ one.name }}
          </text>
        </g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    .table {
      stroke: var(--wood);
      stroke-width: calc(var(--unit) * 3);
    }
    .tick {
      stroke: var(--soft);
      stroke-width: calc(var(--unit) * 1.4);
    }
    text {
      fill: var(--soft);
      font-size: calc(var(--unit) * 14);
    }
    .name.on {
      fill: var(--ink);
      font-weight: 700;
    }
    .coin {
      fill: none;
      stroke: var(--faint);
      stroke-width: calc(var(--unit) * 2);
      stroke-dasharray: calc(var(--unit) * 2) calc(var(--unit) * 2);
    }
    .piece {
      cursor: pointer;
    }
    rect {
      fill: transparent;
    }
  `,
})
export class StandingSet {
  readonly parts = input.required<readonly MadePart[]>();
  readonly chosen = input<number | null>(null);
  /** Rounds worked in the chosen part. */
  readonly rounds = input.required<number>();
  readonly units = input<Units>('metric');
  readonly choose = output<number>();

  protected readonly coin = COIN;
  protected readonly everything = Number.POSITIVE_INFINITY;

  private readonly tall = computed(() => Math.max(10, ...this.parts().map((part) => part.size.height)));
  private readonly gap = computed(() => Math.max(this.tall() * 0.09, 8));

  /** About how wide the coin's name is, mm: a unit of the drawing follows from the set alone, so that this may follow from it. */
  private readonly coinWords = computed(() => 92 * Math.max(this.bare() / 820, this.tall() / 330));

  /** Room for the coin and its name, mm. */
  protected readonly coinSlot = computed(() => Math.max(COIN, this.tall() * 0.22, this.coinWords() * 1.02));

  /** One drawing unit in mm, for what must look the same at any scale; the drawing is about 820 units wide. */
  protected readonly unit = computed(() => Math.max(this.width() / 820, this.tall() / 330));

  /** Width without the coin, mm. */
  private readonly bare = computed(() =>
    this.parts().reduce((sum, part) => sum + part.copies * (part.size.diameter + this.gap()), this.gap() + this.tall() * 0.12),
  );
  protected readonly width = computed(() => this.bare() + this.coinSlot());

  protected readonly frame = computed(() => {
    const unit = this.unit();
    return `${-unit * 68} ${-this.tall() - unit * 12} ${this.width() + unit * 72} ${this.tall() + unit * 44}`;
  });

  protected readonly standing = computed(() => {
    let x = this.gap();
    return this.parts().flatMap((part) =>
      Array.from({ length: part.copies }, (_, copy) => {
        x += part.size.diameter / 2;
        const placed = { part, x, name: copy === 0 ? part.name : '' };
        x += part.size.diameter / 2 + this.gap();
        return placed;
      }),
    );
  });

  protected readonly ruled = computed(() => {
    const inches = this.units() === 'inches';
    const tall = this.tall();
    const cm = tall > 200 ? 50 : tall > 60 ? 20 : 10;
    const inch = tall > 200 ? 2 * INCH : tall > 60 ? INCH : INCH / 2;
    return inches ? { step: inch, per: INCH, unit: 'in' } : { step: cm, per: 10, unit: 'cm' };
  });

  protected readonly ruler = computed(() => {
    const { step, per } = this.ruled();
    const halves = Math.floor((2 * this.tall()) / step + 1);
    return Array.from({ length: halves + 1 }, (_, half) => ({
      mm: (half * step) / 2,
      major: half % 2 === 0,
      words: String((half * step) / 2 / per),
    }));
  });
}
