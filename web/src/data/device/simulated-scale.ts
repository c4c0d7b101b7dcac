import { Injectable, signal } from '@angular/core';
import type { ScaleSource } from './scale-source';

const LINE_EVERY_MS = 120;
/** Lines it takes to settle after the pan was touched. */
const SETTLES_IN = 6;

/**
 * A kitchen scale for trying things without one. It sends the same bytes a real one does, swings after the pan was
 * touched, and weighs what `pan` says.
 */
@Injectable({ providedIn: 'root' })
export class SimulatedScale implements ScaleSource {
  readonly name = 'Simulated scale';
  /** What lies on its pan, g. */
  readonly pan = signal(0);
  private timer: ReturnType<typeof setInterval> | null = null;

  open(): Promise<ReadableStream<Uint8Array>> {
    let last = Number.NaN;
    let swinging = 0;
    const encoder = new TextEncoder();
    return Promise.resolve(
      new ReadableStream<Uint8Array>({
        start: (controller) => {
          this.timer = setInterval(() => {
            const load = this.pan();
            swinging = load === last ? Math.max(0, swinging - 1) : SETTLES_IN;
            last = load;
            // It swings to both sides, less and less.
            const swing = (swinging % 2 === 0 ? 0.4 : -0.4) * swinging;
            const grams = Math.max(0, load + (load === 0 ? 0 : swing));
            controller.enqueue(encoder.encode(`${swinging > 0 ? 'US' : 'ST'},GS,+${grams.toFixed(1).padStart(7, '0')} g\r\n`));
          }, LINE_EVERY_MS);
        },
        cancel: () => this.stop(),
      }),
    );
  }

  close(): Promise<void> {
    this.stop();
    return Promise.resolve();
  }

  private stop(): void {
    if (this.timer !== null) clearInterval(this.timer);
    this.timer = null;
  }
}
