import {
  afterNextRender,
  afterRenderEffect,
  Component,
  computed,
  DestroyRef,
  ElementRef,
  inject,
  input,
  linkedSignal,
  signal,
  viewChild,
} from '@angular/core';
import type { Fabric } from '@lemniscus/core/fabric';
import { actionsIn, type Position } from '@lemniscus/core/making';
import type { MarkedStitch } from '@lemniscus/core/notation';
import { stitchAngles, UPRIGHT, type Lean } from '@lemniscus/core/spacing';
import {
  DIAL,
  dialActions,
  dialBelow,
  dialHook,
  dialLayout,
  dialPins,
  placeAt,
  type DialLayout,
  type DialPin,
} from './dial-model';
import { DASHES, layerShapes, markerShapes, paintShapes, pinShapes, type DialPalette, type Shape } from './dial-shapes';
import { pointAt, turnTo } from './dial-track';

/** The canvas is turned as a picture; finer than the screen it stays crisp. */
const FINER = 1.5;

/** What the canvas shows. */
interface Painted {
  readonly size: number;
  readonly below: readonly Shape[];
  readonly pinned: readonly Shape[];
  readonly layout: DialLayout;
  readonly action: number;
}

/**
 * The turntable: the hook stands still at the top and the work turns under it, step by step.
 *
 * The work is painted on a canvas once a round; a step only adds what was worked, and turns the picture. What is at the
 * hook lies over it.
 */
@Component({
  selector: 'lem-dial',
  template: `
    <canvas #canvas [style.transform]="turned()"></canvas>
    <svg viewBox="-200 -300 400 600" aria-hidden="true">
      <g [attr.transform]="atHook()">
        @for (shape of next(); track $index) {
          <path
            [attr.d]="shape.d"
            [style.fill]="shape.fill"
            [style.stroke]="shape.stroke"
            [style.stroke-width]="shape.width"
            [style.stroke-dasharray]="shape.dashed ? dashes : null"
          />
        }
      </g>
      <path class="hook" [attr.d]="hookPath()" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
      position: relative;
      aspect-ratio: 1;
      overflow: hidden;
    }
    :host(.mirrored) {
      transform: scaleX(-1);
    }
    canvas,
    svg {
      position: absolute;
      inset: 0;
      width: 100%;
      height: 100%;
    }
    /* The hook and the stitch at hand are in the middle, and never wider than this; so a step draws less anew. */
    svg {
      left: calc(100% / 6);
      width: calc(200% / 3);
    }
    canvas {
      will-change: transform;
      transition: transform 0.16s ease-out;
    }
    path {
      fill: none;
      stroke-linecap: round;
      stroke-linejoin: round;
    }
    .hook {
      stroke: var(--ink);
      stroke-width: 7;
    }
    @media (prefers-reduced-motion: reduce) {
      canvas {
        transition: none;
      }
    }
  `,
  host: { '[class.mirrored]': 'mirrored()' },
})
export class Dial {
  readonly fabric = input.required<Fabric>();
  /** Must lie within the fabric and before its end. */
  readonly position = input.required<Position>();

  /** The stitch of a round that carries the marker, as the pattern says. */
  readonly marked = input<MarkedStitch | null>(null);

  /** Whether the page is in its evening colours, which are read anew when this changes. */
  readonly evening = input(false);

  /** How the maker's rounds creep. */
  readonly lean = input<Lean>(UPRIGHT);

  /** Where things go on this piece. */
  readonly pins = input<readonly DialPin[]>([]);

  /** Left-handed work goes round the other way. */
  readonly mirrored = input(false);

  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly angles = computed(() => stitchAngles(this.fabric(), this.lean()));
  private readonly round = computed(() => this.position().round);
  /** What only changes with the round is laid out once for it, not at every stitch. */
  private readonly layout = computed(() => dialLayout(this.fabric(), this.angles(), this.round()));
  private readonly palette = computed(() => readPalette(this.evening()));
  private readonly below = computed(() => this.shapesOf(dialBelow(this.fabric(), this.angles(), this.layout())));
  private readonly pinned = computed(() => {
    const pins = dialPins(this.fabric(), this.angles(), this.layout(), this.pins());
    return pinShapes(pins, this.layout().track, this.palette());
  });
  private readonly hook = computed(() =>
    dialHook(this.fabric(), this.angles(), this.layout(), this.position().action, this.marked()),
  );
  /** Width of the canvas, px. */
  private readonly width = signal(0);
  private painted: Painted | null = null;

  protected readonly dashes = DASHES.join(' ');
  /** The action at hand is no part of the picture, so that nothing of it needs to be wiped away. */
  protected readonly next = computed(() => {
    const { action } = this.position();
    return this.shapesOf(this.actions(action, action + 1));
  });
  protected readonly hookPath = computed(() => {
    const { angle, reach } = this.hook();
    const tip = -Math.hypot(...pointAt(this.layout().track, angle, reach)) - 19;
    return `M0 ${Math.min(-DIAL.half + 6, tip - 30)}V${tip}q0 14 12 12q7 -2 6 -10`;
  });

  /** How far the work is turned, radians: grows on and on, so that every turn goes the short way round. */
  private readonly turn = linkedSignal<number, number>({
    source: () => turnTo(this.layout().track, this.hook().angle, this.hook().reach),
    computation: (target, before) => {
      const from = before?.value ?? target;
      const way = target - from;
      return from + way - 2 * Math.PI * Math.round(way / (2 * Math.PI));
    },
  });
  protected readonly turned = computed(() => `rotate(${this.turn()}rad)`);
  protected readonly atHook = computed(() => `rotate(${(this.turn() * 180) / Math.PI})`);

  constructor() {
    const resized = new ResizeObserver(([entry]) => this.width.set(entry?.contentRect.width ?? 0));
    afterNextRender(() => resized.observe(this.canvas().nativeElement));
    afterRenderEffect(() => {
      this.paint();
    });
    inject(DestroyRef).onDestroy(() => resized.disconnect());
  }

  /** The place just before the worked stitch at a point of the page; null where none lies. */
  placeAt(clientX: number, clientY: number): Position | null {
    const { left, top, width } = this.host.getBoundingClientRect();
    if (width === 0) return null;
    const unit = width / (2 * DIAL.half);
    const x = (clientX - left) / unit - DIAL.half;
    const y = (clientY - top) / unit - DIAL.half;
    const layers = [this.actions(0, this.position().action), dialBelow(this.fabric(), this.angles(), this.layout())];
    return placeAt(this.fabric(), this.layout(), layers, this.hook(), this.mirrored() ? -x : x, y);
  }

  private actions(from: number, to: number): ReturnType<typeof dialActions> {
    return dialActions(this.fabric(), this.angles(), this.layout(), from, to, this.position().action);
  }

  private shapesOf(layer: ReturnType<typeof dialActions>): readonly Shape[] {
    return layerShapes(layer, this.layout().track, this.palette());
  }

  private paint(): void {
    const canvas = this.canvas().nativeElement;
    const context = canvas.getContext('2d');
    const size = Math.round(this.width() * Math.max(devicePixelRatio, FINER));
    const layout = this.layout();
    const below = this.below();
    const pinned = this.pinned();
    const { round, action } = this.position();
    if (!context || size === 0) return;
    const was = this.painted;
    const goesOn =
      was?.size === size && was.layout === layout && was.below === below && was.pinned === pinned && was.action <= action;
    if (!goesOn) {
      canvas.width = canvas.height = size;
      const unit = size / (2 * DIAL.half);
      context.setTransform(unit, 0, 0, unit, size / 2, size / 2);
      paintShapes(context, below);
      paintShapes(context, this.shapesOf(this.actions(action + 1, actionsIn(this.fabric(), round))));
    }
    paintShapes(context, this.shapesOf(this.actions(goesOn ? was.action : 0, action)));
    paintShapes(context, pinned);
    paintShapes(context, markerShapes(this.hook().marker, layout.track, this.palette()));
    this.painted = { size, below, pinned, layout, action };
  }
}

function readPalette(evening: boolean): DialPalette {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string): string => style.getPropertyValue(name).trim();
  return {
    paper: read('--card'),
    ink: read('--ink'),
    faint: read('--faint'),
    act: read('--act'),
    increase: read('--inc-mark'),
    decrease: read('--dec-mark'),
    evening,
  };
}
