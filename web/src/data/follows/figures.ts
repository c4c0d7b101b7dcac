import { DestroyRef, inject, Injectable, signal, type Signal } from '@angular/core';
import type { PartCount } from '@lemniscus/core/fabric';
import type { BodyShape } from '@lemniscus/core/shape';
import type { FigureAnswer, FigureQuestion, FigureRequest } from '../../workers/figure-messages';

/** What is known of one figure: the last shape stays until the next is there. */
export interface FigureState {
  readonly shape: BodyShape | null;
  /** The parts the shape was made of. */
  readonly of: readonly PartCount[] | null;
  readonly going: boolean;
  /** How near to rest, 0 to 1. */
  readonly share: number;
  readonly failed: boolean;
}

const NOTHING: FigureState = { shape: null, of: null, going: false, share: 0, failed: false };

/** Someone who looks at a figure: asks for one at a time, and sees the last that came. */
export interface FigureLook {
  readonly state: Signal<FigureState>;
  ask(question: Omit<FigureQuestion, 'slot' | 'id'>): void;
  stop(): void;
}

/** Figures relaxed stitch by stitch in a worker of their own, which is started when the first is looked at. */
@Injectable({ providedIn: 'root' })
export class Figures {
  private worker: Worker | null = null;
  private readonly looks = new Map<string, (answer: FigureAnswer | null) => void>();
  private slots = 0;

  /** A look for as long as its owner lives. Called where things are injected. */
  look(): FigureLook {
    const slot = `look ${this.slots++}`;
    const state = signal<FigureState>(NOTHING);
    let id = 0;
    let of: readonly PartCount[] = [];
    this.looks.set(slot, (answer) => {
      if (answer && answer.id !== id) return;
      const shape = answer?.shape ?? null;
      const failed = shape === null;
      state.update((before) =>
        failed ? { ...before, going: false, failed } : { shape, of, going: answer!.going, share: answer!.share, failed },
      );
    });
    inject(DestroyRef).onDestroy(() => {
      this.looks.delete(slot);
      this.send({ stop: slot });
    });
    return {
      state: state.asReadonly(),
      ask: (question) => {
        of = question.parts;
        state.update((before) => ({ ...before, going: true, share: 0, failed: false }));
        this.send({ ask: { ...question, slot, id: ++id } });
      },
      stop: () => this.send({ stop: slot }),
    };
  }

  private send(request: FigureRequest): void {
    if (!this.worker) {
      if ('stop' in request) return;
      this.worker = new Worker(new URL('../../workers/figure.worker', import.meta.url), { type: 'module' });
      this.worker.addEventListener('message', ({ data }: MessageEvent<FigureAnswer>) => this.looks.get(data.slot)?.(data));
      this.worker.addEventListener('error', () => {
        for (const tell of this.looks.values()) tell(null);
      });
    }
    this.worker.postMessage(request);
  }
}
