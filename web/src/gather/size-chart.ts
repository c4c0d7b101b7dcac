import { Component, computed, inject, input } from '@angular/core';
import { HOOKS, stuffedHooks, yarnWeight, type YarnWeightNumber } from '@lemniscus/core/gauge';
import { INCH } from '@lemniscus/core/notation';
import { handGauge } from '@lemniscus/core/supply';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Basket } from '../data/owned/basket';
import { CurrentMake } from '../data/open/current-make';
import { Gathering } from '../data/follows/gathering';
import { LengthUnits } from '../data/device/length-units';
import type { MadePart } from '../data/follows/made-part';
import { Measurements } from '../data/owned/measurements';

const VIEW = { width: 440, height: 228, left: 58, right: 92, bottom: 34, top: 10 };

/** How high the chosen part becomes over the hook, a line for each yarn weight in the basket; thick where the hook suits stuffed work. */
@Component({
  selector: 'lem-size-chart',
  template: `
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="described()">
      @for (tick of y().ticks(4); track tick) {
        <line
          class="grid"
          [attr.x1]="view.left"
          [attr.x2]="view.width - view.right"
          [attr.y1]="y()(tick)"
          [attr.y2]="y()(tick)"
        />
        <text [attr.x]="view.left - 6" [attr.y]="y()(tick) + 4" text-anchor="end">
          {{ tick }}{{ $last ? ' ' + unit().name : '' }}
        </text>
      }
      @for (tick of x().ticks(6); track tick) {
        <text [attr.x]="x()(tick)" [attr.y]="view.height - 18" text-anchor="middle">{{ tick }}</text>
      }
      <text [attr.x]="view.left" [attr.y]="view.height - 3">hook, mm</text>
      @for (one of lines(); track one.number) {
        <path class="all" [attr.d]="one.all" [class.mine]="one.mine" />
        <path class="suits" [attr.d]="one.suits" [class.mine]="one.mine" />
        <text [attr.x]="view.width - view.right + 6" [attr.y]="one.endY + 4" [class.mine]="one.mine">{{ one.name }}</text>
      }
      <circle [attr.cx]="x()(here().hook)" [attr.cy]="y()(here().height)" r="6" />
    </svg>
    <p>
      {{ part().name }} is {{ lengths.words(part().size.height) }} high on {{ here().hook }} mm. Thick lines are hooks that hold
      stuffing.
    </p>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      margin-top: 8px;
    }
    .grid {
      stroke: var(--line);
    }
    path {
      fill: none;
      stroke: var(--faint);
      stroke-linecap: round;
    }
    .all {
      stroke-width: 1.5;
      stroke-dasharray: 2 4;
    }
    .suits {
      stroke-width: 5;
    }
    path.mine {
      stroke: var(--ink);
    }
    circle {
      fill: var(--act);
      stroke: var(--card);
      stroke-width: 2;
    }
    text {
      fill: var(--soft);
      font-size: 13px;
    }
    text.mine {
      fill: var(--ink);
      font-weight: 700;
    }
  `,
})
export class SizeChart {
  readonly part = input.required<MadePart>();

  protected readonly lengths = inject(LengthUnits);
  private readonly current = inject(CurrentMake);
  private readonly gathering = inject(Gathering);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);
  protected readonly view = VIEW;

  protected readonly unit = computed(() =>
    this.lengths.units() === 'inches' ? { name: 'in', mm: INCH } : { name: 'mm', mm: 1 },
  );
  protected readonly here = computed(() => ({
    hook: this.gathering.make().hookMm,
    height: this.part().size.height / this.unit().mm,
  }));

  private readonly weights = computed(() => {
    const own = this.gathering.make().yarnWeight;
    const owned = this.basket.items().map((yarn) => yarn.yarnWeight);
    return [...new Set<YarnWeightNumber>([own, ...owned])].sort((a, b) => a - b);
  });

  /** Height at each sold hook around those that suit, for every weight. */
  private readonly series = computed(() => {
    const { kit } = this.gathering.make();
    const width = this.current.stitch()?.width ?? 1;
    const measured = this.measurements.items();
    return this.weights().map((number) => {
      const at = (hookMm: number): number =>
        (this.part().size.height / this.unit().mm) *
        (handGauge({ yarnWeight: number, hookMm }, kit.hand, measured).stitch.width / width);
      const { factor } = handGauge({ yarnWeight: number, hookMm: yarnWeight(number).hook[0] }, kit.hand, measured);
      const [low, high] = stuffedHooks(number, factor);
      const points = HOOKS.filter((hook) => hook >= low * 0.7 && hook <= high * 1.35).map((hook) => ({ hook, height: at(hook) }));
      return { number, points, low, high };
    });
  });

  private readonly points = computed(() => [...this.series().flatMap((one) => one.points), this.here()]);
  protected readonly x = computed(() => {
    const hooks = this.points().map((point) => point.hook);
    return scaleLinear([Math.min(...hooks), Math.max(...hooks)], [VIEW.left + 4, VIEW.width - VIEW.right]);
  });
  protected readonly y = computed(() =>
    scaleLinear([0, Math.max(...this.points().map((point) => point.height))], [VIEW.height - VIEW.bottom, VIEW.top]).nice(4),
  );

  protected readonly lines = computed(() => {
    const draw = line<{ hook: number; height: number }>(
      (point) => this.x()(point.hook),
      (point) => this.y()(point.height),
    );
    return this.series().map(({ number, points, low, high }) => ({
      number,
      name: yarnWeight(number).name,
      mine: number === this.gathering.make().yarnWeight,
      all: draw(points) ?? '',
      suits: draw(points.filter(({ hook }) => hook >= low && hook <= high)) ?? '',
      endY: this.y()(points.at(-1)?.height ?? 0),
    }));
  });

  protected readonly described = computed(
    () =>
      `Height of ${this.part().name} over the hook, for ${this.lines()
        .map((one) => one.name)
        .join(', ')} yarn`,
  );
}
