import { FRAME, type BodyShape } from '../shape/index.js';
import { add, cross, dot, mean, minus, times, unit, type Vector } from '../vector/index.js';
import type { Pin, Place } from './place.js';

/** A spot on the surface of a shape: where it is, outwards from there, and the way its wall goes up, in stitch widths. */
export interface Spot {
  readonly at: Vector;
  readonly out: Vector;
  readonly up: Vector;
}

/** How a piece is turned and moved to where it goes: nine numbers, the columns of a rotation, and where its origin comes to lie. */
export interface Stance {
  readonly turn: readonly number[];
  readonly at: Vector;
}

export const AS_IT_STANDS: Stance = { turn: [1, 0, 0, 0, 1, 0, 0, 0, 1], at: [0, 0, 0] };

const UP: Vector = [0, 1, 0];
const DOWN: Vector = [0, -1, 0];
const FORWARD: Vector = [0, 0, 1];

/** Index in the shape of the first stitch of a piece; −1 where it is not in it. */
const firstOf = ({ stitches }: BodyShape, piece: number): number => stitches.piece.indexOf(piece);

function frameAt({ stitches: { frames } }: BodyShape, index: number): { foot: Vector; up: Vector; out: Vector } {
  const vector = (from: number): Vector => [
    frames[FRAME * index + from]!,
    frames[FRAME * index + from + 1]!,
    frames[FRAME * index + from + 2]!,
  ];
  return { foot: vector(0), up: vector(6), out: vector(9) };
}

/** Where a pin goes into a piece of a shape; null where the shape has no such stitch. */
export function spotOf(
  shape: BodyShape,
  piece: number,
  { wall, gap }: Pick<Place, 'wall' | 'gap'>,
  { round, after, in: inside }: Pin,
): Spot | null {
  const first = firstOf(shape, piece);
  const { roundStart } = wall.made.fabric;
  const count = wall.counts[round] ?? 0;
  if (first < 0 || count === 0) return null;
  const rows = (inside ? [after] : [after - 1, after]).map((stitch) => first + roundStart[round]! + ((stitch + count) % count));
  if (rows.some((row) => row >= shape.stitches.count)) return null;
  const frames = rows.map((row) => frameAt(shape, row));
  // Between two rounds is at the top of the lower one, in a round half-way up it.
  const at = mean(frames.map(({ foot, up }) => add(foot, times(up, gap ? 1 : 0.5))));
  return { at, out: unit(mean(frames.map(({ out }) => out)), FORWARD), up: unit(mean(frames.map(({ up }) => up)), UP) };
}

/** The points of a round of a piece, its stitches' tops. */
function ringOf(shape: BodyShape, piece: number, rows: readonly [number, number]): Vector[] {
  const first = firstOf(shape, piece);
  const points: Vector[] = [];
  for (let row = rows[0]; row < rows[1]; row++) {
    const node = shape.stitches.node[first + row];
    if (first >= 0 && node !== undefined)
      points.push([shape.positions[3 * node]!, shape.positions[3 * node + 1]!, shape.positions[3 * node + 2]!]);
  }
  return points;
}

interface LimbAxes {
  readonly edge: Vector;
  /** From its edge to its start. */
  readonly along: Vector;
  /** Across it where it is thinnest, and how thick it is there. */
  readonly thin: Vector;
  readonly thick: number;
  /** Towards its outer side, where it is bent; null where it is straight. */
  readonly bow: Vector | null;
}

/** A limb is bent whose middle lies this share of its length beside its ends (our own estimate: some 25°). */
const BENT = 0.035;

/** From the middle between its ends to that of its rounds, where they lie apart: the way its outer side faces. */
function bowOf(
  limb: BodyShape,
  piece: number,
  { roundCount, roundStart, fill, endsMeet }: Place['wall']['made']['fabric'],
): Vector | null {
  if (fill !== 'stuffed' || endsMeet || roundCount < 4) return null;
  const middles = Array.from({ length: roundCount }, (_, round) =>
    mean(ringOf(limb, piece, [roundStart[round]!, roundStart[round + 1]!])),
  );
  const [first, last] = [middles[0]!, middles.at(-1)!];
  const chord = minus(last, first);
  const along = unit(chord, UP);
  const off = minus(mean(middles), first);
  const bow = minus(off, times(along, dot(off, along)));
  return Math.hypot(...bow) > BENT * Math.hypot(...chord) ? unit(bow, FORWARD) : null;
}

function axesOf(limb: BodyShape, piece: number, fabric: Place['wall']['made']['fabric']): LimbAxes {
  const last = fabric.roundCount - 1;
  const first = Math.max(0, firstOf(limb, piece));
  const points = ringOf(limb, piece, [0, Math.min(fabric.stitchCount, limb.stitches.count - first)]);
  const { edge, along } = isStrip(fabric) ? stripEnds(points) : edgeAndWay(limb, piece, fabric, last, points);
  const side = unit(cross(along, Math.abs(along[2]) < 0.9 ? FORWARD : UP), [1, 0, 0]);
  const other = cross(along, side);
  const [spread] = spreads(points, edge, side, other);
  const thin = spread;
  const reach = points.map((point) => dot(minus(point, edge), thin));
  const thick = reach.length === 0 ? 0 : Math.max(...reach) - Math.min(...reach);
  return { edge, along, thin, thick, bow: bowOf(limb, piece, fabric) };
}

/** Of two ways across, the one in which points are least spread, and the one in which they are most. */
function spreads(points: readonly Vector[], middle: Vector, side: Vector, other: Vector): readonly [Vector, Vector] {
  let [xx, xy, yy] = [0, 0, 0];
  for (const point of points) {
    const [x, y] = [dot(minus(point, middle), side), dot(minus(point, middle), other)];
    xx += x * x;
    xy += x * y;
    yy += y * y;
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy);
  const way = (turn: number): Vector => add(times(side, Math.cos(turn)), times(other, Math.sin(turn)));
  return [way(angle + Math.PI / 2), way(angle)];
}

/** Worked in rows: it has ends and no opening. */
const isStrip = ({ roundWay, roundCount, foundation }: Place['wall']['made']['fabric']): boolean =>
  foundation?.from === 'chain' && foundation.sides === 1 && (roundCount === 1 || roundWay[1] === 2);

/** A strip is held by one end, and lies the way it is longest. */
function stripEnds(points: readonly Vector[]): Pick<LimbAxes, 'edge' | 'along'> {
  const middle = mean(points);
  const [, long] = spreads(points, middle, [1, 0, 0], UP);
  const reach = points.map((point) => dot(minus(point, middle), long));
  const [low, high] = [Math.min(0, ...reach), Math.max(0, ...reach)];
  return { edge: add(middle, times(long, high)), along: high > low ? times(long, -1) : UP };
}

/** From the middle of the last round to that of the first; a disc, whose rounds lie in one another, faces outwards. */
function edgeAndWay(
  limb: BodyShape,
  piece: number,
  fabric: Place['wall']['made']['fabric'],
  last: number,
  points: readonly Vector[],
): Pick<LimbAxes, 'edge' | 'along'> {
  const rim = ringOf(limb, piece, [fabric.roundStart[last]!, fabric.roundStart[last + 1]!]);
  const edge = mean(rim);
  const way = minus(mean(ringOf(limb, piece, [0, fabric.roundStart[1] ?? 0])), edge);
  const radius = Math.hypot(...minus(rim[0] ?? edge, edge));
  if (Math.hypot(...way) > 0.35 * radius || rim.length < 3) return { edge, along: unit(way, UP) };
  const normal = rim.reduce<Vector>(
    (sum, point, i) => add(sum, cross(minus(point, edge), minus(rim[(i + 1) % rim.length]!, edge))),
    [0, 0, 0],
  );
  const facing = unit(normal, UP);
  return { edge, along: dot(facing, minus(mean(points), edge)) < 0 ? times(facing, -1) : facing };
}

/** Limbs whose tip is said to point somewhere still stand out from the wall by so much of that (our own estimate). */
const STANDS_OUT = 0.4;
/** Flat ones lie along it, and stand off a little. */
const STAND_OFF = 0.16;

export interface HostOf {
  readonly shape: BodyShape;
  readonly piece: number;
}

/**
 * How a limb stands in its place on a host, both as they are posed alone; null where it cannot be told.
 * @param fabric of the limb
 * @param under how the host itself stands: which way is down
 */
export function stanceOf(
  place: Place,
  host: HostOf,
  limb: HostOf,
  fabric: Place['wall']['made']['fabric'],
  under: Stance = AS_IT_STANDS,
): Stance | null {
  const axes = axesOf(limb.shape, limb.piece, fabric);
  if (place.around) return overRound(place, host, axes);
  const [one, two] = place.pins.map((pin) => spotOf(host.shape, host.piece, place, pin));
  if (!one) return null;
  if (place.feature.placing.height?.is === 'start' && place.join !== 'tied')
    return standing(axes, one.at, outOfStart(place, host, one), FORWARD);
  const flat = fabric.fill === 'pressed' || place.join === 'sewn flat';
  if (two) {
    const along = unit(add(unit(minus(two.at, one.at), UP), times(one.out, STAND_OFF)), UP);
    return standing(axes, add(one.at, times(one.out, axes.thick / 2)), along, one.out);
  }
  const way = place.join === 'tied' && place.tip === null ? DOWN : tipWay(place);
  const tip = way && turnedBack(under.turn, way);
  const down = turnedBack(under.turn, DOWN);
  const level = minus(one.out, times(down, dot(one.out, down)));
  const along =
    tip && place.join === 'tied'
      ? tip
      : tip
        ? unit(add(times(unit(level, one.out), flat ? STAND_OFF : STANDS_OUT), tip), one.out)
        : one.out;
  const face = flat && Math.abs(dot(along, one.out)) < 0.7 ? one.out : one.up;
  return standing(axes, add(one.at, times(one.out, flat && face === one.out ? axes.thick / 2 : 0)), along, face);
}

/** The way a tip points, in the figure as it stands; null for straight out. */
function tipWay({ tip }: Place): Vector | null {
  switch (tip) {
    case 'up':
      return UP;
    case 'down':
      return DOWN;
    case 'front':
      return FORWARD;
    case 'back':
      return [0, 0, -1];
    default:
      return null;
  }
}

/** Right out of the middle of a start, away from the rounds after it. */
function outOfStart({ wall }: Place, { shape, piece }: HostOf, spot: Spot): Vector {
  const { roundStart, roundCount } = wall.made.fabric;
  const [near, far] = [Math.min(2, roundCount - 1), roundCount - 1].map((round) =>
    mean(ringOf(shape, piece, [roundStart[round]!, roundStart[round + 1]!])),
  );
  const start = mean(ringOf(shape, piece, [0, roundStart[1]!]));
  return unit(minus(start, roundCount > 3 ? far! : near!), spot.out);
}

/** Round pieces have no thin side: their front takes its place. */
function unflat(axes: LimbAxes): LimbAxes {
  const { along: axis } = axes;
  return { ...axes, thin: unit(minus(FORWARD, times(axis, dot(FORWARD, axis))), unit(cross(axis, [1, 0, 0]), UP)) };
}

/** A cap sits on the middle of its round, its start away from the rest of the host, its front where the host's is. */
function overRound({ wall, first }: Place, { shape, piece }: HostOf, axes: LimbAxes): Stance {
  const { roundStart, roundCount } = wall.made.fabric;
  const ring = (round: number): Vector => mean(ringOf(shape, piece, [roundStart[round]!, roundStart[round + 1]!]));
  const towardsStart = first < roundCount / 2;
  const rest = towardsStart ? ring(roundCount - 1) : ring(0);
  return standing(unflat(axes), ring(first), unit(minus(ring(first), rest), UP), FORWARD);
}

/**
 * Turned so that its axis lies along `along` and its thin side, or its front, towards `face`; its edge comes to lie on `at`. What
 * is bent has its outer side there, so that the two of a pair are each other's mirror image.
 */
function standing(axes: LimbAxes, at: Vector, along: Vector, face: Vector): Stance {
  const level = unit(minus(face, times(along, dot(face, along))), unit(cross(along, [1, 0, 0]), FORWARD));
  const to = [along, level, cross(along, level)] as const;
  const thin = dot(axes.thin, FORWARD) < 0 ? times(axes.thin, -1) : axes.thin;
  const bow = axes.bow && minus(axes.bow, times(axes.along, dot(axes.bow, axes.along)));
  const side = bow ? unit(bow, thin) : thin;
  const from = [axes.along, side, cross(axes.along, side)] as const;
  const turn = [0, 1, 2].flatMap((column) =>
    [0, 1, 2].map((row) => to.reduce((sum, each, k) => sum + each[row]! * from[k]![column]!, 0)),
  );
  return { turn, at: minus(at, turnedBy(turn, axes.edge)) };
}

/** A point or a way turned by the columns of a rotation. */
export function turnedBy(turn: readonly number[], [x, y, z]: Vector): Vector {
  const row = (i: number): number => turn[i]! * x + turn[3 + i]! * y + turn[6 + i]! * z;
  return [row(0), row(1), row(2)];
}

/** The way that a rotation turns into this one. */
function turnedBack(turn: readonly number[], way: Vector): Vector {
  return [0, 1, 2].map((column) =>
    dot([turn[3 * column]!, turn[3 * column + 1]!, turn[3 * column + 2]!], way),
  ) as unknown as Vector;
}

/** One stance after another: that of a limb on a host that itself was put somewhere. */
export function stanceOn(host: Stance, own: Stance): Stance {
  const turn = [0, 1, 2].flatMap((column) =>
    turnedBy(host.turn, [own.turn[3 * column]!, own.turn[3 * column + 1]!, own.turn[3 * column + 2]!]),
  );
  return { turn, at: add(turnedBy(host.turn, own.at), host.at) };
}
