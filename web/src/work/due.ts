import { computed, inject, Injectable, signal } from '@angular/core';
import { lastCorner, timelyOf, type Timely } from '@lemniscus/core/making';
import { isFlatLie, openings } from '@lemniscus/core/shape';
import { stuffingSaid } from '@lemniscus/core/supply';
import { HandSize } from '../data/device/hand-size';
import { Shapes } from '../data/follows/shapes';
import { AtHook } from './at-hook';

/** What of the piece at the hook has its time: what is to be done now, before it is too late. */
@Injectable()
export class Due {
  private readonly hook = inject(AtHook);
  private readonly shapes = inject(Shapes);

  private readonly hand = inject(HandSize);
  /** The opening a hand needs, as the maker says; mm. */
  readonly handMm = this.hand.mm;

  /** Ids of what was done, or is not for this maker. */
  readonly settled = computed(() => this.hook.said().flatMap((event) => (event.kind === 'settled' ? [event.gate] : [])), {
    equal: (a, b) => a.join('\n') === b.join('\n'),
  });

  /** What has its time, without what was done or is not for this maker. */
  readonly timely = computed<readonly Timely[]>(() => {
    const plan = this.hook.plan();
    const round = this.hook.round();
    if (!plan) return [];
    const profile = this.hook.profile();
    const flat = isFlatLie(this.shapes.outline(plan.fabric).lie);
    const opened = profile && !flat ? openings(profile) : [];
    const stuffed = !flat && stuffingSaid(plan.counted.part) !== 'none';
    const settled = new Set(this.settled());
    // Only on an edge round two layers does it hang on the stitch.
    const corner = lastCorner(plan.fabric, round);
    const action = corner !== null && (this.hook.position()?.action ?? 0) >= corner ? corner : 0;
    const all = timelyOf(plan.counted, plan.fabric, { round, action }, { openings: opened, handMm: this.handMm(), stuffed });
    return all.filter((one) => !settled.has(one.id));
  });

  /** What was put off in this window, each at how near it was: it is said again when it comes nearer. */
  private readonly putOff = signal<ReadonlySet<string>>(new Set());
  /** What is to be done now, and was not put off. */
  readonly now = computed(() => {
    const putOff = this.putOff();
    return this.timely().filter((one) => one.near !== 'ahead' && !putOff.has(this.putOffKey(one)));
  });

  later(one: Timely): void {
    this.putOff.update((all) => new Set([...all, this.putOffKey(one)]));
  }

  settle({ id }: Timely, how: 'done' | 'not'): void {
    this.hook.say({ kind: 'settled', gate: id, how });
  }

  setHand(mm: number): void {
    this.hand.change(mm);
  }

  private putOffKey({ id, near }: Timely): string {
    return `${this.hook.piece()?.id ?? ''} ${near} ${id}`;
  }
}
