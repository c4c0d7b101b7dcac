import type { Step } from '../assembly/index.js';
import { roundColours, type Fabric } from '../fabric/index.js';

/** One job of a batch, done for all copies before the next is begun: so many of the same thing. */
export interface Job {
  readonly id: string;
  readonly name: string;
  readonly kind: Step['kind'];
  /** 0-based part it works; null for what is no round. */
  readonly part: number | null;
  /** 0-based rounds, the second past the last. */
  readonly rounds: readonly [number, number] | null;
  /** The yarn it begins and ends with; null for what takes none. */
  readonly colours: readonly [string, string] | null;
  /** How many of it one copy has: two wings. */
  readonly units: number;
  /** Minutes of one of them. */
  readonly minutes: number;
  /** Jobs that are done for a copy before this one is. */
  readonly after: readonly string[];
}

/** Parts that change their colour oftener are worked in one go: nobody lays fifteen stripes aside fourteen times. */
const MOST_SECTIONS = 3;

/**
 * The steps of one figure as jobs for many: the copies of a part are one job, cut where its colour changes.
 * @param fabricOf a part's rounds
 * @param minutesOf of rounds of a part, from and past the last
 */
export function jobsOf(
  steps: readonly Step[],
  fabricOf: (part: number) => Fabric,
  minutesOf: (part: number, rounds: readonly [number, number]) => number,
): Job[] {
  const jobs = new Map<string, Job & { readonly from: readonly Step[] }>();
  const jobsOfStep = new Map<string, readonly string[]>();
  for (const step of steps) {
    const own = step.kind === 'work' && step.piece ? sections(step, fabricOf(step.piece.part), minutesOf) : [asJob(step)];
    for (const job of own) {
      const known = jobs.get(job.id);
      jobs.set(job.id, known ? { ...known, units: known.units + 1, from: [...known.from, step] } : { ...job, from: [step] });
    }
    jobsOfStep.set(
      step.id,
      own.map(({ id }) => id),
    );
  }
  return [...jobs.values()].map(({ from, ...job }) => {
    const waits = from.flatMap((step) =>
      step.waits.filter(({ because }) => because !== 'easier').flatMap(({ step: id }) => jobsOfStep.get(id)?.at(-1) ?? []),
    );
    const before = from.flatMap((step) => {
      const own = jobsOfStep.get(step.id)!;
      return own.slice(0, own.indexOf(job.id)).slice(-1);
    });
    return { ...job, after: [...new Set([...waits, ...before])].filter((id) => id !== job.id) };
  });
}

function asJob(step: Step): Job {
  const what = step.piece ? `${step.piece.part}` : (step.feature?.part ?? step.name);
  return {
    id: `${step.kind} ${what}`,
    name: step.piece ? step.name.replace(/ \d+( of \d+)?$/, '') : step.name,
    kind: step.kind,
    part: step.piece?.part ?? null,
    rounds: null,
    colours: null,
    units: 1,
    minutes: step.minutes,
    after: [],
  };
}

function sections(step: Step, fabric: Fabric, minutesOf: (part: number, rounds: readonly [number, number]) => number): Job[] {
  const { part } = step.piece!;
  const [from, to] = step.rounds!;
  const colours = roundColours(fabric);
  const cuts = [from];
  for (let round = from + 1; round < to; round++) if (colours[round] !== colours[round - 1]) cuts.push(round);
  const kept = cuts.length > MOST_SECTIONS ? [from] : cuts;
  return kept.map((begin, i): Job => {
    const end = kept[i + 1] ?? to;
    return {
      id: `work ${part} ${begin}`,
      name: step.name.replace(/ \d+( of \d+)?$/, ''),
      kind: 'work',
      part,
      rounds: [begin, end],
      colours: [colours[begin] ?? '', colours[end - 1] ?? ''],
      units: 1,
      minutes: minutesOf(part, [begin, end]),
      after: [],
    };
  });
}
