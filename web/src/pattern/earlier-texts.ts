import { Component, inject, input, output, signal } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import type { Revision } from '@lemniscus/api';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { catchError, combineLatest, EMPTY, map, of, startWith, Subject, switchMap } from 'rxjs';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';

type Listed =
  | { readonly is: 'loading' }
  | { readonly is: 'list'; readonly revisions: readonly Revision[] }
  | { readonly is: 'failed'; readonly message: string };

const LOADING: Listed = { is: 'loading' };
const WHEN = new Intl.DateTimeFormat(undefined, {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});

/** What the pattern's text was before, each time it was worked on; any of it can be brought back. */
@Component({
  selector: 'lem-earlier-texts',
  imports: [NzButtonModule],
  template: `
    @switch (listed().is) {
      @case ('failed') {
        <p role="alert">{{ failure() }} <button nz-button type="button" (click)="again()">Try again</button></p>
      }
      @case ('list') {
        @for (revision of revisions(); track revision.version) {
          <article>
            <div>
              <b>{{ when(revision) }}</b>
              <span>{{ counted(revision.lines, 'line') }}, {{ counted(revision.characters, 'character') }}</span>
            </div>
            <button nz-button type="button" (click)="look(revision)" [attr.aria-expanded]="open()?.version === revision.version">
              Look
            </button>
            <button nz-button type="button" (click)="bringBack(revision)">Bring back</button>
            @if (open()?.version === revision.version) {
              <pre>{{ open()!.text }}</pre>
            }
          </article>
        } @empty {
          <p>Nothing earlier is kept yet. From the first change on, what the text was before stays here.</p>
        }
      }
    }
  `,
  styles: `
    :host {
      display: block;
    }
    p {
      color: var(--soft);
    }
    article {
      display: grid;
      grid-template-columns: 1fr auto auto;
      align-items: center;
      gap: 8px;
      padding: 10px 0;
      border-top: 1px solid var(--line);
    }
    span {
      display: block;
      color: var(--soft);
      font-size: 15px;
    }
    pre {
      grid-column: 1 / -1;
      max-height: 320px;
      margin: 0;
      padding: 12px 14px;
      overflow: auto;
      border-radius: 12px;
      background: var(--card);
      font:
        14px/1.5 'Atkinson Hyperlegible Mono Variable',
        monospace;
      white-space: pre-wrap;
    }
  `,
})
export class EarlierTexts {
  readonly make = input.required<string>();
  readonly restore = output<string>();

  private readonly api = inject(MakeApi);
  private readonly asked = new Subject<void>();
  protected readonly counted = counted;
  protected readonly open = signal<{ readonly version: number; readonly text: string } | null>(null);
  private readonly trouble = signal('');

  protected readonly listed = toSignal(
    combineLatest([toObservable(this.make), this.asked.pipe(startWith(undefined))]).pipe(
      switchMap(([make]) =>
        this.api.revisions(make).pipe(
          map((revisions): Listed => ({ is: 'list', revisions })),
          catchError((error: RequestFailed) => of<Listed>({ is: 'failed', message: error.message })),
        ),
      ),
    ),
    { initialValue: LOADING },
  );

  protected revisions(): readonly Revision[] {
    const listed = this.listed();
    return listed.is === 'list' ? listed.revisions : [];
  }

  protected failure(): string {
    const listed = this.listed();
    return this.trouble() || (listed.is === 'failed' ? listed.message : '');
  }

  protected again(): void {
    this.asked.next();
  }

  protected when({ savedAt }: Revision): string {
    return WHEN.format(savedAt);
  }

  protected look(revision: Revision): void {
    if (this.open()?.version === revision.version) this.open.set(null);
    else this.fetch(revision, (text) => this.open.set({ version: revision.version, text }));
  }

  protected bringBack(revision: Revision): void {
    this.fetch(revision, (text) => this.restore.emit(text));
  }

  private fetch({ version }: Revision, then: (text: string) => void): void {
    this.api
      .revisionText(this.make(), version)
      .pipe(
        catchError((error: RequestFailed) => {
          this.trouble.set(error.message);
          return EMPTY;
        }),
      )
      .subscribe(then);
  }
}
