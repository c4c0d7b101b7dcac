import type { Portion, WayOut } from '@lemniscus/core/planning';
import { counted, plural } from '@lemniscus/core/notation';
import { dayWords } from '../controls/day-words';
import type { Outlook } from '../data/follows/plan-ahead';

export function hoursWords(minutes: number): string {
  const whole = Math.round(minutes / 5) * 5;
  if (whole < 90) return `${Math.max(minutes > 0 ? 5 : 0, whole)} min`;
  return `${Number((minutes / 60).toFixed(1))} h`;
}

/** When it is ready, and how surely. */
export function readyWords({ ready }: Outlook): string {
  const { early, likely, late } = ready;
  if (likely === null) return 'Not within five years at these hours';
  if (early === late || early === null) return `Ready ${dayWords(likely)}`;
  return `Ready about ${dayWords(likely)} (${dayWords(early)} to ${late === null ? 'years on' : dayWords(late)})`;
}

export function chanceWords({ ready, late }: Outlook): string {
  if (ready.chance === null) return '';
  const percent = Math.round(100 * ready.chance);
  if (late) return percent < 1 ? 'Too late as it stands' : `Late: ${percent} in 100 that it is in time`;
  return percent > 99 ? 'In time' : `In time, ${percent} in 100`;
}

/** A way out in words, without what else it makes late. */
export function wayWords(way: WayOut): string {
  const chance = `${Math.round(100 * way.chance)} in 100`;
  switch (way.is) {
    case 'fewer':
      return `Make ${way.copies} instead (${chance})`;
    case 'first':
      return `Make it first (${chance})`;
    case 'longer evenings':
      return `${way.minutes} min longer each time (${chance})`;
    case 'more evenings':
      return `${counted(way.days.length, 'evening')} more of ${way.minutes} min, from ${dayWords(way.days[0]!)} (${chance})`;
  }
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine', 'ten', 'eleven', 'twelve'];

/** Some of a job: "six Wings", "Body, R1 to R7, of three". */
export function portionWords({ job, units }: Portion, whole: boolean): string {
  const many = NUMBERS[units] ?? String(units);
  switch (job.kind) {
    case 'work': {
      const name = units === 1 ? job.name : plural(job.name);
      return `${many} ${name}${whole || !job.rounds ? '' : `, ${roundsWords(job.rounds)}`}`;
    }
    case 'set':
      return `eyes into ${many}`;
    case 'join':
      return `sew on ${many} ${units === 1 ? job.name : plural(job.name)}`;
    case 'mark':
      return `${job.name.toLowerCase()} on ${many}`;
    case 'look':
      return `look over ${many}`;
  }
}

/** Rounds of a job: "R1 to R7", or the one. */
export function roundsWords([from, to]: readonly [number, number]): string {
  return to - from === 1 ? `R${to}` : `R${from + 1} to R${to}`;
}
