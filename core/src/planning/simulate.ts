import { constant } from '../constants/index.js';
import type { PaceByKind } from '../history/index.js';
import { normals, seeded } from '../random/index.js';
import { dayAfter, daysBetween, minutesOn, type Day, type Hours } from './hours.js';
import { minutesOf, type Work } from './work.js';

/** Something to be made, in the order it is made in. */
export interface Task {
  readonly id: string;
  readonly work: Work;
  readonly by: Day | null;
}

export interface PlanOptions {
  readonly from: Day;
  readonly hours: Hours;
  readonly pace: PaceByKind;
  /** Minutes worked already on the first day. */
  readonly workedToday?: number;
  readonly seed?: number;
  readonly runs?: number;
  /** Days looked ahead, where what is later than that need not be told apart. */
  readonly horizon?: number;
}

/** When something is ready: on one of so many days with so much of the chances. */
export interface Ready {
  readonly id: string;
  /** Nine times out of ten it is ready no earlier than `early`, and no later than `late`; null for beyond `HORIZON_DAYS`. */
  readonly early: Day | null;
  readonly likely: Day | null;
  readonly late: Day | null;
  /** 0 to 1; null for what has no day. */
  readonly chance: number | null;
  /** What it takes by itself, minutes at the mean. */
  readonly minutes: number;
}

/** Nobody plans further ahead. */
export const HORIZON_DAYS = 1_826;
const RUNS = 400;
/** Seeds of one plan's runs lie apart from those of another's. */
const RUN_SEEDS = 1_000_003;
const SHARES = { early: 0.1, likely: 0.5, late: 0.9 } as const;
/** How far a maker lies from the common pace, and how little of a sitting's spread is left in a known mean. */
const UNKNOWN_PACE = constant('spread of makers');

/**
 * When each task is ready, one after the other, drawn `runs` times: a factor for how far the maker's pace is known, and one
 * for each day, both lognormal with a mean of 1. The same tasks, hours, pace and seed give the same answer.
 */
export function simulate(tasks: readonly Task[], options: PlanOptions): Ready[] {
  const { from, pace, seed = 1, runs = RUNS, horizon = HORIZON_DAYS } = options;
  const minutes = tasks.map(({ work }) => minutesOf(work, pace));
  const free = capacities(options, horizon);
  const days = tasks.map(() => new Float64Array(runs));
  const unsure = pace.own ? pace.spread / Math.sqrt(Math.max(1, pace.minutes / SITTING_MIN)) : UNKNOWN_PACE;
  for (let run = 0; run < runs; run++) {
    // A run's days are the same whatever is asked of them, so that less work is never ready later.
    const normal = normals(seeded(seed * RUN_SEEDS + run));
    const slow = lognormal(normal(), unsure);
    let day = -1;
    let have = 0;
    let due = 0;
    for (const [i, own] of minutes.entries()) {
      due += own * slow;
      while (have < due - 1e-9 && day < horizon) {
        day++;
        const open = free[day] ?? 0;
        if (open > 0) have += open * lognormal(normal(), pace.spread);
      }
      days[i]![run] = have >= due - 1e-9 ? Math.max(0, day) : Infinity;
    }
  }
  return tasks.map((task, i) => ready(task, days[i]!.sort(), minutes[i]!, from));
}

/** A sitting's length to judge by how many a pace was learned in, minutes. */
const SITTING_MIN = 30;

function lognormal(normal: number, spread: number): number {
  return Math.exp(spread * normal - (spread * spread) / 2);
}

function capacities({ from, hours, workedToday = 0 }: PlanOptions, horizon: number): Float64Array {
  const free = Float64Array.from({ length: horizon + 1 }, (_, day) => minutesOn(hours, dayAfter(from, day)));
  free[0] = Math.max(0, free[0]! - workedToday);
  return free;
}

function ready({ id, by }: Task, days: Float64Array, minutes: number, from: Day): Ready {
  const at = (share: number): Day | null => {
    const day = days[Math.min(days.length - 1, Math.max(0, Math.ceil(share * days.length) - 1))] ?? Infinity;
    return Number.isFinite(day) ? dayAfter(from, day) : null;
  };
  const last = by === null ? null : daysBetween(from, by);
  const chance = last === null ? null : days.filter((day) => day <= last).length / Math.max(1, days.length);
  return { id, early: at(SHARES.early), likely: at(SHARES.likely), late: at(SHARES.late), chance, minutes };
}
