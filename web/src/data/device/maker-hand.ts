import { computed, Injectable, signal } from '@angular/core';
import { measuredLean, UPRIGHT } from '@lemniscus/core/spacing';
import * as z from 'zod';
import { keep, recall } from './local';

const KEY = 'hand';
const Side = z.enum(['left', 'right']);
export type Side = z.infer<typeof Side>;

/** Where the maker puts the marker: as each pattern says, else into a round's first stitch or its last. */
const Marker = z.enum(['pattern', 'first', 'last']);

/** How a maker works. The hand was measured when the marker crept so many stitches to one side in so many rounds. */
const Hand = z.object({
  hand: Side,
  crept: z.number().min(0).max(500),
  toward: Side,
  rounds: z.int().min(1).max(1_000),
  marker: Marker.default('pattern'),
});
export type Hand = z.infer<typeof Hand>;

/** What is common practice for right hands, where nothing was measured: no creep is shown. */
const UNMEASURED: Hand = { hand: 'right', crept: 0, toward: 'right', rounds: 12, marker: 'pattern' };

/** The hand of the maker at this device. */
@Injectable({ providedIn: 'root' })
export class MakerHand {
  private readonly stored = signal<Hand>(Hand.catch(UNMEASURED).parse(recall(KEY)));
  readonly hand = this.stored.asReadonly();
  readonly lean = computed(() => {
    const { crept, rounds, toward, hand } = this.stored();
    return crept === 0 ? UPRIGHT : measuredLean(crept, rounds, toward, hand);
  });

  /** Takes what was measured; numbers out of range leave it as it is. */
  change(change: Partial<Hand>): void {
    const next = Hand.safeParse({ ...this.stored(), ...change });
    if (!next.success) return;
    this.stored.set(next.data);
    keep(KEY, next.data);
  }
}
