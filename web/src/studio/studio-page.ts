import { Component, computed, DestroyRef, effect, inject, input, linkedSignal, signal, untracked } from '@angular/core';
import { Router, RouterLink } from '@angular/router';
import { fabricOf } from '@lemniscus/core/fabric';
import { standsOnStart } from '@lemniscus/core/shape';
import { outlineSize, painted, standsAsDrawn, type Sketch, type SketchOutline } from '@lemniscus/core/sketch';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { PageHeader } from '../controls/page-header';
import { PartShape } from '../controls/part-shape/part-shape';
import { isPlush } from '../controls/part-shape/figure-paint';
import { SetAside } from '../controls/set-aside';
import { Icon } from '../controls/icon';
import { Choice } from '../controls/choice';
import { Sketches } from '../data/owned/sketches';
import { yarnPaint } from '../drawing/yarn-colour';
import { CountSteps } from './count-steps';
import { OutlineTile } from './outline-tile';
import { Paper } from './paper';
import { PartPanel } from './part-panel';
import { SketchDesk } from './sketch-desk';
import { SketchFigure } from './sketch-figure';
import { StartPanel, type Begun } from './start-panel';
import { TracedPicture } from './traced-picture';
import { WriteDialog } from './write-dialog';

/** What most makers of stuffed pieces begin with: medium yarn on a 3.5 mm hook (common practice). */
const USUAL = { yarnWeight: 4, hookMm: 3.5 } as const;
/** Yarn that is at hand to paint with, beside what is in the sketch. */
const COLOURS = ['white', 'cream', 'grey', 'black', 'red', 'orange', 'yellow', 'green', 'blue', 'navy', 'brown', 'pink'];

/** The Studio: from a shape one wants to rounds that make it, and to a pattern like any other. */
@Component({
  selector: 'lem-studio-page',
  imports: [
    ...[Choice, CountSteps, Icon, NzButtonModule, OutlineTile, PageHeader, Paper, PartPanel, PartShape],
    ...[RouterLink, SetAside, SketchFigure, StartPanel, WriteDialog],
  ],
  providers: [SketchDesk, TracedPicture],
  templateUrl: './studio-page.html',
  styleUrl: './studio-page.css',
  host: { '(window:keydown)': 'keyed($event)' },
})
export class StudioPage {
  /** The sketch that is open, by the address. */
  readonly sketch = input<string>();
  private readonly router = inject(Router);
  protected readonly sketches = inject(Sketches);
  protected readonly desk = inject(SketchDesk);
  protected readonly traced = inject(TracedPicture);

  protected readonly views: readonly { readonly label: string; readonly value: 'part' | 'whole' }[] = [
    { label: 'This part', value: 'part' },
    { label: 'The figure', value: 'whole' },
  ];
  protected readonly view = linkedSignal<'part' | 'whole'>(() => 'part');
  protected readonly snap = signal(false);
  protected readonly starting = signal(false);
  protected readonly writing = signal(false);
  protected readonly brush = signal<string | null>(null);
  protected readonly looked = signal<number | null>(null);
  protected readonly movingPicture = signal(false);
  private addressed: string | undefined;
  protected readonly lost = computed(() => this.sketch() !== undefined && this.sketches.loaded() && !this.desk.sketch());

  protected readonly listed = computed(() => [...this.sketches.items()].sort((a, b) => b.at - a.at));
  protected readonly colours = computed(() => {
    const own = this.desk.parts().flatMap(({ colours }) => colours.map(({ name }) => name));
    return [...new Set([...own, ...COLOURS])];
  });
  /** Index of the chosen part in the pattern, where names are its own; null where it has no rounds. */
  protected readonly partIndex = computed(() => {
    const name = this.desk.part()?.name;
    const index = this.desk.count().parts.findIndex(({ part }) => part.name === name);
    return index < 0 ? null : index;
  });
  /** As the figure shows it, once there are rounds. */
  protected readonly stands = computed(() => {
    const [part, index] = [this.desk.part(), this.partIndex()];
    const counted = index === null ? undefined : this.desk.count().parts[index];
    if (counted) return standsOnStart(fabricOf(counted));
    return part !== null && standsAsDrawn(part.outline, part.grows);
  });
  protected readonly canWrite = computed(() => this.desk.found().some(({ found }) => found !== null));
  protected readonly plush = computed(() => isPlush(this.desk.sketch()?.yarnWeight ?? USUAL.yarnWeight));

  constructor() {
    effect(() => {
      const id = this.sketch();
      const items = this.sketches.items();
      untracked(() => {
        // What was begun has no address yet; one that had it and has none any more is left.
        if (id === undefined && this.addressed !== undefined) this.desk.close();
        this.addressed = id;
        if (id === undefined || this.desk.sketch()?.id === id) return;
        const found = items.find((each) => each.id === id);
        if (found) this.desk.take(found);
      });
    });
    effect(() => {
      const part = this.desk.part()?.id ?? null;
      untracked(() => {
        this.movingPicture.set(false);
        void this.traced.open(part);
      });
    });
    inject(DestroyRef).onDestroy(() => this.desk.rest());
  }

  protected begin({ name, outline, more }: Begun): void {
    const sketch: Sketch = { id: crypto.randomUUID(), name: '', ...USUAL, parts: [], at: this.sketches.now() };
    this.desk.take(sketch);
    this.desk.add(name, outline, more);
    this.starting.set(false);
    void this.router.navigate([], { queryParams: { sketch: sketch.id } });
  }

  protected another({ name, outline, more }: Begun): void {
    this.desk.add(name, outline, more);
    this.starting.set(false);
  }

  protected open(sketch: Sketch): void {
    this.desk.take(sketch);
    void this.router.navigate([], { queryParams: { sketch: sketch.id } });
  }

  protected throwAway(sketch: Sketch): void {
    this.sketches.remove(sketch);
    this.thrown.set(sketch);
  }

  protected readonly thrown = signal<Sketch | null>(null);
  protected bringBack(): void {
    const sketch = this.thrown();
    if (sketch) this.sketches.put({ ...sketch, at: this.sketches.now() });
    this.thrown.set(null);
  }

  protected paint(name: string): string {
    return yarnPaint(name).fill;
  }

  protected paintRounds(from: number, to: number): void {
    const [part, name] = [this.desk.part(), this.brush()];
    if (part && name) this.desk.setPart({ colours: painted(part, from, to, name).colours });
  }

  protected first(sketch: Sketch): SketchOutline | null {
    const drawn = sketch.parts.filter(({ outline }) => outline.points.length > 1);
    return drawn.reduce<SketchOutline | null>(
      (best, { outline }) => (!best || outlineSize(outline).tall > outlineSize(best).tall ? outline : best),
      null,
    );
  }

  protected async trace(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    if (file) await this.traced.take(file, outlineSize(this.desk.part()!.outline).tall || 80);
    this.movingPicture.set(this.traced.shown() !== null);
  }

  protected keyed(event: KeyboardEvent): void {
    if (!this.desk.sketch() || event.target instanceof HTMLInputElement || this.writing()) return;
    const meta = event.ctrlKey || event.metaKey;
    const key = event.key.toLowerCase();
    if (meta && (key === 'y' || (key === 'z' && event.shiftKey))) this.desk.redo();
    else if (meta && key === 'z') this.desk.undo();
    else return;
    event.preventDefault();
  }
}
