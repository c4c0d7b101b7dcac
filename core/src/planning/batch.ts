import type { Job } from './jobs.js';

/** What one job after another takes in changes: of the yarn, and of what the hands do. */
export interface Changes {
  readonly yarn: number;
  readonly hands: number;
}

/** The yarn is changed where a job begins with another than was in hand; the hands where what they do is of another kind. */
export function changesOf(order: readonly Job[], copies: number): Changes {
  let yarn = 0;
  let hands = 0;
  let inHand: string | null = null;
  let doing: string | null = null;
  for (const job of order) {
    const times = job.units * copies;
    const hand = handOf(job);
    if (doing !== null && hand !== doing) hands++;
    doing = hand;
    if (!job.colours || times === 0) continue;
    const [begins, ends] = job.colours;
    if (inHand !== null && inHand !== begins) yarn++;
    // A job that ends with another colour than it begins with changes within each, and back for the next.
    if (begins !== ends) yarn += 2 * times - 1;
    inHand = ends;
  }
  return { yarn, hands };
}

const handOf = ({ kind, part }: Job): string => (kind === 'work' ? `work ${part}` : kind);

/** What it takes to make one copy after the other, each whole, in an order of its jobs. */
export function changesOneByOne(order: readonly Job[], copies: number): Changes {
  return changesOf(
    Array.from({ length: copies }, () =>
      order.flatMap((job) => Array.from({ length: job.units }, () => ({ ...job, units: 1 }))),
    ).flat(),
    1,
  );
}

/** A change of yarn costs an end to hide as well; of the hands a moment (our own estimate). */
const COST = { yarn: 2, hands: 1 };
export const costOfChanges = ({ yarn, hands }: Changes): number => COST.yarn * yarn + COST.hands * hands;

/** So many jobs are put into the best of all orders; more are chosen one by one. */
const MOST_TRIED = 12;

/** How many of a kind are made: which job after which, and whether each is done for all copies before the next is begun. */
export interface Batch {
  readonly order: readonly Job[];
  /** False where one copy after the other takes fewer changes. */
  readonly together: boolean;
  readonly changes: Changes;
  /** What one copy after the other would take. */
  readonly oneByOne: Changes;
}

/**
 * The jobs in an order that saves the hands: each after those it comes after, with the fewest changes of yarn and of what the
 * hands do. Law: never more changes than one copy after the other in the given order.
 */
export function batchOf(jobs: readonly Job[], copies: number): Batch {
  const best = jobs.length <= MOST_TRIED ? bestOf(jobs) : oneByOne(jobs);
  const given = costOfChanges(changesOf(best, copies)) <= costOfChanges(changesOf(jobs, copies)) || !isPossible(jobs);
  const order = given ? best : jobs;
  const [changes, single] = [changesOf(order, copies), changesOneByOne(jobs, copies)];
  const together = costOfChanges(changes) <= costOfChanges(single);
  return { order: together ? order : jobs, together, changes: together ? changes : single, oneByOne: single };
}

/** Whether each job comes after all it comes after. */
export function isPossible(order: readonly Job[]): boolean {
  const done = new Set<string>();
  const all = new Set(order.map(({ id }) => id));
  return order.every(({ id, after }) => {
    done.add(id);
    return after.every((each) => !all.has(each) || (each !== id && done.has(each)));
  });
}

/** What it costs to go on from one job with another. */
function stepCost(before: Job | null, inHand: string | null, next: Job): number {
  const hands = before && handOf(before) !== handOf(next) ? COST.hands : 0;
  const yarn = next.colours && inHand !== null && inHand !== next.colours[0] ? COST.yarn : 0;
  return hands + yarn;
}

interface Way {
  readonly cost: number;
  readonly order: readonly number[];
}

/** The best of all possible orders: of those that have done the same, end with the same and hold the same, the cheapest. */
function bestOf(jobs: readonly Job[]): Job[] {
  const place = new Map(jobs.map(({ id }, i) => [id, i]));
  const needs = jobs.map(({ after }) => after.reduce((mask, id) => mask | (place.has(id) ? 1 << place.get(id)! : 0), 0));
  let ways = new Map<string, Way & { mask: number; inHand: string | null }>([
    ['', { cost: 0, order: [], mask: 0, inHand: null }],
  ]);
  for (const _each of jobs) {
    const next: typeof ways = new Map();
    for (const way of ways.values())
      for (const [i, job] of jobs.entries()) {
        if (way.mask & (1 << i) || (needs[i]! & ~way.mask) !== 0) continue;
        const before = way.order.length > 0 ? jobs[way.order.at(-1)!]! : null;
        const cost = way.cost + stepCost(before, way.inHand, job);
        const inHand = job.colours?.[1] ?? way.inHand;
        const mask = way.mask | (1 << i);
        const key = `${mask} ${i} ${inHand}`;
        if ((next.get(key)?.cost ?? Infinity) > cost) next.set(key, { cost, order: [...way.order, i], mask, inHand });
      }
    // Jobs that wait for one another in a circle are never ready: they keep their order at the end.
    if (next.size === 0) break;
    ways = next;
  }
  const best = [...ways.values()].reduce((a, b) => (b.cost < a.cost ? b : a));
  return [...best.order.map((i) => jobs[i]!), ...jobs.filter((_job, i) => !best.order.includes(i))];
}

function oneByOne(jobs: readonly Job[]): Job[] {
  const left = [...jobs];
  const order: Job[] = [];
  let inHand: string | null = null;
  while (left.length > 0) {
    const open = left.filter(({ id, after }) => after.every((each) => each === id || !left.some((other) => other.id === each)));
    const ready = open.length > 0 ? open : left.slice(0, 1);
    const before = order.at(-1) ?? null;
    const next = ready.reduce((a, b) => (stepCost(before, inHand, b) < stepCost(before, inHand, a) ? b : a));
    order.push(next);
    left.splice(left.indexOf(next), 1);
    inHand = next.colours?.[1] ?? inHand;
  }
  return order;
}
