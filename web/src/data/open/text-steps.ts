import { signal } from '@angular/core';

/** Steps of one kind that follow each other sooner than this are one. */
const ONE_STEP_MS = 700;
const MOST_STEPS = 100;

interface TextStep {
  readonly what: string;
  readonly at: number;
  readonly before: string;
  readonly after: string;
}

/** Changes of the text that were made elsewhere than in its editor, to be taken back one by one while the text stands as they left it. */
export class TextSteps {
  private readonly made = signal<readonly TextStep[]>([]);

  remember(before: string, after: string, what: string): void {
    if (before === after) return;
    const at = Date.now();
    const last = this.made().at(-1);
    const goesOn = last?.what === what && last.after === before && at - last.at < ONE_STEP_MS;
    const step = goesOn ? { ...last, at, after } : { what, at, before, after };
    this.made.update((made) => [...(goesOn ? made.slice(0, -1) : made.slice(-MOST_STEPS)), step]);
  }

  /** Whether the text is as the last step left it. */
  canTakeBack(text: string): boolean {
    return this.made().at(-1)?.after === text;
  }

  /** The text before the last step, which is forgotten; null where the text has changed since. */
  takeBack(text: string): string | null {
    const last = this.made().at(-1);
    if (last?.after !== text) return null;
    this.made.update((made) => made.slice(0, -1));
    return last.before;
  }

  clear(): void {
    this.made.set([]);
  }
}
