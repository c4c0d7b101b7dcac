import { CdkDrag, CdkDragHandle, CdkDropList, type CdkDragDrop, moveItemInArray } from '@angular/cdk/drag-drop';
import { Component, computed, inject, model, output } from '@angular/core';
import type { PlannedStall } from '@lemniscus/api/plan';
import { PlanAhead } from '../data/follows/plan-ahead';
import { PlanList } from '../data/owned/plan-list';
import { dayWords } from '../controls/day-words';
import { chanceWords } from './plan-words';

/** What is wanted, in the order it is made: dragged, or moved with the arrows. */
@Component({
  selector: 'lem-wish-list',
  imports: [CdkDrag, CdkDragHandle, CdkDropList],
  templateUrl: './wish-list.html',
  styleUrl: './wish-list.css',
})
export class WishList {
  readonly chosen = model<string | null>(null);
  readonly add = output();
  private readonly ahead = inject(PlanAhead);
  private readonly list = inject(PlanList);

  protected readonly wishes = computed(() => {
    const stalls = new Map(this.list.stalls().map((stall) => [stall.id, stall.name]));
    return this.ahead.planned().map(({ wish, made, share }) => {
      const outlook = this.ahead.outlooks().get(wish.id) ?? null;
      const whom = [wish.forWhom && `for ${wish.forWhom}`, wish.stall && stalls.get(wish.stall), wish.colours].filter(Boolean);
      return {
        wish,
        title: made.make.title,
        whom: whom.join(' · '),
        by: wish.by === null ? '' : `by ${dayWords(wish.by)}`,
        late: outlook?.late ?? false,
        chance: outlook
          ? chanceWords(outlook) || (outlook.ready.likely ? `about ${dayWords(outlook.ready.likely)}` : 'no end in sight')
          : '…',
        share,
      };
    });
  });
  protected readonly lost = this.ahead.lost;
  /** Each stall with what is made for it, and whether any of that is late. */
  protected readonly stalls = computed(() =>
    this.list.stalls().map((stall) => {
      const own = this.ahead.planned().filter(({ wish }) => wish.stall === stall.id);
      return {
        stall,
        day: dayWords(stall.day),
        goods: own.map(({ wish, made }) => `${wish.copies} × ${made.make.title}`).join(', ') || 'nothing yet',
        late: own.some(({ wish }) => this.ahead.outlooks().get(wish.id)?.late),
      };
    }),
  );

  protected removeStall(stall: PlannedStall): void {
    const own = this.list.wishes().filter((wish) => wish.stall === stall.id);
    if (own.length > 0) this.list.put(...own.map((wish) => ({ ...wish, stall: null })));
    this.list.remove(stall);
  }

  protected drop({ previousIndex, currentIndex }: Pick<CdkDragDrop<unknown>, 'previousIndex' | 'currentIndex'>): void {
    const wishes = this.ahead.planned().map(({ wish }) => wish);
    if (previousIndex === currentIndex || !wishes[currentIndex]) return;
    moveItemInArray(wishes, previousIndex, currentIndex);
    this.list.put(...wishes.map((wish, rank) => ({ ...wish, rank })).filter((wish, i) => wish.rank !== wishes[i]!.rank));
  }

  protected move(index: number, by: number): void {
    this.drop({ previousIndex: index, currentIndex: index + by });
  }

  protected letGo(): void {
    this.list.remove(...this.lost());
  }
}
