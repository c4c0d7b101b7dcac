import { Component, computed, inject, input } from '@angular/core';
import { HandSize } from '../data/device/hand-size';

/** Width of the hand as it is drawn, mm: that of the usual one. */
const DRAWN_MM = 38;
/** Two fingers. */
const FINGERS_MM = 20;
const VIEW = { width: 150, height: 112 };

/** The opening seen from above at scale, with the outline of what goes through it: a hand, two fingers, or a stick. */
@Component({
  selector: 'lem-hand-opening',
  template: `
    <svg [attr.viewBox]="'0 0 ' + view.width + ' ' + view.height" role="img" [attr.aria-label]="words()">
      <g [attr.transform]="'translate(' + view.width / 2 + ' ' + view.height / 2 + ') scale(' + scale() + ')'">
        <circle class="opening" [class.tight]="fits() !== 'a hand'" [attr.r]="opening() / 2" />
        <g class="hand" [attr.transform]="handScale()" [class.out]="fits() === 'a stick'">
          <!-- Knuckles of four fingers, and the thumb laid against them. -->
          <path
            d="M-18 4C-19 -4 -15 -9 -10 -8C-9 -12 -3 -13 -1 -9C1 -13 7 -12 8 -8C13 -10 18 -5 17 1C19 8 12 12 5 11C-3 14 -15 13 -18 4Z"
          />
          <path d="M-9 -7C-8 -3 -8 0 -9 3M0 -9C1 -4 1 -1 0 3M9 -7C9 -3 9 0 8 4M-13 8C-6 4 4 4 11 8" />
        </g>
      </g>
    </svg>
    <small>{{ words() }}</small>
  `,
  styles: `
    :host {
      display: flex;
      flex-direction: column;
      align-items: center;
      gap: 2px;
    }
    svg {
      display: block;
      width: 112px;
    }
    path,
    circle {
      vector-effect: non-scaling-stroke;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .opening {
      fill: var(--shade);
      stroke: var(--ink);
      stroke-width: 2;
    }
    .opening.tight {
      stroke: var(--inc);
    }
    .hand path {
      fill: none;
      stroke: var(--act);
      stroke-width: 1.6;
    }
    .hand.out path {
      stroke: var(--faint);
    }
    small {
      color: var(--soft);
      font-size: 13px;
      text-align: center;
    }
  `,
})
export class HandOpening {
  /** Across, mm. */
  readonly opening = input.required<number>();

  /** The maker's own, as it is set at the hook. */
  private readonly hand = inject(HandSize).mm;
  protected readonly view = VIEW;
  protected readonly handScale = computed(() => `scale(${this.hand() / DRAWN_MM})`);
  protected readonly scale = computed(() => (VIEW.height - 8) / Math.max(this.hand() + 6, this.opening()));
  protected readonly fits = computed(() =>
    this.opening() >= this.hand() ? 'a hand' : this.opening() >= FINGERS_MM ? 'two fingers' : 'a stick',
  );
  protected readonly words = computed(() => (this.fits() === 'a hand' ? 'A hand goes in' : `Only ${this.fits()} will go in`));
}
