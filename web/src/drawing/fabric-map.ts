import {
  afterRenderEffect,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  input,
  output,
  signal,
  viewChild,
} from '@angular/core';
import { type Fabric, roundColours } from '@lemniscus/core/fabric';
import { stitchAngles, UPRIGHT, type Lean } from '@lemniscus/core/spacing';
import { mapModel } from './fabric-map-model';
import { layoutOf, paintMap, roundAt, type MapPalette } from './fabric-map-paint';

/** A part unrolled: rounds upward, increases and decreases at their true angles, and the count of every round beside it. */
@Component({
  selector: 'lem-fabric-map',
  template: `<div #frame>
    <canvas
      #canvas
      role="img"
      [attr.aria-label]="label()"
      (click)="clicked($event)"
      (pointermove)="pointed($event)"
      (pointerleave)="pointedAt.emit(null)"
    ></canvas>
  </div>`,
  styles: `
    :host {
      display: block;
      min-height: 0;
    }
    div {
      height: 100%;
      overflow: hidden auto;
    }
    canvas {
      display: block;
      cursor: pointer;
    }
  `,
})
export class FabricMap {
  readonly fabric = input.required<Fabric>();
  /** Name of each round, for the margin. */
  readonly labels = input.required<readonly string[]>();
  readonly lean = input<Lean>(UPRIGHT);
  readonly lit = input<number | null>(null);
  readonly counts = input(true);
  readonly label = input('');
  /** Whether the page is in its evening colours, which are read anew when this changes. */
  readonly evening = input(false);
  readonly chosen = output<number>();
  readonly pointedAt = output<number | null>();

  private readonly frame = viewChild.required<ElementRef<HTMLElement>>('frame');
  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly size = signal({ width: 0, height: 0 });
  private readonly angles = computed(() => stitchAngles(this.fabric(), this.lean()));
  private readonly model = computed(() => mapModel(this.fabric(), this.angles()));
  private readonly layout = computed(() =>
    layoutOf(this.fabric().roundCount, this.size().width, this.size().height, this.counts()),
  );

  constructor() {
    const resized = new ResizeObserver(() => {
      const { clientWidth: width, clientHeight: height } = this.frame().nativeElement;
      this.size.set({ width, height });
    });
    afterRenderEffect(() => {
      resized.observe(this.frame().nativeElement);
      this.paint(readPalette(this.evening()));
    });
    inject(DestroyRef).onDestroy(() => resized.disconnect());
  }

  protected clicked(event: MouseEvent): void {
    const round = roundAt(this.layout(), this.fabric().roundCount, event.offsetY);
    if (round !== null) this.chosen.emit(round);
  }

  protected pointed(event: PointerEvent): void {
    this.pointedAt.emit(roundAt(this.layout(), this.fabric().roundCount, event.offsetY));
  }

  private paint(palette: MapPalette): void {
    const canvas = this.canvas().nativeElement;
    const context = canvas.getContext('2d');
    const layout = this.layout();
    if (!context || layout.width === 0) return;
    canvas.width = Math.round(layout.width * devicePixelRatio);
    canvas.height = Math.round(layout.height * devicePixelRatio);
    canvas.style.width = `${layout.width}px`;
    canvas.style.height = `${layout.height}px`;
    context.setTransform(devicePixelRatio, 0, 0, devicePixelRatio, 0, 0);
    paintMap(context, layout, palette, {
      fabric: this.fabric(),
      angles: this.angles(),
      model: this.model(),
      colours: roundColours(this.fabric()),
      labels: this.labels(),
      lit: this.lit(),
      counts: this.counts(),
    });
  }
}

function readPalette(_evening: boolean): MapPalette {
  const style = getComputedStyle(document.documentElement);
  const read = (name: string): string => style.getPropertyValue(name).trim();
  return {
    paper: read('--paper'),
    ink: read('--ink'),
    soft: read('--soft'),
    line: read('--line'),
    act: read('--act'),
    actWash: read('--act-wash'),
    increase: read('--inc-mark'),
    decrease: read('--dec-mark'),
    shade: read('--shade'),
  };
}
