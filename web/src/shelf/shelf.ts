import { Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ShelvedMake } from '@lemniscus/api';
import { LucidePlus } from '@lucide/angular';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NzMessageService } from 'ng-zorro-antd/message';
import { switchMap } from 'rxjs';
import { MakeApi } from '../data/make-api';
import { Outbox } from '../data/outbox';
import type { RequestFailed } from '../data/server';
import { LoopMark } from '../drawing/loop-mark';
import { ThemeToggle } from '../shell/theme-toggle';
import { Plank } from './plank';

/** Every make as a plank with its pieces standing on it. */
@Component({
  selector: 'lem-shelf',
  imports: [LoopMark, LucidePlus, NzButtonModule, Plank, RouterLink, ThemeToggle],
  templateUrl: './shelf.html',
  styleUrl: './shelf.css',
})
export class Shelf {
  private readonly api = inject(MakeApi);
  private readonly outbox = inject(Outbox);
  private readonly messages = inject(NzMessageService);

  protected readonly makes = signal<readonly ShelvedMake[] | null>(null);
  protected readonly failure = signal<RequestFailed | null>(null);
  protected readonly removed = signal<ShelvedMake | null>(null);
  protected readonly empty = computed(() => this.makes()?.length === 0);

  constructor() {
    this.load();
  }

  protected load(): void {
    this.failure.set(null);
    // The last steps may still be on their way.
    this.outbox
      .settled()
      .pipe(switchMap(() => this.api.list()))
      .subscribe({ next: (makes) => this.makes.set(makes), error: (error: RequestFailed) => this.failure.set(error) });
  }

  protected remove(make: ShelvedMake): void {
    this.api.remove(make.id).subscribe({
      next: () => {
        this.makes.update((makes) => makes?.filter((each) => each.id !== make.id) ?? null);
        this.removed.set(make);
      },
      error: (error: RequestFailed) => this.messages.error(error.message),
    });
  }

  protected putBack(): void {
    const make = this.removed();
    if (!make) return;
    this.api.restore(make.id).subscribe({
      next: () => {
        this.removed.set(null);
        this.load();
      },
      error: (error: RequestFailed) => this.messages.error(error.message),
    });
  }
}
