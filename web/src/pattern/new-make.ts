import { Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { Make } from '@lemniscus/api';
import { of, Subject, switchMap, type Observable } from 'rxjs';
import * as z from 'zod';
import { PageHeader } from '../controls/page-header';
import { forget, keep, recall } from '../data/device/local';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';
import { settledReading } from '../data/open/settled-reading';
import { PatternDesk } from './pattern-desk';

const DRAFT = 'draft';
const ABANDONED = 'draft.abandoned';
const Draft = z.object({ id: z.uuid(), text: z.string() });
type Draft = z.infer<typeof Draft>;

/** What most makers of stuffed pieces begin with: medium yarn on a 3.5 mm hook (common practice). Gather comes next. */
const FIRST_KIT = { yarnWeight: 4, hookMm: 3.5 } as const;

function recallDraft(key: string): Draft | null {
  const draft = Draft.safeParse(recall(key));
  return draft.success && draft.data.text !== '' ? draft.data : null;
}

/** A pattern that is no make yet: kept on this device as it is typed, until it is kept for good or abandoned. */
@Component({
  selector: 'lem-new-make',
  imports: [NzButtonModule, PageHeader, PatternDesk],
  templateUrl: './new-make.html',
  styleUrl: './new-make.css',
})
export class NewMakePage {
  private readonly api = inject(MakeApi);
  private readonly router = inject(Router);

  private readonly typing$ = new Subject<void>();
  protected readonly draft = signal<Draft>(recallDraft(DRAFT) ?? { id: crypto.randomUUID(), text: '' });
  protected readonly abandoned = signal(recallDraft(ABANDONED));
  protected readonly reading = settledReading(
    computed(() => this.draft().text),
    this.typing$,
  );
  protected readonly failure = signal('');
  protected readonly keeping = signal(false);

  protected readonly hint =
    'Paste a pattern here, or drop a .txt or .md file.\n\nBody\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\n…';

  protected write(text: string): void {
    this.typing$.next();
    this.draft.update((draft) => ({ ...draft, text }));
    keep(DRAFT, this.draft());
  }

  protected keep(): void {
    this.keeping.set(true);
    this.failure.set('');
    const draft = this.draft();
    // An earlier try may have reached the server with an older text although its answer was lost.
    const latest = (make: Make): Observable<Make> =>
      make.text === draft.text ? of(make) : this.api.change(make.id, { version: make.version, text: draft.text });
    this.api
      .add({ ...draft, ...FIRST_KIT })
      .pipe(switchMap(latest))
      .subscribe({
        next: (make) => {
          forget(DRAFT);
          void this.router.navigate(['/make', make.id, 'gather']);
        },
        error: (error: RequestFailed) => {
          this.keeping.set(false);
          this.failure.set(error.message);
        },
      });
  }

  protected abandon(): void {
    if (this.draft().text !== '') keep(ABANDONED, this.draft());
    forget(DRAFT);
    void this.router.navigate(['/']);
  }

  protected bringBack(): void {
    const draft = this.abandoned();
    if (!draft) return;
    this.draft.set(draft);
    keep(DRAFT, draft);
    forget(ABANDONED);
    this.abandoned.set(null);
  }
}
