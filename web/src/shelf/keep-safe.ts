import { Component, inject, output, signal } from '@angular/core';
import type { Restored } from '@lemniscus/api';
import { counted } from '@lemniscus/core/notation';
import { BackupApi } from '../data/server/backup-api';
import type { RequestFailed } from '../data/server/server';

/** Everything on the shelf and in the basket as one file, to be saved, and to be taken in again. */
@Component({
  selector: 'lem-keep-safe',
  template: `
    <h2>A copy of everything</h2>
    <p>
      All makes with every step, the basket and what was measured, in one file. Taking one in adds what is missing here; nothing
      is lost.
    </p>
    <p class="ways">
      <a class="ant-btn ant-btn-default" href="/api/backup?ngsw-bypass" download>Save everything</a>
      <label class="ant-btn ant-btn-default">
        Take in a copy
        <input class="visually-hidden" type="file" accept=".zip,application/zip" (change)="pick($any($event.target))" />
      </label>
    </p>
    @if (busy()) {
      <p role="status">Taking it in …</p>
    } @else if (said()) {
      <p role="status">{{ said() }}</p>
    }
    @if (problem()) {
      <p class="problem" role="alert">{{ problem() }}</p>
    }
  `,
  styleUrl: './keep-safe.css',
})
export class KeepSafe {
  private readonly api = inject(BackupApi);
  readonly taken = output();

  protected readonly busy = signal(false);
  protected readonly said = signal('');
  protected readonly problem = signal('');

  protected pick(input: HTMLInputElement): void {
    const file = input.files?.[0];
    input.value = '';
    if (file) this.takeIn(file);
  }

  takeIn(file: Blob): void {
    this.said.set('');
    this.problem.set('');
    this.busy.set(true);
    this.api.takeIn(file).subscribe({
      next: (restored) => {
        this.busy.set(false);
        this.said.set(wordsOf(restored));
        this.taken.emit();
      },
      error: (error: RequestFailed) => {
        this.busy.set(false);
        this.problem.set(error.message);
      },
    });
  }
}

function wordsOf({ makes, newMakes, newEvents }: Restored): string {
  const steps = newEvents === 0 ? 'no step that was not here' : `${counted(newEvents, 'step')} that were not here`;
  return `${counted(makes, 'make')} in the copy, ${newMakes} of them new; ${steps}.`;
}
