import {
  afterNextRender,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import type { Place, Target } from '@lemniscus/core/assembly';
import { targetAt, type MapFeature, type PinMapModel } from './pin-map-model';

/** A feature taken hold of on the map, and where it is now. */
export interface Dragged {
  readonly place: Place;
  readonly target: Target;
}

/** Room round the map, mm. */
const MARGIN = { side: 3, top: 5, bottom: 4 };
/** Room for the word over the map, and for numbers beside it, pixels. */
const WORD = 16;
const NUMBER = 34;
/** On paper a letter is 3.4 mm high where it is 13 pixels on a screen. */
const PAPER = 0.26;

/**
 * The host unrolled at true scale, seen from outside with its front in the middle: every stitch, and everything on it with its
 * pins. Features are dragged, or moved by arrow keys, a stitch or a round at a time.
 */
@Component({
  selector: 'lem-pin-map',
  template: `
    <svg
      #svg
      [attr.viewBox]="box()"
      [style.--mm]="mm()"
      role="group"
      [attr.aria-label]="label()"
      (pointermove)="move($event)"
      (pointerup)="release()"
      (pointercancel)="release()"
    >
      @for (round of model().rounds; track round.round) {
        <path class="band" [attr.d]="round.band" [attr.fill]="round.fill" />
        <path class="stitches" [attr.d]="round.stitches" [attr.stroke]="round.edge" />
        @if (round.told) {
          <text class="number" [attr.x]="-model().half - 2" [attr.y]="(round.from.y + round.to.y) / 2 + 4 * mm()">
            R{{ round.number }}
          </text>
        }
      }
      <path class="start" [attr.d]="model().start" />
      <path class="front" [attr.d]="'M0 -3V' + (model().height + 3)" />
      <text class="word" x="0" [attr.y]="-3 - 4 * mm()">front</text>
      @for (feature of model().features; track feature.key) {
        <g
          class="feature"
          [class]="feature.kind"
          [class.selected]="selected() === feature.key"
          [class.wrong]="wrong().has(feature.place.feature.id)"
          role="button"
          [attr.tabindex]="0"
          [attr.data-feature]="feature.key"
          [attr.aria-label]="named(feature)"
          [attr.aria-pressed]="selected() === feature.key"
          (pointerdown)="grab($event, feature)"
          (focus)="chosen.emit(feature.place)"
          (keydown)="key($event, feature)"
        >
          @switch (feature.kind) {
            @case ('around') {
              <path class="all-round" [attr.d]="feature.line" />
            }
            @case ('flat') {
              @if (feature.pins.length > 1) {
                <path class="lies" [attr.d]="lies(feature)" [attr.stroke-width]="feature.width" />
              } @else {
                <rect
                  class="shape"
                  [attr.x]="feature.x - feature.width / 2"
                  [attr.y]="feature.y - feature.height / 2"
                  [attr.width]="feature.width"
                  [attr.height]="feature.height"
                  [attr.rx]="feature.height / 2"
                />
              }
            }
            @default {
              <ellipse
                class="shape"
                [attr.cx]="feature.x"
                [attr.cy]="feature.y"
                [attr.rx]="feature.width / 2"
                [attr.ry]="feature.height / 2"
              />
            }
          }
          @if (feature.kind !== 'around') {
            @for (pin of feature.pins; track $index) {
              <circle class="pin" [attr.cx]="pin.x" [attr.cy]="pin.y" [attr.r]="5 * mm()" />
              @if (selected() === feature.key) {
                <text class="hole" [attr.x]="pin.x" [attr.y]="pin.y - 9 * mm()">{{ pin.words }}</text>
              }
            }
          }
        </g>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
      touch-action: none;
      user-select: none;
    }
    .band {
      fill-opacity: 0.62;
    }
    .stitches {
      fill: none;
      stroke-width: 0.5;
      stroke-opacity: 0.42;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    text {
      font-size: calc(13px * var(--mm));
      fill: var(--soft);
    }
    .number {
      text-anchor: end;
    }
    .word {
      text-anchor: middle;
      fill: var(--act);
    }
    .start {
      fill: none;
      stroke: var(--warn);
      stroke-width: 0.7;
    }
    .front {
      stroke: var(--act);
      stroke-width: 0.5;
      stroke-dasharray: 1.4 1.6;
    }
    .feature {
      cursor: grab;
      outline: none;
    }
    .feature:active {
      cursor: grabbing;
    }
    .shape {
      fill: color-mix(in srgb, var(--act) 22%, transparent);
      stroke: var(--act);
      stroke-width: 0.6;
      stroke-dasharray: 1.6 1;
    }
    .eye .shape {
      fill: #14181c;
      stroke: #f7f2e6;
      stroke-dasharray: none;
    }
    .mark .shape {
      fill: color-mix(in srgb, var(--inc-mark) 40%, transparent);
      stroke: var(--inc);
    }
    .lies {
      fill: none;
      stroke: color-mix(in srgb, var(--act) 26%, transparent);
      stroke-linecap: round;
    }
    .all-round {
      fill: none;
      stroke: var(--act);
      stroke-width: 1.6;
    }
    .pin {
      fill: var(--card);
      stroke: var(--act);
      stroke-width: 0.8;
    }
    .selected .shape,
    .selected .pin {
      stroke-width: 1.3;
      stroke-dasharray: none;
    }
    .feature:focus-visible .shape,
    .feature:focus-visible .pin,
    .feature:focus-visible .all-round {
      stroke-width: 2;
    }
    .wrong .shape,
    .wrong .pin,
    .wrong .all-round {
      stroke: var(--warn);
    }
    .wrong .shape {
      fill: color-mix(in srgb, var(--warn) 30%, transparent);
    }
    .hole {
      text-anchor: middle;
      font-weight: 700;
      fill: var(--ink);
      paint-order: stroke;
      stroke: var(--card);
      stroke-width: calc(3px * var(--mm));
    }
  `,
})
export class PinMap {
  readonly model = input.required<PinMapModel>();
  readonly selected = input<string | null>(null);
  /** Features that do not fit where they are. */
  readonly wrong = input<ReadonlySet<string>>(new Set());
  readonly chosen = output<Place>();
  readonly dragged = output<Dragged>();
  readonly dropped = output();
  /** Moved by so many stitches to the right and rounds down, by a key. */
  readonly nudged = output<{ readonly place: Place; readonly right: number; readonly down: number }>();

  /** For paper, where letters have a size in mm. */
  readonly paper = input(false);
  private readonly room = signal({ width: 0, height: 0 });
  /** Millimetres of the map a pixel of the screen takes. */
  protected readonly mm = computed(() => {
    const { width, height } = this.room();
    if (this.paper() || width === 0 || height === 0) return PAPER;
    const { half, height: high } = this.model();
    return Math.max(
      (2 * half + 2 * MARGIN.side) / Math.max(40, width - 2 * NUMBER),
      (high + MARGIN.top + MARGIN.bottom) / Math.max(40, height - WORD),
    );
  });

  private readonly svg = viewChild.required<ElementRef<SVGSVGElement>>('svg');
  /** What is held, by its name, as places change while it moves; from where in it, mm. */
  private held: { readonly key: string; readonly dx: number; readonly dy: number; moved: boolean } | null = null;

  protected readonly box = computed(() => {
    const { half, height } = this.model();
    const top = MARGIN.top + WORD * this.mm();
    const side = half + MARGIN.side + NUMBER * this.mm();
    return `${-side} ${-top} ${2 * side} ${height + top + MARGIN.bottom}`;
  });
  protected readonly label = computed(() => `${this.model().wall.name} unrolled, its front in the middle`);

  constructor() {
    const destroy = inject(DestroyRef);
    afterNextRender(() => {
      const svg = this.svg().nativeElement;
      const watch = new ResizeObserver(() => this.room.set({ width: svg.clientWidth, height: svg.clientHeight }));
      watch.observe(svg);
      destroy.onDestroy(() => watch.disconnect());
    });
  }

  protected named({ place, pins }: MapFeature): string {
    const several = place.feature.copies.length > 1 ? ` ${place.copy}` : '';
    return `${place.feature.name}${several}: ${pins.map(({ words }) => words).join(', ')}. Arrow keys move it.`;
  }

  protected lies({ pins }: MapFeature): string {
    return `M${pins.map(({ x, y }) => `${x} ${y}`).join('L')}`;
  }

  protected grab(event: PointerEvent, feature: MapFeature): void {
    if (event.button !== 0) return;
    const { x, y } = this.pointAt(event);
    const pin = feature.pins[0]!;
    this.held = { key: feature.key, dx: x - pin.x, dy: y - pin.y, moved: false };
    this.svg().nativeElement.setPointerCapture(event.pointerId);
    this.chosen.emit(feature.place);
  }

  protected move(event: PointerEvent): void {
    const held = this.held;
    const feature = held && this.model().features.find(({ key }) => key === held.key);
    if (!held || !feature) return;
    const { x, y } = this.pointAt(event);
    held.moved = true;
    const { place } = feature;
    this.dragged.emit({ place, target: targetAt(this.model(), x - held.dx, y - held.dy, place.gap) });
  }

  protected release(): void {
    if (this.held?.moved) this.dropped.emit();
    this.held = null;
  }

  protected key(event: KeyboardEvent, { place }: MapFeature): void {
    const way = STEPS[event.key];
    if (!way || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    event.stopPropagation();
    this.nudged.emit({ place, right: way[0], down: way[1] });
  }

  private pointAt(event: PointerEvent): { x: number; y: number } {
    const svg = this.svg().nativeElement;
    const { x, y } = new DOMPoint(event.clientX, event.clientY).matrixTransform(svg.getScreenCTM()!.inverse());
    return { x, y };
  }
}

const STEPS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
