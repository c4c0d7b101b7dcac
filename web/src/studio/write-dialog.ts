import { Component, computed, inject, output, signal } from '@angular/core';
import { Router } from '@angular/router';
import type { Make } from '@lemniscus/api';
import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { partText, roundedOf, withPart } from '@lemniscus/core/sketch';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { Choice } from '../controls/choice';
import { Dialog } from '../controls/dialog';
import { Select } from '../controls/select';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';
import { SketchDesk } from './sketch-desk';

type Into = 'new' | 'make';

/** A part that is added, in a list of parts. */
const ADDED = -1;

/** Writes a sketch as a make of its own, or its chosen part into one: instead of a part there, or after all of them. */
@Component({
  selector: 'lem-write-dialog',
  imports: [Choice, Dialog, NzButtonModule, Select],
  templateUrl: './write-dialog.html',
  styleUrl: './write-dialog.css',
})
export class WriteDialog {
  readonly closed = output();
  protected readonly desk = inject(SketchDesk);
  private readonly api = inject(MakeApi);
  private readonly router = inject(Router);

  protected readonly ways: readonly { readonly label: string; readonly value: Into }[] = [
    { label: 'A make of its own', value: 'new' },
    { label: 'Into a make', value: 'make' },
  ];
  protected readonly into = signal<Into>('new');
  protected readonly busy = signal(false);
  protected readonly failure = signal('');
  protected readonly makes = signal<readonly { readonly value: string; readonly label: string }[]>([]);
  protected readonly make = signal<Make | null>(null);
  protected readonly place = signal(ADDED);

  private readonly count = computed(() => {
    const make = this.make();
    return make && checkPattern(read(make.text));
  });
  protected readonly places = computed(() => [
    { value: ADDED, label: 'as another part' },
    ...(this.count()?.parts ?? []).map(({ part }, index) => ({ value: index, label: `instead of ${part.name}` })),
  ]);
  private readonly lines = computed(() => {
    const chosen = this.desk.chosen();
    if (!chosen?.found) return null;
    const others = this.desk.found().map(({ part, found }) => roundedOf(part, found));
    return partText({ part: chosen.part, ...chosen.found.fit }, others);
  });
  /** The text as it will be. */
  protected readonly text = computed(() => {
    if (this.into() === 'new') return this.desk.text();
    const [make, count, lines] = [this.make(), this.count(), this.lines()];
    return make && count && lines ? withPart(make.text, count, lines, this.place() === ADDED ? null : this.place()) : '';
  });
  /** The part that is written, as far as it is shown. */
  protected readonly shown = computed(() => (this.into() === 'new' ? this.desk.text() : (this.lines()?.join('\n') ?? '')));
  protected readonly another = computed(() => {
    const [make, sketch] = [this.make(), this.desk.sketch()];
    return make && sketch && (make.yarnWeight !== sketch.yarnWeight || make.hookMm !== sketch.hookMm);
  });

  protected choose(into: Into): void {
    this.into.set(into);
    if (into === 'new' || this.makes().length > 0) return;
    this.api.list().subscribe({
      next: (makes) => this.makes.set(makes.map(({ id, title }) => ({ value: id, label: title || 'Untitled' }))),
      error: ({ message }: RequestFailed) => this.failure.set(message),
    });
  }

  protected open(id: string): void {
    this.failure.set('');
    this.api.show(id).subscribe({
      next: (make) => {
        this.make.set(make);
        const name = this.desk.part()?.name.toLowerCase();
        this.place.set(checkPattern(read(make.text)).parts.findIndex(({ part }) => part.name.toLowerCase() === name));
      },
      error: ({ message }: RequestFailed) => this.failure.set(message),
    });
  }

  protected write(): void {
    const sketch = this.desk.sketch();
    const make = this.make();
    if (!sketch) return;
    this.busy.set(true);
    this.failure.set('');
    const { yarnWeight, hookMm } = sketch;
    const written =
      this.into() === 'new' || !make
        ? this.api.add({ id: crypto.randomUUID(), text: this.text(), yarnWeight, hookMm })
        : this.api.change(make.id, { version: make.version, text: this.text() });
    written.subscribe({
      next: ({ id }) => void this.router.navigate(['/make', id, 'pattern']),
      error: ({ message }: RequestFailed) => {
        this.busy.set(false);
        this.failure.set(message);
      },
    });
  }
}
