import type { Batch } from './batch.js';
import type { Job } from './jobs.js';

/** Some of a job: so many of its units. */
export interface Portion {
  readonly job: Job;
  readonly units: number;
  readonly minutes: number;
}

/** What comes next of a batch in so many minutes; at least one unit while anything is left. */
export function portionFor(
  { order, together }: Pick<Batch, 'order' | 'together'>,
  copies: number,
  done: ReadonlyMap<string, number>,
  minutes: number,
): Portion[] {
  const portions = new Map<string, Portion>();
  let left = minutes;
  for (const { job, until } of together ? goals(order, [copies]) : goals(order, upTo(copies))) {
    const planned = portions.get(job.id)?.units ?? 0;
    const units = Math.max(0, until - (done.get(job.id) ?? 0) - planned);
    if (units === 0) continue;
    const fit = Math.min(units, job.minutes > 0 ? Math.floor(left / job.minutes + 1e-9) : units);
    const own = portions.size === 0 ? Math.max(1, fit) : fit;
    if (own > 0) portions.set(job.id, { job, units: planned + own, minutes: (planned + own) * job.minutes });
    left -= own * job.minutes;
    if (own < units) break;
  }
  return [...portions.values()];
}

const upTo = (copies: number): number[] => Array.from({ length: copies }, (_, i) => i + 1);

/** How many units of each job are there at the end of each go through the order. */
function goals(order: readonly Job[], copies: readonly number[]): { readonly job: Job; readonly until: number }[] {
  return copies.flatMap((count) => order.map((job) => ({ job, until: job.units * count })));
}
