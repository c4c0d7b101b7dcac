import { computed, inject, Injectable } from '@angular/core';
import { Assembling } from '../data/follows/assembling';
import { bodyShapes } from '../data/follows/body-shapes';
import { CurrentMake } from '../data/open/current-make';
import { PiecePlans } from '../data/open/piece-plans';
import type { KnownBody } from '../drawing/figure/put-together';

/** The bodies of the open make, each with its shape once it is relaxed. */
@Injectable()
export class KnownBodies {
  private readonly plans = inject(PiecePlans);
  private readonly current = inject(CurrentMake);
  private readonly assembling = inject(Assembling);

  readonly parts = computed(() => this.plans.parts().map(({ counted }) => counted));
  private readonly shaped = bodyShapes({ parts: this.parts, stitch: this.current.stitch, stretch: this.current.stretch });

  /** null until all shapes have come. */
  readonly bodies = computed<readonly KnownBody[] | null>(
    () => this.shaped()?.map((body) => ({ ...body, worked: body.pieces.some((piece) => this.begun(piece)) })) ?? null,
  );

  /** Whether the last round of a piece is worked: until then its place shows only its shade. */
  private begun({ part, copy }: KnownBody['pieces'][number]): boolean {
    const step = this.assembling
      .steps()
      .findLast(({ step: own }) => own.kind === 'work' && own.piece?.part === part && own.piece.copy === copy);
    return !step || step.share > 0 || step.state === 'done';
  }
}
