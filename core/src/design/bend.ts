import { heightOf, type StitchSize } from '../gauge/index.js';
import { STITCHES, type StitchName } from '../notation/index.js';

/** The stitch that the outer half of a bent round is worked in, beside the part's own (common practice). */
const TALLER: Partial<Record<StitchName, readonly StitchName[]>> = { sc: ['hdc', 'dc'], hdc: ['dc', 'tr'], dc: ['tr'] };
/** Rounds of fewer stitches have no outer half that shows (our own estimate). */
const FEWEST = 10;

/** Nobody sees that it bends by so much less than was wished, as a share of that (our own estimate). */
const ENOUGH = 0.8;

/** The rounds that bend a part: half of each is worked in a taller stitch. */
export interface Bend {
  /** By their numbers, 1-based. */
  readonly rounds: ReadonlyMap<number, StitchName>;
  /** How far that bends it, degrees: less than was wished where there are too few rounds without a change. */
  readonly degrees: number;
}

export const STRAIGHT: Bend = { rounds: new Map(), degrees: 0 };

/**
 * How far one round bends, degrees, of whose stitches one half is so much higher. The heights go round as a square wave; what
 * turns the work is the first harmonic of that, 4/π of half the difference, over half the width: 4 Δh / girth.
 */
export function turnOf(count: number, taller: StitchName, worked: StitchName, { width, height }: StitchSize): number {
  const higher = (heightOf(taller) - heightOf(worked)) * height;
  return (((4 * higher) / (count * width)) * 180) / Math.PI;
}

/** Less than this is a stitch here and there, no bend, degrees (our own estimate). */
const SEEN = 0.5;

/** How far a round bends whose stitches are so high, single crochets, by the first harmonic of their heights, degrees. */
export function bendOfRound(heights: readonly number[], { width, height }: StitchSize): number {
  const n = heights.length;
  if (n < FEWEST) return 0;
  let [cos, sin] = [0, 0];
  for (const [i, high] of heights.entries()) {
    cos += (high * Math.cos((2 * Math.PI * i) / n) * 2) / n;
    sin += (high * Math.sin((2 * Math.PI * i) / n) * 2) / n;
  }
  const radius = (n * width) / (2 * Math.PI);
  const degrees = (((Math.hypot(cos, sin) * height) / radius) * 180) / Math.PI;
  return degrees < SEEN ? 0 : degrees;
}

/**
 * Which rounds bend a part so far: of the rounds without a change as many as it takes, in the middle of them; where all of
 * them are too few, some in a stitch that is taller still.
 *
 * @param degrees between its two ends
 */
export function bendRounds(counts: readonly number[], degrees: number, stitch: StitchSize, worked: StitchName = 'sc'): Bend {
  const [tall, taller] = TALLER[worked] ?? [];
  const even = counts.flatMap((count, k) => (k > 0 && count === counts[k - 1] && count >= FEWEST ? [k + 1] : []));
  if (degrees <= 0 || !tall || even.length === 0) return STRAIGHT;
  const rounds = new Map<number, StitchName>();
  let reached = 0;
  const turn = (round: number, name: StitchName): number => turnOf(counts[round - 1]!, name, worked, stitch);
  for (const name of taller ? [tall, taller] : [tall])
    for (const round of fromTheMiddle(even)) {
      const before = rounds.get(round);
      const more = turn(round, name) - (before ? turn(round, before) : 0);
      // The nearest: half of its share more would be too far. For a little more nobody changes to a third stitch.
      if (reached + more / 2 > degrees || (name === taller && reached > ENOUGH * degrees)) continue;
      rounds.set(round, name);
      reached += more;
    }
  return { rounds, degrees: reached };
}

/** Which rounds bend it and how far, for a person; nothing where nobody wished it to. */
export function describeBend({ rounds, degrees }: Bend, wished: number): readonly string[] {
  if (wished <= 0) return [];
  const names = [...new Set(rounds.values())];
  const made = names.map((name) => {
    const own = [...rounds].flatMap(([round, each]) => (each === name ? [round] : [])).sort((a, b) => a - b);
    return `half of ${spans(own)} in ${STITCHES[name].US.full[0]}`;
  });
  const reached = `about ${Math.round(degrees)}°`;
  const short = `It bends by ${reached} of ${Math.round(wished)}°: more takes rounds without a change of count.`;
  return [
    ...(rounds.size > 0 ? [`It bends by ${reached}, ${made.join(', ')}; the taller half is its outer side.`] : []),
    ...(degrees < ENOUGH * wished ? [short] : []),
  ];
}

/** "R4 to R9 and R12". */
function spans(rounds: readonly number[]): string {
  const found: [number, number][] = [];
  for (const round of rounds) {
    const last = found.at(-1);
    if (last?.[1] === round - 1) last[1] = round;
    else found.push([round, round]);
  }
  return found.map(([from, to]) => (from === to ? `R${from}` : `R${from} to R${to}`)).join(' and ');
}

/** From the middle outwards, so that any number of the first lie side by side. */
function fromTheMiddle(rounds: readonly number[]): readonly number[] {
  const middle = (rounds.length - 1) / 2;
  return rounds
    .map((round, i) => ({ round, off: Math.abs(i - middle) }))
    .sort((a, b) => a.off - b.off || a.round - b.round)
    .map(({ round }) => round);
}

/** Mean height of each round of a bent part, in single crochets. */
export function bentHeights(counts: readonly number[], { rounds }: Bend, worked: StitchName): readonly number[] {
  const own = heightOf(worked);
  return counts.map((_, k) => {
    const taller = rounds.get(k + 1);
    return taller ? (own + heightOf(taller)) / 2 : own;
  });
}

/** Mean height of the rounds of a wall so long, before its rounds are known: see `bendRounds`. */
export function meanHeight(wall: number, around: number, degrees: number, stitch: StitchSize, worked: StitchName): number {
  const own = heightOf(worked);
  const taller = TALLER[worked]?.[0];
  const rounds = wall / (own * stitch.height);
  if (degrees <= 0 || !taller || around < FEWEST) return own;
  const bent = Math.min(0.8 * rounds, degrees / turnOf(around, taller, worked, stitch));
  const higher = (bent * (heightOf(taller) - own)) / 2;
  return (own * rounds) / Math.max(1, rounds - higher / own);
}
