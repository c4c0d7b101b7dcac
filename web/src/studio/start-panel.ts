import { Component, computed, inject, input, output, signal } from '@angular/core';
import { checkPattern } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { read } from '@lemniscus/core/notation';
import {
  describeNotDrawn,
  outlineOfMeasures,
  outlineOfPrimitive,
  outlineSize,
  partOf,
  TEMPLATES,
  type SketchOutline,
  type SketchPart,
} from '@lemniscus/core/sketch';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NumberField } from '../controls/number-field';
import { Select } from '../controls/select';
import { MakeApi } from '../data/server/make-api';
import type { RequestFailed } from '../data/server/server';
import { OutlineTile } from './outline-tile';

/** A part to begin with. */
export interface Begun {
  readonly name: string;
  readonly outline: SketchOutline;
  readonly more: Partial<SketchPart>;
}

/** Sizes that shapes are offered in, mm: a hand holds them (our own choice). */
const ACROSS = 60;
const SHAPES = [
  ['Ball', outlineOfPrimitive({ is: 'ball', across: ACROSS })],
  ['Egg', outlineOfPrimitive({ is: 'egg', across: 56, tall: 72 })],
  ['Drop', outlineOfPrimitive({ is: 'drop', across: 56, tall: 80 })],
  ['Cone', outlineOfPrimitive({ is: 'cone', across: 44, tall: 56 })],
  ['Tube', outlineOfPrimitive({ is: 'tube', across: 26, tall: 70 })],
  ['Cup', outlineOfPrimitive({ is: 'cup', across: 60, tall: 44 })],
  ['Bean', outlineOfPrimitive({ is: 'bean', across: 92, tall: 36 })],
  ['Disc', outlineOfPrimitive({ is: 'disc', across: ACROSS })],
  ['Oval base', outlineOfPrimitive({ is: 'oval', across: 80, tall: 50 })],
  ['Ring of a tube', outlineOfPrimitive({ is: 'ring', across: 84, tall: 24 })],
] as const satisfies readonly (readonly [string, SketchOutline])[];

/** What a part can begin from: nothing, a shape, one of our own bodies and heads, measurements, a part of a make. */
@Component({
  selector: 'lem-start-panel',
  imports: [NumberField, NzButtonModule, OutlineTile, Select],
  templateUrl: './start-panel.html',
  styleUrl: './start-panel.css',
})
export class StartPanel {
  readonly stitch = input.required<StitchSize>();
  readonly begun = output<Begun>();
  private readonly api = inject(MakeApi);

  protected readonly shapes = SHAPES;
  protected readonly templates = TEMPLATES;
  protected readonly across = signal<number | null>(70);
  protected readonly tall = signal<number | null>(90);
  protected readonly stands = signal(true);
  protected readonly measured = computed(() => {
    const [across, tall] = [this.across(), this.tall()];
    return across === null || tall === null ? null : outlineOfMeasures(across, tall, this.stands());
  });

  protected readonly makes = signal<readonly { readonly value: string; readonly label: string }[] | null>(null);
  protected readonly make = signal<string | null>(null);
  protected readonly parts = signal<readonly { readonly name: string; readonly part: SketchPart | null; readonly why: string }[]>(
    [],
  );
  protected readonly failure = signal('');

  protected from(name: string, outline: SketchOutline): void {
    // What lies flat holds no stuffing.
    const flat = outlineSize(outline).tall < 1;
    this.begun.emit({ name, outline, more: flat ? { stuffed: false } : {} });
  }

  protected blank(): void {
    this.begun.emit({ name: 'Part', outline: { points: [], end: 'open', straight: 0 }, more: {} });
  }

  protected list(): void {
    this.api.list().subscribe({
      next: (makes) => this.makes.set(makes.map(({ id, title }) => ({ value: id, label: title || 'Untitled' }))),
      error: ({ message }: RequestFailed) => this.failure.set(message),
    });
  }

  protected open(id: string): void {
    this.make.set(id);
    this.failure.set('');
    this.api.show(id).subscribe({
      next: ({ text }) => {
        const { parts } = checkPattern(read(text));
        const drawn = parts.map((counted) => ({
          name: counted.part.name,
          drawn: partOf(counted, this.stitch(), crypto.randomUUID()),
        }));
        this.parts.set(
          drawn.map(({ name, drawn: part }) =>
            typeof part === 'string' ? { name, part: null, why: describeNotDrawn(part) } : { name, part, why: '' },
          ),
        );
      },
      error: ({ message }: RequestFailed) => this.failure.set(message),
    });
  }

  protected takePart(part: SketchPart): void {
    this.begun.emit({ name: part.name, outline: part.outline, more: part });
  }
}
