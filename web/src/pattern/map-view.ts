import { Component, computed, inject, input, linkedSignal, output, signal } from '@angular/core';
import { checkPattern, fabricOf, roundLength, type PatternCount } from '@lemniscus/core/fabric';
import { applyEdits, counted, read, type TextEdit } from '@lemniscus/core/notation';
import {
  cornerOf,
  creepOf,
  evennessOf,
  extraStitches,
  stackingOf,
  staggerPart,
  startAngles,
  stitchAngles,
  type Lean,
  type StaggeredLine,
} from '@lemniscus/core/spacing';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { MakerHand, type Side } from '../data/device/maker-hand';
import type { SettledReading } from '../data/open/settled-reading';
import { FabricMap } from '../drawing/fabric-map';
import { ThemeService } from '../data/device/theme';
import { NumberField } from '../controls/number-field';

const percent = (share: number): string => `${Math.round(100 * share)} %`;
/** Changes that line up less than this, and corners smaller than that, are not seen on a stuffed piece (our own estimate). */
const SEEN_STACKING = 0.5;
const SEEN_CORNER = 0.02;

/** One part unrolled, with how its increases and decreases line up, and a staggered form of it to compare. */
@Component({
  selector: 'lem-map-view',
  imports: [FabricMap, NzButtonModule, NumberField],
  templateUrl: './map-view.html',
  styleUrl: './map-view.css',
})
export class MapView {
  readonly reading = input.required<SettledReading>();
  /** Part and line at the text's cursor. */
  readonly here = input<{ readonly part: number; readonly line: number } | null>(null);
  readonly goTo = output<number>();
  readonly edit = output<readonly TextEdit[]>();

  protected readonly themes = inject(ThemeService);
  protected readonly maker = inject(MakerHand);

  protected readonly sides: readonly Side[] = ['left', 'right'];
  protected readonly names = computed(() => this.reading().count.parts.map(({ part }) => part.name));
  /** The part at the cursor, until another is taken. */
  protected readonly chosen = linkedSignal(() => Math.min(this.here()?.part ?? 0, Math.max(0, this.names().length - 1)));
  private readonly counted = computed(() => this.reading().count.parts[this.chosen()] ?? null);
  protected readonly shown = computed(() => pictureOf(this.reading().count, this.chosen(), this.maker.lean()));
  protected readonly pointed = signal<number | null>(null);

  protected readonly lit = computed(() => {
    const pointed = this.pointed();
    if (pointed !== null) return pointed;
    const here = this.here();
    const counted = this.counted();
    if (!here || !counted || here.part !== this.chosen()) return null;
    const round = counted.rounds.findIndex((each) => each.line === here.line);
    return round < 0 ? null : round;
  });

  /** What the round under the pointer, or at the cursor, has. */
  protected readonly readout = computed(() => {
    const fabric = this.shown()?.fabric;
    const lit = this.lit();
    if (!fabric || lit === null || lit >= fabric.roundCount) return '';
    const evenness = evennessOf(fabric, lit);
    const label = this.counted()!.rounds[lit]!.label;
    const stitches = `${label}: ${counted(roundLength(fabric, lit), 'stitch')}`;
    const crept = this.creepWords(lit);
    if (!evenness) return `${stitches}, no changes${crept}`;
    const gaps = evenness.smallest === evenness.largest ? `${evenness.smallest}` : `${evenness.smallest} to ${evenness.largest}`;
    return `${stitches}, ${counted(evenness.changes, 'change')} with ${gaps} between${crept}`;
  });

  /** How far the start of a round has crept by then, and what brings it back. */
  private creepWords(round: number): string {
    const picture = this.shown();
    if (!picture || this.maker.hand().crept === 0 || round === 0) return '';
    const { fabric, angles } = picture;
    const crept = Math.round(Math.abs(creepOf(fabric, angles, round)));
    const extra = extraStitches(fabric, angles, round, startAngles(fabric, angles)[0]!);
    if (crept === 0) return '; its start has not crept';
    return `; its start has crept ${counted(crept, 'stitch')}, ${extra} more bring it back`;
  }

  private readonly staggered = computed<readonly StaggeredLine[]>(() => {
    const counted = this.counted();
    const { text, count } = this.reading();
    return counted ? staggerPart(counted, text, { terms: count.pattern.terms, form: 'short' }) : [];
  });
  protected readonly canStagger = computed(() => this.staggered().length > 0);

  /** The staggered form while it is being compared. */
  protected readonly comparing = linkedSignal<SettledReading, boolean>({ source: this.reading, computation: () => false });
  protected readonly after = computed(() => {
    if (!this.comparing()) return null;
    const lines = this.staggered();
    const text = applyEdits(
      this.reading().text,
      lines.map(({ edit }) => edit),
    );
    const picture = pictureOf(checkPattern(read(text)), this.chosen(), this.maker.lean());
    return picture ? { lines, picture } : null;
  });

  protected go(round: number): void {
    const counted = this.counted();
    const line = counted?.part.lines[counted.rounds[round]?.line ?? -1];
    if (line) this.goTo.emit(line.label.from);
  }

  protected write(): void {
    this.edit.emit(this.staggered().map(({ edit }) => edit));
  }
}

/** A part as the map shows it, with how far its changes line up in words. */
function pictureOf(count: PatternCount, index: number, lean: Lean) {
  const part = count.parts[index];
  if (!part || part.rounds.length === 0) return null;
  const fabric = fabricOf(part);
  const angles = stitchAngles(fabric, lean);
  const stacking = stackingOf(fabric, angles, 1, fabric.roundCount);
  const corner = cornerOf(fabric, angles, 1, fabric.roundCount);
  const seen = stacking !== null && stacking > SEEN_STACKING && corner > SEEN_CORNER;
  const words =
    stacking === null
      ? 'Too few rounds of changes to line up.'
      : `Changes line up to ${percent(stacking)}; corners of about ${(100 * corner).toFixed(1)} % of the radius${seen ? ', which shows.' : ', which hardly shows.'}`;
  const labels = part.rounds.map((round) => round.label.replace('Row ', ''));
  return {
    fabric,
    angles,
    labels,
    words,
    seen,
    label: `${part.part.name} unrolled: ${counted(fabric.roundCount, 'round')}, ${counted(fabric.stitchCount, 'stitch')}. ${words}`,
  };
}
