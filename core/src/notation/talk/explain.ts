import type { Loop } from '../stitch.js';
import { COST } from './cost.js';
import type { Doubt } from './doubt.js';
import { fitsOf, isStart, type Before, type Fit } from './fit.js';
import type { Segment, Tried } from './segment.js';
import type { Shape } from './shape.js';
import { isWork } from './sign.js';

/** Rounds that were told alike. */
export interface ToldRounds {
  readonly first: number;
  readonly last: number;
  readonly shape: Shape;
  /** How often units are worked; 'around' where the talk leaves it to the round. */
  readonly times: number | 'around';
  readonly loop: Loop;
  readonly open: boolean;
  /** Stitches each of them makes. */
  readonly makes: number;
  /** What the talk says they make; null where it does not. */
  readonly stated: number | null;
  readonly doubts: readonly Doubt[];
  readonly cost: number;
  /** Whether they begin a part. */
  readonly starts: boolean;
  /** Whether a number was said that fits: which round they begin or end with. */
  readonly numbered: boolean;
  /** Whether it was said how many rounds there are of them. */
  readonly runSaid: boolean;
}

/** The cheapest explanation of a stretch and the next that says something else. Empty where there is none. */
export function explain(segment: Segment, before: Before): readonly ToldRounds[] {
  const found: ToldRounds[] = [];
  let least = Infinity;
  for (const candidate of segment.candidates) {
    // Sorted by what they leave unexplained: what comes after cannot make up for that.
    if (candidate.unexplained + candidate.bare * COST.bare - MOST_GAINED > least + 1) continue;
    for (const fit of fitsOf(segment, candidate, before)) found.push(...roundsOf(segment, candidate, fit, before));
    for (const { cost } of found) least = Math.min(least, cost);
  }
  for (const candidate of unheardIn(segment, before))
    found.push(...roundsOf(segment, candidate, unheardFit(segment, before), before));
  return cheapest(found);
}

function cheapest(found: readonly ToldRounds[]): readonly ToldRounds[] {
  const [best] = found.length === 0 ? [] : [found.reduce((a, b) => (b.cost < a.cost ? b : a))];
  if (!best) return [];
  const others = found.filter((told) => differs(told, best));
  return others.length === 0 ? [best] : [best, others.reduce((a, b) => (b.cost < a.cost ? b : a))];
}

/** The most that totals, numbers and repeats can take off the cost of an explanation. */
const MOST_GAINED = 4;

function differs(a: ToldRounds, b: ToldRounds): boolean {
  return a.makes !== b.makes || a.last !== b.last;
}

const PLAIN: Shape = { is: 'each', stitch: 'sc', per: 1, together: 1 };

/** Rounds of which only their number or their total was heard: plain where the count stays, else unknown. */
function unheardIn(segment: Segment, before: Before): Tried[] {
  const { announced, runs, has, signs } = segment;
  const said = announced.length > 0 || runs.length > 0 || has.has('next') || has.has('again');
  if (before.count === null || before.number === 0 || !said || signs.some((sign) => isWork(sign) && sign.is !== 'again'))
    return [];
  const shape: Shape = unheardFit(segment, before).makes === before.count ? PLAIN : { is: 'unheard' };
  return [{ shape, key: 'unheard', from: 0, to: -1, bare: 0, unexplained: 0 }];
}

function unheardFit({ totals, has }: Segment, before: Before): Fit {
  const total = totals.find(({ back }) => back === 0);
  const makes = total ? total.count : before.count!;
  const again = has.has('again') && makes === before.count;
  const cost = COST.unheard * (makes !== before.count ? 1.6 : total ? 0.5 : 1);
  return { times: 'around', uses: before.count, makes, cost, doubts: again ? [] : [{ is: 'unheard' }] };
}

/** How many rounds a fit may stand for, with all that the signs say of numbers and totals. */
function roundsOf(segment: Segment, candidate: Tried, fit: Fit, before: Before): ToldRounds[] {
  const starts = isStart(candidate.shape) || (before.number === 0 && before.count !== null);
  const totals = totalCosts(segment, candidate, fit, before);
  const open = segment.has.has('open') && !starts;
  const changes = fit.makes !== before.count || fit.uses !== before.count;
  const base =
    candidate.unexplained +
    fit.cost +
    totals.cost +
    candidate.bare * COST.bare +
    segment.afterEnd * COST.afterEnd +
    segment.timesAgain * COST.timesAgain +
    segment.nexts * COST.next +
    (mixes(segment.loops) || segment.lateLoop ? COST.loops : 0);
  return runsFor(segment, starts, candidate.to, before).map((run): ToldRounds => {
    const numbers = numberCosts(segment, run.rounds, starts, before, candidate.shape.is === 'joined');
    const alike = run.rounds === 1 ? 0 : changes ? COST.runChanges : candidate.shape.is === 'each' ? 0 : COST.runOfWork;
    const borneOut = totals.confirmed || numbers.announced || fit.cost < 0 || fit.uses === 0 || isSaidToBe(segment);
    return {
      first: numbers.first,
      last: numbers.first + (open ? 1 : run.rounds) - 1,
      shape: candidate.shape,
      times: fit.times,
      loop: loopOf(segment.loops, candidate.shape),
      open,
      makes: fit.makes,
      stated: totals.stated,
      doubts: [...fit.doubts, ...totals.doubts, ...numbers.doubts, ...run.doubts],
      cost: base + numbers.cost + run.cost + alike + (borneOut ? 0 : COST.unconfirmed),
      starts,
      runSaid: segment.runs.length > 0,
      numbered: numbers.announced || segment.lookedBack.includes(numbers.first + run.rounds - 1),
    };
  });
}

/** Whether some words say one loop and others both. */
function mixes(loops: readonly Loop[]): boolean {
  return loops.length > 1 && loops.includes('both') && loops.some((loop) => loop !== 'both');
}

/** The loop that is worked: the last one said, but not the front loops of an invisible decrease. */
function loopOf(loops: readonly Loop[], shape: Shape): Loop {
  const decreases = shape.is === 'units' && shape.units.some((unit) => unit.is === 'work' && unit.together > 1);
  const loop = loops.at(-1) ?? 'both';
  return loop === 'front' && decreases ? 'both' : loop;
}

/** Whether words other than its stitches say that this is a round. */
function isSaidToBe({ has }: Segment): boolean {
  return has.has('next') || has.has('around') || has.has('run') || has.has('each') || has.has('plain');
}

interface Costed {
  readonly cost: number;
  readonly doubts: readonly Doubt[];
}

interface TotalCosts extends Costed {
  readonly stated: number | null;
  readonly confirmed: boolean;
}

function totalCosts(segment: Segment, { from, to }: Tried, fit: Fit, before: Before): TotalCosts {
  let cost = 0;
  let stated: number | null = null;
  let other: number | null = null;
  let sure = false;
  const within = (at: number): boolean => at >= from && at <= to;
  // "It's six" after "six rounds", or "so fourteen" of round fourteen, is no total.
  const spoken = (count: number): boolean =>
    Math.abs(count - before.number - 1) <= 1 || segment.runs.some((run) => run.count === count);
  const timesOff = fit.cost >= COST.times;
  for (const { at, count, strong, back } of segment.totals) {
    if (back > 0) cost += before.counts[back - 1] === count ? COST.weakFits : COST.back;
    else if (count === fit.makes) {
      if (stated === null) cost += strong ? COST.totalFits : COST.weakFits;
      stated = count;
    } else if ((strong || !(within(at) || spoken(count))) && count !== before.count) {
      cost += timesOff ? COST.totalToo : strong ? COST.total : COST.weakTotal;
      if (strong || count >= 6) other = count;
      sure ||= strong;
    }
  }
  for (const { at, value } of segment.numbers) {
    if (value !== fit.makes || value < 4 || within(at)) continue;
    if (stated === null) cost += COST.numberFits;
    stated = value;
  }
  for (const of of segment.each) {
    if (fit.uses === null) continue;
    cost += of === fit.uses ? COST.weakFits : COST.back;
    if (of === fit.uses && of === fit.makes) stated ??= of;
  }
  const confirmed = stated !== null;
  if (confirmed || other === null) return { cost, confirmed, stated, doubts: [] };
  return { cost, confirmed, stated: other, doubts: [{ is: 'total', said: other, makes: fit.makes, sure }] };
}

interface Run extends Costed {
  readonly rounds: number;
}

/** How many rounds alike, by all that is said of it. */
function runsFor({ announced, runs }: Segment, starts: boolean, workAt: number, before: Before): readonly Run[] {
  if (starts) return [{ rounds: 1, cost: runs.filter(({ all }) => !all).length * COST.run, doubts: [] }];
  const range = announced.find(({ from, to }) => to > from);
  const said = runs.map(({ at, count, more, all }): readonly number[] => {
    // "And do that for five more rounds" comes after the one that was told; "five more rounds of" before.
    if (more) return at > workAt && workAt >= 0 ? [count + 1] : [count, count + 1];
    return all ? [count, count - before.number] : [count];
  });
  const options = new Set(said.flat().filter((n) => n >= 1));
  const ranged = range ? range.to - range.from + 1 : null;
  if (ranged !== null) options.add(ranged);
  if (options.size === 0) options.add(1);
  return [...options].map((rounds): Run => {
    const wrong = said.filter((each) => !each.includes(rounds));
    const after = said.some((each) => each[1] === rounds && each[0] !== rounds) ? COST.runAfter : 0;
    const off = ranged !== null && ranged !== rounds ? COST.run : 0;
    const cost = wrong.length * COST.run + off + (said.length - wrong.length) * COST.runFits + after;
    return { rounds, cost, doubts: wrong[0] ? [{ is: 'run', said: wrong[0][0]!, rounds }] : [] };
  });
}

interface NumberCosts extends Costed {
  readonly first: number;
  readonly announced: boolean;
}

function numberCosts(segment: Segment, rounds: number, starts: boolean, before: Before, joined: boolean): NumberCosts {
  const { announced, lookedBack, signs } = segment;
  const due = before.number + 1;
  const label = announced.find(({ from }) => from === due) ?? announced[0];
  const ahead = label && label.from > due && !starts ? label.from : null;
  const first = (joined ? label?.from : ahead) ?? due;
  const last = first + rounds - 1;
  const fits = label !== undefined && (label.from === first || label.from === last);
  let cost = fits ? COST.labelFits : 0;
  for (const { from } of announced) cost += from === first || from === last ? 0 : COST.label;
  const missing = ahead !== null && before.count !== null;
  if (missing) cost += COST.label * Math.min(2, ahead - due);
  if (lookedBack.includes(last)) cost += COST.backFits;
  else if (lookedBack.length > 0 && !lookedBack.includes(first - 1)) cost += COST.back;
  const [begins] = signs;
  if (begins?.is === 'number' && begins.value === due && due > 1 && !label) cost += COST.labelFits / 2;
  const doubts: Doubt[] = [];
  if (label && !fits) doubts.push({ is: 'number', said: label.from, counted: first });
  if (missing) doubts.push({ is: 'missing', from: due, to: ahead - 1 });
  return { first, cost, doubts, announced: fits };
}
