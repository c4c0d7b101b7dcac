import { computed, inject, Injectable, signal } from '@angular/core';
import { isRight, makeTask, nextTasks, practiceDays, standings, type Given, type Task } from '@lemniscus/core/practice';
import { Practice } from '../data/owned/practice';

/** What was said to a task of the round, and whether it was right. */
export interface Said {
  readonly task: Task;
  readonly given: Given;
  readonly right: boolean;
  readonly seconds: number;
}

/** A look away is no thinking: longer than this counts as this, s. */
const LONGEST = 300;
const MOST_SEED = 2 ** 31 - 1;

/** Ten tasks one after another: made when it begins, answered once each, kept as they are answered. */
@Injectable()
export class PracticeRound {
  private readonly practice = inject(Practice);
  private readonly tasks = signal<readonly Task[]>([]);
  private readonly answers = signal<readonly Said[]>([]);
  /** The task that is shown: the one at hand, until the next is asked for. */
  private readonly shown = signal(0);
  private began = 0;

  readonly said = this.answers.asReadonly();
  readonly count = computed(() => this.tasks().length);
  readonly number = computed(() => this.shown() + 1);
  readonly task = computed<Task | null>(() => this.tasks()[this.shown()] ?? null);
  /** What was said to the task that is shown; null while it is open. */
  readonly now = computed<Said | null>(() => this.answers()[this.shown()] ?? null);
  readonly finished = computed(() => this.tasks().length > 0 && this.shown() >= this.tasks().length);

  readonly loaded = this.practice.loaded;
  private readonly kept = computed(() => this.practice.items());
  readonly standings = computed(() => standings(this.kept()));
  readonly days = computed(() => practiceDays(this.kept(), midnight));

  /** Ten of what is due, new or hard; or those that were brought. */
  begin(own: readonly Task[] = []): void {
    const seed = Math.floor(Math.random() * MOST_SEED);
    const next = nextTasks(this.kept(), Date.now(), seed);
    const more = next.slice(own.length).map(({ kind, level }, i) => makeTask(kind, level, (seed + i * 7919) % MOST_SEED));
    this.tasks.set([...own, ...more]);
    this.answers.set([]);
    this.shown.set(0);
    this.began = performance.now();
  }

  answer(given: Given): void {
    const task = this.task();
    if (!task || this.now()) return;
    const right = isRight(task, given);
    const seconds = Math.min(LONGEST, Math.round((performance.now() - this.began) / 100) / 10);
    this.answers.update((all) => [...all, { task, given, right, seconds }]);
    const { kind, level, seed } = task;
    this.practice.put({ id: crypto.randomUUID(), kind, level, seed, at: Date.now(), seconds, right });
  }

  next(): void {
    if (!this.now()) return;
    this.shown.update((at) => at + 1);
    this.began = performance.now();
  }

  leave(): void {
    this.tasks.set([]);
    this.answers.set([]);
    this.shown.set(0);
  }
}

const midnight = (at: number): number => new Date(at).setHours(0, 0, 0, 0);
