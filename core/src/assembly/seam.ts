import type { StitchSize } from '../gauge/index.js';
import { booked, isStrip, type Booked } from './booking.js';
import type { Place } from './place.js';
import type { Problem } from './problem.js';
import { numberOfRound, type MadePiece } from './wall.js';

/** The stitches of one place, each of the limb's edge with the one of the wall it is sewn to. */
export interface Seam {
  readonly place: Place;
  readonly stitches: readonly Booked[];
  /** How often the wall may give a stitch: to both layers of a flat edge. */
  readonly layers: 1 | 2;
}

/** Joins that hold a piece by the stitches of its edge; what is worked in is booked by its round. */
const SEWN: ReadonlySet<Place['join']> = new Set(['sewn', 'sewn flat', 'edge to edge', 'whipped']);

/** The seam of every piece that is sewn on; none of what is not made yet. */
export function seamsOf(
  places: readonly Place[],
  made: (part: number, copy: number) => MadePiece | null,
  stitch: StitchSize,
): Seam[] {
  return places.flatMap((place) => {
    const { feature, copy, join } = place;
    if (feature.kind !== 'piece' || feature.part === null || !SEWN.has(join)) return [];
    const limb = made(feature.part, copy);
    if (!limb) return [];
    const stitches = booked(place, limb, stitch);
    const flat = !place.around && !isStrip(limb, join) && (limb.fabric.fill === 'pressed' || join === 'sewn flat');
    return stitches.length === 0 ? [] : [{ place, stitches, layers: flat ? 2 : 1 }];
  });
}

const hostKey = ({ host }: Place): string => `${host.part}/${host.copy}`;
const stitchKey = ({ round, stitch }: Booked): string => `${round} ${stitch}`;

/** Stitches of a wall that one seam takes oftener than it can, and that two seams both take. */
export function seamProblems(seams: readonly Seam[]): Problem[] {
  return [...seams.flatMap(tooMany), ...shared(seams)];
}

function tooMany({ place, stitches, layers }: Seam): Problem[] {
  const { feature } = place;
  const taken = new Map<string, number>();
  for (const each of stitches) taken.set(stitchKey(each), (taken.get(stitchKey(each)) ?? 0) + 1);
  const over = [...taken.values()].filter((times) => times > layers).length;
  // The brim of a cap is eased in.
  if (over === 0 || place.around || place.copy !== feature.copies[0]) return [];
  return [
    { code: 'stitches-twice', severity: 'hint', feature: feature.id, name: feature.name, span: feature.span, stitches: over },
  ];
}

function shared(seams: readonly Seam[]): Problem[] {
  const problems: Problem[] = [];
  const told = new Set<string>();
  const taken = new Map<string, Map<string, Seam>>();
  for (const seam of seams) {
    const host = taken.get(hostKey(seam.place)) ?? new Map<string, Seam>();
    taken.set(hostKey(seam.place), host);
    const own = new Set(seam.stitches.map(stitchKey));
    const both = new Map<Seam, number>();
    for (const key of own) {
      const other = host.get(key);
      if (other) both.set(other, (both.get(other) ?? 0) + 1);
      else host.set(key, seam);
    }
    for (const [other, stitches] of both) {
      const { feature } = seam.place;
      const pair = [feature.id, other.place.feature.id].sort().join('|');
      if (told.has(pair)) continue;
      told.add(pair);
      const name = feature === other.place.feature ? 'the next' : other.place.feature.name;
      problems.push({
        code: 'shares-stitches',
        severity: 'warning',
        feature: feature.id,
        name: feature.name,
        span: feature.span,
        other: name,
        stitches,
      });
    }
  }
  return problems;
}

/** Which stitches of the wall a seam takes, counted from the marker: "all 12 stitches of its edge, once each: …". */
export function seamWords({ place, stitches, layers }: Seam): string {
  const { wall } = place;
  const rounds = [...new Set(stitches.map(({ round }) => round))].sort((a, b) => a - b);
  const [low, high] = [rounds[0]!, rounds.at(-1)!];
  const all = `all ${stitches.length} stitches of its edge`;
  if (place.around) return `Sew ${all} round R${numberOfRound(wall, low)}, which has ${wall.counts[low]}.`;
  const widest = rounds.reduce((best, round) =>
    numbersIn(stitches, round).size > numbersIn(stitches, best).size ? round : best,
  );
  const line = `${runWords([...numbersIn(stitches, widest)], wall.counts[widest]!)} of R${numberOfRound(wall, widest)}`;
  if (layers === 2) return `Sew ${all} in both layers to ${line}.`;
  return `Sew ${all}, one to one: R${numberOfRound(wall, low)} to R${numberOfRound(wall, high)}, between ${line}.`;
}

const numbersIn = (stitches: readonly Booked[], of: number): Set<number> =>
  new Set(stitches.filter(({ round }) => round === of).map(({ stitch }) => stitch));

/** The first and last of stitches that lie together on a round, over its start too. */
function runWords(numbers: readonly number[], count: number): string {
  const sorted = [...numbers].sort((a, b) => a - b);
  const gaps = sorted.map((each, i) => (sorted[(i + 1) % sorted.length]! - each + count) % count || count);
  const last = gaps.indexOf(Math.max(...gaps));
  const [from, to] = [sorted[(last + 1) % sorted.length]! + 1, sorted[last]! + 1];
  return from === to ? `stitch ${from}` : `stitches ${from} to ${to}`;
}
