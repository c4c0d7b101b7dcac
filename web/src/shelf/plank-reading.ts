import { Component, computed, inject, input } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { ShelvedMake } from '@lemniscus/api';
import { checkPattern, fabricOf, roundColours, type Fabric } from '@lemniscus/core/fabric';
import type { StitchSize } from '@lemniscus/core/gauge';
import { isFinished, stitchesDone } from '@lemniscus/core/making';
import { counted, read } from '@lemniscus/core/notation';
import { measure, standsOnStart, unsewn } from '@lemniscus/core/shape';
import { handGauge } from '@lemniscus/core/supply';
import { Measurements } from '../data/owned/measurements';
import { Shapes } from '../data/follows/shapes';
import { shelvedPieces } from '../data/follows/shelved-pieces';
import { ReadingTurns } from './reading-turns';
import { Silhouette } from '../drawing/silhouette';

const VIEW = { width: 640, height: 190, gap: 26 };

/** What follows from a make’s pattern: its pieces standing side by side at one scale, worked as far as they are; what is next. */
@Component({
  selector: 'lem-plank-reading',
  imports: [RouterLink, Silhouette],
  templateUrl: './plank-reading.html',
  styleUrl: './plank-reading.css',
})
export class PlankReading {
  readonly make = input.required<ShelvedMake>();
  /** Only its pieces: the words are said already. */
  readonly bare = input(false);

  private readonly shapes = inject(Shapes);
  private readonly measurements = inject(Measurements);
  protected readonly view = VIEW;
  protected readonly counted = counted;
  private readonly turn = inject(ReadingTurns).next();
  /** Null until it is this make’s turn to be read. */
  private readonly count = computed(() => (this.turn() ? checkPattern(read(this.make().text)) : null));

  protected readonly known = computed(() => this.count() !== null);

  private readonly pieces = computed(() => {
    const make = this.make();
    const count = this.count();
    if (!count) return [];
    const size = handGauge(make, make.kit.hand, this.measurements.items()).stitch;
    const shown = new Map<Fabric, ReturnType<PlankReading['shown']>>();
    return shelvedPieces(count, count.parts.map(fabricOf), make.said, size.height).map(({ piece, counted, fabric, position }) => {
      const look = shown.get(fabric) ?? this.shown(fabric, size);
      shown.set(fabric, look);
      const inRound = fabric.stitchCount > 0 && position.round < fabric.roundCount ? position.action > 0 : false;
      return {
        ...piece,
        ...look,
        counted,
        fabric,
        position,
        rounds: position.round + (inRound ? 0.5 : 0),
        done: stitchesDone(fabric, position).total,
      };
    });
  });

  private shown(fabric: Fabric, size: StitchSize) {
    return {
      colours: roundColours(fabric),
      upright: standsOnStart(fabric),
      /** Read where it is drawn: its coming must not build every fabric anew. */
      profile: () => this.shapes.profile(fabric, size),
    };
  }

  /** Pieces with their feet on the plank, mm and the scale that fits them all; null until every profile is there. */
  protected readonly standing = computed(() => {
    const pieces = this.pieces();
    const profiles = pieces.map(({ profile, rounds, fabric }) => {
      const made = profile();
      return made && rounds < fabric.roundCount ? unsewn(made) : made;
    });
    if (pieces.length === 0 || profiles.some((profile) => profile === null)) return null;
    const sizes = profiles.map((profile) => measure(profile!));
    const wide = sizes.reduce((sum, size) => sum + size.diameter, 0);
    const tall = Math.max(...sizes.map((size) => size.height));
    const scale = Math.min((VIEW.width - VIEW.gap * (pieces.length + 1)) / wide, (VIEW.height - 16) / tall);
    let x = VIEW.width;
    const placed = pieces.map((piece, index) => ({ piece, profile: profiles[index]!, size: sizes[index]! })).reverse();
    return {
      scale,
      tall,
      pieces: placed.map(({ piece, profile, size }) => {
        x -= VIEW.gap + (size.diameter * scale) / 2;
        const at = x;
        x -= (size.diameter * scale) / 2;
        return { piece, profile, x: at };
      }),
    };
  });

  protected readonly tall = computed(() => {
    const standing = this.standing();
    return standing ? `${(standing.tall / 10).toFixed(standing.tall < 100 ? 1 : 0)} cm tall` : '';
  });

  /** What to do next with this make, in one line. */
  protected readonly next = computed(() => {
    const pieces = this.pieces();
    if (pieces.length === 0) return 'No rounds yet';
    const begun = pieces.filter((piece) => piece.done > 0 && !isFinished(piece.fabric, piece.position));
    const piece = begun[0] ?? pieces.find((each) => !isFinished(each.fabric, each.position));
    if (!piece) return 'Every piece is worked';
    if (pieces.every((each) => each.done === 0)) return `${counted(pieces.length, 'piece')}, not begun`;
    const round = piece.counted.rounds[piece.position.round];
    return `${piece.name}, ${round ? `round ${round.number} of ${piece.counted.rounds[piece.counted.rounds.length - 1]!.number}` : 'done'}`;
  });

  protected readonly progress = computed(() => {
    const all = this.pieces().reduce((sum, piece) => sum + piece.fabric.stitchCount, 0);
    const done = this.pieces().reduce((sum, piece) => sum + piece.done, 0);
    return { all, done, percent: all > 0 ? Math.round((100 * done) / all) : 0 };
  });

  protected readonly slips = computed(() => (this.count()?.diagnostics ?? []).filter((each) => each.severity === 'error').length);
}
