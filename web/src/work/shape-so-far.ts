import { Component, computed, inject, output } from '@angular/core';
import { statedKit } from '@lemniscus/core/supply';
import { Dialog } from '../controls/dialog';
import { isPlush } from '../controls/part-shape/figure-paint';
import { PartShape } from '../controls/part-shape/part-shape';
import { CurrentMake } from '../data/open/current-make';
import { AtHook } from './at-hook';

/** The piece at the hook in the round as far as it is worked, its working edge up as it is held; the whole where nothing is yet. */
@Component({
  selector: 'lem-shape-so-far',
  imports: [Dialog, PartShape],
  template: `
    <lem-dialog [name]="name()" [width]="760" (closed)="closed.emit()">
      @if (shown(); as of) {
        <lem-part-shape
          [parts]="of.parts"
          [part]="of.part"
          [copy]="of.copy"
          [stitch]="of.stitch"
          [stretch]="stretch()"
          [plush]="plush()"
          [eyeMm]="of.done ? null : eyeMm()"
          [upright]="of.done ? true : null"
        />
      }
    </lem-dialog>
  `,
  styles: `
    lem-part-shape {
      height: min(520px, 62vh);
    }
  `,
})
export class ShapeSoFar {
  readonly closed = output();

  private readonly hook = inject(AtHook);
  private readonly current = inject(CurrentMake);

  /** The pattern's parts, of the one at hand the rounds that are worked; what was altered is in them. */
  protected readonly shown = computed(() => {
    const plan = this.hook.plan();
    const stitch = this.current.stitch();
    if (!plan || !stitch) return null;
    const { part, copy } = plan.piece;
    const round = this.hook.round();
    const done = round > 0 && round < plan.counted.rounds.length;
    const own = done ? { ...plan.counted, rounds: plan.counted.rounds.slice(0, round) } : plan.counted;
    // What comes after it is not made yet, and so not joined to it.
    const parts = [...this.current.count().parts.slice(0, part), own];
    return { parts, part, copy: copy - 1, stitch, done };
  });
  protected readonly name = computed(() => {
    const piece = this.hook.piece()?.name ?? '';
    const round = this.hook.round();
    return this.shown()?.done ? `${piece} after ${this.hook.counted()!.rounds[round - 1]!.label}` : piece;
  });
  protected readonly stretch = this.current.stretch;
  protected readonly eyeMm = computed(() => statedKit(this.current.count().pattern).eyeMm);
  protected readonly plush = computed(() => isPlush(this.current.make()?.yarnWeight ?? 0));
}
