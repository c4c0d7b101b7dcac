import { Component, computed, input } from '@angular/core';
import { yarnEdge, yarnPaint } from './yarn-colour';

/** The radius of 100 g, and bounds so that crumbs are seen and cones fit; px. */
const HUNDRED = 29;
const SIZES = { least: 7, most: 34 };

/** A ball of yarn in its colour, as large as the grams that are left. */
@Component({
  selector: 'lem-yarn-ball',
  template: `
    <svg width="72" height="70" viewBox="-36 -35 72 70" aria-hidden="true">
      <g [attr.transform]="'scale(' + radius() / 30 + ')'" [style.fill]="paint().fill" [style.stroke]="edge()">
        <circle r="30" />
        <path
          d="M-26 -14C-10 -22 12 -22 26 -12M-29 -4C-10 -13 14 -12 29 -2M-28 8C-10 -3 12 -2 28 9M-20 22C-14 4 -2 -14 8 -28M-8 28C-4 8 6 -12 18 -23M6 29C8 10 14 -4 25 -16"
        />
        <path class="end" d="M22 20C30 28 34 22 40 26" />
      </g>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      overflow: visible;
    }
    g {
      stroke-width: 2;
      stroke-linecap: round;
    }
    path {
      fill: none;
    }
    .end {
      stroke-width: 3;
    }
  `,
})
export class YarnBall {
  readonly colour = input.required<string>();
  readonly grams = input.required<number>();

  protected readonly paint = computed(() => yarnPaint(this.colour()));
  protected readonly edge = computed(() => yarnEdge(this.paint()));
  protected readonly radius = computed(() =>
    Math.min(SIZES.most, Math.max(SIZES.least, HUNDRED * Math.cbrt(this.grams() / 100))),
  );
}
