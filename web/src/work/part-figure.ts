import { Component, computed, inject, output } from '@angular/core';
import { roundColours } from '@lemniscus/core/fabric';
import { measure, standsOnStart, unsewn, upToRound } from '@lemniscus/core/shape';
import { LengthUnits } from '../data/device/length-units';
import { Silhouette } from '../drawing/silhouette';
import { AtHook } from './at-hook';

const FRAME = { width: 190, height: 200 };

/** The part at the hook from the side at true scale, worked as far as it is, with its size. */
@Component({
  selector: 'lem-part-figure',
  imports: [Silhouette],
  template: `
    <figure>
      @if (shape(); as shape) {
        <button type="button" (click)="look.emit()" aria-label="The part from the side. See it in the round">
          <svg [attr.viewBox]="'0 0 ' + (frame.width + 8) + ' ' + (frame.height + 12)" aria-hidden="true">
            <svg:g [attr.transform]="'translate(' + (frame.width / 2 + 4) + ' ' + (frame.height + 4) + ')'">
              <svg:g
                lemSilhouette
                [profile]="shape.profile"
                [colours]="shape.colours"
                [upright]="shape.upright"
                [done]="done()"
                [scale]="shape.scale"
              />
            </svg:g>
          </svg>
        </button>
        <figcaption>{{ height() }}<br />{{ shape.across }}</figcaption>
      }
    </figure>
  `,
  styles: `
    :host {
      display: contents;
    }
    figure {
      grid-area: shape;
      display: flex;
      flex-direction: column;
      justify-content: flex-end;
      align-items: flex-start;
      min-height: 0;
      margin: 0;
      padding: 8px 0 4px 28px;
    }
    button {
      display: flex;
      flex: 1;
      min-height: 0;
      max-width: 190px;
      max-height: 212px;
      padding: 0;
      border: 0;
      border-radius: 14px;
      background: none;
      cursor: pointer;
    }
    button:hover {
      background: var(--act-wash);
    }
    svg {
      display: block;
      width: 100%;
      min-height: 0;
    }
    figcaption {
      color: var(--soft);
      font-size: 15px;
    }
    @media (max-width: 1080px) {
      figure {
        display: none;
      }
    }
    /* A tablet upright, with room to spare below the dial. */
    @media (min-width: 761px) and (max-width: 1080px) and (min-height: 1000px) {
      figure {
        display: flex;
        gap: 10px;
        padding: 0 24px 14px;
      }
    }
  `,
})
export class PartFigure {
  private readonly hook = inject(AtHook);
  private readonly lengths = inject(LengthUnits);
  /** It is to be seen in the round. */
  readonly look = output();
  protected readonly frame = FRAME;

  /** Rounds worked, a begun one as half. */
  protected readonly done = computed(() => {
    const position = this.hook.position();
    return position ? position.round + (position.action > 0 ? 0.5 : 0) : 0;
  });

  protected readonly shape = computed(() => {
    const fabric = this.hook.fabric();
    const made = this.hook.profile();
    if (!fabric || !made) return null;
    // At the hook a ring is still the tube that it is made as.
    const profile = unsewn(made);
    const whole = measure(profile);
    return {
      profile,
      whole,
      colours: roundColours(fabric),
      upright: standsOnStart(fabric),
      scale: Math.min(FRAME.width / whole.diameter, FRAME.height / whole.height),
      across: `${this.lengths.words(whole.diameter)} across`,
    };
  });

  protected readonly height = computed(() => {
    const shape = this.shape();
    if (!shape) return '';
    const rounds = Math.ceil(this.done());
    const soFar = rounds > 0 ? measure(upToRound(shape.profile, rounds)).height : 0;
    return `${this.lengths.of(soFar, shape.whole.height)} high`;
  });
}
