import { Component, computed, effect, inject, signal, untracked } from '@angular/core';
import { FormsModule } from '@angular/forms';
import type { Photo } from '@lemniscus/api/photo';
import type { Finished } from '@lemniscus/core/making';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NumberField } from '../controls/number-field';
import { Select } from '../controls/select';
import { smallPicture } from '../data/device/small-picture';
import { PartMeasuring } from '../data/follows/part-measuring';
import { CurrentMake } from '../data/open/current-make';
import { Measurements } from '../data/owned/measurements';
import { Photos } from '../data/owned/photos';
import { Logbook } from './logbook';
import { longDayWords } from '../controls/day-words';

const NOTHING: Finished = {
  ...{ day: null, heightMm: null, widthMm: null, yarnGrams: null, stuffingGrams: null },
  ...{ forWhom: '', notes: '' },
};
type Amount = 'heightMm' | 'widthMm' | 'yarnGrams' | 'stuffingGrams';

/** The finished piece: day, size, weights, for whom, notes, photos; and what its size tells of the gauge. */
@Component({
  selector: 'lem-finished-card',
  imports: [FormsModule, NumberField, NzButtonModule, Select],
  templateUrl: './finished-card.html',
  styleUrl: './finished-card.css',
})
export class FinishedCard {
  protected readonly book = inject(Logbook);
  private readonly current = inject(CurrentMake);
  private readonly measurements = inject(Measurements);
  private readonly measuring = inject(PartMeasuring);
  protected readonly photos = inject(Photos);

  protected readonly fields: readonly { readonly field: Amount; readonly label: string; readonly unit: string }[] = [
    { field: 'heightMm', label: 'Tall', unit: 'mm' },
    { field: 'widthMm', label: 'Wide', unit: 'mm' },
    { field: 'yarnGrams', label: 'Yarn', unit: 'g' },
    { field: 'stuffingGrams', label: 'Stuffing', unit: 'g' },
  ];
  /** What is typed, kept as it is typed; from elsewhere when another window tells it. */
  protected readonly now = signal<Finished>(NOTHING);
  protected readonly day = computed(() => {
    const { day } = this.now();
    return day === null ? '' : longDayWords(day);
  });
  protected readonly mine = computed(() => this.photos.of(this.current.make()?.id ?? ''));
  protected readonly problem = signal('');
  protected readonly busy = signal(false);
  protected readonly removed = signal<Photo | null>(null);

  /** The part that the width and height are held against; null for none. */
  protected readonly against = signal<number | null>(null);
  protected readonly parts = computed(() => {
    const parts = new Map<number, string>();
    for (const { piece, fabric, counted } of this.book.made()?.pieces ?? [])
      if (fabric.stitchCount > 0 && !parts.has(piece.part)) parts.set(piece.part, counted.part.name);
    return [...parts].map(([value, label]) => ({ value, label }));
  });
  protected readonly gaugeSaid = signal('');

  constructor() {
    effect(() => {
      const told = this.book.told();
      untracked(() => this.now.set(told ?? NOTHING));
    });
  }

  protected finish(): void {
    const today = new Date();
    const day = new Date(today.getTime() - today.getTimezoneOffset() * 60_000).toISOString().slice(0, 10);
    this.tell({ day });
  }

  protected tell(change: Partial<Finished>): void {
    this.now.update((now) => ({ ...now, ...change }));
    this.book.finish(this.now());
  }

  protected amount(field: Amount, value: number | null): void {
    if (value === this.now()[field]) return;
    this.tell({ [field]: value });
  }

  protected async sharpen(): Promise<void> {
    const piece = this.book.made()?.pieces.find((each) => each.piece.part === this.against());
    const make = this.current.make();
    const { widthMm, heightMm } = this.now();
    if (!piece || !make || widthMm === null || this.busy()) return;
    this.busy.set(true);
    const { yarnWeight, hookMm } = make;
    const common = { id: crypto.randomUUID(), takenAt: Date.now(), yarnWeight, hookMm };
    const part = { name: piece.counted.part.name, fabric: piece.fabric };
    const read = await this.measuring.measure(part, { widthMm, heightMm }, common);
    this.busy.set(false);
    if (!read.ok) {
      this.gaugeSaid.set(read.message);
      return;
    }
    this.measurements.put(read.measurement);
    this.gaugeSaid.set(`Taken: the gauge of ${hookMm} mm now goes by your ${part.name} too. It is listed in Gather.`);
  }

  protected async add(input: HTMLInputElement): Promise<void> {
    const files = [...(input.files ?? [])];
    const make = this.current.make();
    input.value = '';
    if (!make) return;
    this.problem.set('');
    this.busy.set(true);
    for (const file of files) {
      try {
        const { data, width, height } = await smallPicture(file);
        this.photos.add({ id: crypto.randomUUID(), make: make.id, addedAt: this.photos.now(), width, height, words: '' }, data);
      } catch (error) {
        this.problem.set(error instanceof Error ? error.message : 'The photo could not be taken in.');
      }
    }
    this.busy.set(false);
  }

  protected takeOut(photo: Photo): void {
    this.photos.remove(photo);
    this.removed.set(photo);
  }

  protected putBack(): void {
    const photo = this.removed();
    if (photo) this.photos.put(photo);
    this.removed.set(null);
  }
}
