import { Component, computed, input } from '@angular/core';
import type { StitchSize } from '@lemniscus/core/gauge';

const BOX = 84;

/** One stitch from the front as a V, enlarged, with its width and height in proportion. */
@Component({
  selector: 'lem-stitch-drawing',
  template: `<svg width="84" height="84" viewBox="0 0 84 84" aria-hidden="true">
    <path [attr.d]="left()" />
    <path [attr.d]="right()" />
  </svg>`,
  styles: `
    svg {
      display: block;
    }
    path {
      fill: var(--shade);
      stroke: var(--ink);
      stroke-width: 1.6;
      stroke-linejoin: round;
    }
  `,
})
export class StitchDrawing {
  readonly size = input.required<StitchSize>();

  private readonly arm = computed(() => {
    const { width, height } = this.size();
    const scale = (BOX - 14) / Math.max(width, height);
    return { half: (width * scale) / 2, high: height * scale };
  });

  protected readonly left = computed(() => this.leaf(-1));
  protected readonly right = computed(() => this.leaf(1));

  private leaf(side: -1 | 1): string {
    const { half, high } = this.arm();
    const x = (share: number): number => BOX / 2 + side * half * share;
    const y = (share: number): number => (BOX + high) / 2 - high * share;
    return `M${x(0.03)} ${y(0)}C${x(0.1)} ${y(0.5)} ${x(0.45)} ${y(0.95)} ${x(0.95)} ${y(1)}C${x(1.1)} ${y(0.55)} ${x(0.5)} ${y(0.2)} ${x(0.03)} ${y(0)}Z`;
  }
}
