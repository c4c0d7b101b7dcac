import { Component, computed, effect, inject, input, model, output, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { ShelvedMake } from '@lemniscus/api';
import { colourKey } from '@lemniscus/core/supply';
import { Choice } from '../controls/choice';
import { Select } from '../controls/select';
import { Basket } from '../data/owned/basket';
import { PlanList } from '../data/owned/plan-list';
import { ShelfDoable } from './shelf-doable';
import { finishedAs, stateOf, touchedAt, wordsOf, type ShelfState } from './shelf-state';

type Seen = 'here' | ShelfState;
type Order = 'touched' | 'name' | 'begun' | 'finished';
type Now = 'any' | 'ten' | 'plain' | 'yarn';

/** A make that was found, with what speaks for it now. */
export interface Found {
  readonly make: ShelvedMake;
  readonly state: ShelfState;
  /** Why it suits what was asked for; empty where nothing was. */
  readonly why: string;
}

const TEN_MIN = 10;

/** Finds makes among many: by words, by how they stand, by what can be done with them now. */
@Component({
  selector: 'lem-shelf-finder',
  imports: [Choice, FormsModule, Select],
  templateUrl: './shelf-finder.html',
  styleUrl: './shelf-finder.css',
  providers: [ShelfDoable],
})
export class ShelfFinder {
  readonly makes = input.required<readonly ShelvedMake[]>();
  readonly found = output<readonly Found[]>();

  private readonly basket = inject(Basket);
  private readonly plan = inject(PlanList);
  protected readonly doable = inject(ShelfDoable);

  protected readonly words = model('');
  protected readonly seen = model<Seen>('here');
  protected readonly order = model<Order>('touched');
  protected readonly now = model<Now>('any');
  protected readonly yarn = model<string | null>(null);

  protected readonly states = computed(() => {
    const counts = new Map<ShelfState, number>();
    for (const make of this.makes()) counts.set(stateOf(make), (counts.get(stateOf(make)) ?? 0) + 1);
    const named = (value: ShelfState, label: string) => ({ value, label: `${label} ${counts.get(value) ?? 0}` });
    const all: { readonly value: Seen; readonly label: string } = { value: 'here', label: 'All' };
    return [
      all,
      named('working', 'On the hook'),
      named('waiting', 'Waiting'),
      named('finished', 'Finished'),
      ...((counts.get('put away') ?? 0) > 0 ? [named('put away', 'Put away')] : []),
    ];
  });
  protected readonly orders: readonly { readonly value: Order; readonly label: string }[] = [
    { value: 'touched', label: 'touched last' },
    { value: 'name', label: 'by name' },
    { value: 'begun', label: 'oldest first' },
    { value: 'finished', label: 'finished last' },
  ];
  protected readonly nows: readonly { readonly value: Now; readonly label: string }[] = [
    { value: 'any', label: 'Anything' },
    { value: 'ten', label: 'In ten minutes' },
    { value: 'plain', label: 'Without counting' },
    { value: 'yarn', label: 'With this yarn' },
  ];
  protected readonly yarns = computed(() =>
    this.basket.items().map(({ id, name, colour }) => ({ value: id, label: `${name}, ${colour}` })),
  );

  private readonly people = computed(() => {
    const stalls = new Map(this.plan.stalls().map(({ id, name }) => [id, name]));
    const people = new Map<string, string[]>();
    for (const { make, forWhom, stall } of this.plan.wishes())
      people.set(make, [...(people.get(make) ?? []), forWhom, stall ? (stalls.get(stall) ?? '') : '']);
    return people;
  });
  private readonly texts = computed(() => {
    const yarns = new Map(this.basket.items().map(({ id, name, colour }) => [id, `${name} ${colour}`]));
    return new Map(
      this.makes().map((make) => [
        make.id,
        wordsOf(make, [...make.kit.yarns.map(({ yarn }) => yarns.get(yarn) ?? ''), ...(this.people().get(make.id) ?? [])]),
      ]),
    );
  });

  protected readonly result = computed<readonly Found[]>(() => {
    const asked = this.words().toLowerCase().split(/\s+/).filter(Boolean);
    const now = this.now();
    return this.makes()
      .map((make) => ({ make, state: stateOf(make), why: now === 'any' ? '' : this.whyNow(make, now) }))
      .filter(({ make, state, why }) => {
        if (this.seen() === 'here' ? state === 'put away' : state !== this.seen()) return false;
        if (now !== 'any' && why === '') return false;
        return asked.every((word) => this.texts().get(make.id)!.includes(word));
      })
      .sort(this.compare());
  });

  constructor() {
    effect(() => {
      const makes = this.makes();
      if (this.now() !== 'any') untracked(() => this.doable.lookThrough(makes));
    });
    effect(() => this.found.emit(this.result()));
  }

  private whyNow(make: ShelvedMake, now: Exclude<Now, 'any'>): string {
    const doable = this.doable.found().get(make.id);
    if (!doable || finishedAs(make)) return '';
    const { soonest, plain, colours } = doable;
    switch (now) {
      case 'ten':
        return soonest && soonest.minutes <= TEN_MIN
          ? `${soonest.piece} is worked to its end in about ${Math.max(1, Math.round(soonest.minutes))} min`
          : '';
      case 'plain':
        return plain
          ? `${plain.piece}: ${runWords(plain.rounds)} from R${plain.rounds[0] + 1}, ${plain.stitches} stitches. Good for the train`
          : '';
      case 'yarn': {
        const yarn = this.yarn();
        const chosen = make.kit.yarns.filter((choice) => choice.yarn === yarn).map(({ colour }) => colourKey(colour));
        const next = colours.find((colour) => chosen.includes(colourKey(colour)));
        return next === undefined ? '' : `Its next stitches are in ${next || 'this yarn'}`;
      }
    }
  }

  private compare(): (a: Found, b: Found) => number {
    switch (this.order()) {
      case 'touched':
        return (a, b) => touchedAt(b.make) - touchedAt(a.make);
      case 'name':
        return (a, b) => a.make.title.localeCompare(b.make.title);
      case 'begun':
        return (a, b) => a.make.createdAt - b.make.createdAt;
      case 'finished':
        return (a, b) => (finishedAs(b.make)?.day ?? '').localeCompare(finishedAs(a.make)?.day ?? '');
    }
  }
}

function runWords([from, to]: readonly [number, number]): string {
  return to - from === 1 ? 'a straight round' : `${to - from} straight rounds`;
}
