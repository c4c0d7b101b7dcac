import { setTimeout as after } from 'node:timers/promises';
import type { Database } from '../database/open.js';
import { foldAhead } from './shelf.js';

/** So long after an append its make is folded: a burst of steps is folded once. */
const SOON_MS = 500;

/**
 * Writes the places of makes soon after something was added to them, so that whoever visits the shelf finds them there. Not
 * with the append itself: a step at the hook waits for that.
 */
export class FoldAfter {
  private readonly due = new Set<string>();
  private readonly stopped = new AbortController();
  private work: Promise<void> | null = null;

  constructor(private readonly database: Database) {}

  added(make: string): void {
    this.due.add(make);
    this.work ??= this.fold().catch((error: unknown) => {
      // The next visit folds what this could not.
      if (!this.stopped.signal.aborted) console.error(error);
    });
  }

  /** Ends what is under way; what is still due is folded when it is asked for. */
  async close(): Promise<void> {
    this.stopped.abort();
    await this.work;
  }

  private async fold(): Promise<void> {
    try {
      while (this.due.size > 0) {
        await after(SOON_MS, undefined, { signal: this.stopped.signal, ref: false });
        const makes = [...this.due];
        this.due.clear();
        await foldAhead(this.database.em.fork(), makes);
      }
    } finally {
      this.work = null;
    }
  }
}
