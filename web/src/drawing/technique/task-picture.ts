import { Component, computed, effect, ElementRef, inject, input, output, ViewEncapsulation } from '@angular/core';
import { runsOf } from '@lemniscus/core/strand';
import type { DrawnStrand } from '@lemniscus/core/drawn';
import type { Task } from '@lemniscus/core/practice';
import { yarnPaint } from '../yarn-colour';
import { onPicture, paintMarks, paintRuns, PICTURE_WIDTH } from './strand-paint';
import { paintInto } from '../painted';

/** A piece to be read, as it looks from outside: what is asked is hidden in it, and some of its stitches can be pressed. */
@Component({
  selector: 'lem-task-picture',
  template: '',
  encapsulation: ViewEncapsulation.None,
  styleUrls: ['./technique-drawing.css', './task-picture.css'],
  host: {
    class: 'lem-technique lem-task',
    '[style.--yarn]': 'fill()',
    '(click)': 'pressed($event)',
    '(keydown)': 'keyed($event)',
  },
})
export class TaskPicture {
  readonly task = input.required<Task>();
  readonly chosen = input<readonly number[]>([]);
  /** Whether what the answer stands on is marked. */
  readonly explained = input(false);
  readonly hand = input<'right' | 'left'>('right');
  readonly colour = input('');
  readonly press = output<number>();

  protected readonly fill = computed(() => yarnPaint(this.colour()).fill);
  private readonly way = computed(() => (this.hand() === 'left' ? 1 : -1));
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;

  private readonly strands = computed<readonly DrawnStrand[]>(() => {
    const { picture, why } = this.task();
    return this.explained() ? why.strands : picture.strands;
  });
  private readonly painted = computed(() => {
    const { picture } = this.task();
    const runs = runsOf(this.strands(), { ...picture.camera, way: this.way() });
    return paintRuns(runs, this.strands(), picture, this.way());
  });

  constructor() {
    effect(() => {
      const { picture, why } = this.task();
      const [, , width, height] = picture.view;
      const marks = paintMarks(this.explained() ? [...picture.marks, ...why.marks] : picture.marks, picture, this.way());
      const tall = Math.round((PICTURE_WIDTH * height) / width);
      paintInto(this.host, `<svg viewBox="0 0 ${PICTURE_WIDTH} ${tall}">${this.painted()}${marks}<g class="spots"></g></svg>`);
      this.showSpots();
    });
    effect(() => this.showSpots());
  }

  /** The places that can be pressed, over the picture; it is not painted anew for them. */
  private showSpots(): void {
    const { ask, picture } = this.task();
    const spots = this.host.querySelector('.spots');
    if (!spots) return;
    const open = ask.is === 'spots' && !this.explained();
    const radius = (0.44 * PICTURE_WIDTH) / picture.view[2];
    const kept = document.activeElement?.getAttribute('data-stitch') ?? null;
    const circles = (ask.is === 'spots' ? ask.spots : [])
      .map(({ stitch, at }, i) => {
        const [x, y] = onPicture(at, picture, this.way());
        const on = this.chosen().includes(stitch);
        const named = `role="checkbox" aria-checked="${on}" aria-label="Stitch ${i + 1}" tabindex="${open ? 0 : -1}"`;
        return `<circle data-stitch="${stitch}" class="spot${on ? ' on' : ''}" ${open ? named : ''} cx="${x.toFixed(1)}" cy="${y.toFixed(1)}" r="${radius.toFixed(1)}"/>`;
      })
      .join('');
    paintInto(spots, circles);
    if (kept && open) this.host.querySelector<SVGElement>(`[data-stitch="${kept}"]`)?.focus();
  }

  protected pressed(event: Event): void {
    const spot = event.target instanceof Element ? event.target.closest('.spot') : null;
    const stitch = spot?.getAttribute('data-stitch');
    if (stitch !== undefined && stitch !== null && !this.explained()) this.press.emit(Number(stitch));
  }

  /** Space presses the stitch that has the focus; the arrows go from one to the next. */
  protected keyed(event: KeyboardEvent): void {
    const spot = event.target instanceof SVGElement ? event.target : null;
    if (!spot?.classList.contains('spot')) return;
    const to =
      event.key === 'ArrowRight' ? spot.nextElementSibling : event.key === 'ArrowLeft' ? spot.previousElementSibling : null;
    if (to instanceof SVGElement) to.focus();
    else if (event.key === ' ') this.press.emit(Number(spot.getAttribute('data-stitch')));
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
}
