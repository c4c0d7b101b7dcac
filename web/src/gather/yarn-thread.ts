import { Component, computed, input } from '@angular/core';
import { gramWords } from '@lemniscus/core/gauge';
import type { Demand } from '@lemniscus/core/supply';
import { yarnEdge, yarnPaint } from '../drawing/yarn-colour';

const Y = 15;
/** The width a part's name has at least, at the narrowest the thread is drawn, px: narrower stretches go without. */
const NARROWEST = 340;
const LETTER = 6.5;
/** For an id of its own in the page. */
let threads = 0;

/**
 * The work in one yarn as one long thread, part after part: plied in the yarn's colour as far as what is free reaches,
 * pale after it, with a cut where it runs out.
 */
@Component({
  selector: 'lem-yarn-thread',
  template: `
    <svg role="img" [attr.aria-label]="label()">
      <defs>
        <pattern [id]="id" width="13" height="16" patternUnits="userSpaceOnUse">
          <rect width="13" height="16" [style.fill]="paint().fill" />
          <path class="ply" d="M-3 15C2 13 6 3 11 1M10 15C15 13 19 3 24 1" [style.stroke]="paint().edge" />
        </pattern>
      </defs>
      <line class="lacking" x1="1%" x2="99%" [attr.y1]="y" [attr.y2]="y" />
      @if (reach() > 0) {
        <rect
          class="thread"
          x="0.2%"
          [attr.y]="y - 7"
          [attr.width]="reach() * 0.996 + '%'"
          height="14"
          rx="7"
          [attr.fill]="'url(#' + id + ')'"
          [style.stroke]="edge()"
        />
      }
      @for (one of stretches(); track one.key) {
        <line class="tick" [attr.x1]="one.end + '%'" [attr.x2]="one.end + '%'" [attr.y1]="y + 9" [attr.y2]="y + 15" />
        @if (one.named) {
          <text [attr.x]="(one.start + one.end) / 2 + '%'" [attr.y]="y + 25" text-anchor="middle">{{ one.words }}</text>
        }
      }
      @if (short()) {
        <svg class="cut" [attr.x]="reach() + '%'"><path d="M-5 2L5 28M5 2L-5 28" /></svg>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      width: 100%;
      height: 46px;
      overflow: visible;
    }
    line {
      stroke-linecap: round;
    }
    .lacking {
      stroke: var(--line);
      stroke-width: 9;
      stroke-dasharray: 1 13;
    }
    .thread {
      stroke-width: 1.5;
    }
    .ply {
      fill: none;
      stroke-width: 1.5;
    }
    .tick {
      stroke: var(--soft);
      stroke-width: 1.5;
    }
    text {
      fill: var(--soft);
      font-size: 13px;
    }
    .cut path {
      fill: none;
      stroke: var(--warn);
      stroke-width: 3;
      stroke-linecap: round;
    }
  `,
})
export class YarnThread {
  readonly demand = input.required<Demand>();
  /** Keys of the parts in the order they are worked. */
  readonly order = input.required<readonly string[]>();
  readonly label = input.required<string>();

  protected readonly y = Y;
  protected readonly id = `ply-${++threads}`;
  protected readonly paint = computed(() => yarnPaint(this.demand().yarn?.colour ?? this.demand().colours[0] ?? ''));
  protected readonly edge = computed(() => yarnEdge(this.paint()));

  /** How far along the thread the free grams reach, percent. */
  protected readonly reach = computed(() => {
    const { free, left } = this.demand();
    return left.grams <= 0 ? 100 : Math.min(100, (100 * (free ?? 0)) / left.grams);
  });
  protected readonly short = computed(() => this.demand().free !== null && this.reach() < 100);

  /** Each part's stretch of the thread, percent. */
  protected readonly stretches = computed(() => {
    const order = this.order();
    const whole = new Map<string, { name: string; mm: number }>();
    for (const { part, name, left } of this.demand().portions) {
      whole.set(part, { name, mm: (whole.get(part)?.mm ?? 0) + left });
    }
    const all = [...whole].filter(([, { mm }]) => mm > 0).sort(([a], [b]) => order.indexOf(a) - order.indexOf(b));
    const total = all.reduce((sum, [, { mm }]) => sum + mm, 0) || 1;
    const { left } = this.demand();
    const perMm = left.mm > 0 ? left.grams / left.mm : 0;
    let end = 0;
    return all.map(([key, { name, mm }]) => {
      const start = end;
      end += (100 * mm) / total;
      const words = `${name} ${gramWords(mm * perMm)}`;
      return { key, words, start, end, named: ((end - start) / 100) * NARROWEST >= words.length * LETTER };
    });
  });
}
