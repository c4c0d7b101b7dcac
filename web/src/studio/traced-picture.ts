import { inject, Injectable, signal } from '@angular/core';
import * as z from 'zod';
import { smallPicture } from '../data/device/small-picture';
import { KeptAnswers } from '../data/sync/kept-answers';

/** A picture under the paper: where its foot's middle lies and how tall it is, mm. */
const Traced = z.object({
  data: z.string().startsWith('data:image/'),
  width: z.number().positive(),
  height: z.number().positive(),
  x: z.number(),
  y: z.number(),
  tall: z.number().min(5).max(1_000),
  opacity: z.number().min(0.1).max(1),
});
export type Traced = z.infer<typeof Traced>;

const keyOf = (part: string): string => `traced/${part}`;

/** The picture that a part is traced from. It stays on this device: nothing of it goes to the server. */
@Injectable()
export class TracedPicture {
  private readonly answers = inject(KeptAnswers);
  private part: string | null = null;
  private readonly picture = signal<Traced | null>(null);
  readonly shown = this.picture.asReadonly();
  readonly trouble = signal('');

  /** Shows the picture of another part, if it has one here. */
  async open(part: string | null): Promise<void> {
    this.part = part;
    this.trouble.set('');
    this.picture.set(null);
    const kept = part && (await this.answers.find(keyOf(part), Traced.nullable()));
    if (kept && this.part === part) this.picture.set(kept);
  }

  /** @param tall how tall it is shown first, mm */
  async take(file: File, tall: number): Promise<void> {
    const { part } = this;
    try {
      const small = await smallPicture(file);
      if (this.part === part) this.put({ ...small, x: 0, y: 0, tall: Math.min(1_000, Math.max(20, tall)), opacity: 0.6 });
    } catch (error) {
      this.trouble.set(error instanceof Error ? error.message : String(error));
    }
  }

  change(change: Partial<Pick<Traced, 'x' | 'y' | 'tall' | 'opacity'>>): void {
    const now = this.picture();
    if (now) this.put({ ...now, ...change });
  }

  remove(): void {
    this.put(null);
  }

  private put(picture: Traced | null): void {
    this.picture.set(picture);
    if (this.part) void this.answers.keep(keyOf(this.part), picture);
  }
}
