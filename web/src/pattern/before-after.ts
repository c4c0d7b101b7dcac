import { Component, computed, effect, inject, input, untracked } from '@angular/core';
import type { PartCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import type { BodyShape } from '@lemniscus/core/shape';
import { figurePainter } from '../controls/part-shape/figure-paint';
import { eyesOf } from '../controls/part-shape/shape-marks';
import { LengthUnits } from '../data/device/length-units';
import { Figures } from '../data/follows/figures';
import { Figure } from '../drawing/figure/figure';
import type { FigureBody } from '../drawing/figure/figure-body';

/** Room between the two, stitch widths. */
const APART = 4;

/** A part before and after beside each other, at one scale. */
@Component({
  selector: 'lem-before-after',
  imports: [Figure],
  template: `
    @if (bodies().length > 0) {
      <lem-figure [bodies]="bodies()" [names]="names()" [label]="label()" [mmPerUnit]="stitch().width" [buttons]="false" />
    } @else {
      <p>Both are being worked out.</p>
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      min-height: 0;
    }
    lem-figure {
      flex: 1;
      min-height: 220px;
    }
    p {
      margin: auto;
      color: var(--soft);
    }
  `,
})
export class BeforeAfter {
  readonly before = input.required<readonly PartCount[]>();
  readonly after = input.required<readonly PartCount[]>();
  readonly part = input.required<number>();
  readonly stitch = input.required<StitchSize>();
  readonly stretch = input.required<number>();
  readonly plush = input(false);
  readonly eyeMm = input<readonly [number | null, number | null]>([null, null]);

  private readonly figures = inject(Figures);
  private readonly lengths = inject(LengthUnits);
  private readonly painter = figurePainter();
  private readonly looks = [this.figures.look(), this.figures.look()] as const;
  private readonly shapes = computed(() => {
    const [one, other] = this.looks.map((look) => look.state());
    return one?.shape && other?.shape
      ? ([
          [one.shape, one.of ?? []],
          [other.shape, other.of ?? []],
        ] as const)
      : null;
  });

  protected readonly bodies = computed<readonly FigureBody[]>(() => {
    const shapes = this.shapes();
    if (!shapes) return [];
    const [one, other] = shapes;
    const wide = ([{ size }]: readonly [BodyShape, unknown]): number => size[0];
    const middle = (wide(one) + wide(other)) / 2 + APART;
    return shapes.map(([shape, parts], i): FigureBody => ({
      shape,
      paint: this.painter(shape.stitches.colours, this.plush()),
      x: (i === 0 ? -1 : 1) * (middle / 2),
      eyes: eyesOf(shape, parts, this.eyeMm()[i] ?? null, this.stitch().width),
    }));
  });
  private readonly sizes = computed(
    () => this.shapes()?.map(([{ size }]) => this.lengths.words(size[1] * this.stitch().width)) ?? [],
  );
  protected readonly names = computed(() =>
    ['Now', 'Then'].map((name, i) => ({ words: `${name}, ${this.sizes()[i] ?? ''}`, on: i === 1 })),
  );
  protected readonly label = computed(
    () => `${this.before()[this.part()]?.part.name ?? ''} now ${this.sizes()[0] ?? ''} tall, then ${this.sizes()[1] ?? ''}`,
  );

  constructor() {
    for (const [look, parts] of [
      [this.looks[0], this.before],
      [this.looks[1], this.after],
    ] as const)
      effect(() => {
        const [counted, part] = [parts(), this.part()];
        const ratio = this.stitch().height / this.stitch().width;
        const stretch = this.stretch();
        if (counted[part]) untracked(() => look.ask({ parts: counted, part, copy: 0, ratio, stretch, upright: null }));
      });
  }
}
