import type { StitchSize } from '../gauge/index.js';
import { FIRM, plainOutline, ringsOf, scaleProfile, unitProfile, type Profile } from '../shape/index.js';
import { evenCounts, type CountRules } from './even-counts.js';
import { along, type Along, type Wish } from './wish.js';

/** How a part is worked that fits a wish. */
export interface FitOptions {
  /** Stitches of the first round, the ones that may be. */
  readonly first?: readonly number[];
  /** What an irregular round costs, as stitches it may be off instead. */
  readonly price?: number;
  /** Share by which stuffing stretches the widest round. */
  readonly firmness?: number;
}

/** Rounds found for a wish, and how well their stuffed shape fits it. */
export interface RoundFit {
  readonly counts: readonly number[];
  readonly profile: Profile;
  /** How far the shape lies from the wish, mm: on average, at most, and where along the wall that is (0 to 1). */
  readonly off: number;
  readonly worst: number;
  readonly worstAt: number;
}

/** Stitches a round of single crochet may gain and still lie flat (common practice). */
const FLAT = 6;
/** Six is the norm, fewer for pointed pieces (common practice). */
const USUAL_FIRST = [6, 5, 4, 3];
/** A round off its course costs as much as this many stitches it is off, once (our own estimate). */
const USUAL_PRICE = 2;
/** As many stitches are drawn shut at most (common practice: 5 to 8). */
const MOST_SHUT = 8;
/** Most tries at making the stuffed shape lie where it is wished, and a change of counts that is none any more (found by trying). */
const TRIES = 14;
const STILL = 0.04;
/** Rounds more and fewer than the wall is long that are tried. */
const BESIDE = 1;
const SAMPLES = 60;
const LEAST = 3;

/**
 * Rounds whose stuffed shape lies nearest to a wished outline. First counts that need not be whole are moved until the
 * stuffed profile lies on it; then the whole counts nearest to those are taken, at a price for each irregularity.
 *
 * @returns null where nothing can be worked: a wish that is smaller than its first rounds
 */
export function fitRounds(wish: Wish, stitch: StitchSize, options: FitOptions = {}): RoundFit | null {
  const outline = along(wish.points);
  const rules = rulesOf(wish, options);
  const firmness = options.firmness ?? FIRM;
  const found: RoundFit[] = [];
  for (const rounds of roundsToTry(outline, wish.end, stitch, firmness)) {
    const counts = evenCounts(realCounts(outline, wish.end, rounds, stitch, firmness), rules);
    if (counts) found.push(judged(counts, wish, stitch, firmness));
  }
  return found.reduce<RoundFit | null>((best, each) => (best && best.off <= each.off ? best : each), null);
}

/**
 * A first answer while an outline is being drawn: the counts of the surface itself, as if nothing were stuffed. Its shape is
 * not worked out.
 */
export function firstRounds(wish: Wish, stitch: StitchSize, options: FitOptions = {}): readonly number[] | null {
  const outline = along(wish.points);
  const rounds = Math.max(2, Math.round(outline.wall / stitch.height));
  return evenCounts(surfaceCounts(outline, wish.end, rounds, stitch), rulesOf(wish, options));
}

/** As many rounds as the wall is long, by how long stuffing makes the wall of such rounds; and one more, and one less. */
function roundsToTry(outline: Along, end: Wish['end'], stitch: StitchSize, firmness: number): readonly number[] {
  const first = Math.max(2, Math.round(outline.wall / stitch.height));
  const counts = realCounts(outline, end, first, stitch, firmness);
  const { wall } = along(ringsOf(shapeOf(counts, end, stitch, firmness)));
  const fitting = Math.round((first * outline.wall) / wall);
  return Array.from({ length: 2 * BESIDE + 1 }, (_, i) => fitting - BESIDE + i).filter((rounds) => rounds >= 2);
}

const rulesOf = ({ end }: Wish, { first = USUAL_FIRST, price = USUAL_PRICE }: FitOptions): CountRules => ({
  steepest: FLAT,
  first,
  mostShut: end === 'shut' ? MOST_SHUT : null,
  change: price ** 2,
  odd: price ** 2 / 2,
});

/** Stitches round a surface where each round ends; a shape that is drawn shut ends half a round past its last. */
const surfaceCounts = (outline: Along, end: Wish['end'], rounds: number, { width }: StitchSize): readonly number[] =>
  Array.from({ length: rounds }, (_, k) =>
    Math.max(LEAST, (2 * Math.PI * outline.at((k + 1) / (rounds + (end === 'shut' ? 0.5 : 0))).r) / width),
  );

const shapeOf = (counts: readonly number[], end: Wish['end'], { width, height }: StitchSize, firmness: number): Profile =>
  scaleProfile(unitProfile(plainOutline(counts, { shut: end === 'shut' }), height / width, firmness), width);

/** Counts, not whole, whose stuffed shape is as wide as wished all along its wall. */
function realCounts(outline: Along, end: Wish['end'], rounds: number, stitch: StitchSize, firmness: number): readonly number[] {
  let counts = surfaceCounts(outline, end, rounds, stitch);
  for (let i = 0; i < TRIES; i++) {
    const rings = ringsOf(shapeOf(counts, end, stitch, firmness));
    const shape = along(rings);
    let wall = 0;
    const next = counts.map((count, k) => {
      const [a, b] = [rings[k]!, rings[k + 1]!];
      wall += Math.hypot(b.r - a.r, b.z - a.z);
      const off = outline.at(wall / shape.wall).r - b.r;
      return Math.max(LEAST, count + (2 * Math.PI * off) / stitch.width);
    });
    const moved = Math.max(...next.map((count, k) => Math.abs(count - counts[k]!)));
    counts = next;
    if (moved < STILL) break;
  }
  return counts;
}

function judged(counts: readonly number[], wish: Wish, stitch: StitchSize, firmness: number): RoundFit {
  const profile = shapeOf(counts, wish.end, stitch, firmness);
  const offs = deviations(profile, wish);
  const worst = Math.max(...offs);
  return {
    counts,
    profile,
    off: offs.reduce((sum, each) => sum + each, 0) / offs.length,
    worst,
    worstAt: offs.indexOf(worst) / (offs.length - 1),
  };
}

/** How far a shape lies from a wish at places spread over its wall, mm: to the nearest point of the wish, both set on one foot. */
export function deviations(profile: Profile, wish: Wish): readonly number[] {
  const shape = along(ringsOf(profile));
  const wished = along(wish.points);
  const places = Array.from({ length: SAMPLES + 1 }, (_, i) => i / SAMPLES);
  const aim = places.map((share) => wished.at(share));
  // Where it stands is not wished: the two are laid on each other as well as they go.
  const lift = places.reduce((sum, share, i) => sum + aim[i]!.z - shape.at(share).z, 0) / places.length;
  const fine = Array.from({ length: 6 * SAMPLES + 1 }, (_, i) => wished.at(i / (6 * SAMPLES)));
  return places.map((share) => {
    const { r, z } = shape.at(share);
    return Math.min(...fine.map((point) => Math.hypot(point.r - r, point.z - z - lift)));
  });
}
