import { Component, computed, inject, signal } from '@angular/core';
import { Router } from '@angular/router';
import { NzButtonModule } from 'ng-zorro-antd/button';
import type { Make } from '@lemniscus/api';
import { of, Subject, switchMap, type Observable } from 'rxjs';
import { PageHeader } from '../controls/page-header';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';
import { settledReading } from '../data/open/settled-reading';
import { NewDrafts, type Draft } from './new-drafts';
import { PatternDesk } from './pattern-desk';

/** What most makers of stuffed pieces begin with: medium yarn on a 3.5 mm hook (common practice). Gather comes next. */
const FIRST_KIT = { yarnWeight: 4, hookMm: 3.5 } as const;

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
  private readonly drafts = inject(NewDrafts);

  private readonly typing$ = new Subject<void>();
  protected readonly draft = signal<Draft>({ id: crypto.randomUUID(), text: '', at: 0 });
  protected readonly abandoned = signal(this.drafts.abandoned());
  protected readonly reading = settledReading(
    computed(() => this.draft().text),
    this.typing$,
  );
  protected readonly failure = signal('');
  protected readonly keeping = signal(false);

  protected readonly hint =
    'Paste a pattern here, or drop a file: text, PDF, Word, a web page, or the captions of a video.\n\nBody\nR1: 6 sc in ring (6)\nR2: inc × 6 (12)\n…';

  constructor() {
    void this.drafts.takeUp().then((draft) => {
      if (!draft) return;
      if (this.draft().text === '') this.draft.set(draft);
      // Typing was quicker: what was left goes where it can be brought back.
      else {
        this.drafts.abandon(draft);
        this.drafts.keep(this.draft());
      }
    });
  }

  protected write(text: string): void {
    this.typing$.next();
    this.draft.update((draft) => ({ ...draft, text, at: Date.now() }));
    this.drafts.keep(this.draft());
  }

  protected keep(): void {
    this.keeping.set(true);
    this.failure.set('');
    const { id, text } = this.draft();
    // An earlier try may have reached the server with an older text although its answer was lost.
    const latest = (make: Make): Observable<Make> =>
      make.text === text ? of(make) : this.api.change(make.id, { version: make.version, text });
    this.api
      .add({ id, text, ...FIRST_KIT })
      .pipe(switchMap(latest))
      .subscribe({
        next: (make) => {
          this.drafts.done();
          void this.router.navigate(['/make', make.id, 'gather']);
        },
        error: (error: RequestFailed) => {
          this.keeping.set(false);
          this.failure.set(error.message);
        },
      });
  }

  protected abandon(): void {
    this.drafts.abandon(this.draft());
    void this.router.navigate(['/']);
  }

  protected bringBack(): void {
    const draft = this.drafts.bringBack();
    if (!draft) return;
    this.draft.set(draft);
    this.abandoned.set(this.drafts.abandoned());
  }
}
