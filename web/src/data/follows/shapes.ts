import { Injectable, signal, type WritableSignal } from '@angular/core';
import { shapeKey, type Fabric } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { FIRM, outlineOf, scaleProfile, type Outline, type Profile } from '@lemniscus/core/shape';
import type { FitAnswer, FitQuestion, ShapeAnswer, ShapeQuestion } from '../../workers/shape-messages';

/** Most shapes kept; the oldest go first. */
const KEPT = 400;

/**
 * Shapes of parts round by round, worked out in a worker and kept for as long as they are likely to be asked again. A shape
 * depends on the stitch's height over its width only, so another hook or yarn takes no work: it is the same shape, larger or
 * smaller.
 */
@Injectable({ providedIn: 'root' })
export class Shapes {
  private readonly worker = new Worker(new URL('../../workers/shape.worker', import.meta.url), { type: 'module' });
  private readonly known = new Map<string, WritableSignal<Profile | null>>();
  /** Those that wait for their answer; they get it, however many are asked for meanwhile. */
  private readonly asked = new Map<string, WritableSignal<Profile | null>>();
  private readonly fits = new Map<string, (read: FitAnswer['read']) => void>();
  /** Why shapes cannot be worked out; null when they can. */
  readonly trouble = signal<string | null>(null);
  private readonly outlines = new WeakMap<Fabric, Outline>();
  private readonly keys = new WeakMap<Fabric, string>();

  constructor() {
    this.worker.addEventListener('message', ({ data }: MessageEvent<ShapeAnswer | FitAnswer>) => {
      if ('fit' in data) {
        this.fits.get(data.fit)?.(data.read);
        this.fits.delete(data.fit);
        return;
      }
      this.asked.get(data.key)?.set(data.profile);
      if (data.last) this.asked.delete(data.key);
    });
    this.worker.addEventListener('error', ({ message }) =>
      this.trouble.set(`Shapes and sizes cannot be worked out: ${message || 'the worker did not start'}. Reload the page.`),
    );
  }

  /** What a measured part says of its stitch and its stuffing. */
  fit(question: Omit<FitQuestion, 'fit'>): Promise<FitAnswer['read']> {
    const fit = crypto.randomUUID();
    return new Promise((resolve) => {
      this.fits.set(fit, resolve);
      const asked: FitQuestion = { ...question, fit };
      this.worker.postMessage(asked);
    });
  }

  /**
   * The profile of a part in stitches of this size, mm; null until it is worked out. Reads signals.
   * @param stretch share by which this maker's stuffing stretches it
   */
  profile(fabric: Fabric, size: StitchSize, stretch = FIRM): Profile | null {
    const unit = this.unit(fabric, size.height / size.width, stretch)();
    return unit && scaleProfile(unit, size.width);
  }

  outline(fabric: Fabric): Outline {
    let outline = this.outlines.get(fabric);
    if (!outline) this.outlines.set(fabric, (outline = outlineOf(fabric)));
    return outline;
  }

  private keyOf(fabric: Fabric): string {
    let key = this.keys.get(fabric);
    if (key === undefined) this.keys.set(fabric, (key = shapeKey(fabric)));
    return key;
  }

  private unit(fabric: Fabric, ratio: number, stretch: number): WritableSignal<Profile | null> {
    const key = `${ratio.toFixed(4)} ${stretch.toFixed(4)} ${this.keyOf(fabric)}`;
    const known = this.known.get(key);
    if (known) return known;
    const profile = signal<Profile | null>(null);
    this.known.set(key, profile);
    this.asked.set(key, profile);
    for (const oldest of this.known.keys()) {
      if (this.known.size <= KEPT) break;
      this.known.delete(oldest);
    }
    const question: ShapeQuestion = { key, fabric, ratio, stretch };
    this.worker.postMessage(question);
    return profile;
  }
}
