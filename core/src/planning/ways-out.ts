import { dayAfter, daysBetween, minutesOn, MOST_MINUTES, type Day, type Hours } from './hours.js';
import { HORIZON_DAYS, simulate, type PlanOptions, type Ready, type Task } from './simulate.js';
import { NO_WORK, times, together, type Work } from './work.js';

/** Something wished for: so many of one thing, the first of which may be begun. */
export interface Wish {
  readonly id: string;
  readonly copies: number;
  readonly by: Day | null;
  /** What is left of the first, and what each further one takes. */
  readonly first: Work;
  readonly each: Work;
}

/** What would bring something that is late in time, tried with the whole plan; `late` are those that are late with it. */
export type WayOut = { readonly late: readonly string[]; readonly chance: number } & (
  | { readonly is: 'fewer'; readonly copies: number }
  | { readonly is: 'first' }
  | { readonly is: 'longer evenings'; readonly minutes: number }
  | { readonly is: 'more evenings'; readonly days: readonly Day[]; readonly minutes: number }
);

/** So likely to be in time is called in time. */
export const IN_TIME = 0.8;
/** Longer evenings are tried in steps of so many minutes, up to so many. */
const LONGER = { step: 15, most: 240 };
/** An evening more is as long as so many minutes, where the week has none to go by. */
const AN_EVENING = 60;

export function taskOf({ id, copies, by, first, each }: Wish): Task {
  return { id, by, work: copies <= 0 ? NO_WORK : together([first, times(each, copies - 1)]) };
}

export const isLate = ({ chance }: Pick<Ready, 'chance'>): boolean => chance !== null && chance < IN_TIME;

/** What would help a wish that is late, each tried whole; those that help no more than they cost come last. */
export function waysOutOf(wishes: readonly Wish[], id: string, options: PlanOptions): WayOut[] {
  const wish = wishes.find((each) => each.id === id);
  if (!wish?.by || daysBetween(options.from, wish.by) < 0) return [];
  const plan = (of: readonly Wish[], more: Partial<PlanOptions> = {}): Tried => tried(of, id, { ...options, ...more });
  const ways: WayOut[] = [];
  const fewer = mostCopies(wish, (copies) => plan(wishes.map((each) => (each === wish ? { ...each, copies } : each))));
  if (fewer) ways.push({ is: 'fewer', ...fewer });
  if (wishes[0] !== wish) {
    const first = plan([wish, ...wishes.filter((each) => each !== wish)]);
    if (first.chance >= IN_TIME) ways.push({ is: 'first', ...first });
  }
  const longer = leastLonger((minutes) => plan(wishes, { hours: withLonger(options.hours, minutes) }));
  if (longer) ways.push({ is: 'longer evenings', ...longer });
  const more = moreEvenings(options, wish.by, (hours) => plan(wishes, { hours }));
  if (more) ways.push({ is: 'more evenings', ...more });
  return ways.sort((a, b) => a.late.length - b.late.length);
}

interface Tried {
  readonly chance: number;
  readonly late: readonly string[];
}

function tried(wishes: readonly Wish[], id: string, asked: PlanOptions): Tried {
  const last = Math.max(0, ...wishes.flatMap(({ by }) => (by === null ? [] : [daysBetween(asked.from, by)])));
  const options = { ...asked, horizon: Math.min(HORIZON_DAYS, last) };
  const all = simulate(wishes.map(taskOf), options);
  return {
    chance: all.find((each) => each.id === id)?.chance ?? 0,
    late: all.filter((each) => each.id !== id && isLate(each)).map((each) => each.id),
  };
}

/** The most copies that are in time; more are never likelier, so half of what is left is tried each time. */
function mostCopies({ copies }: Wish, plan: (copies: number) => Tried): (Tried & { readonly copies: number }) | null {
  let [in_, out] = [0, copies];
  let best: (Tried & { copies: number }) | null = null;
  while (out - in_ > 1) {
    const half = (in_ + out) >> 1;
    const result = plan(half);
    if (result.chance >= IN_TIME) [in_, best] = [half, { ...result, copies: half }];
    else out = half;
  }
  return best;
}

function leastLonger(plan: (minutes: number) => Tried): (Tried & { readonly minutes: number }) | null {
  for (let minutes = LONGER.step; minutes <= LONGER.most; minutes += LONGER.step) {
    const result = plan(minutes);
    if (result.chance >= IN_TIME) return { ...result, minutes };
  }
  return null;
}

/** Every day that has time, longer. */
export function withLonger({ week, days }: Hours, minutes: number): Hours {
  const longer = (own: number): number => (own > 0 ? Math.min(MOST_MINUTES, own + minutes) : own);
  return { week: week.map(longer), days: new Map([...days].map(([day, own]) => [day, longer(own)])) };
}

/** The first free days that are taken too until it is in time; null where all of them do not help. */
function moreEvenings(
  { from, hours }: PlanOptions,
  by: Day,
  plan: (hours: Hours) => Tried,
): (Tried & { readonly days: readonly Day[]; readonly minutes: number }) | null {
  const usual = hours.week.filter((own) => own > 0);
  const minutes = usual.length > 0 ? Math.round(usual.reduce((sum, own) => sum + own, 0) / usual.length) : AN_EVENING;
  const span = Math.min(daysBetween(from, by) + 1, 370);
  const all = Array.from({ length: Math.max(0, span) }, (_, i) => dayAfter(from, i));
  const free = all.filter((day) => minutesOn(hours, day) === 0);
  const taking = (count: number): Hours => ({
    week: hours.week,
    days: new Map([...hours.days, ...free.slice(0, count).map((day): [Day, number] => [day, minutes])]),
  });
  if (free.length === 0 || plan(taking(free.length)).chance < IN_TIME) return null;
  let [out, in_] = [0, free.length];
  while (in_ - out > 1) {
    const half = (in_ + out) >> 1;
    if (plan(taking(half)).chance >= IN_TIME) in_ = half;
    else out = half;
  }
  return { ...plan(taking(in_)), days: free.slice(0, in_), minutes };
}

/** The last day on which all may be begun and this is still in time; null where today is too late. */
export function startBy(wishes: readonly Wish[], id: string, options: PlanOptions): Day | null {
  const wish = wishes.find((each) => each.id === id);
  if (!wish?.by) return null;
  const until = daysBetween(options.from, wish.by);
  const own = wishes.slice(0, wishes.indexOf(wish) + 1);
  const inTime = (after: number): boolean =>
    tried(own, id, { ...options, from: dayAfter(options.from, after), workedToday: after === 0 ? (options.workedToday ?? 0) : 0 })
      .chance >= IN_TIME;
  if (until < 0 || !inTime(0)) return null;
  let [in_, out] = [0, until + 1];
  while (out - in_ > 1) {
    const half = (in_ + out) >> 1;
    if (inTime(half)) in_ = half;
    else out = half;
  }
  return dayAfter(options.from, in_);
}
