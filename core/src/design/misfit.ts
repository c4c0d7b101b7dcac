import type { StitchSize } from '../gauge/index.js';
import { ringsOf } from '../shape/index.js';
import type { RoundFit } from './fit-rounds.js';
import { along, type Wish } from './wish.js';

/** Why a shape lies off its wish somewhere. */
export type MisfitReason = 'narrower than a ring' | 'steeper than rounds grow' | 'drawn shut' | 'rounded by stuffing';

/** A stretch of the wall that lies off its wish. */
export interface Misfit {
  readonly reason: MisfitReason;
  /** Where it is worst: a share of the wall, and the round that is nearest, 1-based. */
  readonly share: number;
  readonly round: number;
  readonly mm: number;
}

/** Nobody sees less than this much of a stitch (our own estimate). */
const SEEN = 0.6;
/** Stitches that a round has at least. */
const LEAST = 3;
/** Stitches a round grows by, at most, or nearly so. */
const STEEP = 6;

/** Where the shape of some rounds lies off the wish so far that it is seen, and why. */
export function misfits(fit: Pick<RoundFit, 'counts' | 'profile' | 'offs'>, wish: Wish, stitch: StitchSize): readonly Misfit[] {
  const { offs } = fit;
  const thin = thinPlaces(wish, stitch, offs.length);
  const seen = offs.map((off, i) => off >= SEEN * stitch.width || thin[i] === true);
  const found: Misfit[] = [];
  for (let from = 0; from < offs.length;) {
    let to = from;
    while (seen[to]) to++;
    if (to === from) {
      from++;
      continue;
    }
    const worst = offs.slice(from, to).reduce((most, off, i) => (off > offs[most]! ? from + i : most), from);
    const share = worst / (offs.length - 1);
    const round = roundAt(fit, share);
    const reason = thin.slice(from, to).includes(true) ? 'narrower than a ring' : reasonAt(fit, wish, round);
    found.push({ reason, share, round, mm: offs[worst]! });
    from = to;
  }
  return found;
}

/** Places, but the ends, that are narrower than the fewest stitches go round. */
function thinPlaces({ points }: Wish, { width }: StitchSize, places: number): readonly boolean[] {
  const wall = along(points);
  const thin = Array.from({ length: places }, (_, i) => (2 * Math.PI * wall.at(i / (places - 1)).r) / width < LEAST);
  const [first, last] = [thin.indexOf(false), thin.lastIndexOf(false)];
  return thin.map((each, i) => each && i > first && i < last);
}

function roundAt({ profile, counts }: Pick<RoundFit, 'counts' | 'profile'>, share: number): number {
  const rings = ringsOf(profile);
  const { wall } = along(rings);
  let length = 0;
  for (let k = 1; k < rings.length; k++) {
    length += Math.hypot(rings[k]!.r - rings[k - 1]!.r, rings[k]!.z - rings[k - 1]!.z);
    if (length >= share * wall) return Math.min(counts.length, k);
  }
  return counts.length;
}

function reasonAt({ counts }: Pick<RoundFit, 'counts'>, { end }: Wish, round: number): MisfitReason {
  if (end === 'shut' && round >= counts.length - 1) return 'drawn shut';
  const steps = [round - 1, round].map((k) => Math.abs((counts[k] ?? counts.at(-1)!) - (counts[k - 1] ?? 0)));
  return round > 1 && steps.some((step) => step >= STEEP) ? 'steeper than rounds grow' : 'rounded by stuffing';
}

/** Why, for a person. */
export function describeMisfit({ reason, round, mm }: Misfit): string {
  const where = `At R${round} it lies ${mm < 10 ? mm.toFixed(1) : Math.round(mm)} mm off`;
  switch (reason) {
    case 'narrower than a ring':
      return `${where}: narrower than a round of stitches can be in this yarn. Thinner yarn, or a wider neck.`;
    case 'steeper than rounds grow':
      return `${where}: more than six stitches a round would ruffle.`;
    case 'drawn shut':
      return `${where}: the last stitches are drawn shut, which makes an end blunt.`;
    case 'rounded by stuffing':
      return `${where}: stuffing rounds a corner. An edge in back loops keeps it crisper.`;
  }
}
