import { Component, computed, input, output } from '@angular/core';
import { Silhouette } from '../drawing/silhouette';
import type { MadePart } from './made-part';

/** All copies of all parts side by side at true scale, with a ruler in centimetres. Units of the drawing are mm. */
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
            {{ tick.mm / 10 }}{{ $last ? ' cm' : '' }}
          </text>
        }
      }
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
          <text class="name" y="0" [attr.dy]="unit() * 20" text-anchor="middle" [class.on]="one.part.index === chosen()">
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
  readonly choose = output<number>();

  protected readonly everything = Number.POSITIVE_INFINITY;

  private readonly tall = computed(() => Math.max(10, ...this.parts().map((part) => part.size.height)));
  private readonly gap = computed(() => Math.max(this.tall() * 0.09, 8));

  /** One drawing unit in mm, for what must look the same at any scale; the drawing is about 820 units wide. */
  protected readonly unit = computed(() => Math.max(this.width() / 820, this.tall() / 330));

  private readonly width = computed(() =>
    this.parts().reduce((sum, part) => sum + part.copies * (part.size.diameter + this.gap()), this.gap() + this.tall() * 0.12),
  );

  protected readonly frame = computed(() => {
    const unit = this.unit();
    return `${-unit * 68} ${-this.tall() - unit * 12} ${this.width() + unit * 72} ${this.tall() + unit * 38}`;
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

  protected readonly ruler = computed(() => {
    const step = this.tall() > 200 ? 50 : this.tall() > 60 ? 20 : 10;
    const ticks: { mm: number; major: boolean }[] = [];
    for (let mm = 0; mm <= this.tall() + step / 2; mm += step / 2) ticks.push({ mm, major: mm % step === 0 });
    return ticks;
  });
}
