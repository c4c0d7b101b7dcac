import { Injectable, signal, type Signal, type WritableSignal } from '@angular/core';
import { roundLengths, type Fabric } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { lieOf, type Profile } from '@lemniscus/core/shape';
import type { ShapeAnswer, ShapeQuestion } from '../workers/shape-messages';

/** Most profiles kept; the oldest go first. */
const KEPT = 400;

/** Stuffed profiles, worked out in a worker and kept for as long as they are likely to be asked again. */
@Injectable({ providedIn: 'root' })
export class Shapes {
  private readonly worker = new Worker(new URL('../workers/shape.worker', import.meta.url), { type: 'module' });
  private readonly known = new Map<string, WritableSignal<Profile | null>>();

  constructor() {
    this.worker.addEventListener('message', ({ data }: MessageEvent<ShapeAnswer>) => this.known.get(data.key)?.set(data.profile));
  }

  /** The profile of a part in stitches of this size; null until it is worked out. */
  profile(fabric: Fabric, size: StitchSize): Signal<Profile | null> {
    const counts = roundLengths(fabric);
    const lie = lieOf(fabric);
    const key = `${lie} ${size.width.toFixed(3)} ${size.height.toFixed(3)} ${counts.join(' ')}`;
    const known = this.known.get(key);
    if (known) return known;
    const profile = signal<Profile | null>(null);
    this.known.set(key, profile);
    for (const oldest of this.known.keys()) {
      if (this.known.size <= KEPT) break;
      this.known.delete(oldest);
    }
    const question: ShapeQuestion = { key, counts: counts.map((count) => Math.max(1, count)), size, lie };
    this.worker.postMessage(question);
    return profile;
  }
}
