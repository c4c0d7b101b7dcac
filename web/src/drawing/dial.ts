import { afterRenderEffect, Component, computed, DestroyRef, type ElementRef, inject, input, viewChild } from '@angular/core';
import type { Fabric } from '@lemniscus/core/fabric';
import type { Position } from '@lemniscus/core/making';
import type { MarkedStitch } from '@lemniscus/core/notation';
import { stitchAngles } from '@lemniscus/core/spacing';
import { DIAL, dialModel } from './dial-model';
import { paintDial, type DialPalette } from './dial-paint';

const TURN_MS = 160;

/** The turntable: the hook stands still at the top and the work turns under it, step by step. */
@Component({
  selector: 'lem-dial',
  template: '<canvas #canvas></canvas>',
  styles: `
    :host {
      display: block;
      aspect-ratio: 1;
    }
    canvas {
      display: block;
      width: 100%;
      height: 100%;
    }
  `,
})
export class Dial {
  readonly fabric = input.required<Fabric>();
  /** Must lie within the fabric and before its end. */
  readonly position = input.required<Position>();

  /** The stitch of a round that carries the marker, as the pattern says. */
  readonly marked = input<MarkedStitch | null>(null);

  /** Whether the page is in its evening colours, which are read anew when this changes. */
  readonly evening = input(false);

  private readonly canvas = viewChild.required<ElementRef<HTMLCanvasElement>>('canvas');
  private readonly angles = computed(() => stitchAngles(this.fabric()));
  private readonly model = computed(() => dialModel(this.fabric(), this.angles(), this.position(), this.marked()));
  private readonly still = matchMedia('(prefers-reduced-motion: reduce)');
  private palette: DialPalette | null = null;
  private shown: number | null = null;
  private frame = 0;

  constructor() {
    const resized = new ResizeObserver(() => this.paint());
    afterRenderEffect(() => {
      resized.observe(this.canvas().nativeElement);
      this.palette = readPalette(this.evening());
      this.turnTo(this.model().hook);
    });
    inject(DestroyRef).onDestroy(() => {
      resized.disconnect();
      cancelAnimationFrame(this.frame);
    });
  }

  /** Turns the short way round from what is shown to the new angle; jumps at the first showing and where motion is unwanted. */
  private turnTo(target: number): void {
    cancelAnimationFrame(this.frame);
    const from = this.shown;
    if (from === null || this.still.matches) {
      this.shown = target;
      this.paint();
      return;
    }
    const way = target - from - Math.round(target - from);
    const began = performance.now();
    const tick = (now: number): void => {
      const passed = Math.min(1, Math.max(0, (now - began) / TURN_MS));
      this.shown = passed === 1 ? target : from + way * (1 - (1 - passed) ** 3);
      this.paint();
      if (passed < 1) this.frame = requestAnimationFrame(tick);
    };
    tick(began);
  }

  private paint(): void {
    const canvas = this.canvas().nativeElement;
    const context = canvas.getContext('2d');
    const size = Math.round(canvas.clientWidth * devicePixelRatio);
    if (!context || !this.palette || this.shown === null || size === 0) return;
    if (canvas.width !== size) canvas.width = canvas.height = size;
    context.setTransform(1, 0, 0, 1, 0, 0);
    context.clearRect(0, 0, size, size);
    const unit = size / (2 * DIAL.half);
    context.setTransform(unit, 0, 0, unit, size / 2, size / 2);
    paintDial(context, this.model(), this.shown, this.palette);
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
