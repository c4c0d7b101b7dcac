import { evenCounts, type OwnRound } from '../design/index.js';
import { DRAWN_SHUT, fabricOf, type PartCount } from '../fabric/index.js';
import { outlineOf } from '../shape/index.js';
import { straightOf } from './rounds.js';
import { isEdging, isPlainWork, staysOne, stretchesOf, type RoundMap } from './stretches.js';

/** What a round that turns off its course costs, and one that is uneven, beside the square of what it is off (our own estimates). */
const CHANGE = 2;
const ODD = 10;
/** One in thirty is seen as little as a stitch (our own estimate). */
const LOOSE = 1 / 30;
/** Stitches of single crochet that lie flat in a round (common practice). */
const FLAT = 6;
/** The most that lies flat in an oval (common practice). */
const FLAT_MOST = 8;

/**
 * Counts of a part that is `by` times as large, for rounds that are mapped: as near to the old ones made larger as can be
 * worked, irregular only where the part was so before. Law: by 1, with every round mapped to itself, they are the old ones.
 *
 * @param first counts that the first round may have, the likeliest first
 * @returns null where nothing fits
 */
export function scaledCounts(counted: PartCount, map: RoundMap, by: number, first: readonly number[]): readonly number[] | null {
  const old = counted.rounds.map(({ makes }) => makes);
  const start = stretchesOf(counted)[0]!.ring ? 0 : old[0]!;
  const wished = map.places.map((place) => by * countAt(old, place, start));
  const steps = old.map((count, round) => (round === 0 ? 0 : count - old[round - 1]!));
  const { shut } = outlineOf(fabricOf(counted));
  const straight = straightOf(counted, first[0] ?? 0);
  const own = map.sources.map((source, k) => ownRound(counted, map, steps, source, k, by));
  const reach = Math.max(...own.map(({ steepest }) => steepest));
  return evenCounts(wished, {
    steepest: reach,
    // An oval's ends go by its straight, which goes by its first round.
    first: straight === null ? first : first.slice(0, 1),
    straight: straight ?? 0,
    mostShut: shut ? Math.max(DRAWN_SHUT, old.at(-1)!) : null,
    change: CHANGE,
    odd: ODD,
    loose: LOOSE,
    usual: usualStep(steps),
    own,
  });
}

/** Stitches where a wall is so many rounds long; before the first as many as there are at the start. */
function countAt(counts: readonly number[], place: number, start: number): number {
  const below = Math.floor(place);
  const [a, b] = [below === 0 ? start : counts[below - 1]!, counts[below] ?? counts.at(-1)!];
  return a + (b - a) * (place - below);
}

function ownRound(
  { part, rounds }: PartCount,
  { sources }: RoundMap,
  steps: readonly number[],
  source: number,
  k: number,
  by: number,
): OwnRound {
  const from = k === 0 ? 0 : sources[k - 1]! + 1;
  const passed = steps.slice(Math.min(from, source), source + 1);
  const { items } = part.lines[rounds[source]!.line]!;
  const single = sources.filter((each) => each === source).length === 1;
  const asItIs = isEdging({ part, rounds }) || (staysOne(items, source) && !isPlainWork(items));
  const only = source > 0 && asItIs && single ? steps[source]! : null;
  return {
    // A brim that gains twelve at once gains as much more as it is larger; what lies flat does so in any size.
    steepest: Math.max(
      FLAT,
      ...passed.map((step) => (Math.abs(step) > FLAT_MOST ? Math.ceil(Math.abs(step) * by) : Math.abs(step))),
    ),
    turns: passed.some((step, i) => step !== steps[Math.max(0, Math.min(from, source) + i - 1)]),
    // What is there below, and not what it uses: a slip stays a slip.
    uses: rounds[source - 1]?.makes ?? 0,
    step: steps[source]!,
    only,
  };
}

/** The step a part takes most often; six where it takes none. */
function usualStep(steps: readonly number[]): number {
  const times = new Map<number, number>();
  for (const step of steps.map(Math.abs)) if (step > 0) times.set(step, (times.get(step) ?? 0) + 1);
  let usual = FLAT;
  let most = 0;
  for (const [step, count] of times) if (count > most) [usual, most] = [step, count];
  return usual;
}
