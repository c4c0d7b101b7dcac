import { Component, computed, input } from '@angular/core';

const INCH_MM = 25.4;
/** Pixels between two ticks, at least. */
const APART = 26;

/** How high something is, beside it: millimetres on the left, inches on the right, from its foot upwards. */
@Component({
  selector: 'lem-figure-ruler',
  template: `
    <svg
      [attr.height]="tall() + 16"
      width="100"
      [attr.viewBox]="'-14 ' + (-tall() - 8) + ' 100 ' + (tall() + 16)"
      aria-hidden="true"
    >
      <line x1="43" x2="43" y1="0" [attr.y2]="-tall()" />
      @for (tick of metric(); track tick.mm) {
        <line x1="36" x2="43" [attr.y1]="-tick.y" [attr.y2]="-tick.y" />
        <text x="33" [attr.y]="4 - tick.y" text-anchor="end">{{ tick.words }}</text>
      }
      @for (tick of inches(); track tick.mm) {
        <line x1="43" x2="50" [attr.y1]="-tick.y" [attr.y2]="-tick.y" />
        <text x="53" [attr.y]="4 - tick.y">{{ tick.words }}</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    svg {
      display: block;
    }
    line {
      stroke: var(--faint);
      stroke-width: 1;
    }
    text {
      fill: var(--soft);
      font-size: 12px;
    }
  `,
})
export class FigureRuler {
  readonly pixelsPerMm = input.required<number>();
  /** Height of the figure, mm. */
  readonly height = input.required<number>();

  private readonly units = computed(() => ({
    mm: stepOf([5, 10, 20, 50, 100, 200], this.pixelsPerMm()),
    inch: stepOf([0.25, 0.5, 1, 2, 5], this.pixelsPerMm() * INCH_MM),
  }));
  private readonly topMm = computed(() =>
    Math.max(this.units().mm, Math.floor(this.height() / this.units().mm) * this.units().mm),
  );
  protected readonly tall = computed(() => Math.min(2_000, this.topMm() * this.pixelsPerMm()));

  protected readonly metric = computed(() =>
    this.ticks(this.units().mm, 1, (value) => (value === this.topMm() ? `${value} mm` : `${value}`)),
  );
  protected readonly inches = computed(() => {
    const { inch } = this.units();
    const last = Math.floor(this.topMm() / INCH_MM / inch) * inch;
    return this.ticks(inch, INCH_MM, (value) => (value === last ? `${value} in` : `${value}`));
  });

  private ticks(step: number, mmEach: number, words: (value: number) => string): { mm: number; y: number; words: string }[] {
    const count = Math.min(200, Math.floor(this.topMm() / mmEach / step + 1e-6));
    return Array.from({ length: count + 1 }, (_, i) => {
      const mm = i * step * mmEach;
      return { mm, y: mm * this.pixelsPerMm(), words: words(i * step) };
    });
  }
}

function stepOf(steps: readonly number[], pixelsEach: number): number {
  return steps.find((step) => step * pixelsEach >= APART) ?? steps.at(-1)!;
}
