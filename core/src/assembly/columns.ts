import type { Round } from '../notation/index.js';
import { asideTurns, FRONT, meanAside, settles, sideTurns, snapped, USUAL_APART, type Column, type Middle } from './column.js';
import { alongEdge, evenly } from './evenly.js';
import type { Feature } from './feature.js';
import type { Heights, Place } from './place.js';
import type { Surroundings } from './surroundings.js';
import { shortWay, stitchesAt, turnsAfter, type Wall } from './wall.js';

/** Where round the host each copy goes. */
export function columnsOf(
  whole: Surroundings,
  feature: Feature,
  host: Place['host'],
  wall: Wall,
  heights: Heights,
): readonly Column[] {
  const { round } = feature.placing;
  const count = feature.copies.length;
  const stitches = wall.counts[heights.first]!;
  if (round?.is === 'stitches' || round?.is === 'after' || round?.is === 'evenly') {
    if (count > stitches || (round.is === 'stitches' && count > round.last - round.first + 1)) {
      const room = round.is === 'stitches' ? round.last - round.first + 1 : stitches;
      whole.tell(feature, { code: 'too-many', severity: 'error', count, stitches: room });
      return [];
    }
    return counted(whole, feature, wall, heights, round, whole.frontOf(host, wall, heights));
  }
  const front = whole.frontOf(host, wall, heights);
  if (round?.is === 'apart' || (feature.kind === 'eyes' && round === null)) return pairOf(whole, feature, wall, heights, front);
  const middle = middleOf(whole, feature, wall, round ?? (count === 2 ? { is: 'sides' } : FRONT), heights, front);
  if (middle === null) return [];
  if (count === 1 && round?.is !== 'sides') return [{ turns: middle.turns + middle.aside, in: null }];
  return mirroredColumns(whole, feature, wall, heights, front, middle, count);
}

/** Several at one place: a pair at both sides of it, more side by side. */
function mirroredColumns(
  whole: Surroundings,
  feature: Feature,
  wall: Wall,
  { first }: Heights,
  front: number,
  { turns, aside, sides }: Middle,
  count: number,
): Column[] {
  const stitches = wall.counts[first]!;
  if (count === 2 && (sides || aside !== 0)) {
    const one = snapped(wall, first, turns + aside);
    const two = snapped(wall, first, 2 * front - one);
    const off = Math.abs(shortWay(one + two - 2 * front)) * stitches;
    if (off > 0.2) whole.tell(feature, { code: 'pair-differs', severity: 'hint', stitches: off });
    return [
      { turns: one, in: null },
      { turns: two, in: null },
    ];
  }
  const each = Math.max(1, whole.sizeOf(feature).width / Math.max(0.1, whole.options.stitch.width)) / Math.max(1, stitches);
  return Array.from({ length: count }, (_, i) => ({
    turns: turns + aside - wall.leftward * (i - (count - 1) / 2) * each,
    in: null,
  }));
}

function counted(
  whole: Surroundings,
  feature: Feature,
  wall: Wall,
  { first }: Heights,
  round: Extract<Round, { is: 'stitches' | 'after' | 'evenly' }>,
  front: number,
): Column[] {
  const count = feature.copies.length;
  const stitches = wall.counts[first]!;
  if (round.is === 'evenly') {
    const base = sideTurns(round.from, wall, first, front);
    const start = Math.round(stitchesAt(wall, first, base));
    return evenly(count, stitches).map((steps) => ({ turns: turnsAfter(wall, first, start + steps), in: false }));
  }
  const most = round.is === 'stitches' ? round.last : Math.max(...round.stitches);
  if (most > stitches || (round.is === 'stitches' && round.first < 1)) {
    whole.tell(feature, { code: 'no-stitch', severity: 'error', host: wall.name, stitch: most, stitches });
    return [];
  }
  if (round.is === 'after')
    return feature.copies.flatMap((_copy, i) =>
      round.stitches[i] === undefined ? [] : [{ turns: turnsAfter(wall, first, round.stitches[i]), in: false }],
    );
  return alongEdge(count, round.last - round.first + 1).map((step) => ({
    turns: turnsAfter(wall, first, round.first - 1 + step + 0.5),
    in: true,
  }));
}

/** Two holes with so many stitches free between them; of pieces, so many between their edges. */
function pairOf(whole: Surroundings, feature: Feature, wall: Wall, heights: Heights, front: number): readonly Column[] {
  const { between, columns, off } = holesOfPair(whole, feature, wall, heights, front);
  if (columns.length === 0)
    whole.tell(feature, { code: 'too-many', severity: 'error', count: between, stitches: wall.counts[heights.first]! });
  else if (off > 0.6 && !settles(feature)) whole.tell(feature, { code: 'pair-differs', severity: 'hint', stitches: off / 2 });
  return columns;
}

interface HolesOfPair {
  /** Stitches from one hole to the other. */
  readonly between: number;
  /** The left one, as they are looked at, and the right one; none where the round is too short for them. */
  readonly columns: readonly Column[];
  /** By how many stitches the two sides differ, seen from the middle. */
  readonly off: number;
}

export function holesOfPair(whole: Surroundings, feature: Feature, wall: Wall, { first }: Heights, front: number): HolesOfPair {
  const { round } = feature.placing;
  const stitches = wall.counts[first]!;
  const apart = round?.is === 'apart' ? round.apart.count : Math.max(1, Math.round(stitches * USUAL_APART));
  const width =
    feature.kind === 'piece' ? Math.round(whole.sizeOf(feature).width / Math.max(0.1, whole.options.stitch.width)) : 0;
  const between = apart + width;
  if (between >= stitches) return { between, columns: [], off: 0 };
  const middle = sideTurns(round?.is === 'apart' ? round.side : 'front', wall, first, front);
  const centre = stitchesAt(wall, first, middle);
  const under = Math.floor(centre - between / 2 + 1e-6);
  const low = centre - between / 2 - under > 0.5 + 1e-6 ? under + 1 : under;
  const holes = [low, low + between].map((after) => ({ turns: turnsAfter(wall, first, after), in: false }));
  const columns = wall.leftward * wall.ways[first]! > 0 ? holes.reverse() : holes;
  return { between, columns, off: Math.abs(2 * centre - (2 * low + between)) };
}

function middleOf(
  whole: Surroundings,
  feature: Feature,
  wall: Wall,
  round: Round,
  { first }: Heights,
  front: number,
): Middle | null {
  if (round.is === 'sides') return { turns: front, aside: wall.leftward * 0.25, sides: true };
  if (round.is === 'side')
    return { turns: sideTurns(round.of, wall, first, front), aside: asideTurns(wall, first, round.aside), sides: false };
  if (round.is !== 'centred' && round.is !== 'opposite') return null;
  const other = whole.other(feature, round.of);
  if (!other) return null;
  const places = whole.placesBeside(feature, other);
  if (!places || places.length === 0) return null;
  const middle = front + meanAside(places.map(({ pins }) => pins[0]!.turns - front));
  if (round.is === 'opposite') return { turns: middle + 0.5, aside: 0, sides: false };
  return { turns: middle, aside: asideTurns(wall, first, round.aside), sides: false };
}
