import { Component, computed, input } from '@angular/core';

const BOX = 200;

/** The head from the front as a circle, with two eyes of their size and distance in proportion. */
@Component({
  selector: 'lem-eye-drawing',
  template: `
    <svg viewBox="-100 -100 200 200" role="img" aria-label="Head and eyes in proportion">
      <circle class="head" r="94" />
      @for (side of sides; track side) {
        <g [attr.transform]="'translate(' + side * half() + ' -14)'">
          @if (embroidered()) {
            @for (turn of [0, 60, 120]; track turn) {
              <line [attr.x1]="-radius()" [attr.x2]="radius()" y1="0" y2="0" [attr.transform]="'rotate(' + turn + ')'" />
            }
          } @else {
            <circle class="eye" [attr.r]="radius()" />
            <circle class="glint" [attr.r]="radius() * 0.24" [attr.cx]="-radius() * 0.3" [attr.cy]="-radius() * 0.35" />
          }
        </g>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    .head {
      fill: var(--shade);
      stroke: var(--ink);
      stroke-width: 1.6;
    }
    .eye {
      fill: #11181e;
    }
    .glint {
      fill: #fff;
    }
    line {
      stroke: #11181e;
      stroke-width: 5;
      stroke-linecap: round;
    }
  `,
})
export class EyeDrawing {
  /** Diameter of the head, mm. */
  readonly head = input.required<number>();
  /** Diameter of an eye, mm. */
  readonly eye = input.required<number>();
  /** From middle to middle, mm; a fifth of the way round where nothing is said. */
  readonly apart = input<number | null>(null);
  readonly embroidered = input(false);

  protected readonly sides = [-1, 1];
  private readonly scale = computed(() => (BOX - 12) / Math.max(1, this.head()));
  protected readonly radius = computed(() => (this.eye() * this.scale()) / 2);
  protected readonly half = computed(() => ((this.apart() ?? this.head() * Math.sin(Math.PI / 5)) * this.scale()) / 2);
}
