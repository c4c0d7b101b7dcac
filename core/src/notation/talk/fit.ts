import type { Doubt } from './doubt.js';
import { COST } from './cost.js';
import type { Segment, Tried } from './segment.js';
import { isPlain, makesOf, usesOf, type Shape, type Unit } from './shape.js';
import { REST } from './sign.js';

/** What is known where a stretch of a talk begins. */
export interface Before {
  /** Stitches of the round below; 0 where a part begins, null where the talk begins in the middle. */
  readonly count: number | null;
  /** The number of the round below, 0 at a part's start. */
  readonly number: number;
  /** Counts of the rounds below, the last first. */
  readonly counts: readonly number[];
  /** How many stitches the part before ended on; null without one. */
  readonly partEnd: number | null;
}

/** How a shape goes round: how often, from how many to how many, at what cost. */
export interface Fit {
  readonly times: number | 'around';
  /** Null where it is not known. */
  readonly uses: number | null;
  readonly makes: number;
  readonly cost: number;
  readonly doubts: readonly Doubt[];
}

const STARTS: ReadonlySet<Shape['is']> = new Set(['ring', 'oval', 'flat', 'joined']);

export function isStart(shape: Shape): boolean {
  return STARTS.has(shape.is);
}

/** All ways in which a shape may go round above what is below. */
export function fitsOf(
  segment: Segment,
  { shape, inner = false }: Pick<Tried, 'shape' | 'inner'>,
  before: Before,
): readonly Fit[] {
  if (isStart(shape)) return before.number > 0 || before.count === null ? [] : startFits(shape, before);
  if (before.number === 0 && before.count !== null) return edgeFits(segment, shape);
  if (shape.is === 'each') return eachFits(segment, shape, before.count);
  if (inner && shape.is === 'units') return innerFits(shape, before.count);
  return shape.is === 'units' ? unitFits(segment, shape, before.count) : [];
}

/** Units whose repeats are said among them: they use up the round, or are something else. */
function innerFits({ units }: Shape & { is: 'units' }, below: number | null): readonly Fit[] {
  const uses = usesOf(units);
  return uses === below ? [{ times: 1, uses, makes: makesOf(units), cost: COST.inner, doubts: [] }] : [];
}

function startFits(shape: Shape, { partEnd }: Before): readonly Fit[] {
  const fit = (makes: number): Fit[] => [{ times: 1, uses: 0, makes, cost: 0, doubts: [] }];
  if (shape.is === 'ring') return fit(shape.count);
  if (shape.is === 'oval') return fit(2 * shape.chains - 5 + shape.ends[0] + shape.ends[1]);
  if (shape.is === 'flat') return fit(shape.chains - 1);
  return shape.is === 'joined' && partEnd !== null ? fit(2 * partEnd + 2 * shape.chains) : [];
}

/** Parts that begin on an edge: their stitches are what they say, and the total says so too. */
function edgeFits({ totals }: Segment, shape: Shape): readonly Fit[] {
  if (shape.is !== 'units' || !shape.units.every(isPlain)) return [];
  const makes = makesOf(shape.units);
  return makes >= 3 && totals.some(({ count }) => count === makes)
    ? [{ times: 1, uses: null, makes, cost: COST.onEdge - 1, doubts: [] }]
    : [];
}

function eachFits({ totals }: Segment, shape: Shape & { is: 'each' }, count: number | null): readonly Fit[] {
  const total = totals.find(({ back }) => back === 0);
  const below = count ?? (total ? Math.round((total.count * shape.together) / shape.per) : null);
  if (below === null) return [];
  const left = below % shape.together;
  const makes = Math.floor(below / shape.together) * shape.per;
  // Where nothing is known below, it is said how many.
  const times = count === null ? below / shape.together : 'around';
  return [{ times, uses: below - left, makes, cost: left === 0 ? 0 : COST.leftOver / 2, doubts: [] }];
}

function unitFits(segment: Segment, shape: Shape & { is: 'units' }, below: number | null): readonly Fit[] {
  if (shape.units.some(isRest)) return restFits(shape, below);
  const [uses, makes] = [usesOf(shape.units), makesOf(shape.units)];
  if (uses === 0) return [];
  const said = timesIn(segment, shape.said);
  const long = Math.max(0, shape.units.length - 2) * COST.longRepeat;
  const fits = said.map((times): Fit => {
    const fits = below === null || times * uses === below;
    const cost = (fits ? COST.timesFits : COST.times) + (times > shape.said ? long : 0);
    return { times, uses: times * uses, makes: times * makes, cost, doubts: [] };
  });
  if (below === null) return fits.length > 0 ? fits : fitsOfTotal(segment, uses, makes);
  // Plain stitches alone, and chains, are not said once and meant over and over.
  const once = shape.units.every(isPlain) || shape.units.some(({ is }) => is !== 'work');
  const times = below / uses;
  if (!Number.isInteger(times) || (once && times !== shape.said)) {
    const left = { times: shape.said, uses: shape.said * uses, makes: shape.said * makes };
    return said.length > 0 ? fits : [{ ...left, cost: COST.leftOver, doubts: [] }];
  }
  if (said.includes(times)) return fits;
  const told = segment.times.find((each) => each !== 'again');
  const around = segment.has.has('around');
  const unsaid = shape.said === times || around ? 0 : shape.said > 1 ? 0.2 : COST.unsaidTimes;
  return [
    ...fits,
    {
      times: times === 1 || (shape.said === times && !around) ? times : 'around',
      uses: below,
      makes: times * makes,
      cost: (told !== undefined ? COST.times : unsaid) + (times > shape.said ? long : 0),
      doubts: told !== undefined ? [{ is: 'times', said: told, fits: times }] : [],
    },
  ];
}

/** A talk that begins in the middle: as often as its total says. */
function fitsOfTotal({ totals }: Segment, uses: number, makes: number): readonly Fit[] {
  const total = totals.find(({ back, count }) => back === 0 && count % makes === 0);
  return total
    ? [{ times: total.count / makes, uses: (total.count / makes) * uses, makes: total.count, cost: COST.unsaidTimes, doubts: [] }]
    : [];
}

function isRest(unit: Unit): boolean {
  return unit.is === 'work' && unit.count === REST;
}

/** "Decrease, and single crochet in the rest": one of them takes what the others leave. */
function restFits({ units }: Shape & { is: 'units' }, below: number | null): readonly Fit[] {
  const left = (below ?? 0) - usesOf(units);
  if (left < 1 || units.filter(isRest).length !== 1) return [];
  return [{ times: 1, uses: below, makes: makesOf(units) + left, cost: 0, doubts: [] }];
}

/** How often, as the signs say: "six times", "five more times", "the same again". */
function timesIn({ times }: Segment, said: number): readonly number[] {
  if (times.length === 0) return NEVER;
  return [...new Set(times.flatMap((each) => (each === 'again' ? [2, 2 * said] : [each])))].filter((each) => each >= 1);
}

const NEVER: readonly number[] = [];
