import { DestroyRef, inject, Injectable, signal, type Signal } from '@angular/core';
import type { DesignAnswer, DesignQuestion, DesignRequest } from '../../workers/design-messages';

/** What is known of one question: the last answer stays until the next is there. */
export interface DesignState<T> {
  readonly answer: T | null;
  readonly going: boolean;
  /** How much is done, 0 to 1. */
  readonly share: number;
  readonly trouble: string | null;
}

/** Someone who asks for one design at a time, and sees the last that came. */
export interface DesignLook<T> {
  readonly state: Signal<DesignState<T>>;
  ask(question: DesignQuestion, then?: (answer: T) => void): void;
  stop(): void;
}

/** Rounds for shapes, and patterns made anew, in a worker that is started when the first is asked for. */
@Injectable({ providedIn: 'root' })
export class Designs {
  private worker: Worker | null = null;
  private readonly looks = new Map<string, (answer: DesignAnswer | null) => void>();
  private slots = 0;

  /** A look for as long as its owner lives. Called where things are injected. */
  look<T>(take: (answer: DesignAnswer) => T | undefined): DesignLook<T> {
    const slot = `design ${this.slots++}`;
    const state = signal<DesignState<T>>({ answer: null, going: false, share: 0, trouble: null });
    let id = 0;
    let told: ((answer: T) => void) | undefined;
    this.looks.set(slot, (answer) => {
      if (answer && answer.id !== id) return;
      if (!answer || 'trouble' in answer) {
        const trouble = answer && 'trouble' in answer ? answer.trouble : 'The worker did not start. Reload the page.';
        state.update((before) => ({ ...before, going: false, trouble }));
      } else if ('share' in answer) state.update((before) => ({ ...before, share: answer.share }));
      else {
        const value = take(answer);
        if (value === undefined) return;
        state.set({ answer: value, going: false, share: 1, trouble: null });
        told?.(value);
      }
    });
    inject(DestroyRef).onDestroy(() => {
      this.looks.delete(slot);
      this.send({ slot, stop: true });
    });
    return {
      state: state.asReadonly(),
      ask: (ask, then) => {
        told = then;
        state.update((before) => ({ ...before, going: true, share: 0, trouble: null }));
        this.send({ slot, id: ++id, ask });
      },
      stop: () => {
        id++;
        state.update((before) => ({ ...before, going: false }));
        this.send({ slot, stop: true });
      },
    };
  }

  private send(request: DesignRequest): void {
    if (!this.worker) {
      if ('stop' in request) return;
      this.worker = new Worker(new URL('../../workers/design.worker', import.meta.url), { type: 'module' });
      this.worker.addEventListener('message', ({ data }: MessageEvent<DesignAnswer>) => this.looks.get(data.slot)?.(data));
      this.worker.addEventListener('error', () => {
        for (const tell of this.looks.values()) tell(null);
      });
    }
    this.worker.postMessage(request);
  }
}
