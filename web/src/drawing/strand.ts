import { Component, computed, input } from '@angular/core';
import type { YarnWeight } from '@lemniscus/core/gauge';

/** A piece of twisted strand, thicker for heavier yarn: weights can be told apart without reading. */
@Component({
  selector: 'lem-strand',
  template: `<svg viewBox="0 0 130 30" aria-hidden="true">
    <path class="body" d="M6 15C36 6 66 24 124 14" [style.stroke-width.px]="thickness()" />
    <path
      class="twist"
      d="M6 15C36 6 66 24 124 14"
      [style.stroke-width.px]="thickness() * 0.8"
      [attr.stroke-dasharray]="twist()"
    />
  </svg>`,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 30px;
    }
    path {
      fill: none;
    }
    .body {
      stroke: #b4a27f;
      stroke-linecap: round;
    }
    .twist {
      stroke: #8d7b58;
    }
  `,
})
export class Strand {
  readonly weight = input.required<YarnWeight>();

  protected readonly thickness = computed(() => Math.min(26, 3.4 * this.weight().strand));
  protected readonly twist = computed(() => `1.2 ${(2 + this.thickness() * 0.4).toFixed(1)}`);
}
