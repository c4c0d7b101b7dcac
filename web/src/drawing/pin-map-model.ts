import type { Pin, Place, Wall } from '@lemniscus/core/assembly';
import { numberOfRound, shortWay, turnsAfter } from '@lemniscus/core/assembly';
import { yarnPaint } from './yarn-colour';

/** A round of the unrolled wall: mm, its front at x = 0, y downwards as the piece stands. */
export interface MapRound {
  readonly round: number;
  readonly number: number;
  /** At its lower and its upper edge as it was worked: y, and half its length. */
  readonly from: { readonly y: number; readonly half: number };
  readonly to: { readonly y: number; readonly half: number };
  readonly band: string;
  readonly fill: string;
  /** The stitches of it, a V each, as one path. */
  readonly stitches: string;
  readonly edge: string;
  /** Numbered at the side. */
  readonly told: boolean;
}

/** One thing on the wall. */
export interface MapFeature {
  readonly place: Place;
  readonly key: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly kind: 'eye' | 'flat' | 'round' | 'mark' | 'around';
  readonly pins: readonly { readonly x: number; readonly y: number; readonly words: string }[];
  /** Of a cap, the line all round. */
  readonly line: string;
}

export interface PinMapModel {
  readonly wall: Wall;
  readonly front: number;
  /** Half the width of the widest round, and the height, mm. */
  readonly half: number;
  readonly height: number;
  readonly rounds: readonly MapRound[];
  readonly start: string;
  readonly features: readonly MapFeature[];
  /** How many times as high as it is it is drawn: 1 but for narrow edges on a screen. */
  readonly tall: number;
}

/** On a screen an edge is drawn at least so high, of its length. */
const LEAST_HIGH = 0.16;

const at = (x: number, y: number): string => `${x.toFixed(2)} ${y.toFixed(2)}`;

/** The wall of a host unrolled at true scale: every round as long as it is, cut open at the back. */
export function pinMapModel(wall: Wall, front: number, places: readonly Place[], paper = false): PinMapModel {
  const halfAt = (round: number): number => Math.PI * (round < 0 ? wall.startRadius : wall.radius[round]!);
  const half = Math.max(...wall.counts.map((_, round) => halfAt(round)));
  const deep = wall.along.at(-1) ?? 0;
  const tall = paper ? 1 : Math.max(1, (LEAST_HIGH * 2 * half) / Math.max(1, deep));
  const height = deep * tall;
  const y = (along: number): number => tall * (wall.upright ? deep - along : along);
  const yAt = (round: number): number => y(round < 0 ? 0 : wall.along[round]!);
  const every = wall.counts.length > 40 ? 5 : wall.counts.length > 14 ? 2 : 1;
  const rounds = wall.counts.map((_, round) =>
    mapRound(wall, round, front, every, { y: yAt(round - 1), half: halfAt(round - 1) }, { y: yAt(round), half: halfAt(round) }),
  );
  return {
    wall,
    front,
    half,
    tall,
    height,
    rounds,
    start: startLine(wall, front, rounds),
    features: places.map((place) => mapFeature(place, y)),
  };
}

function mapRound(wall: Wall, round: number, front: number, every: number, from: MapRound['from'], to: MapRound['to']): MapRound {
  const { fabric } = wall.made;
  const number = numberOfRound(wall, round);
  const paint = yarnPaint(fabric.colours[fabric.colour[fabric.roundStart[round]!]!] ?? '');
  const count = wall.counts[round]!;
  const vs: string[] = [];
  const half = (2 * Math.max(from.half, to.half)) / Math.max(1, count) / 2;
  for (let stitch = 0; stitch < count; stitch++) {
    const aside = shortWay(-wall.leftward * (turnsAfter(wall, round, stitch + 0.5) - front));
    const [low, high] = [from.y + 0.75 * (to.y - from.y), from.y + 0.2 * (to.y - from.y)];
    const [foot, top] = [2 * aside * (from.half + 0.2 * (to.half - from.half)), 2 * aside * to.half];
    vs.push(`M${at(top - 0.62 * half, low)}L${at(foot, high)}L${at(top + 0.62 * half, low)}`);
  }
  return {
    round,
    number,
    from,
    to,
    band: `M${at(-from.half, from.y)}L${at(from.half, from.y)}L${at(to.half, to.y)}L${at(-to.half, to.y)}Z`,
    fill: paint.fill,
    stitches: vs.join(''),
    edge: paint.edge,
    told: number % every === 0,
  };
}

/** Where the rounds begin, from one to the next; it breaks where it runs over the cut at the back. */
function startLine(wall: Wall, front: number, rounds: readonly MapRound[]): string {
  let path = '';
  let before: number | null = null;
  for (const { round, from, to } of rounds) {
    const aside = shortWay(-wall.leftward * ((wall.starts[round] ?? 0) - front));
    const joins = before !== null && Math.abs(aside - before) < 0.25;
    path += `${joins ? 'L' : 'M'}${at(2 * aside * from.half, from.y)}L${at(2 * aside * to.half, to.y)}`;
    before = aside;
  }
  return path;
}

function mapFeature(place: Place, y: (along: number) => number): MapFeature {
  const { feature, copy, pins, size, around, wall, first, last } = place;
  const points = pins.map((pin) => ({ x: pin.aroundMm, y: y(pin.alongMm), words: holeShort(pin) }));
  const flat = size.height < size.width * 0.8 || first !== last;
  const kind = around ? 'around' : feature.kind === 'eyes' ? 'eye' : feature.kind === 'mark' ? 'mark' : flat ? 'flat' : 'round';
  const half = Math.PI * wall.radius[last]!;
  const middle = points.reduce((sum, point) => ({ x: sum.x + point.x / points.length, y: sum.y + point.y / points.length }), {
    x: 0,
    y: 0,
  });
  return {
    place,
    key: `${feature.id} ${copy}`,
    x: middle.x,
    y: middle.y,
    width: size.width,
    height: size.height,
    kind,
    pins: points,
    line: around ? `M${at(-half, points[0]!.y)}L${at(half, points[0]!.y)}` : '',
  };
}

const holeShort = ({ after, in: inside }: Pin): string => (inside ? `in ${after + 1}` : `after ${after}`);

/** The round and the way from the front at a point of the map; in a gap the hole nearest to it. */
export function targetAt(
  { wall, height, tall }: PinMapModel,
  x: number,
  y: number,
  gap: boolean,
): { readonly round: number; readonly fromFront: number } {
  const along = Math.min(height, Math.max(0, wall.upright ? height - y : y)) / tall;
  let round = wall.along.findIndex((end) => end >= along);
  if (round < 0) round = wall.along.length - 1;
  if (gap) {
    const before = round === 0 ? 0 : wall.along[round - 1]!;
    if (round > 0 && along - before < wall.along[round]! - along) round--;
    round = Math.min(round, wall.along.length - 2);
  }
  round = Math.max(0, round);
  const girth = 2 * Math.PI * wall.radius[round]!;
  return { round, fromFront: Math.max(-0.5, Math.min(0.5, girth > 0 ? x / girth : 0)) };
}
