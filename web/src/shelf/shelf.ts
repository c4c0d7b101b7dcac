import { Component, computed, inject, signal, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ShelvedMake } from '@lemniscus/api';
import { switchMap } from 'rxjs';
import { EmptyState } from '../controls/empty-state';
import { MakeApi } from '../data/server/make-api';
import { forgetLastWorked } from '../data/device/last-worked';
import { isThisMachine } from '../data/device/this-machine';
import { EverythingSent } from '../data/follows/everything-sent';
import { ShelfList } from '../data/follows/shelf-list';
import { KeptAnswers } from '../data/sync/kept-answers';
import { Sender } from '../data/sync/sender';
import type { RequestFailed } from '../data/server/server';
import { LoopMark } from '../drawing/loop-mark';
import { SetAside } from '../controls/set-aside';
import { ThemeToggle } from '../controls/theme-toggle';
import { KeepSafe } from './keep-safe';
import { Plank } from './plank';
import { Icon } from '../controls/icon';

/** Every make as a plank with its pieces standing on it. */
@Component({
  selector: 'lem-shelf',
  imports: [EmptyState, Icon, KeepSafe, LoopMark, Plank, RouterLink, SetAside, ThemeToggle],
  templateUrl: './shelf.html',
  styleUrl: './shelf.css',
})
export class Shelf {
  private readonly api = inject(MakeApi);
  private readonly shelf = inject(ShelfList);
  private readonly sender = inject(Sender);
  private readonly keepSafe = viewChild.required(KeepSafe);
  protected readonly here = isThisMachine();
  protected readonly sent = inject(EverythingSent);

  protected readonly stale = inject(KeptAnswers).stale;
  protected readonly makes = signal<readonly ShelvedMake[] | null>(null);
  protected readonly failure = signal<RequestFailed | null>(null);
  /** Why something could not be done with a make; empty when it could. */
  protected readonly problem = signal('');
  protected readonly removed = signal<ShelvedMake | null>(null);
  protected readonly empty = computed(() => this.makes()?.length === 0);

  constructor() {
    this.load();
  }

  protected load(): void {
    this.failure.set(null);
    this.shelf.kept().subscribe((makes) => this.makes.update((now) => now ?? makes));
    // The last steps may still be on their way.
    this.sender
      .settled()
      .pipe(switchMap(() => this.shelf.latest()))
      .subscribe({
        next: (makes) => this.makes.set(makes),
        error: (error: RequestFailed) => this.failure.set(error),
      });
  }

  /** A copy that is dropped on the shelf is taken in. */
  protected drop(event: DragEvent): void {
    event.preventDefault();
    const file = event.dataTransfer?.files[0];
    if (file) this.keepSafe().takeIn(file);
  }

  protected remove(make: ShelvedMake): void {
    this.problem.set('');
    this.api.remove(make.id).subscribe({
      next: () => {
        this.makes.update((makes) => makes?.filter((each) => each.id !== make.id) ?? null);
        this.removed.set(make);
        forgetLastWorked(make.id);
      },
      error: (error: RequestFailed) => this.problem.set(error.message),
    });
  }

  protected putBack(): void {
    const make = this.removed();
    if (!make) return;
    this.problem.set('');
    this.api.restore(make.id).subscribe({
      next: () => {
        this.removed.set(null);
        this.load();
      },
      error: (error: RequestFailed) => this.problem.set(error.message),
    });
  }
}
