import { Component, computed, effect, inject, input, untracked } from '@angular/core';
import type { PartCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { figurePainter } from '../controls/part-shape/figure-paint';
import { LengthUnits } from '../data/device/length-units';
import { Figures } from '../data/follows/figures';
import { Figure } from '../drawing/figure/figure';
import type { FigureBody } from '../drawing/figure/figure-body';

/** Between the two, of the wider one. */
const GAP = 0.3;

/** One part in the round, once in each of two sizes of stitch, side by side at one scale. */
@Component({
  selector: 'lem-round-pair',
  imports: [Figure],
  template: `
    @if (bodies(); as both) {
      <lem-figure [bodies]="both" [names]="names()" [label]="label()" [mmPerUnit]="stitches()[0].width" />
    }
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
    }
    lem-figure {
      flex: 1;
    }
  `,
})
export class RoundPair {
  readonly parts = input.required<readonly PartCount[]>();
  readonly part = input.required<number>();
  readonly stitches = input.required<readonly [StitchSize, StitchSize]>();
  readonly stretch = input.required<number>();
  readonly plush = input.required<readonly [boolean, boolean]>();

  private readonly figures = inject(Figures);
  private readonly lengths = inject(LengthUnits);
  private readonly painter = figurePainter();
  private readonly looks = [this.figures.look(), this.figures.look()] as const;

  protected readonly bodies = computed<FigureBody[] | null>(() => {
    const shapes = this.looks.map((look) => look.state().shape);
    const [one, two] = shapes;
    if (!one || !two) return null;
    const [here, there] = this.stitches();
    const scale = there.width / here.width;
    const gap = GAP * Math.max(one.size[0], scale * two.size[0]);
    const whole = one.size[0] + gap + scale * two.size[0];
    const paint = (index: 0 | 1): FigureBody['paint'] => this.painter(shapes[index]!.stitches.colours, this.plush()[index]);
    return [
      { shape: one, paint: paint(0), x: (one.size[0] - whole) / 2, eyes: [] },
      { shape: two, paint: paint(1), x: (whole - scale * two.size[0]) / 2, eyes: [], scale },
    ];
  });
  protected readonly names = computed(() => [
    { words: 'In your hand', on: true },
    { words: 'The other', on: false },
  ]);
  protected readonly label = computed(() => {
    const high = (this.bodies() ?? []).map(({ shape }, index) =>
      this.lengths.words(shape.size[1] * this.stitches()[index]!.width),
    );
    return `${this.parts()[this.part()]?.part.name ?? ''} both ways at one scale: ${high.map((size) => `about ${size} high`).join(', and ')}`;
  });

  constructor() {
    effect(() => {
      const [parts, part, stretch] = [this.parts(), this.part(), this.stretch()];
      const stitches = this.stitches();
      untracked(() => {
        for (const [index, { width, height }] of stitches.entries())
          this.looks[index]!.ask({ parts, part, copy: 0, ratio: height / width, stretch, upright: null });
      });
    });
  }
}
