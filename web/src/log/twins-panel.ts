import { Component, computed, inject, linkedSignal } from '@angular/core';
import { rxResource } from '@angular/core/rxjs-interop';
import type { ShelvedMake } from '@lemniscus/api';
import { finishedTwins, twinsOf, workedMs, type Twins } from '@lemniscus/core/history';
import { checkPattern } from '@lemniscus/core/fabric';
import { EMPTY_LOG, record, withNewNames, type Finished } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { handGauge } from '@lemniscus/core/supply';
import { catchError, map, of } from 'rxjs';
import { Select } from '../controls/select';
import { madeMake, type MadeMake } from '../data/follows/made-make';
import { ShelfList } from '../data/follows/shelf-list';
import { CurrentMake } from '../data/open/current-make';
import { Measurements } from '../data/owned/measurements';
import { MakeApi } from '../data/server/make-api';
import { ALIKE_WORDS, differenceWords } from './log-words';
import { Logbook } from './logbook';

const HERE = 'here';
/** So many differences are told of each pair; the rest as a number. */
const TOLD = 8;

interface Pair {
  readonly name: string;
  readonly worked: boolean;
  readonly differ: readonly string[];
  readonly more: number;
  readonly alike: string;
}

/** What should be alike, side by side: the copies of a part, or this make and another of the same pattern. */
@Component({
  selector: 'lem-twins-panel',
  imports: [Select],
  template: `
    <div class="with">
      <label for="twins-with">Held against</label>
      <lem-select inputId="twins-with" [options]="choices()" [value]="other()" (chosen)="other.set($event)" />
    </div>
    @if (loading()) {
      <p class="soft" role="status">Reading the other’s log…</p>
    }
    @for (pair of pairs(); track pair.name) {
      <section>
        <h2>{{ pair.name }}</h2>
        @if (!pair.worked) {
          <p class="soft">One of them is not worked yet.</p>
        }
        <ul>
          @for (words of pair.differ; track words) {
            <li>{{ words }}</li>
          }
        </ul>
        @if (pair.more > 0) {
          <p class="soft">and {{ pair.more }} more.</p>
        }
        @if (pair.differ.length === 0 && pair.worked) {
          <p class="alike">Twins: nothing differs that was told.</p>
        } @else if (pair.alike) {
          <p class="soft">Alike: {{ pair.alike }}.</p>
        }
      </section>
    } @empty {
      @if (!loading()) {
        <p class="soft">
          No part is made twice here, and no other make is of this pattern. “Make another like this” begins one that can be held
          against it.
        </p>
      }
    }
  `,
  styles: `
    :host {
      display: grid;
      gap: 10px;
    }
    .with {
      display: grid;
      gap: 4px;
    }
    h2 {
      margin: 0 0 2px;
      font-size: 17px;
    }
    section {
      padding: 10px 12px;
      border-radius: 14px;
      background: var(--paper);
    }
    ul {
      margin: 0;
      padding-left: 20px;
    }
    .soft {
      color: var(--soft);
      font-size: 15px;
    }
    .alike {
      color: var(--dec);
      font-weight: 600;
    }
  `,
})
export class TwinsPanel {
  private readonly book = inject(Logbook);
  private readonly current = inject(CurrentMake);
  private readonly measurements = inject(Measurements);
  private readonly api = inject(MakeApi);
  private readonly shelf = inject(ShelfList);
  protected readonly loading = computed(() => this.others.isLoading() || this.log.isLoading());

  private readonly others = rxResource({
    stream: () => this.shelf.latest().pipe(catchError(() => of<ShelvedMake[]>([]))),
    defaultValue: [],
  });
  /** Other makes of this pattern, by its name. */
  private readonly same = computed(() => {
    const make = this.current.make();
    const worked = (each: ShelvedMake): number => Object.keys(each.said).length;
    return this.others
      .value()
      .filter((each) => each.id !== make?.id && each.title === make?.title)
      .sort((a, b) => worked(b) - worked(a));
  });
  protected readonly choices = computed(() => [
    { value: HERE, label: 'the copies in this make' },
    ...this.same().map((make) => ({
      value: make.id,
      label: `${make.title}, begun ${new Date(make.createdAt).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })}`,
    })),
  ]);
  protected readonly other = linkedSignal<string>(() => (this.copies().length > 0 ? HERE : (this.same()[0]?.id ?? HERE)));

  private readonly log = rxResource({
    params: () => (this.other() === HERE ? undefined : this.other()),
    stream: ({ params }) => this.api.eventsAfter(params, 0).pipe(map(({ events }) => ({ id: params, events }))),
  });
  private readonly otherMade = computed<MadeMake | null>(() => {
    const make = this.same().find(({ id }) => id === this.other());
    const log = this.log.hasValue() ? this.log.value() : undefined;
    if (!make || log?.id !== make.id) return null;
    const size = handGauge(make, make.kit.hand, this.measurements.items()).stitch;
    return madeMake(checkPattern(read(make.text)), withNewNames(record(EMPTY_LOG, log.events)), size.height);
  });

  private readonly copies = computed<Pair[]>(() => {
    const pieces = this.book.made()?.pieces ?? [];
    return pieces.flatMap((one) => {
      if (one.piece.copy !== 1) return [];
      return pieces
        .filter((two) => two.piece.part === one.piece.part && two.piece.copy > 1)
        .map((two) => ({
          ...pairOf(`${one.counted.part.name} 1 and ${two.piece.copy}`, twinsOf(one.record, two.record)),
          worked: one.finished && two.finished,
        }));
    });
  });

  protected readonly pairs = computed<Pair[]>(() => {
    if (this.other() === HERE) return this.copies();
    const [one, two] = [this.book.made(), this.otherMade()];
    if (!one || !two) return [];
    const figures = finishedOf(one, two);
    const pieces = one.pieces.flatMap((piece) => {
      const twin = two.pieces.find((each) => each.piece.id === piece.piece.id);
      return twin
        ? [{ ...pairOf(piece.piece.name, twinsOf(piece.record, twin.record)), worked: piece.finished && twin.finished }]
        : [];
    });
    return [...(figures ? [figures] : []), ...pieces];
  });
}

function finishedOf(one: MadeMake, two: MadeMake): Pair | null {
  const minutes = (make: MadeMake): number => workedMs(make.history.sittings) / 60_000;
  const nothing: Finished = {
    ...{ day: null, heightMm: null, widthMm: null, yarnGrams: null, stuffingGrams: null },
    ...{ forWhom: '', notes: '' },
  };
  const [a, b] = [one, two].map((make) => ({ ...(make.history.finished ?? nothing), minutes: minutes(make) })) as [
    Finished & { minutes: number },
    Finished & { minutes: number },
  ];
  const both = one.history.finished !== null && two.history.finished !== null;
  return { ...pairOf('The whole figure', finishedTwins(a, b)), worked: both };
}

function pairOf(name: string, { differ, alike }: Twins): Omit<Pair, 'worked'> {
  return {
    name,
    differ: differ.slice(0, TOLD).map(differenceWords),
    more: Math.max(0, differ.length - TOLD),
    alike: alike.map((each) => ALIKE_WORDS[each]).join(', '),
  };
}
