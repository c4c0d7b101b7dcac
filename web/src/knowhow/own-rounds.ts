import { inject, Injectable, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import type { ShelvedMake } from '@lemniscus/api';
import { checkPattern, fabricOf } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { ownTask, type Task } from '@lemniscus/core/practice';
import { catchError, of } from 'rxjs';
import { ShelfList } from '../data/follows/shelf-list';
import { shelvedPieces } from '../data/follows/shelved-pieces';
import { PracticeRound } from './practice-round';

/** Rounds of each piece that are looked through for something to ask. */
const ROUNDS_AHEAD = 8;
const MOST_OWN = 5;
/** Where a part runs until it is so long, its stitches are taken as this wide; what is asked does not hang on it. */
const STITCH_MM = 5;

/** Tasks from the maker's own patterns: the rounds that come next at the hook. */
@Injectable()
export class OwnRounds {
  private readonly shelf = inject(ShelfList);
  private readonly round = inject(PracticeRound);
  readonly makes = toSignal(this.shelf.latest().pipe(catchError(() => of([]))), { initialValue: [] });
  /** The make in whose next rounds nothing can be asked. */
  readonly nothing = signal<string | null>(null);

  begin(make: ShelvedMake): void {
    const tasks = tasksOf(make).slice(0, MOST_OWN);
    this.nothing.set(tasks.length === 0 ? make.title : null);
    if (tasks.length > 0) this.round.begin(tasks);
  }
}

/** What can be asked about the rounds that come next in each piece of a make, once for each part. */
function tasksOf({ text, said }: ShelvedMake): readonly Task[] {
  const count = checkPattern(read(text));
  const pieces = shelvedPieces(count, count.parts.map(fabricOf), said, STITCH_MM);
  const parts = new Set<number>();
  return pieces.flatMap(({ piece, fabric, position }) => {
    if (parts.has(piece.part) || position.round >= fabric.roundCount) return [];
    parts.add(piece.part);
    const rounds = Array.from({ length: ROUNDS_AHEAD }, (_, k) => position.round + k);
    return rounds.flatMap((round) => ownTask(fabric, round, round + 1) ?? []);
  });
}
