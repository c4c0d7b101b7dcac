import { Component, computed, effect, inject, input, output, signal, untracked, viewChild } from '@angular/core';
import type { PartCount } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { FIRM, isFlatLie, lieOf, type BodyPiece, type BodyShape } from '@lemniscus/core/shape';
import { LengthUnits } from '../../data/device/length-units';
import { Figures } from '../../data/follows/figures';
import { Figure } from '../../drawing/figure/figure';
import type { FigureFile } from '../../drawing/figure/figure-files';
import type { FigureBody, Picked } from '../../drawing/figure/figure-body';
import { standsOut } from '../../drawing/figure/figure-words';
import { figurePainter } from './figure-paint';
import { eyesOf, fabricsIn, lineOfStitch, marksOf, type PatternLine } from './shape-marks';

/** Progress is shown once it has taken so long, ms: most shapes are there before. */
const SHOW_PROGRESS_AFTER = 600;

/**
 * A part in the round with all that is joined to it, stitch by stitch, as it will look stuffed. A change settles while one
 * watches; the old shape stays until the new one is there.
 */
@Component({
  selector: 'lem-part-shape',
  imports: [Figure],
  templateUrl: './part-shape.html',
  styleUrl: './part-shape.css',
})
export class PartShape {
  readonly parts = input.required<readonly PartCount[]>();
  /** Index of the part; the body it is in is shown. */
  readonly part = input.required<number>();
  readonly copy = input(0);
  readonly stitch = input.required<StitchSize>();
  /** Share by which stuffing stretches it. */
  readonly stretch = input(FIRM);
  readonly plush = input(false);
  readonly eyeMm = input<number | null>(null);
  /** Whether it stands on its start; as the part is usually seen where it is null. */
  readonly upright = input<boolean | null>(null);
  /** The line whose stitches are lit. */
  readonly here = input<PatternLine | null>(null);
  readonly words = input(true);
  readonly picked = output<PatternLine>();

  private readonly figures = inject(Figures);
  private readonly lengths = inject(LengthUnits);
  private readonly painter = figurePainter();
  private readonly look = this.figures.look();
  private readonly figure = viewChild(Figure);
  protected readonly state = this.look.state;
  protected readonly slow = signal(false);

  private readonly counted = computed(() => this.parts()[this.part()]);
  protected readonly of = computed(() => this.state().of ?? this.parts());

  protected readonly bodies = computed<FigureBody[]>(() => {
    const { shape } = this.state();
    if (!shape) return [];
    const paint = this.painter(shape.stitches.colours, this.plush());
    return [{ shape, paint, x: 0, eyes: eyesOf(shape, this.of(), this.eyeMm(), this.stitch().width) }];
  });
  protected readonly marks = computed(() => {
    const { shape } = this.state();
    return shape ? [marksOf(shape, this.of(), this.here())] : [];
  });

  /** The piece that was asked for, in the shape. */
  readonly piece = computed<BodyPiece | null>(() => {
    const { shape } = this.state();
    return shape?.pieces.find(({ part, copy }) => part === this.part() && copy === this.copy()) ?? null;
  });
  protected readonly said = computed(() => {
    const piece = this.piece();
    const { shape } = this.state();
    if (!piece || !shape) return '';
    const fabric = fabricsIn(shape, this.of()).get(piece.part);
    const flat = fabric !== undefined && isFlatLie(lieOf(fabric));
    const words = standsOut(shape, piece, (widths) => this.lengths.words(widths * this.stitch().width), flat);
    return [...words, ...joinedWords(shape, this.of(), piece), ...unsettled(shape, this.state().going)].join('; ');
  });
  protected readonly label = computed(() => `${this.counted()?.part.name ?? ''} in the round: ${this.said()}`);

  constructor() {
    effect(() => {
      const [parts, part, copy] = [this.parts(), this.part(), this.copy()];
      const ratio = this.stitch().height / this.stitch().width;
      const upright = this.upright();
      const stretch = this.stretch();
      if (parts[part]) untracked(() => this.look.ask({ parts, part, copy, ratio, stretch, upright }));
    });
    effect((onCleanup) => {
      if (!this.state().going) {
        this.slow.set(false);
        return;
      }
      const timer = setTimeout(() => this.slow.set(true), SHOW_PROGRESS_AFTER);
      onCleanup(() => clearTimeout(timer));
    });
  }

  protected stop(): void {
    this.look.stop();
  }

  protected pick({ stitch }: Picked): void {
    const { shape } = this.state();
    const line = shape && lineOfStitch(shape, this.of(), stitch);
    if (line) this.picked.emit(line);
  }

  file(kind: FigureFile | 'png'): Promise<Blob | null> {
    return this.figure()?.file(kind, this.counted()?.part.name ?? '') ?? Promise.resolve(null);
  }
}

function joinedWords({ pieces }: BodyShape, parts: readonly PartCount[], own: BodyPiece): string[] {
  const others = pieces.filter((piece) => piece !== own).map(({ part }) => parts[part]?.part.name ?? '');
  const names = [...new Set(others)].map((name) => {
    const count = others.filter((each) => each === name).length;
    return count > 1 ? `${name} × ${count}` : name;
  });
  return names.length > 0 ? [`grown together with ${names.join(', ')}`] : [];
}

/** A shape that never came to rest is as far as it got. */
function unsettled({ outcome }: BodyShape, going: boolean): string[] {
  if (going || outcome === 'settled') return [];
  return [outcome === 'restless' ? 'it ruffles or folds, and is shown as far as it settled' : 'stopped before it had settled'];
}
