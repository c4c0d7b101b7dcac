import { Component, computed, inject, input } from '@angular/core';
import { assemblyOf } from '@lemniscus/core/assembly';
import type { PatternCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { USUAL_PACE } from '@lemniscus/core/making';
import { figurePainter, isPlush } from '../controls/part-shape/figure-paint';
import { LengthUnits } from '../data/device/length-units';
import { bodyShapes } from '../data/follows/body-shapes';
import { Figure } from '../drawing/figure/figure';
import { putTogether } from '../drawing/figure/put-together';

/** Eyes of a sketch are not drawn; an assembly asks for their size all the same. */
const NO_EYES = 0;

/** All parts of a sketch on one another, in the round. */
@Component({
  selector: 'lem-sketch-figure',
  imports: [Figure],
  template: `
    @if (whole(); as figure) {
      <lem-figure [bodies]="figure.bodies" [label]="label()" [mmPerUnit]="stitch().width" [whole]="figure.height" />
    } @else {
      <p>The figure is being worked out.</p>
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
      min-height: 160px;
    }
    p {
      margin: auto;
      color: var(--soft);
    }
  `,
})
export class SketchFigure {
  readonly count = input.required<PatternCount>();
  readonly stitch = input.required<StitchSize>();
  readonly stretch = input.required<number>();
  readonly yarnWeight = input.required<number>();

  private readonly painter = figurePainter();
  private readonly lengths = inject(LengthUnits);
  private readonly parts = computed(() => this.count().parts);
  private readonly bodies = bodyShapes({ parts: this.parts, stitch: this.stitch, stretch: this.stretch });

  protected readonly whole = computed(() => {
    const bodies = this.bodies();
    if (!bodies || bodies.length === 0) return null;
    const stitch = this.stitch();
    const assembly = assemblyOf(this.count(), { stitch, eyeMm: NO_EYES, secondsPerStitch: 60 / USUAL_PACE });
    const known = bodies.map((body) => ({ ...body, worked: true }));
    return putTogether(
      known,
      assembly,
      this.parts(),
      (shape) => this.painter(shape.stitches.colours, isPlush(this.yarnWeight())),
      NO_EYES,
    );
  });
  protected readonly label = computed(() => {
    const figure = this.whole();
    const tall = figure ? `, ${this.lengths.words(figure.height * this.stitch().width)} tall` : '';
    return `${this.count().pattern.title || 'The figure'} in the round${tall}`;
  });
}
