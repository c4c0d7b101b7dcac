import { computed, effect, inject, Injectable, signal, untracked } from '@angular/core';
import { Sketch as Kept } from '@lemniscus/api/sketch';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { checkPattern } from '@lemniscus/core/fabric';
import { yarnWeight, type StitchSize } from '@lemniscus/core/gauge';
import { read } from '@lemniscus/core/notation';
import { takes } from '@lemniscus/core/resize';
import {
  firstFound,
  plainPart,
  rimOf,
  roundedOf,
  sketchText,
  type Found,
  type Sketch,
  type SketchOutline,
  type SketchPart,
} from '@lemniscus/core/sketch';
import { handGauge, handStretch } from '@lemniscus/core/supply';
import { debounce, timer } from 'rxjs';
import { Designs } from '../data/follows/designs';
import { Measurements } from '../data/owned/measurements';
import { Sketches } from '../data/owned/sketches';
import { keepUndo, undoOf } from './undo-store';

/** Rounds that are known for a part as it is drawn. */
export interface PartFound {
  readonly part: SketchPart;
  readonly found: Found | null;
  /** Stitches of what it grows out of, where it does. */
  readonly rim: number | null;
  /** A first answer: the best is still looked for. */
  readonly first: boolean;
}

/** So long after the last change the pattern is counted and the figure drawn anew, ms. */
const AFTER_MS = { held: 700, rested: 120 };
/** Parts whose rounds are kept; the oldest go first. */
const KEPT = 300;

/** The sketch that is open: what is drawn, undone and done again, and the rounds that are found for it. */
@Injectable()
export class SketchDesk {
  private readonly sketches = inject(Sketches);
  private readonly measurements = inject(Measurements);
  private readonly best = inject(Designs).look((answer) => ('found' in answer ? { found: answer.found } : undefined));

  private readonly open = signal<Sketch | null>(null);
  private readonly past = signal<readonly Sketch[]>([]);
  private readonly future = signal<readonly Sketch[]>([]);
  /** What is being done without a pause is one step: a drag, a number that is held. */
  private readonly gesture = signal<string | null>(null);
  private readonly stepped = signal<SketchPart | null>(null);
  private readonly known = signal<ReadonlyMap<string, Found | null>>(new Map());

  readonly sketch = this.open.asReadonly();
  readonly canUndo = computed(() => this.past().length > 0);
  readonly canRedo = computed(() => this.future().length > 0);
  readonly dragging = computed(() => this.gesture() !== null);
  readonly chosenId = signal<string | null>(null);
  readonly part = computed(() => this.parts().find(({ id }) => id === this.chosenId()) ?? this.parts()[0] ?? null);
  readonly parts = computed(() => this.open()?.parts ?? []);

  private readonly tools = computed(() => {
    const { yarnWeight: weight = 4, hookMm = 3.5 } = this.open() ?? {};
    return { yarnWeight: weight, hookMm };
  });
  readonly gauge = computed(() => handGauge(this.tools(), null, this.measurements.items()));
  readonly stitch = computed<StitchSize>(() => this.gauge().stitch, {
    equal: (a, b) => a.width === b.width && a.height === b.height,
  });
  readonly stretch = computed(() => handStretch(this.tools(), this.measurements.items()));

  /** Every part with its rounds: the best that is known, else a first answer. What others grow out of is found before them. */
  readonly found = computed<readonly PartFound[]>(() => {
    const gauge = { stitch: this.stitch(), stretch: this.stretch() };
    const parts = this.parts();
    const done = new Map<string, PartFound>();
    const find = (part: SketchPart, waiting: ReadonlySet<string>): PartFound => {
      const before = done.get(part.id);
      if (before) return before;
      const from = parts.find(({ id }) => id === part.grows?.from && !waiting.has(id));
      const last = from && find(from, new Set([...waiting, part.id])).found?.fit.counts.at(-1);
      const rim = part.grows && from && last ? rimOf(part.grows, from.copies, last) : null;
      const known = this.known().get(this.keyOf(part, rim));
      const first = known === undefined;
      const one = { part, rim, found: first ? firstFound(part, gauge, rim ?? undefined) : known, first };
      done.set(part.id, one);
      return one;
    };
    return parts.map((part) => find(part, new Set([part.id])));
  });
  readonly chosen = computed(() => this.found().find(({ part }) => part === this.part()) ?? null);
  /** The chosen part as it was before the step just taken, until anything else is changed. */
  readonly before = computed(() => {
    const part = this.stepped();
    if (!part || part.id !== this.part()?.id) return null;
    return { part, rounds: this.known().get(this.keyOf(part, this.chosen()?.rim ?? null))?.fit.counts.length ?? null };
  });
  readonly looking = computed(() => this.best.state().going);
  readonly share = computed(() => this.best.state().share);
  private readonly refused = signal<string | null>(null);
  readonly trouble = computed(() => this.refused() ?? this.best.state().trouble);

  /** What is drawn as a pattern, as it stands. */
  readonly text = computed(() => textOf(this.open(), this.found()));
  /** What was drawn when the hand last rested, for all that is too slow for a drag. */
  private readonly rested = toSignal(
    toObservable(computed(() => ({ sketch: this.open(), found: this.found() }))).pipe(
      debounce(() => timer(this.dragging() ? AFTER_MS.held : AFTER_MS.rested)),
    ),
    { initialValue: { sketch: null, found: [] } },
  );
  readonly count = computed(() => checkPattern(read(textOf(this.rested().sketch, this.rested().found))));
  readonly takes = computed(() => takes(this.count(), { stitch: this.stitch(), yarnWeight: this.tools().yarnWeight }));

  constructor() {
    effect(() => {
      const missing = this.found().find(({ first }) => first);
      const gauge = { stitch: this.stitch(), stretch: this.stretch() };
      if (!missing) return;
      const { part, rim } = missing;
      const key = this.keyOf(part, rim);
      untracked(() =>
        this.best.ask({ is: 'find', part, gauge, ...(rim === null ? {} : { rim }) }, ({ found }) => this.learn(key, found)),
      );
    });
    // Another window, or another device, went on with it.
    effect(() => {
      const listed = this.sketches.items();
      untracked(() => {
        const mine = this.open();
        const theirs = mine && listed.find(({ id }) => id === mine.id);
        if (!theirs || theirs.at <= mine.at || this.dragging()) return;
        this.open.set(theirs);
        // What this device kept of the list may be older than the sketch: its way back comes with it.
        const back = undoOf(theirs);
        if (back.length > 0) this.past.set(back);
      });
    });
  }

  private keyOf({ outline, counts, first, stuffed, worked }: SketchPart, rim: number | null): string {
    const { width, height } = this.stitch();
    return JSON.stringify([outline, counts, first, stuffed, worked, rim, width, height, this.stretch()]);
  }

  private learn(key: string, found: Found | null): void {
    this.known.update((known) => new Map([...[...known].slice(-KEPT), [key, found]]));
  }

  /** Stops looking for better rounds: what there is stands. */
  settle(): void {
    this.best.stop();
    for (const { part, rim, found, first } of this.found()) if (first) this.learn(this.keyOf(part, rim), found);
  }

  take(sketch: Sketch): void {
    this.open.set(sketch);
    this.past.set(undoOf(sketch));
    this.future.set([]);
    this.stepped.set(null);
    this.chosenId.set(sketch.parts[0]?.id ?? null);
  }

  /** Puts the sketch away; it is kept. */
  close(): void {
    this.rest();
    this.open.set(null);
    this.past.set([]);
    this.future.set([]);
    this.chosenId.set(null);
  }

  /** Everything done under one name until `rest` is one step back. */
  change(next: Sketch, gesture: string | null = null): void {
    const before = this.open();
    if (!before) return;
    // What nobody would keep is not made: it would be lost with the page.
    const kept = Kept.safeParse(next);
    this.stepped.set(null);
    this.refused.set(kept.success ? null : `That is more than a sketch holds: ${kept.error.issues[0]!.message}`);
    if (!kept.success) {
      this.open.set({ ...before, parts: before.parts.map((part) => ({ ...part, outline: { ...part.outline } })) });
      return;
    }
    if (gesture === null || this.gesture() !== gesture) {
      this.past.update((past) => [...past, before]);
      this.future.set([]);
    }
    this.gesture.set(gesture);
    this.open.set({ ...next, at: this.sketches.now() });
    if (gesture === null) this.keep();
  }

  /** What was being done is done. */
  rest(): void {
    if (this.gesture() === null) return;
    this.gesture.set(null);
    this.keep();
  }

  private keep(): void {
    const sketch = this.open();
    if (!sketch) return;
    this.sketches.put(sketch);
    keepUndo(sketch, this.past());
  }

  undo(): void {
    this.go(this.past, this.future);
  }

  redo(): void {
    this.go(this.future, this.past);
  }

  private go(from: typeof this.past, to: typeof this.past): void {
    this.gesture.set(null);
    const before = from().at(-1);
    const now = this.open();
    if (!before || !now) return;
    this.stepped.set(null);
    from.update((all) => all.slice(0, -1));
    to.update((all) => [...all, now]);
    this.open.set({ ...before, at: this.sketches.now() });
    this.keep();
  }

  set(change: Partial<Pick<Sketch, 'name' | 'yarnWeight' | 'hookMm'>>, gesture: string | null = null): void {
    const sketch = this.open();
    if (sketch) this.change({ ...sketch, ...change }, gesture);
  }

  /** The chosen part, or another by its id, as it is now. */
  setPart(change: Partial<SketchPart>, gesture: string | null = null, id = this.part()?.id): void {
    const sketch = this.open();
    if (!sketch) return;
    this.change({ ...sketch, parts: sketch.parts.map((part) => (part.id === id ? { ...part, ...change } : part)) }, gesture);
  }

  /** A step to another shape: what it was stays in sight beside what it is. */
  step(change: Partial<SketchPart>): void {
    const before = this.part();
    this.setPart(change);
    this.stepped.set(before);
  }

  /** Another outline: what was set by hand goes, as it was for another shape. */
  setOutline(outline: SketchOutline, gesture: string | null = null): void {
    this.setPart({ outline, counts: null }, gesture);
  }

  add(name: string, outline: SketchOutline, more: Partial<SketchPart> = {}): void {
    const sketch = this.open();
    if (!sketch) return;
    const part = { ...plainPart(crypto.randomUUID(), this.freeName(name), outline), ...more, id: crypto.randomUUID() };
    const named = { ...part, name: this.freeName(more.name ?? name) };
    this.change({ ...sketch, parts: [...sketch.parts, named] });
    this.chosenId.set(named.id);
  }

  /** Another name for the chosen part, that no other has: the pattern speaks of parts by their names. */
  rename(name: string): void {
    const part = this.part();
    if (part && name !== '' && name !== part.name) this.setPart({ name: this.freeName(name, part.id) });
  }

  /** The chosen part goes, and whatever sits on it sits nowhere. */
  removePart(): void {
    const [sketch, part] = [this.open(), this.part()];
    if (!sketch || !part) return;
    const rest = sketch.parts.filter(({ id }) => id !== part.id);
    this.change({ ...sketch, parts: rest.map((each) => withoutPart(each, part.id)) });
    this.chosenId.set(rest[0]?.id ?? null);
  }

  /** A name that no other part has. */
  private freeName(name: string, own: string | null = null): string {
    const others = this.parts().filter(({ id }) => id !== own);
    const taken = new Set(others.map((part) => part.name.toLowerCase()));
    if (!taken.has(name.toLowerCase())) return name;
    for (let i = 2; ; i++) if (!taken.has(`${name} ${i}`.toLowerCase())) return `${name} ${i}`;
  }
}

/** A part that neither sits on another nor grows out of it. */
function withoutPart(part: SketchPart, other: string): SketchPart {
  const place = part.place?.on === other ? null : part.place;
  const grows = part.grows?.from === other ? null : part.grows;
  return place === part.place && grows === part.grows ? part : { ...part, place, grows };
}

function textOf(sketch: Sketch | null, found: readonly PartFound[]): string {
  if (!sketch) return '';
  const rounded = found.map(({ part, found: known }) => roundedOf(part, known));
  return sketchText(sketch, rounded, yarnWeight(sketch.yarnWeight).name);
}
