import { Component, computed, input } from '@angular/core';
import { keyOf, placeWords, stepTitle, type Places } from '@lemniscus/core/assembly';
import type { StepAt } from '../data/follows/assembling';
import { PinMap } from '../drawing/pin-map';
import { pinMapModel } from '../drawing/pin-map-model';

/** Widest map that fits on a sheet of A4 or Letter between its margins, mm; a wider one goes over several sheets, in strips. */
const SHEET = 180;
/** Strips overlap by so much, to be glued, mm. */
const OVERLAP = 8;

/** For paper: every pin map at true scale, to pin through, and the steps. */
@Component({
  selector: 'lem-pin-sheet',
  imports: [PinMap],
  template: `
    <h1>{{ title() }}: put together</h1>
    @if (picture(); as seen) {
      <img [src]="seen" alt="" />
    }
    @for (map of maps(); track map.key) {
      @for (strip of map.strips; track strip.from; let number = $index) {
        <section>
          <h2>
            {{ map.name }}, unrolled at true scale{{
              map.strips.length > 1 ? ', strip ' + (number + 1) + ' of ' + map.strips.length : ''
            }}
          </h2>
          <div class="strip" [style.width.mm]="strip.width" [style.height.mm]="map.height">
            <lem-pin-map
              [style.width.mm]="map.width"
              [style.height.mm]="map.height"
              [style.margin-left.mm]="-strip.from"
              [paper]="true"
              [model]="map.model"
            />
          </div>
        </section>
      }
    }
    <svg class="ruler" viewBox="0 0 100 4"><path d="M0 0V4M0 2H100M100 0V4" /></svg>
    <p>The line is 100 mm long: measure it before you pin. Print at 100 %, not fitted to the page.</p>
    <h2>Steps</h2>
    <ol>
      @for (each of lines(); track $index) {
        <li>
          <b>{{ each.title }}</b> {{ each.words }}
        </li>
      }
    </ol>
  `,
  styles: `
    section {
      break-inside: avoid;
    }
    img {
      display: block;
      max-width: 120mm;
      max-height: 90mm;
    }
    h1 {
      font-size: 20pt;
    }
    h2 {
      margin: 8mm 0 2mm;
      font-size: 13pt;
    }
    .strip {
      overflow: hidden;
    }
    .ruler {
      display: block;
      width: 100mm;
      height: 4mm;
      margin-top: 6mm;
      overflow: visible;
    }
    .ruler path {
      fill: none;
      stroke: #000;
      stroke-width: 0.3;
    }
    li {
      break-inside: avoid;
      margin-bottom: 1.5mm;
    }
  `,
})
export class PinSheet {
  readonly places = input.required<Places>();
  readonly steps = input.required<readonly StepAt[]>();
  readonly title = input.required<string>();
  /** The figure as it is seen; null where there is none. */
  readonly picture = input<string | null>(null);

  protected readonly maps = computed(() => {
    const { walls, fronts, places } = this.places();
    return [...walls].map(([key, wall]) => {
      const model = pinMapModel(
        wall,
        fronts.get(key) ?? 0,
        places.filter(({ host }) => keyOf(host) === key),
        true,
      );
      // As the map draws it, with room for its numbers.
      const width = 2 * model.half + 2 * (3 + 34 * 0.26);
      const strips: { readonly from: number; readonly width: number }[] = [];
      for (let from = 0; from < width - OVERLAP || from === 0; from += SHEET - OVERLAP)
        strips.push({ from, width: Math.min(SHEET, width - from) });
      return { key, name: wall.name, model, width, height: model.height + 13.16, strips };
    });
  });
  protected readonly lines = computed(() => {
    const { places } = this.places();
    return this.steps().map(({ step }) => ({
      title: `${stepTitle(step)}.`,
      words: places
        .filter(({ feature, copy }) => feature.id === step.feature?.id && (step.piece === null || step.piece.copy === copy))
        .map(placeWords)
        .join(' '),
    }));
  });
}
