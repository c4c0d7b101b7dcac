import { createEmptyCard, fsrs, Rating, type Card, type Grade } from 'ts-fsrs';
import { TASK_KINDS, type TaskKind } from '../bounds/index.js';
import { seeded } from '../random/index.js';
import { shuffled } from './piece.js';
import { LEAST_LEVEL, MOST_LEVEL } from './task.js';

/** A task that was answered: an event, kept as it was. */
export interface Answered {
  readonly kind: TaskKind;
  readonly level: number;
  /** ms since 1970. */
  readonly at: number;
  readonly seconds: number;
  readonly right: boolean;
}

/** Where a maker stands with one kind of task. */
export interface Standing {
  readonly kind: TaskKind;
  /** 1 to 5: what comes next. */
  readonly level: number;
  readonly answered: number;
  readonly right: number;
  /** When it is due again, ms since 1970; null where it was never answered. */
  readonly due: number | null;
}

/** Answers faster than this are easy, slower than the second are hard: s (our own estimate). */
const FAST = 8;
const SLOW = 30;
/** Right answers in a row that make the next harder. */
const IN_A_ROW = 2;
const TASKS = 10;

/** Without chance: the same answers always give the same days. */
const SCHEDULER = fsrs({ enable_fuzz: false, enable_short_term: false });

function gradeOf({ right, seconds }: Answered): Grade {
  if (!right) return Rating.Again;
  if (seconds > SLOW) return Rating.Hard;
  return seconds < FAST ? Rating.Easy : Rating.Good;
}

/** Where a maker stands with every kind, from all answers; in any order, those of one time in the order they are given. */
export function standings(answers: readonly Answered[]): readonly Standing[] {
  const sorted = [...answers].sort((a, b) => a.at - b.at);
  return TASK_KINDS.map((kind) =>
    standingOf(
      kind,
      sorted.filter((answer) => answer.kind === kind),
    ),
  );
}

function standingOf(kind: TaskKind, answers: readonly Answered[]): Standing {
  let card: Card | null = null;
  let level = LEAST_LEVEL;
  let inARow = 0;
  for (const answer of answers) {
    const at = new Date(answer.at);
    card = SCHEDULER.next(card ?? createEmptyCard(at), at, gradeOf(answer)).card;
    inARow = answer.right ? inARow + 1 : 0;
    if (!answer.right) level = Math.max(LEAST_LEVEL, level - 1);
    else if (inARow >= IN_A_ROW) {
      level = Math.min(MOST_LEVEL, level + 1);
      inARow = 0;
    }
  }
  const right = answers.filter((answer) => answer.right).length;
  return { kind, level, answered: answers.length, right, due: card?.due.getTime() ?? null };
}

/**
 * The kinds and levels of the next ten tasks: what is due first, the longest overdue before the others; then what was never
 * tried; then what is found hardest. No kind comes twice.
 *
 * @param now ms since 1970
 */
export function nextTasks(answers: readonly Answered[], now: number, seed: number): readonly Pick<Standing, 'kind' | 'level'>[] {
  const all = standings(answers);
  const share = ({ answered, right }: Standing): number => (answered === 0 ? 0 : right / answered);
  const due = all.filter((each) => each.due !== null && each.due <= now).sort((a, b) => a.due! - b.due!);
  const fresh = all.filter((each) => each.due === null);
  const later = all.filter((each) => each.due !== null && each.due > now).sort((a, b) => share(a) - share(b) || a.due! - b.due!);
  const next = [...due, ...fresh, ...later].slice(0, TASKS).map(({ kind, level }) => ({ kind, level }));
  return shuffled(seeded(seed), next);
}

/** A day's answers, for a chart over time. */
export interface PracticeDay {
  /** Midnight of the day as the maker's clock has it, ms since 1970. */
  readonly day: number;
  readonly answered: number;
  readonly right: number;
  /** Middle of the seconds that right answers took; null where none was right. */
  readonly seconds: number | null;
}

/** @param dayOf midnight of a time's day */
export function practiceDays(answers: readonly Answered[], dayOf: (at: number) => number): readonly PracticeDay[] {
  const byDay = new Map<number, Answered[]>();
  for (const answer of answers) byDay.set(dayOf(answer.at), [...(byDay.get(dayOf(answer.at)) ?? []), answer]);
  return [...byDay]
    .sort(([a], [b]) => a - b)
    .map(([day, own]) => {
      const right = own.filter((answer) => answer.right);
      const seconds = right.map((answer) => answer.seconds).sort((a, b) => a - b);
      return { day, answered: own.length, right: right.length, seconds: seconds[Math.floor(seconds.length / 2)] ?? null };
    });
}
