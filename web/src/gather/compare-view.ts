import { Component, computed, inject, linkedSignal } from '@angular/core';
import {
  HOOKS,
  hookNames,
  soldStuffedHooks,
  tightnessOf,
  YARN_WEIGHTS,
  yarnWeight,
  type Gauge,
  type YarnAndHook,
  type YarnWeightNumber,
} from '@lemniscus/core/gauge';
import { roundColours } from '@lemniscus/core/fabric';
import { measure, standsOnStart } from '@lemniscus/core/shape';
import { handGauge, supplyOf } from '@lemniscus/core/supply';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Select } from '../controls/select';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { Gathering } from '../data/follows/gathering';
import { LengthUnits } from '../data/device/length-units';
import { Measurements } from '../data/owned/measurements';
import { Shapes } from '../data/follows/shapes';
import { isPlush } from '../controls/part-shape/figure-paint';
import { RoundPair } from './round-pair';
import { SetSeen } from './set-seen';
import { Silhouette } from '../drawing/silhouette';

const BOX = { width: 520, height: 240 };
const VERDICTS = { tight: 'hard to work', suits: 'holds its stuffing', loose: 'stuffing may show' } as const;

/** One of the two: what it is, and all that comes of it. */
interface Side {
  readonly tools: YarnAndHook;
  readonly name: string;
  readonly gauge: Gauge;
  readonly verdict: string;
  readonly suits: boolean;
  readonly grams: number;
  readonly metres: number;
}

/** Two choices of yarn and hook side by side. */
@Component({
  selector: 'lem-compare-view',
  imports: [NzButtonModule, RoundPair, Select, Silhouette],
  templateUrl: './compare-view.html',
  styleUrl: './compare-view.css',
})
export class CompareView {
  private readonly current = inject(CurrentMake);
  private readonly draft = inject(MakeDraft);
  private readonly gathering = inject(Gathering);
  private readonly measurements = inject(Measurements);
  private readonly shapes = inject(Shapes);
  protected readonly lengths = inject(LengthUnits);
  protected readonly seen = inject(SetSeen).seen;
  protected readonly stretch = this.current.stretch;
  protected readonly counted = computed(() => this.current.count().parts);
  protected readonly stitches = computed(() => [this.here().gauge.stitch, this.there().gauge.stitch] as const, {
    equal: (a, b) => a.every((size, i) => size.width === b[i]!.width && size.height === b[i]!.height),
  });
  protected readonly plush = computed(
    () => [isPlush(this.gathering.make().yarnWeight), isPlush(this.other().yarnWeight)] as const,
  );

  protected readonly weights = YARN_WEIGHTS.map(({ number, name }) => ({ value: number, label: `${number} ${name}` }));
  protected readonly hooks = HOOKS.map((mm) => ({ value: mm, label: `${mm} mm` }));
  protected readonly box = BOX;
  protected readonly names = hookNames;

  /** The other choice: a step heavier to begin with, on a hook that suits it. */
  protected readonly other = linkedSignal<YarnAndHook, YarnAndHook>({
    source: () => this.gathering.make(),
    computation: (make, previous) => previous?.value ?? heavier(make.yarnWeight),
  });

  private readonly sides = computed(() => {
    const make = this.gathering.make();
    return [this.side({ yarnWeight: make.yarnWeight, hookMm: make.hookMm }), this.side(this.other())] as const;
  });
  protected readonly here = computed(() => this.sides()[0]);
  protected readonly there = computed(() => this.sides()[1]);

  /** Every part with its size either way; null while shapes are worked out. */
  protected readonly parts = computed(() => {
    const [here, there] = this.sides();
    const parts = this.gathering.situation().parts.map(({ key, name, fabric, index }) => {
      const one = this.shapes.profile(fabric, here.gauge.stitch, this.current.stretch());
      const two = this.shapes.profile(fabric, there.gauge.stitch, this.current.stretch());
      return one && two ? { key, name, fabric, index, one, two, sizes: [measure(one), measure(two)] as const } : null;
    });
    return parts.some((part) => part === null) ? null : parts.filter((part) => part !== null);
  });

  /** The largest part both ways at one scale, feet on one line. */
  protected readonly drawing = computed(() => {
    const parts = this.parts() ?? [];
    const largest = [...parts].sort((a, b) => b.sizes[0].height - a.sizes[0].height)[0];
    if (!largest) return null;
    const [one, two] = largest.sizes;
    const scale = Math.min(
      (BOX.width - 60) / (one.diameter + two.diameter),
      (BOX.height - 20) / Math.max(one.height, two.height),
    );
    const common = { colours: roundColours(largest.fabric), upright: standsOnStart(largest.fabric), scale };
    return {
      name: largest.name,
      index: largest.index,
      ...common,
      pieces: [
        { profile: largest.one, x: 20 + (one.diameter * scale) / 2 },
        { profile: largest.two, x: 40 + (one.diameter + two.diameter / 2) * scale },
      ],
    };
  });

  protected setWeight(yarnWeight: YarnWeightNumber): void {
    this.other.update((tools) => ({ ...tools, yarnWeight }));
  }

  protected setHook(hookMm: number): void {
    this.other.update((tools) => ({ ...tools, hookMm }));
  }

  /** Takes the other choice; what was is then the other. */
  protected swap(): void {
    const { yarnWeight: number, hookMm } = this.gathering.make();
    this.draft.change({ ...this.other() });
    this.other.set({ yarnWeight: number, hookMm });
  }

  protected percent(one: number, two: number): string {
    if (one === two || one === 0) return one === two ? 'the same' : '';
    const by = Math.round((two / one - 1) * 100);
    return by === 0 ? 'the same' : `${by > 0 ? '+' : '−'}${Math.abs(by)} %`;
  }

  private side(tools: YarnAndHook): Side {
    const gauge = handGauge(tools, this.gathering.kit().hand, this.measurements.items());
    const { verdict } = tightnessOf(tools, gauge);
    const demands = supplyOf({ ...this.gathering.situation(), tools, basket: [] }).demands;
    return {
      tools,
      name: `${yarnWeight(tools.yarnWeight).name}, ${tools.hookMm} mm`,
      gauge,
      verdict: VERDICTS[verdict],
      suits: verdict === 'suits',
      grams: demands.reduce((sum, demand) => sum + demand.whole.grams, 0),
      metres: demands.reduce((sum, demand) => sum + demand.whole.mm, 0) / 1_000,
    };
  }
}

function heavier(number: YarnWeightNumber): YarnAndHook {
  const other = YARN_WEIGHTS[Math.min(7, number + 1)]!.number;
  const suits = soldStuffedHooks(other);
  return { yarnWeight: other, hookMm: suits[suits.length >> 1]! };
}
