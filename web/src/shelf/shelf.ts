import { Component, computed, inject, signal, viewChild } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ShelvedMake } from '@lemniscus/api';
import { WHOLE_MAKE } from '@lemniscus/core/bounds';
import type { MakerEvent } from '@lemniscus/core/making';
import { switchMap } from 'rxjs';
import { EmptyState } from '../controls/empty-state';
import { MakeApi } from '../data/server/make-api';
import { forgetLastWorked } from '../data/device/last-worked';
import { isThisMachine } from '../data/device/this-machine';
import { ShelfList } from '../data/follows/shelf-list';
import { KeptAnswers } from '../data/sync/kept-answers';
import { Outbox } from '../data/sync/outbox';
import { Sender } from '../data/sync/sender';
import type { RequestFailed } from '../data/server/server';
import { LoopMark } from '../drawing/loop-mark';
import { SetAside } from '../controls/set-aside';
import { ThemeToggle } from '../controls/theme-toggle';
import { KeepSafe } from './keep-safe';
import { ManyPlanks } from './many-planks';
import { Plank } from './plank';
import { ShelfFinder, type Found } from './shelf-finder';
import { stateOf } from './shelf-state';
import { Icon } from '../controls/icon';

/** More than so many are looked through by words and states. */
const FEW = 8;
/** More than so many stand on lower planks, drawn as they come into sight. */
const DENSE = 14;

/** Every make as a plank with its pieces standing on it. */
@Component({
  selector: 'lem-shelf',
  imports: [EmptyState, Icon, KeepSafe, LoopMark, ManyPlanks, Plank, RouterLink, SetAside, ShelfFinder, ThemeToggle],
  templateUrl: './shelf.html',
  styleUrl: './shelf.css',
})
export class Shelf {
  private readonly api = inject(MakeApi);
  private readonly shelf = inject(ShelfList);
  private readonly sender = inject(Sender);
  private readonly outbox = inject(Outbox);
  private readonly keepSafe = viewChild.required(KeepSafe);
  protected readonly here = isThisMachine();

  protected readonly stale = inject(KeptAnswers).stale;
  protected readonly makes = signal<readonly ShelvedMake[] | null>(null);
  protected readonly failure = signal<RequestFailed | null>(null);
  /** Why something could not be done with a make; empty when it could. */
  protected readonly problem = signal('');
  protected readonly removed = signal<ShelvedMake | null>(null);
  /** Taken off here: an answer that was asked for before still has them. */
  private readonly gone = new Set<string>();
  /** What was found, once it was asked for. */
  protected readonly found = signal<readonly Found[] | null>(null);
  protected readonly many = computed(() => (this.makes()?.length ?? 0) > FEW);
  protected readonly shown = computed<readonly Found[]>(() => {
    const found = this.many() ? this.found() : null;
    const all = (this.makes() ?? []).map((make) => ({ make, state: stateOf(make), why: '' }));
    return found ?? all.filter(({ state }) => state !== 'put away' || !this.many());
  });
  protected readonly dense = computed(() => this.shown().length > DENSE);
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
        next: (makes) => this.makes.set(makes.filter(({ id }) => !this.gone.has(id))),
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
        this.gone.add(make.id);
        this.makes.update((makes) => makes?.filter((each) => each.id !== make.id) ?? null);
        this.removed.set(make);
        forgetLastWorked(make.id);
      },
      error: (error: RequestFailed) => this.problem.set(error.message),
    });
  }

  /** Puts a make away, or takes it out again: said of the make, like everything that is done with it. */
  protected putAway(make: ShelvedMake, away: boolean): void {
    const at = Math.max(Date.now(), ...Object.values(make.said).flatMap((said) => said.map((event) => event.at + 1)));
    const event: MakerEvent = { id: crypto.randomUUID(), piece: WHOLE_MAKE, at, kind: 'put away', away };
    this.outbox.add(make.id, event);
    const said = { ...make.said, [WHOLE_MAKE]: [...(make.said[WHOLE_MAKE] ?? []), event] };
    this.makes.update((makes) => makes?.map((each) => (each === make ? { ...make, said } : each)) ?? null);
  }

  protected putBack(): void {
    const make = this.removed();
    if (!make) return;
    this.problem.set('');
    this.api.restore(make.id).subscribe({
      next: () => {
        this.removed.set(null);
        this.gone.delete(make.id);
        this.load();
      },
      error: (error: RequestFailed) => this.problem.set(error.message),
    });
  }
}
