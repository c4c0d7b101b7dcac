import { Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { area, curveMonotoneX, line } from 'd3-shape';

const VIEW = { width: 420, height: 130, left: 40, bottom: 20, top: 8 };

/** How wide the opening is after each round. */
@Component({
  selector: 'lem-opening-chart',
  template: `
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" aria-label="Opening in millimetres after each round">
      @for (tick of ticks(); track tick) {
        <line class="grid" [attr.x1]="view.left" [attr.x2]="view.width" [attr.y1]="y()(tick)" [attr.y2]="y()(tick)" />
        <text [attr.x]="view.left - 6" [attr.y]="y()(tick) + 4" text-anchor="end">{{ tick }}</text>
      }
      <path class="body" [attr.d]="body()" />
      <path class="edge" [attr.d]="edge()" />
      <line
        class="now"
        [attr.x1]="x()(round())"
        [attr.x2]="x()(round())"
        [attr.y1]="view.top"
        [attr.y2]="view.height - view.bottom"
      />
      <circle [attr.cx]="x()(round())" [attr.cy]="y()(openings()[round() - 1] ?? 0)" r="5.500" />
      <text [attr.x]="view.left" [attr.y]="view.height - 4">R1</text>
      <text [attr.x]="view.width - 2" [attr.y]="view.height - 4" text-anchor="end">R{{ openings().length }}</text>
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
    }
    .grid {
      stroke: var(--line);
    }
    .body {
      fill: var(--shade);
      opacity: 0.6;
    }
    .edge {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
    }
    .now {
      stroke: var(--act);
      stroke-width: 1.5;
    }
    circle {
      fill: var(--act);
    }
    text {
      fill: var(--soft);
      font-size: 13px;
    }
  `,
})
export class OpeningChart {
  readonly openings = input.required<readonly number[]>();
  /** 1-based. */
  readonly round = input.required<number>();

  protected readonly view = VIEW;
  protected readonly x = computed(() => scaleLinear([1, Math.max(2, this.openings().length)], [VIEW.left + 6, VIEW.width - 8]));
  protected readonly y = computed(() =>
    scaleLinear([0, Math.max(1, ...this.openings())], [VIEW.height - VIEW.bottom, VIEW.top]).nice(3),
  );
  protected readonly ticks = computed(() => this.y().ticks(3));
  protected readonly edge = computed(() => {
    const draw = line<number>(
      (_, index) => this.x()(index + 1),
      (value) => this.y()(value),
    ).curve(curveMonotoneX);
    return draw(this.openings()) ?? '';
  });
  protected readonly body = computed(() => {
    const draw = area<number>(
      (_, index) => this.x()(index + 1),
      this.y()(0),
      (value) => this.y()(value),
    ).curve(curveMonotoneX);
    return draw(this.openings()) ?? '';
  });
}
