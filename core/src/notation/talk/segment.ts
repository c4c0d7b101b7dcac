import type { Loop } from '../stitch.js';
import { besideCost, besideNumber } from './beside.js';
import { COST } from './cost.js';
import { candidatesIn, shapesIn, type Candidate } from './candidates.js';
import { isWork, type Meant, type Sign } from './sign.js';

type SignOf<Is extends Meant['is']> = Extract<Sign, { readonly is: Is }>;
type At<T> = T & { readonly at: number };

/** A shape that some signs may say, with what it leaves unexplained of the others. */
export type Tried = Candidate & { readonly unexplained: number };

/** What a stretch of signs says whatever stands before it. Places count from its first sign. */
export interface Segment {
  readonly signs: readonly Sign[];
  readonly candidates: readonly Tried[];
  readonly totals: readonly At<SignOf<'total'>>[];
  readonly numbers: readonly At<SignOf<'number'>>[];
  /** How many stitches "each of the 30" speaks of. */
  readonly each: readonly number[];
  readonly announced: readonly SignOf<'label'>[];
  readonly lookedBack: readonly number[];
  readonly runs: readonly At<SignOf<'run'>>[];
  /** How often, where it is said; `again` doubles what was said. */
  readonly times: readonly (number | 'again')[];
  readonly loops: readonly Loop[];
  /** How often repeats are said once more, after other work. */
  readonly timesAgain: number;
  /** How often "the next round" is said after its beginning. */
  readonly nexts: number;
  /** Whether a loop is named after it was said how many rounds: of another one. */
  readonly lateLoop: boolean;
  readonly has: ReadonlySet<Meant['is']>;
  /** Signs of work after the yarn is cut. */
  readonly afterEnd: number;
}

/** Shapes that are tried for one stretch: those that leave least unexplained. */
const MOST_TRIED = 24;

/** Makes a function that gives the stretches `[from, to)` of a talk's signs. */
export function segmentsOf(signs: readonly Sign[], before: ReadonlyMap<number, number>): (from: number, to: number) => Segment {
  const shapes = shapesIn(signs);
  const sums = new Map<string, Float64Array>();
  const sumsOf = ({ shape, key }: Candidate): Float64Array => {
    const known = sums.get(key);
    if (known) return known;
    const all = new Float64Array(signs.length + 1);
    signs.forEach(
      (sign, at) =>
        (all[at + 1] =
          all[at]! + (before.has(at) ? besideNumber(shape, before.get(at)!) : isWork(sign) ? besideCost(shape, sign) : 0)),
    );
    sums.set(key, all);
    return all;
  };
  return (from, to) => {
    const candidates = candidatesIn(shapes, signs, from, to).map((each): Tried => {
      const costs = sumsOf(each);
      const own = each.shape.is === 'each' ? 0 : costs[each.to + 1]! - costs[each.from]!;
      return { ...each, from: each.from - from, to: each.to - from, unexplained: costs[to]! - costs[from]! - own };
    });
    const rank = (each: Tried): number => each.unexplained + each.bare * COST.bare;
    // Of those alike, the one that is told at most length.
    candidates.sort((a, b) => rank(a) - rank(b) || b.to - b.from - (a.to - a.from));
    return segmentOf(signs.slice(from, to), candidates.slice(0, MOST_TRIED));
  };
}

/** Plain stitches right before an increase or decrease, by their place; not those that count on: "one, increase, two, increase". */
export function numbersBeforeWork(signs: readonly Sign[]): ReadonlyMap<number, number> {
  const found = new Map<number, number>();
  let last = 0;
  signs.forEach((sign, at) => {
    const next = signs[at + 1];
    const shapes = next?.is === 'atom' && (next.per > 1 || next.together > 1);
    const count = sign.is === 'number' && sign.sure ? sign.value : sign.is === 'atom' && isPlainAtom(sign) ? sign.count : null;
    if (count === null || !shapes || next.first - sign.last > (sign.is === 'number' ? CLOSE : CLOSE + 2)) return;
    // "One increase" may be one of them.
    const own = sign.is === 'number' && count === 1 && next.first - sign.last === 1;
    if (!own && (sign.is === 'atom' || count !== last + 1)) found.set(at, count);
    last = count;
  });
  return found;
}

function isPlainAtom({ per, together, through }: SignOf<'atom'>): boolean {
  return per === 1 && together === 1 && !through;
}

/** Words between a number and the increase that it stands before. */
const CLOSE = 2;

function segmentOf(signs: readonly Sign[], candidates: readonly Tried[]): Segment {
  const ends = signs.findIndex(({ is }) => is === 'end');
  const before = ends < 0 ? signs : signs.slice(0, ends);
  const labels = pick(signs, 'label');
  return {
    signs,
    candidates,
    totals: pick(signs, 'total'),
    numbers: pick(signs, 'number'),
    each: signs.flatMap((sign) => ((sign.is === 'each' || sign.is === 'run') && sign.of !== null ? [sign.of] : [])),
    announced: labels.filter(({ back }) => !back),
    lookedBack: labels.flatMap(({ back, to }) => (back ? [to] : [])),
    runs: pick(signs, 'run'),
    times: signs.flatMap((sign): (number | 'again')[] =>
      sign.is === 'times' ? [sign.more ? sign.count + 1 : sign.count] : sign.is === 'again' ? ['again'] : [],
    ),
    loops: pick(before, 'loop').map(({ loop }) => loop),
    timesAgain: timesAgainIn(signs),
    nexts: pick(signs, 'next').filter(({ at }) => at > 0).length,
    lateLoop: lateLoopIn(signs),
    has: new Set(signs.map(({ is }) => is)),
    afterEnd: signs.slice(before.length).filter((sign) => isWork(sign) && sign.is !== 'again').length,
  };
}

function lateLoopIn(signs: readonly Sign[]): boolean {
  const run = signs.findIndex(({ is }) => is === 'run');
  return run >= 0 && signs.some((sign, at) => at > run && sign.is === 'loop' && sign.loop !== 'both');
}

function pick<Is extends Meant['is']>(signs: readonly Sign[], is: Is): At<SignOf<Is>>[] {
  return signs.flatMap((sign, at) => (sign.is === is ? [{ ...(sign as SignOf<Is>), at }] : []));
}

/** How often it is said how often, where it was said before and stitches were named since. */
function timesAgainIn(signs: readonly Sign[]): number {
  let again = 0;
  let said = false;
  let worked = false;
  for (const { is } of signs) {
    if (is === 'times' && said && worked) again++;
    if (is === 'times' || (is === 'around' && worked)) [said, worked] = [true, false];
    if (is === 'atom') worked = true;
  }
  return again;
}
