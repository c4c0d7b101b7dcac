import { inject, Injectable, signal } from '@angular/core';
import type { ShelvedMake } from '@lemniscus/api';
import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { doableNow, type Doable } from '@lemniscus/core/planning';
import { handGauge } from '@lemniscus/core/supply';
import { concatMap, from, Subject, switchMap, tap } from 'rxjs';
import { whenIdle } from '../data/device/when-idle';
import { MakerPace } from '../data/follows/maker-pace';
import { shelvedPieces } from '../data/follows/shelved-pieces';
import { Measurements } from '../data/owned/measurements';

const TURN_MS = { most: 200, unasked: 10 };

/** What each make on the shelf has to offer right now, read one after the other in the pauses of the page. */
@Injectable()
export class ShelfDoable {
  private readonly measurements = inject(Measurements);
  private readonly maker = inject(MakerPace);
  private readonly asked = new Subject<readonly ShelvedMake[]>();
  private readonly known = new Map<string, ShelvedMake>();

  readonly found = signal<ReadonlyMap<string, Doable>>(new Map());
  readonly looking = signal(false);

  constructor() {
    this.asked
      .pipe(
        switchMap((makes) =>
          from([...makes, null]).pipe(
            concatMap((make) =>
              whenIdle(TURN_MS.most, TURN_MS.unasked).pipe(tap(() => (make ? this.look(make) : this.looking.set(false)))),
            ),
          ),
        ),
      )
      .subscribe();
  }

  /** Looks through the makes that were not looked through as they are. */
  lookThrough(makes: readonly ShelvedMake[]): void {
    if (!this.maker.learned()) this.maker.learn(makes);
    const fresh = makes.filter((make) => this.known.get(make.id) !== make);
    if (fresh.length === 0) return;
    this.looking.set(true);
    this.asked.next(fresh);
  }

  private look(make: ShelvedMake): void {
    const count = checkPattern(read(make.text));
    const { height } = handGauge(make, make.kit.hand, this.measurements.items()).stitch;
    const pieces = shelvedPieces(count, count.parts.map(fabricOf), make.said, height).map(({ piece, fabric, position }) => ({
      name: piece.name,
      fabric,
      position,
    }));
    this.known.set(make.id, make);
    this.found.update((all) => new Map(all).set(make.id, doableNow(pieces, this.maker.pace())));
  }
}
