import { DestroyRef, inject, signal, type Signal } from '@angular/core';

/** From one picture to the next, ms: slow enough to follow the strand. */
const STEP_MS = 900;
/** A picture stands so long before the next comes by itself, ms. */
const STAND_MS = 1100;

/** Moves through the pictures of a card: by steps, by hand, or by itself; at once where the system asks for less motion. */
export class FramePlayer {
  private readonly place = signal(0);
  private readonly runs = signal(false);
  readonly at: Signal<number> = this.place.asReadonly();
  readonly playing: Signal<boolean> = this.runs.asReadonly();
  private last = 0;
  private frame = 0;
  private pause = 0;

  constructor() {
    inject(DestroyRef).onDestroy(() => this.stop());
  }

  /** Takes up a card with so many pictures, at one of them. */
  begin(count: number, at = 0): void {
    this.stop();
    this.last = count - 1;
    this.place.set(Math.min(at, this.last));
  }

  scrub(at: number): void {
    this.stop();
    this.place.set(Math.max(0, Math.min(at, this.last)));
  }

  step(by: 1 | -1): void {
    const from = by > 0 ? Math.floor(this.place() + 0.01) : Math.ceil(this.place() - 0.01);
    this.stop();
    this.go(Math.max(0, Math.min(from + by, this.last)), () => undefined);
  }

  play(): void {
    if (this.runs()) {
      this.stop();
      return;
    }
    if (this.place() >= this.last) this.place.set(0);
    this.runs.set(true);
    this.next();
  }

  stop(): void {
    cancelAnimationFrame(this.frame);
    clearTimeout(this.pause);
    this.runs.set(false);
  }

  private next(): void {
    if (this.place() >= this.last) {
      this.runs.set(false);
      return;
    }
    this.go(Math.floor(this.place()) + 1, () => {
      this.pause = window.setTimeout(() => this.next(), STAND_MS);
    });
  }

  private go(to: number, then: () => void): void {
    const from = this.place();
    if (matchMedia('(prefers-reduced-motion: reduce)').matches) {
      this.place.set(to);
      then();
      return;
    }
    const start = performance.now();
    const frame = (now: number): void => {
      const share = Math.min(1, (now - start) / STEP_MS);
      const eased = share < 0.5 ? 2 * share * share : 1 - 2 * (1 - share) * (1 - share);
      this.place.set(share === 1 ? to : from + (to - from) * eased);
      if (share < 1) this.frame = requestAnimationFrame(frame);
      else then();
    };
    this.frame = requestAnimationFrame(frame);
  }
}
