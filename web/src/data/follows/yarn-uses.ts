import { computed, inject, Injectable, signal } from '@angular/core';
import type { PiecesSaid, ShelvedMake, YarnUse } from '@lemniscus/api';
import { checkPattern, fabricOf, type Fabric, type PatternCount } from '@lemniscus/core/fabric';
import { START, type Position } from '@lemniscus/core/making';
import { read } from '@lemniscus/core/notation';
import { handGauge, plannedParts, supplyOf, usedSince, type Situation } from '@lemniscus/core/supply';
import { catchError, EMPTY, forkJoin, switchMap } from 'rxjs';
import { Basket } from '../owned/basket';
import { shelvedPieces, type ShelvedPiece } from './shelved-pieces';
import { Measurements } from '../owned/measurements';
import { Sender } from '../sync/sender';
import { ShelfList } from './shelf-list';

/** What one make takes of one yarn, g: used since the yarn was weighed, and still needed. */
export interface YarnShare {
  readonly make: string;
  readonly title: string;
  readonly yarn: string;
  readonly used: number;
  readonly needed: number;
}

interface ReadMake {
  readonly version: number;
  readonly count: PatternCount;
  readonly fabrics: readonly Fabric[];
}

/** What every make on the shelf takes of the basket. */
@Injectable({ providedIn: 'root' })
export class YarnUses {
  private readonly shelf = inject(ShelfList);
  private readonly sender = inject(Sender);
  private readonly basket = inject(Basket);
  private readonly measurements = inject(Measurements);
  private readonly makes = signal<readonly ShelvedMake[]>([]);
  private readonly uses = signal<readonly YarnUse[]>([]);
  private readonly readMakes = new Map<string, ReadMake>();

  readonly shares = computed<readonly YarnShare[]>(() => {
    const uses = this.uses();
    return this.makes()
      .filter((make) => make.kit.yarns.length > 0)
      .flatMap((make) =>
        this.sharesOf(
          make,
          uses.filter((use) => use.make === make.id),
        ),
      );
  });

  /** Asks the server what the makes are at now. */
  refresh(): void {
    this.sender
      .settled()
      .pipe(
        switchMap(() => forkJoin([this.shelf.latest(), this.basket.uses()])),
        catchError(() => EMPTY),
      )
      .subscribe(([makes, uses]) => {
        this.makes.set(makes);
        this.uses.set(uses);
      });
  }

  private sharesOf(make: ShelvedMake, uses: readonly YarnUse[]): YarnShare[] {
    const { count, fabrics } = this.reading(make);
    const { height } = handGauge(make, make.kit.hand, this.measurements.items()).stitch;
    const pieces = (said: PiecesSaid): ShelvedPiece[] => shelvedPieces(count, fabrics, said, height);
    const place = (all: readonly ShelvedPiece[]) => {
      const places = new Map(all.map(({ piece, position }) => [piece.id, position]));
      return (piece: string): Position => places.get(piece) ?? START;
    };
    const now = pieces(make.said);
    // A part whose length is open has as many rounds as its first piece.
    const open = (part: number): boolean => count.parts[part]!.part.lines.some((line) => line.open);
    const first = (part: number): ShelvedPiece | undefined =>
      open(part) ? now.find(({ piece }) => piece.part === part) : undefined;
    const situation: Situation = {
      parts: plannedParts(
        { pattern: count.pattern, parts: count.parts.map((counted, part) => first(part)?.counted ?? counted) },
        (part) => first(part)?.fabric ?? fabrics[part] ?? null,
        place(now),
      ),
      tools: make,
      kit: make.kit,
      measurements: this.measurements.items(),
      basket: this.basket.items().map((yarn) => ({ yarn, free: yarn.grams })),
    };
    return supplyOf(situation).demands.flatMap(({ yarn, left }): YarnShare[] => {
      if (!yarn) return [];
      const use = uses.find((each) => each.yarn === yarn.id);
      const used = use ? (usedSince(situation, place(pieces(use.before))).get(yarn.id) ?? 0) : 0;
      return [{ make: make.id, title: make.title, yarn: yarn.id, used, needed: left.grams }];
    });
  }

  private reading({ id, version, text }: ShelvedMake): ReadMake {
    const known = this.readMakes.get(id);
    if (known?.version === version) return known;
    const count = checkPattern(read(text));
    const made = { version, count, fabrics: count.parts.map(fabricOf) };
    this.readMakes.set(id, made);
    return made;
  }
}
