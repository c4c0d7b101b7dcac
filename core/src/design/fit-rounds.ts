import type { StitchSize } from '../gauge/index.js';
import { STITCHES, type StitchName } from '../notation/index.js';
import {
  FIRM,
  plainOutline,
  type Haste,
  ringsOf,
  scaleProfile,
  unitProfile,
  type PartStart,
  type Profile,
} from '../shape/index.js';
import { bendRounds, bentHeights, meanHeight, type Bend } from './bend.js';
import { evenCounts, type CountRules } from './even-counts.js';
import { along, type Along, type Wish, type WishPoint } from './wish.js';

/** How a part is worked that fits a wish. */
export interface FitOptions {
  /** Stitches of the first round, the ones that may be. */
  readonly first?: readonly number[];
  /** What an irregular round costs, as stitches it may be off instead. */
  readonly price?: number;
  /** Share by which stuffing stretches the widest round. */
  readonly firmness?: number;
  /** Stitches of the rim it grows out of, such as two legs and the chains between them: its first round has as many. */
  readonly rim?: number;
  /** What it is worked in, single crochet where nobody asks for a taller stitch: rounds are as much higher, and grow more. */
  readonly worked?: StitchName;
}

/** Rounds found for a wish, and how well their stuffed shape fits it. */
export interface RoundFit {
  readonly counts: readonly number[];
  /** Rounds whose outer half is worked taller, where it bends. */
  readonly bend: Bend;
  readonly profile: Profile;
  /** How much higher the shape is put to lie on the wish as well as it goes, mm. */
  readonly lift: number;
  /** How far the two lie apart at places spread over their walls, mm: see `deviations`. */
  readonly offs: readonly number[];
  /** How far the shape lies from the wish, mm: on average, at most, and where along the wall that is (0 to 1). */
  readonly off: number;
  readonly worst: number;
  readonly worstAt: number;
}

/** Six is the norm, fewer for pointed pieces (common practice). */
const USUAL_FIRST = [6, 5, 4, 3];
/** A round off its course costs as much as this many stitches it is off, once (our own estimate). */
const USUAL_PRICE = 2;
/** As many stitches are drawn shut at most (common practice: 5 to 8). */
const MOST_SHUT = 8;
/** Most tries at making the stuffed shape lie where it is wished, and a change of counts that is none any more (found by trying). */
const TRIES = 30;
const STILL = 0.01;
/** While counts are further off than this, squared and summed, their shape need not be at rest beyond that, stitch widths (found by trying). */
const ROUGH = 1;
const NEAR_REST = 1e-3;
/** So many tries that come no nearer end the search. */
const IN_VAIN = 5;
/** How often whole counts are brought nearer. */
const AGAIN = 3;
/** Rounds more and fewer than the wall is long that are tried. */
const BESIDE = 1;
const SAMPLES = 60;
/** Points between two samples that the nearest is sought among. */
const FINE = 4;
const LEAST = 3;

/** What a wish is worked in: the stitch, how firm it is stuffed, and what its first round hangs on. */
interface Setting {
  readonly wish: Wish;
  readonly outline: Along;
  readonly stitch: StitchSize;
  readonly firmness: number;
  readonly rules: CountRules;
  readonly start: PartStart;
  readonly worked: StitchName;
  /** Mean height of a round over that of single crochet. */
  readonly tall: number;
}

/**
 * Rounds whose stuffed shape lies nearest to a wished outline. First counts that need not be whole are moved until the
 * stuffed profile lies on it; then the whole counts nearest to those are taken, at a price for each irregularity.
 *
 * @returns null where nothing can be worked: a wish that is smaller than its first rounds
 */
export function fitRounds(wish: Wish, stitch: StitchSize, options: FitOptions = {}): RoundFit | null {
  const steps = fitSteps(wish, stitch, options);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
  }
}

/** The same, a number of rounds at a time: yields how much of it is done, 0 to 1, and can be left at any time. */
export function* fitSteps(wish: Wish, stitch: StitchSize, options: FitOptions = {}): Generator<number, RoundFit | null> {
  const setting = settingOf(wish, stitch, options);
  const tries = roundsToTry(setting);
  let best: RoundFit | null = null;
  for (const [index, rounds] of tries.entries()) {
    yield (index + 1) / (tries.length + 1);
    const real = realCounts(setting, rounds);
    let wished = real.counts;
    let last: RoundFit | null = null;
    for (let i = 0; i <= AGAIN; i++) {
      const counts = evenCounts(wished, rulesFor(setting, rounds));
      if (!counts || counts.every((count, k) => count === last?.counts[k])) break;
      last = judged(counts, setting, last?.profile ?? real.profile);
      if (!best || last.off < best.off) best = last;
      // What whole counts lack is wished for on top of them.
      wished = triedOf(counts, last.profile, setting).lack.map((lack, k) => counts[k]! + lack);
    }
  }
  return best;
}

/** How rounds that are there lie against a wish. */
export function judgeRounds(counts: readonly number[], wish: Wish, stitch: StitchSize, options: FitOptions = {}): RoundFit {
  return judged(counts, settingOf(wish, stitch, options), null);
}

/**
 * A first answer while an outline is being drawn: the counts of the surface itself, as if nothing were stuffed. Its shape is
 * not worked out.
 */
export function firstRounds(wish: Wish, stitch: StitchSize, options: FitOptions = {}): readonly number[] | null {
  const setting = settingOf(wish, stitch, options);
  const rounds = Math.max(2, Math.round(setting.outline.wall / (stitch.height * setting.tall)));
  return evenCounts(surfaceCounts(setting, rounds), rulesFor(setting, rounds));
}

function settingOf(wish: Wish, stitch: StitchSize, options: FitOptions): Setting {
  const start = startOf(wish, stitch, options);
  const outline = along(wish.points);
  const { worked = 'sc' } = options;
  const around = (2 * Math.PI * Math.max(...wish.points.map(({ r }) => r))) / stitch.width;
  return {
    wish,
    outline,
    stitch,
    firmness: options.firmness ?? FIRM,
    rules: rulesOf(wish, start, options),
    start,
    worked,
    tall: meanHeight(outline.wall, around, wish.bend ?? 0, stitch, worked),
  };
}

/** Around a chain, along an open rim, or in a ring. */
function startOf({ points, straight = 0 }: Wish, { width }: StitchSize, { rim: grown }: FitOptions): PartStart {
  if (grown !== undefined) return { is: 'open', around: grown };
  if (straight > 0) return { is: 'chain', straight: Math.max(2, Math.round(straight / width)) };
  const rim = (2 * Math.PI * points[0]!.r) / width;
  return rim >= LEAST ? { is: 'open', around: Math.round(rim) } : { is: 'ring' };
}

/** As many rounds as the wall is long, by how long stuffing makes the wall of such rounds; and one more, and one less. */
function roundsToTry(setting: Setting): readonly number[] {
  const { outline, stitch, tall } = setting;
  const first = Math.max(2, Math.round(outline.wall / (stitch.height * tall)));
  const { wall } = along(ringsOf(realCounts(setting, first).profile));
  const fitting = Math.round((first * outline.wall) / wall);
  return Array.from({ length: 2 * BESIDE + 1 }, (_, i) => fitting - BESIDE + i).filter((rounds) => rounds >= 2);
}

function rulesOf({ end }: Wish, start: PartStart, { first, price = USUAL_PRICE, rim, worked = 'sc' }: FitOptions): CountRules {
  const { growth } = STITCHES[worked];
  const rules = {
    steepest: growth,
    // As many as lie flat, or fewer where it is pointed.
    first: first ?? [...new Set([growth, ...USUAL_FIRST])],
    usual: growth,
    mostShut: end === 'shut' ? MOST_SHUT : null,
    change: price ** 2,
    odd: price ** 2,
  };
  // An oval's first round goes round its chain, as many in its two ends as in a ring; a rim is as wide as it is, a stitch more or less.
  if (start.is === 'chain') return { ...rules, first: [2 * start.straight + 6], straight: start.straight };
  if (rim !== undefined) return { ...rules, first: [rim] };
  if (start.is === 'open') return { ...rules, first: [0, 1, -1].map((more) => Math.max(LEAST, start.around + more)) };
  return rules;
}

/** What goes round a chain grows until it is widest, and not before it has begun to. */
function rulesFor({ rules, start, wish, outline }: Setting, rounds: number): CountRules {
  if (start.is !== 'chain') return rules;
  const widest = Math.max(...wish.points.map(({ r }) => r));
  const shares = Array.from({ length: SAMPLES + 1 }, (_, i) => i / SAMPLES);
  const at = shares.find((share) => outline.at(share).r >= 0.98 * widest) ?? 1;
  return { ...rules, rising: Math.round(at * rounds) };
}

/** Stitches round a surface of this half width: an oval has its straights too, as far as its rounds keep them. */
function around(r: number, { stitch: { width }, start }: Setting): number {
  const circle = (2 * Math.PI * r) / width;
  if (start.is !== 'chain') return Math.max(LEAST, circle);
  // A round of few stitches keeps a quarter of them on either straight at most (`core/shape`).
  return Math.max(LEAST, circle < 2 * start.straight ? 2 * circle : circle + 2 * start.straight);
}

/** Stitches round a surface where each round ends; a shape that is drawn shut ends half a round past its last. */
const surfaceCounts = (setting: Setting, rounds: number): readonly number[] =>
  Array.from({ length: rounds }, (_, k) =>
    around(setting.outline.at((k + 1) / (rounds + (setting.wish.end === 'shut' ? 0.5 : 0))).r, setting),
  );

function shapeOf(
  counts: readonly number[],
  { wish, stitch: { width, height }, firmness, start, tall }: Setting,
  { near, ...haste }: Haste,
  heights: readonly number[] = counts.map(() => tall),
): Profile {
  const begun = start.is === 'open' ? ({ is: 'open', around: counts[0]! } as const) : start;
  const outline = plainOutline(counts, { shut: wish.end === 'shut', start: begun, heights });
  return scaleProfile(
    unitProfile(outline, height / width, firmness, { ...haste, near: near ? scaleProfile(near, 1 / width) : null }),
    width,
  );
}

/** Counts, not whole, whose stuffed shape is as wide as wished all along its wall. */
function realCounts(setting: Setting, rounds: number): Tried {
  let counts = surfaceCounts(setting, rounds);
  let before: Tried | null = null;
  let best: Tried | null = null;
  let at = 0;
  for (let i = 0; i < TRIES && i - at < IN_VAIN; i++) {
    const haste = { near: before?.profile ?? null, ...(best && best.off < ROUGH ? {} : { within: NEAR_REST }) };
    const now = triedOf(counts, shapeOf(counts, setting, haste), setting);
    if (!best || now.off < best.off) [best, at] = [now, i];
    const next = mixed(now, before).map((count) => Math.max(LEAST, count));
    const moved = Math.max(...next.map((count, k) => Math.abs(count - now.counts[k]!)));
    before = now;
    counts = next;
    if (moved < STILL) break;
  }
  return best!;
}

/** Counts that were tried, what each round lacks of the width wished where it stands, in stitches, and the sum of its squares. */
interface Tried {
  readonly counts: readonly number[];
  readonly profile: Profile;
  readonly lack: readonly number[];
  readonly off: number;
}

function triedOf(counts: readonly number[], profile: Profile, { outline, stitch }: Setting): Tried {
  const rings = ringsOf(profile);
  const shape = along(rings);
  let wall = 0;
  const lack = counts.map((_, k) => {
    const [a, b] = [rings[k]!, rings[k + 1]!];
    wall += Math.hypot(b.r - a.r, b.z - a.z);
    return (2 * Math.PI * (outline.at(wall / shape.wall).r - b.r)) / stitch.width;
  });
  return { counts, profile, lack, off: lack.reduce((sum, each) => sum + each * each, 0) };
}

/**
 * The counts to try next: what is lacking is added, less what the last step showed it does too much of (Anderson mixing of
 * depth one, from memory), as neighbouring rounds draw one another in when they are stuffed. Not after a step that led away.
 */
function mixed({ counts, lack, off }: Tried, before: Tried | null): readonly number[] {
  const change = lack.map((each, k) => each - (before?.lack[k] ?? 0));
  const square = change.reduce((sum, each) => sum + each * each, 0);
  if (!before || square === 0 || off > before.off) return counts.map((count, k) => count + lack[k]!);
  const share = lack.reduce((sum, each, k) => sum + each * change[k]!, 0) / square;
  return counts.map((count, k) => count + lack[k]! - share * (count - before.counts[k]! + change[k]!));
}

function judged(counts: readonly number[], setting: Setting, near: Profile | null): RoundFit {
  const bend = bendRounds(counts, setting.wish.bend ?? 0, setting.stitch, setting.worked);
  const profile = shapeOf(counts, setting, { near }, bentHeights(counts, bend, setting.worked));
  const offs = deviations(profile, setting.wish);
  const worst = Math.max(...offs);
  return {
    counts,
    bend,
    profile,
    lift: liftOnto(profile, setting.wish),
    offs,
    off: offs.reduce((sum, each) => sum + each, 0) / offs.length,
    worst,
    worstAt: offs.indexOf(worst) / (offs.length - 1),
  };
}

/** Where it stands is not wished: how much higher a shape is put to lie on its wish, mm. */
function liftOnto(profile: Profile, wish: Wish): number {
  const shape = along(ringsOf(profile));
  const wished = along(wish.points);
  let sum = 0;
  for (let i = 0; i <= SAMPLES; i++) sum += wished.at(i / SAMPLES).z - shape.at(i / SAMPLES).z;
  return sum / (SAMPLES + 1);
}

/**
 * How far a shape and a wish lie apart at places spread over their walls, mm, the one put on the other as well as it goes:
 * the larger of the ways from either to the nearest of the other, so that what is too short is off as well.
 */
export function deviations(profile: Profile, wish: Wish): readonly number[] {
  const shape = along(ringsOf(profile));
  const wished = along(wish.points);
  const lift = liftOnto(profile, wish);
  const lifted = (share: number): WishPoint => ({ r: shape.at(share).r, z: shape.at(share).z + lift });
  const fine = Array.from({ length: FINE * SAMPLES + 1 }, (_, i) => i / (FINE * SAMPLES));
  const [wishes, shapes] = [fine.map((share) => wished.at(share)), fine.map(lifted)];
  return Array.from({ length: SAMPLES + 1 }, (_, i) => {
    const share = i / SAMPLES;
    return Math.max(nearest(lifted(share), wishes), nearest(wished.at(share), shapes));
  });
}

const nearest = (from: WishPoint, points: readonly WishPoint[]): number =>
  Math.min(...points.map(({ r, z }) => Math.hypot(r - from.r, z - from.z)));
