import { inject, Injectable } from '@angular/core';
import * as z from 'zod';
import { forget, keep, keptKeys, recall } from '../data/device/local';
import { WindowId } from '../data/device/window-id';

const Draft = z.object({ id: z.uuid(), text: z.string(), at: z.number().default(0) });
export type Draft = z.infer<typeof Draft>;

/** Each window's under its name; versions before had one for all. */
const OPEN = 'draft';
/** Each under its own id; versions before had one. */
const ABANDONED = 'draft.abandoned';
/** Most that were abandoned and can be brought back; the oldest go first. */
const MOST_ABANDONED = 20;

function draftAt(key: string): Draft | null {
  const draft = Draft.safeParse(recall(key));
  return draft.success && draft.data.text !== '' ? draft.data : null;
}

/** Patterns that are no makes yet, kept on this device as they are typed: one a window, and those that were abandoned. */
@Injectable({ providedIn: 'root' })
export class NewDrafts {
  private readonly window = inject(WindowId);
  private readonly own = `${OPEN}.${this.window.id}`;

  keep(draft: Draft): void {
    keep(this.own, draft);
  }

  done(): void {
    forget(this.own);
  }

  /** This window's, else what a window that is gone was at last, under this window's name from now on. */
  async takeUp(): Promise<Draft | null> {
    const left: { key: string; draft: Draft }[] = [];
    for (const key of keptKeys(OPEN)) {
      const draft = key.startsWith(ABANDONED) ? null : draftAt(key);
      if (draft && !(await this.window.isElsewhere(key.slice(OPEN.length + 1)))) left.push({ key, draft });
    }
    const last = left.sort((a, b) => b.draft.at - a.draft.at)[0];
    if (!last) return null;
    forget(last.key);
    this.keep(last.draft);
    return last.draft;
  }

  abandon(draft: Draft): void {
    if (draft.text !== '') keep(`${ABANDONED}.${draft.id}`, draft);
    this.done();
    for (const { key } of this.allAbandoned().slice(MOST_ABANDONED)) forget(key);
  }

  /** The one abandoned last. */
  abandoned(): Draft | null {
    return this.allAbandoned()[0]?.draft ?? null;
  }

  /** Goes on with the one abandoned last. */
  bringBack(): Draft | null {
    const last = this.allAbandoned()[0];
    if (!last) return null;
    this.keep(last.draft);
    forget(last.key);
    return last.draft;
  }

  private allAbandoned(): { key: string; draft: Draft }[] {
    return keptKeys(ABANDONED)
      .flatMap((key) => {
        const draft = draftAt(key);
        return draft ? [{ key, draft }] : [];
      })
      .sort((a, b) => b.draft.at - a.draft.at);
  }
}
