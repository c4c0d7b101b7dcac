import {
  afterNextRender,
  Component,
  computed,
  effect,
  ElementRef,
  inject,
  Injector,
  input,
  output,
  viewChild,
} from '@angular/core';
import type { Mark, Sitting } from '@lemniscus/core/history';
import { daysBetween, dayAfter, type Day } from '@lemniscus/core/planning';
import { brushX, type BrushBehavior } from 'd3-brush';
import { select } from 'd3-selection';
import type { DayLineModel } from './day-line-model';
import { yarnEdge, yarnPaint } from './yarn-colour';

/** Stitches of each day, for the strip under the line. */
export interface DayTotal {
  readonly day: Day;
  readonly stitches: number;
}

const STRIP = { width: 900, height: 46, left: 44 };
const NAME = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', timeZone: 'UTC' });
const WEEKDAY = new Intl.DateTimeFormat('en-GB', { weekday: 'short', timeZone: 'UTC' });
const FEW = 16;

/** The line through the days: each sitting a strand of the yarn it was worked in, at its hour; under it all days, to choose some of. */
@Component({
  selector: 'lem-day-line',
  template: `
    <svg class="line" [attr.viewBox]="'0 0 ' + model().width + ' ' + model().height" role="group" [attr.aria-label]="label()">
      @for (each of model().hours; track each.hour) {
        <path class="hour" [attr.d]="'M40 ' + each.y + 'H' + model().width" />
        <text class="clock" x="36" [attr.y]="each.y + 4">{{ each.hour }}</text>
      }
      @for (each of model().days; track each.day) {
        @if (each.told) {
          <text class="day" [attr.x]="each.x" [attr.y]="model().height - 6">{{ named(each.day) }}</text>
        }
      }
      @for (bar of model().bars; track bar.sitting.from) {
        <g
          class="sitting"
          [class.chosen]="chosen() === bar.sitting.from"
          role="button"
          tabindex="0"
          [attr.aria-label]="words()(bar.sitting)"
          (click)="picked.emit(bar.sitting)"
          (keydown.enter)="picked.emit(bar.sitting)"
          (keydown.space)="$event.preventDefault(); picked.emit(bar.sitting)"
        >
          <title>{{ words()(bar.sitting) }}</title>
          <rect class="ground" [attr.x]="bar.x" [attr.y]="bar.y" [attr.width]="bar.width" [attr.height]="bar.height" rx="3" />
          @for (band of bar.bands; track $index) {
            <rect
              [attr.x]="bar.x"
              [attr.y]="band.y"
              [attr.width]="bar.width"
              [attr.height]="band.height"
              [style.fill]="paint(band.colour)"
              rx="2"
            />
          }
          <rect
            class="edge"
            [class.by-hand]="bar.sitting.byHand !== null"
            [style.stroke]="edge(bar.bands[0]?.colour)"
            [attr.x]="bar.x"
            [attr.y]="bar.y"
            [attr.width]="bar.width"
            [attr.height]="bar.height"
            rx="3"
          />
        </g>
      }
      @for (each of model().marks; track $index) {
        <g class="mark" [class]="each.mark.is" [attr.transform]="'translate(' + each.x + ' ' + each.y + ')'">
          <title>{{ markWords()(each.mark) }}</title>
          @switch (each.mark.is) {
            @case ('begun') {
              <circle cx="5" r="3.6" />
            }
            @case ('ended') {
              <path d="M1 0l3 3.4L10 -3.6" />
            }
            @case ('ripped') {
              <path d="M9 -4L2 0L9 4" />
            }
            @case ('remark') {
              <path d="M1 -4h9v6h-5l-2.4 2.6V2H1z" />
            }
            @default {
              <path d="M5 -4l4 4l-4 4l-4 -4z" />
            }
          }
        </g>
      }
    </svg>
    @if (totals().length > 1) {
      <svg class="strip" [attr.viewBox]="'0 0 900 46'" aria-label="All days; drag to look closer">
        @for (each of columns(); track each.day) {
          <rect
            class="total"
            [attr.x]="each.x"
            [attr.y]="44 - each.height"
            [attr.width]="each.width"
            [attr.height]="each.height"
          />
        }
        <g #brush class="brush"></g>
      </svg>
    }
  `,
  styleUrl: './day-line.css',
})
export class DayLine {
  readonly model = input.required<DayLineModel>();
  readonly totals = input.required<readonly DayTotal[]>();
  readonly days = input.required<readonly [Day, Day]>();
  readonly label = input.required<string>();
  readonly words = input.required<(sitting: Sitting) => string>();
  readonly markWords = input.required<(mark: Mark) => string>();
  readonly chosen = input<number | null>(null);
  readonly picked = output<Sitting>();
  /** The days to look at; null for all. */
  readonly brushed = output<readonly [Day, Day] | null>();

  private readonly injector = inject(Injector);
  private readonly brushed$ = viewChild<ElementRef<SVGGElement>>('brush');
  private brush: BrushBehavior<unknown> | null = null;

  protected readonly columns = computed(() => {
    const totals = this.totals();
    const first = totals[0]?.day;
    const last = totals.at(-1)?.day;
    if (!first || !last) return [];
    const column = (STRIP.width - STRIP.left) / (daysBetween(first, last) + 1);
    const most = Math.max(1, ...totals.map(({ stitches }) => stitches));
    return totals.map(({ day, stitches }) => ({
      day,
      x: STRIP.left + daysBetween(first, day) * column + column * 0.15,
      width: Math.max(1, column * 0.7),
      height: stitches === 0 ? 2 : 4 + (36 * stitches) / most,
    }));
  });

  constructor() {
    effect(() => {
      const group = this.brushed$()?.nativeElement;
      if (!group || this.totals().length < 2) return;
      afterNextRender(() => this.dress(group), { injector: this.injector });
    });
  }

  private dress(group: SVGGElement): void {
    if (this.brush) return;
    this.brush = brushX().extent([
      [STRIP.left, 1],
      [STRIP.width, STRIP.height - 1],
    ]);
    this.brush.on('end', ({ selection, sourceEvent }: { selection: [number, number] | null; sourceEvent: unknown }) => {
      if (!sourceEvent) return;
      const totals = this.totals();
      const first = totals[0]!.day;
      const all = daysBetween(first, totals.at(-1)!.day) + 1;
      const column = (STRIP.width - STRIP.left) / all;
      const at = (x: number): number => Math.max(0, Math.min(all - 1, Math.floor((x - STRIP.left) / column)));
      this.brushed.emit(
        selection ? [dayAfter(first, at(selection[0])), dayAfter(first, at(Math.max(selection[0], selection[1] - 0.5)))] : null,
      );
    });
    select(group).call(this.brush as BrushBehavior<unknown> & ((selection: unknown) => void));
  }

  protected named(day: Day): string {
    const at = new Date(`${day}T00:00:00Z`);
    return this.model().days.length <= FEW ? `${WEEKDAY.format(at)} ${at.getUTCDate()}` : NAME.format(at);
  }

  protected paint(colour: string): string {
    return yarnPaint(colour).fill;
  }

  protected edge(colour: string | undefined): string {
    return colour === undefined ? 'var(--faint)' : yarnEdge(yarnPaint(colour));
  }
}
