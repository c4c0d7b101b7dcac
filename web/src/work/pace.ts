import { computed, inject, Injectable, untracked } from '@angular/core';
import { paceOf, sessionsOf, stitchesDone, timeWorked, type Session } from '@lemniscus/core/making';
import { MakerLog } from '../data/open/maker-log';
import { PiecePlans } from '../data/open/piece-plans';
import { AtHook } from './at-hook';

/** How fast this maker works, and for how long today. */
@Injectable()
export class Pace {
  private readonly hook = inject(AtHook);
  private readonly log = inject(MakerLog);
  private readonly plans = inject(PiecePlans);

  /** Told anew with every round: a stitch more changes little. */
  private readonly sessions = computed(() => {
    this.hook.piece();
    this.hook.round();
    return untracked(() => this.sessionsNow());
  });
  readonly stitchesAMinute = computed(() => paceOf(this.sessions()));
  /** Minutes worked since the day began. */
  readonly minutesToday = computed(() => {
    const day = new Date().setHours(0, 0, 0, 0);
    return Math.round(timeWorked(this.sessions().filter((session) => session.to >= day)) / 60_000);
  });

  /** Whole minutes that so many stitches take or took, one at least. */
  minutesFor(stitches: number): number {
    return Math.max(1, Math.round(stitches / this.stitchesAMinute()));
  }

  private sessionsNow(): Session[] {
    const fabrics = new Map(this.plans.pieces().map((piece) => [piece.id, this.plans.of(piece.id)?.fabric ?? null]));
    return sessionsOf(this.log.all(), ({ piece, round, action }) => {
      const fabric = fabrics.get(piece);
      return fabric ? stitchesDone(fabric, { round, action }).total : 0;
    });
  }
}
