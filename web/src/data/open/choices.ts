import { computed, signal } from '@angular/core';
import type { Make } from '@lemniscus/api';

/** Changes of one kind that follow each other sooner than this are one choice. */
const ONE_CHOICE_MS = 700;
const MOST_CHOICES = 100;

/** What is chosen for a make, beside its text. */
export type Chosen = Pick<Make, 'yarnWeight' | 'hookMm' | 'kit'>;

interface Choice {
  readonly what: string;
  readonly at: number;
  readonly before: Chosen;
}

/** Choices of yarn, hook and kit made in this window, to be taken back one by one. */
export class Choices {
  private readonly made = signal<readonly Choice[]>([]);

  readonly any = computed(() => this.made().length > 0);

  /** Keeps what was chosen before a change. A slider's way counts as one choice. */
  remember({ yarnWeight, hookMm, kit }: Chosen, what: string): void {
    const at = Date.now();
    const last = this.made().at(-1);
    if (last?.what === what && at - last.at < ONE_CHOICE_MS) {
      this.made.update((made) => [...made.slice(0, -1), { ...last, at }]);
      return;
    }
    this.made.update((made) => [...made.slice(-MOST_CHOICES), { what, at, before: { yarnWeight, hookMm, kit } }]);
  }

  /** What stood before the last choice, which is forgotten; null when there is none. */
  takeBack(): Chosen | null {
    const last = this.made().at(-1);
    this.made.update((made) => made.slice(0, -1));
    return last?.before ?? null;
  }

  clear(): void {
    this.made.set([]);
  }
}
