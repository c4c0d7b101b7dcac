import { ApplicationRef, Component, computed, effect, inject, linkedSignal, signal, untracked, viewChild } from '@angular/core';
import {
  describeOrderProblem,
  describeProblem,
  keyOf,
  moved,
  numberOfRound,
  placeWords,
  shortWay,
  turnsAfter,
  type Moved,
  type Place,
  type Places,
} from '@lemniscus/core/assembly';
import { EmptyState } from '../controls/empty-state';
import { Icon } from '../controls/icon';
import { figurePainter, isPlush } from '../controls/part-shape/figure-paint';
import { SaveMenu } from '../controls/save-menu';
import { saveBlob } from '../data/device/files';
import { LengthUnits } from '../data/device/length-units';
import { Assembling } from '../data/follows/assembling';
import { CurrentMake } from '../data/open/current-make';
import { MakeDraft } from '../data/open/make-draft';
import { Figure } from '../drawing/figure/figure';
import type { FigureBody, Held, Picked } from '../drawing/figure/figure-body';
import { PinMap, type Dragged } from '../drawing/pin-map';
import { pinMapModel } from '../drawing/pin-map-model';
import { putTogether } from '../drawing/figure/put-together';
import { KnownBodies } from './known-bodies';
import { LookOver } from './look-over';
import { OrderGraph } from './order-graph';
import { PinSheet } from './pin-sheet';
import { pinSheetSvg } from './pin-sheet-file';
import { StepPanel } from './step-panel';

/** The pieces put together: the figure with everything in its place, the pin map of what carries it, and the steps in order. */
@Component({
  selector: 'lem-assemble-stage',
  imports: [EmptyState, Figure, Icon, LookOver, OrderGraph, PinMap, PinSheet, SaveMenu, StepPanel],
  providers: [KnownBodies],
  templateUrl: './assemble-stage.html',
  styleUrl: './assemble-stage.css',
  host: {
    '(window:keydown)': 'undoKey($event)',
    '(window:beforeprint)': 'toPaper()',
    '(window:afterprint)': 'printing.set(false)',
  },
})
export class AssembleStage {
  protected readonly assembling = inject(Assembling);
  protected readonly draft = inject(MakeDraft);
  private readonly current = inject(CurrentMake);
  private readonly known = inject(KnownBodies);
  private readonly lengths = inject(LengthUnits);
  private readonly painter = figurePainter();
  private readonly application = inject(ApplicationRef);
  private readonly figure = viewChild(Figure);
  protected readonly printing = signal(false);
  protected readonly picture = signal<string | null>(null);

  protected readonly seen = signal<'figure' | 'order'>('figure');
  protected readonly panel = signal<'steps' | 'look'>('steps');
  protected readonly saveKinds = [
    { kind: 'print', words: 'Print: pin maps, figure, steps' },
    { kind: 'svg', words: 'Pin map at true scale (.svg)' },
    { kind: 'png', words: 'Picture of the figure (.png)' },
  ] as const;

  /** What a drag makes of a place, until it is let go. */
  private readonly dragging = signal<Moved | null>(null);
  /** Another place that is tried beside the one that is written, until one is chosen. */
  protected readonly trying = signal(false);
  protected readonly tried = signal<Moved | null>(null);
  protected readonly seesTried = linkedSignal(() => this.tried() !== null);
  protected readonly moving = computed(() => this.dragging() !== null);
  protected readonly places = computed<Places | null>(() => {
    const shown = this.dragging() ?? (this.seesTried() ? this.tried() : null);
    return shown ? this.assembling.preview(shown) : this.assembling.places();
  });
  protected readonly mmPerUnit = computed(() => this.current.stitch()?.width ?? 5);

  /** Hosts with something on them, those with most first. */
  protected readonly hosts = computed(() => {
    const counts = new Map<string, { readonly key: string; readonly name: string; count: number }>();
    for (const { host, wall } of this.places()?.places ?? []) {
      const key = keyOf(host);
      const copies = wall.made.counted.part.copies;
      const own = counts.get(key) ?? { key, name: copies > 1 ? `${wall.name} ${host.copy}` : wall.name, count: 0 };
      own.count++;
      counts.set(key, own);
    }
    return [...counts.values()].sort((a, b) => b.count - a.count);
  });
  /** The host that is unrolled: that of the place looked at, until another is taken. */
  protected readonly host = linkedSignal<string | null>(() => {
    const selected = this.selectedPlace();
    return selected ? keyOf(selected.host) : (this.hosts()[0]?.key ?? null);
  });
  /** Whether what is moved is where it was really put, and not what the pattern says. */
  protected readonly elsewhere = signal(false);
  protected readonly selected = signal<string | null>(null);
  private readonly selectedPlace = computed(
    () => this.places()?.places.find((place) => nameOf(place) === this.selected()) ?? null,
  );
  protected readonly map = computed(() => {
    const all = this.places();
    const key = this.host();
    const wall = key === null ? undefined : all?.walls.get(key);
    if (!all || !wall) return null;
    return pinMapModel(
      wall,
      all.fronts.get(key!) ?? 0,
      all.places.filter(({ host }) => keyOf(host) === key),
    );
  });
  protected readonly wrong = computed(
    () =>
      new Set(
        this.places()
          ?.problems.filter(({ severity }) => severity !== 'hint')
          .map(({ feature }) => feature) ?? [],
      ),
  );
  protected readonly told = computed(() => {
    const order = this.assembling.order();
    const places = this.places();
    const serious = places?.problems.filter(({ severity }) => severity !== 'hint') ?? [];
    return [...serious.map(describeProblem), ...(order?.problems.map(describeOrderProblem) ?? [])].slice(0, 3);
  });
  /** The place looked at, in words: read out as it moves. */
  protected readonly said = computed(() => {
    const place = this.selectedPlace();
    if (!place) return '';
    const pin = place.pins[0]!;
    const around =
      Math.abs(pin.aroundMm) < 1
        ? 'right in front'
        : `${this.lengths.words(Math.abs(pin.aroundMm))} round to the ${pin.fromFront < 0 ? 'left' : 'right'}`;
    const across = place.across === null ? '' : `, ${this.lengths.words(place.across)} straight across`;
    return `${place.feature.name}: ${placeWords(place)} ${around}${across}.`;
  });

  private readonly together = computed(() => {
    const known = this.known.bodies();
    const places = this.assembling.places();
    const parts = this.known.parts();
    if (!known || !places) return null;
    const shown = this.places() ?? places;
    const plush = isPlush(this.current.make()?.yarnWeight ?? 0);
    return putTogether(
      known,
      shown,
      parts,
      ({ stitches }) => this.painter(stitches.colours, plush),
      this.assembling.eyeMm() / 2 / this.mmPerUnit(),
    );
  });
  protected readonly bodies = computed<readonly FigureBody[]>(() => this.together()?.bodies ?? []);
  protected readonly whole = computed(() => this.together()?.height ?? null);
  protected readonly label = computed(() => {
    const places = this.places()?.places ?? [];
    return `${this.current.title()} put together: ${places.map((place) => `${place.feature.name} ${placeWords(place)}`).join(' ')}`;
  });
  protected readonly title = this.current.title;

  constructor() {
    // A step at hand is the place that is looked at.
    effect(() => {
      const step = this.assembling.steps().find(({ state }) => state === 'ready' || state === 'waits')?.step;
      const feature = step?.feature;
      untracked(() => {
        if (feature && this.selected() === null) this.selected.set(`${feature.id} ${step.piece?.copy ?? feature.copies[0]}`);
      });
    });
  }

  protected choose(place: Place): void {
    this.selected.set(nameOf(place));
  }

  protected picked({ body }: Picked): void {
    const place = this.together()?.places[body];
    if (place) this.choose(place);
  }

  protected readonly canHold = (held: Held): boolean => this.placeHeld(held) !== null;

  private placeHeld({ body, eye }: Held): Place | null {
    const together = this.together();
    return (eye === null ? together?.places[body] : together?.set[body]?.[eye]) ?? null;
  }

  /** Dragged over a stitch of its host: there it goes. */
  protected dragOver({ held, over }: { readonly held: Held; readonly over: Picked }): void {
    const place = this.placeHeld(held);
    const host = this.together();
    const pieces = host?.pieces[over.body];
    const shape = host?.bodies[over.body]?.shape;
    if (!place || !pieces || !shape || !pieces.some(({ part, copy }) => part === place.host.part && copy === place.host.copy))
      return;
    const { stitches } = shape;
    const piece = stitches.piece[over.stitch]!;
    if (shape.pieces[piece]?.part !== place.host.part) return;
    const row = stitches.row[over.stitch]!;
    const { fabric } = place.wall.made;
    const round = fabric.round[row] ?? 0;
    const front = this.places()?.fronts.get(keyOf(place.host)) ?? 0;
    const turns = turnsAfter(place.wall, round, row - fabric.roundStart[round]! + 0.5);
    this.choose(place);
    this.drag({ place, target: { round, fromFront: shortWay(-place.wall.leftward * (turns - front)) } });
  }

  protected drag({ place, target }: Dragged): void {
    const all = this.assembling.places();
    const own = all?.places.find((each) => nameOf(each) === nameOf(place));
    if (all && own) this.dragging.set(moved(all, own, target));
  }

  protected tryAnother(): void {
    this.elsewhere.set(false);
    this.trying.set(true);
  }

  /** Chooses what is seen, of the two places. */
  protected keepSeen(): void {
    const tried = this.tried();
    if (tried && this.seesTried()) this.assembling.write(tried);
    this.tried.set(null);
    this.trying.set(false);
  }

  protected drop(): void {
    const dragging = this.dragging();
    const place = this.selectedPlace();
    this.dragging.set(null);
    if (!dragging) return;
    if (this.elsewhere() && place) this.keepElsewhere(place);
    else if (this.trying()) this.tried.set(dragging);
    else this.assembling.write(dragging);
  }

  /** Keeps where a thing really is; the pattern stays as it is, and the other of a pair follows. */
  private keepElsewhere({ feature, copy, wall, pins }: Place): void {
    const { round, after, in: inside } = pins[0]!;
    this.assembling.putElsewhere(feature, copy, { round: numberOfRound(wall, round), after, inside });
  }

  protected nudge({ place, right, down }: { place: Place; right: number; down: number }): void {
    const all = this.assembling.places();
    if (!all) return;
    const pin = place.pins[0]!;
    const count = Math.max(1, place.wall.counts[pin.round]!);
    const up = place.wall.upright ? 1 : -1;
    const most = place.wall.counts.length - (place.gap ? 2 : 1);
    const round = Math.max(0, Math.min(most, pin.round - up * down));
    const change = moved(all, place, { round, fromFront: pin.fromFront + right / count });
    if (!this.elsewhere()) {
      if (this.trying()) this.tried.set(change);
      else this.assembling.write(change);
      return;
    }
    const now = this.assembling.preview(change)?.places.find((each) => nameOf(each) === nameOf(place));
    if (now) this.keepElsewhere(now);
  }

  protected undoKey(event: KeyboardEvent): void {
    if (event.key.toLowerCase() !== 'z' || !(event.ctrlKey || event.metaKey) || event.shiftKey) return;
    event.preventDefault();
    this.draft.unwrite();
  }

  /** The sheet for paper is there only while it is printed; it has to be drawn before the event is over. */
  protected toPaper(): void {
    this.picture.set(this.figure()?.snapshot() ?? null);
    this.printing.set(true);
    this.application.tick();
  }

  protected async save(kind: 'print' | 'svg' | 'png'): Promise<void> {
    if (kind === 'print') {
      print();
      return;
    }
    const map = this.map();
    const file = kind === 'svg' ? map && pinSheetSvg(map, this.title()) : await this.figure()?.file('png', this.title());
    if (file) saveBlob(`${this.title()}, ${kind === 'svg' ? 'pin map' : 'put together'}`, kind, file);
  }
}

const nameOf = ({ feature, copy }: Place): string => `${feature.id} ${copy}`;
