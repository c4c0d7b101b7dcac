import { Component, computed, input } from '@angular/core';
import type { PracticeDay } from '@lemniscus/core/practice';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';

const WIDTH = 640;
const HEIGHT = 150;
const LEFT = 44;
const BOTTOM = 26;
/** As many days are shown; earlier ones are in the table below it. */
const MOST_DAYS = 30;
const DAY = new Intl.DateTimeFormat(undefined, { day: 'numeric', month: 'short' });

/** Day by day: how many were right of all, as bars, and the seconds that a right answer took, as a line. */
@Component({
  selector: 'lem-practice-chart',
  template: `
    <svg [attr.viewBox]="'0 0 ' + width + ' ' + height" role="img" [attr.aria-label]="label()">
      @for (bar of bars(); track bar.day) {
        <rect
          class="all"
          [attr.x]="bar.x"
          [attr.y]="bar.all"
          [attr.width]="bar.width"
          [attr.height]="bar.base - bar.all"
          rx="3"
        />
        <rect
          class="right"
          [attr.x]="bar.x"
          [attr.y]="bar.right"
          [attr.width]="bar.width"
          [attr.height]="bar.base - bar.right"
          rx="3"
        />
        @if (bar.named) {
          <text [attr.x]="bar.x + bar.width / 2" [attr.y]="height - 8">{{ bar.name }}</text>
        }
      }
      <path [attr.d]="pace()" />
    </svg>
    <p><i class="right"></i> right <i class="all"></i> answered <i class="pace"></i> seconds a right answer took</p>
  `,
  styles: `
    svg {
      width: 100%;
      max-width: 640px;
    }
    .all {
      fill: var(--line);
      background: var(--line);
    }
    .right {
      fill: var(--dec-mark);
      background: var(--dec-mark);
    }
    path {
      fill: none;
      stroke: var(--act);
      stroke-width: 2.5;
    }
    text {
      fill: var(--soft);
      font-size: 12px;
      text-anchor: middle;
    }
    p {
      color: var(--soft);
      font-size: 15px;
    }
    i {
      display: inline-block;
      width: 14px;
      height: 14px;
      margin: 0 4px 0 10px;
      border-radius: 4px;
      vertical-align: -2px;
    }
    .pace {
      height: 3px;
      background: var(--act);
      vertical-align: 4px;
    }
  `,
})
export class PracticeChart {
  readonly days = input.required<readonly PracticeDay[]>();
  protected readonly width = WIDTH;
  protected readonly height = HEIGHT;

  private readonly shown = computed(() => this.days().slice(-MOST_DAYS));
  private readonly across = computed(() => {
    const step = Math.min(48, (WIDTH - LEFT) / Math.max(1, this.shown().length));
    return { step, at: (i: number): number => 8 + i * step };
  });
  protected readonly bars = computed(() => {
    const days = this.shown();
    const base = HEIGHT - BOTTOM;
    const up = scaleLinear([0, Math.max(10, ...days.map(({ answered }) => answered))], [base, 8]);
    const { step, at } = this.across();
    const every = Math.ceil(56 / step);
    return days.map(({ day, answered, right }, i) => ({
      ...{ day, base, x: at(i), width: step * 0.7, all: up(answered), right: up(right) },
      ...{ named: i % every === 0, name: DAY.format(day) },
    }));
  });
  protected readonly pace = computed(() => {
    const days = this.shown();
    const { step, at } = this.across();
    const up = scaleLinear([0, Math.max(20, ...days.map(({ seconds }) => seconds ?? 0))], [HEIGHT - BOTTOM, 8]);
    const points = days.flatMap(({ seconds }, i): [number, number][] =>
      seconds === null ? [] : [[at(i) + step * 0.35, up(seconds)]],
    );
    return line()(points) ?? '';
  });
  protected readonly label = computed(() => {
    const [first, last] = [this.shown()[0], this.shown().at(-1)];
    if (!first || !last) return 'Nothing answered yet';
    return `From ${DAY.format(first.day)} to ${DAY.format(last.day)}: on the last day ${last.right} of ${last.answered} right`;
  });
}
