import { afterRenderEffect, Component, computed, ElementRef, inject, linkedSignal } from '@angular/core';
import { askWords, KIND_WORDS, optionWords, whyWords, type Option } from '@lemniscus/core/practice';
import { counted } from '@lemniscus/core/notation';
import { NzButtonModule } from 'ng-zorro-antd/button';
import { NumberField } from '../controls/number-field';
import { PageHeader } from '../controls/page-header';
import { MakerHand } from '../data/device/maker-hand';
import { TaskPicture } from '../drawing/technique/task-picture';
import { KnowhowTabs } from './knowhow-tabs';
import { OwnRounds } from './own-rounds';
import { PracticeChart } from './practice-chart';
import { PracticeRound } from './practice-round';

/** Learning to read the work: ten pictures of pieces, a question each, and why. */
@Component({
  selector: 'lem-reading-page',
  imports: [KnowhowTabs, NumberField, NzButtonModule, PageHeader, PracticeChart, TaskPicture],
  providers: [OwnRounds, PracticeRound],
  templateUrl: './reading-page.html',
  styleUrl: './reading-page.css',
  host: { '(window:keydown)': 'pressed($event)' },
})
export class ReadingPage {
  protected readonly round = inject(PracticeRound);
  protected readonly own = inject(OwnRounds);
  protected readonly hand = inject(MakerHand).hand;
  protected readonly counted = counted;
  protected readonly kindWords = KIND_WORDS;
  protected readonly optionWords = optionWords;

  protected readonly asked = computed(() => {
    const task = this.round.task();
    return task && askWords(task);
  });
  protected readonly why = computed(() => {
    const task = this.round.task();
    return task && whyWords(task);
  });
  protected readonly chosen = linkedSignal<number, readonly number[]>({
    source: () => this.round.number(),
    computation: () => [],
  });
  protected readonly number = linkedSignal<number, number | null>({ source: () => this.round.number(), computation: () => null });
  protected readonly rights = computed(() => this.round.said().filter(({ right }) => right).length);
  protected readonly minutes = computed(() => {
    const seconds = this.round.said().reduce((sum, said) => sum + said.seconds, 0);
    return Math.max(1, Math.round(seconds / 60));
  });
  /** What is due now, of what was ever answered. */
  protected readonly due = computed(() => this.round.standings().filter(({ due }) => due !== null && due <= Date.now()).length);
  protected readonly ever = computed(() => this.round.standings().reduce((sum, { answered }) => sum + answered, 0));
  protected readonly known = computed(() => this.round.standings().filter(({ answered }) => answered > 0));

  constructor() {
    // Whoever counts types the number: the field is ready as soon as the picture is there.
    const host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
    afterRenderEffect(() => {
      if (this.round.task()?.ask.is === 'number' && !this.round.now()) host.querySelector<HTMLElement>('#answer')?.focus();
    });
  }

  protected press(stitch: number): void {
    const { ask } = this.round.task()!;
    // Where one place is asked for, the next one takes its place.
    const single = ask.is === 'spots' && ask.answer.length === 1;
    this.chosen.update((all) => {
      if (all.includes(stitch)) return all.filter((each) => each !== stitch);
      return single ? [stitch] : [...all, stitch];
    });
  }

  protected sayNumber(): void {
    const value = this.number();
    if (value !== null) this.round.answer({ is: 'number', value });
  }

  protected saySpots(): void {
    if (this.chosen().length > 0) this.round.answer({ is: 'spots', stitches: this.chosen() });
  }

  protected sayOption(option: Option): void {
    this.round.answer({ is: 'choice', option });
  }

  /** Digits choose, Enter says it and goes on. */
  protected pressed(event: KeyboardEvent): void {
    const task = this.round.task();
    if (!task || event.ctrlKey || event.metaKey || event.altKey) return;
    const inField = event.target instanceof Element && event.target.closest('input, button, a') !== null;
    const { ask } = task;
    if (event.key === 'Enter' && this.round.now() && !inField) this.round.next();
    else if (event.key === 'Enter' && ask.is === 'number' && !this.round.now()) this.sayNumber();
    else if (event.key === 'Enter' && ask.is === 'spots' && !this.round.now() && !inField) this.saySpots();
    else if (ask.is === 'choice' && !this.round.now() && ask.options[Number(event.key) - 1])
      this.sayOption(ask.options[Number(event.key) - 1]!);
    else return;
    event.preventDefault();
  }
}
