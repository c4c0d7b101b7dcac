import { CdkDrag, CdkDragHandle, CdkDropList, moveItemInArray, type CdkDragDrop } from '@angular/cdk/drag-drop';
import { Component, computed, inject, input } from '@angular/core';
import { isPossible, type Job } from '@lemniscus/core/planning';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { PlanList } from '../data/owned/plan-list';
import type { PlannedOne } from '../data/follows/plan-ahead';
import { yarnEdge, yarnPaint } from '../drawing/yarn-colour';
import { hoursWords, roundsWords } from './plan-words';

/** So many pieces are shown one by one; of more, their number. */
const MOST_SHOWN = 24;

/** The pieces of a batch: job after job for all copies, each piece a loop that is filled when it is done. */
@Component({
  selector: 'lem-batch-board',
  imports: [CdkDrag, CdkDragHandle, CdkDropList, NzButtonModule],
  templateUrl: './batch-board.html',
  styleUrl: './batch-board.css',
})
export class BatchBoard {
  readonly one = input.required<PlannedOne>();
  private readonly list = inject(PlanList);

  protected readonly rows = computed(() => {
    const { batch, wish, done: known } = this.one();
    const parts = new Map<string, number>();
    for (const job of batch.order) if (job.kind === 'work') parts.set(job.name, (parts.get(job.name) ?? 0) + 1);
    return batch.order.map((job) => {
      const all = job.units * wish.copies;
      const done = Math.min(all, known.get(job.id) ?? 0);
      return {
        job,
        all,
        done,
        name: nameOf(job, (parts.get(job.name) ?? 0) > 1),
        dots: all <= MOST_SHOWN ? Array.from({ length: all }, (_, i) => i) : [],
        left: hoursWords((all - done) * job.minutes),
        colour: job.colours?.[0] ?? null,
        to: job.colours && job.colours[0] !== job.colours[1] ? job.colours[1] : null,
      };
    });
  });
  protected readonly said = computed(() => {
    const { batch } = this.one();
    const { changes, oneByOne, together } = batch;
    if (!together) return 'One copy after the other: nothing is saved by more at once.';
    const of = `${changes.yarn} changes of yarn and ${changes.hands} of what the hands do`;
    return `All copies of one thing, then the next: ${of}; one copy after the other would take ${oneByOne.yarn} and ${oneByOne.hands}.`;
  });
  protected readonly wrong = computed(() => !isPossible(this.one().batch.order));
  protected readonly own = computed(() => this.one().wish.order !== null);

  protected fill(colour: string | null): string {
    return colour === null ? 'var(--wood)' : yarnPaint(colour).fill;
  }

  protected edge(colour: string | null): string {
    return colour === null ? 'var(--soft)' : yarnEdge(yarnPaint(colour));
  }

  protected count(job: Job, done: number, all: number): void {
    const { wish } = this.one();
    this.list.put({ ...wish, done: { ...wish.done, [job.id]: Math.max(0, Math.min(all, done)) } });
  }

  protected drop({ previousIndex, currentIndex }: Pick<CdkDragDrop<unknown>, 'previousIndex' | 'currentIndex'>): void {
    const order = this.one().batch.order.map(({ id }) => id);
    if (previousIndex === currentIndex || order[currentIndex] === undefined) return;
    moveItemInArray(order, previousIndex, currentIndex);
    this.list.put({ ...this.one().wish, order });
  }

  protected asProposed(): void {
    this.list.put({ ...this.one().wish, order: null });
  }
}

function nameOf({ kind, name, rounds }: Job, cut: boolean): string {
  switch (kind) {
    case 'work':
      return cut && rounds ? `${name}, ${roundsWords(rounds)}` : name;
    case 'set':
      return 'Eyes in';
    case 'join':
      return `Sew on ${name}`;
    case 'mark':
      return name;
    case 'look':
      return 'Look over';
  }
}
