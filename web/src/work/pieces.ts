import { computed, inject, Injectable } from '@angular/core';
import { carriedChanges, carry, stitchesDone } from '@lemniscus/core/making';
import { MakerLog } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';
import { AtHook } from './at-hook';
import { Pace } from './pace';

/** Every piece of the make beside the one at the hook. */
@Injectable()
export class Pieces {
  private readonly hook = inject(AtHook);
  private readonly log = inject(MakerLog);
  private readonly plans = inject(PiecePlans);
  private readonly pace = inject(Pace);

  /** Every piece with how far it is. */
  readonly all = computed(() =>
    this.plans.pieces().map(({ id, name }) => {
      const fabric = this.plans.of(id)?.fabric;
      const done = fabric ? stitchesDone(fabric, this.plans.position(id)).total : 0;
      const all = fabric?.stitchCount ?? 0;
      return {
        id,
        name,
        done: all > 0 ? done / all : 0,
        left: all - done,
        minutes: (all - done) / this.pace.stitchesAMinute(),
        stuffing: this.stuffingOf(id),
      };
    }),
  );

  /** The next piece that is not finished, after the one at the hook. */
  readonly next = computed(() => {
    const pieces = this.all();
    const at = pieces.findIndex((piece) => piece.id === this.hook.piece()?.id);
    return [...pieces.slice(at + 1), ...pieces.slice(0, at)].find((piece) => piece.done < 1) ?? null;
  });

  /** What the first of several alike had that the one at the hook has not: made otherwise, and its stuffing. */
  readonly sibling = computed(() => {
    const plan = this.hook.plan();
    if (!plan || plan.piece.copies < 2) return null;
    const others = this.plans.pieces().filter((piece) => piece.part === plan.piece.part && piece.id !== plan.piece.id);
    for (const { id, name } of others) {
      const stuffing = this.stuffingOf(id);
      const other = this.plans.of(id);
      const changes = other ? carriedChanges(other.changes, carry(other.lines, plan.lines)) : [];
      const fresh = changes.filter((change) => !plan.changes.some((own) => same(own, change)));
      if (fresh.length > 0 || stuffing !== null) return { name, changes: fresh, stuffing };
    }
    return null;
  });

  /** Grams of stuffing a piece took; null while that is not weighed. */
  private stuffingOf(piece: string): number | null {
    const said = this.log.said(piece).findLast((event) => event.kind === 'stuffed');
    return said?.kind === 'stuffed' ? said.grams : null;
  }
}

function same(a: object, b: object): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}
