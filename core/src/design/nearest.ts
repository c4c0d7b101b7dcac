import type { StitchSize } from '../gauge/index.js';
import { along, crossingOf, LARGEST_MM, wishProblems, type Wish, type WishPoint, type WishProblem } from './wish.js';

/** Most rounds, and stitches round the widest, that anybody would work in one part (our own bounds). */
const MOST_ROUNDS = 320;
const MOST_AROUND = 600;
/** A part of less is no part: two rounds, and a ring of six. */
const LEAST_ROUNDS = 2;
/** What is brought down to a bound stays below it. */
const ROUNDING = 1e-9;

/** Why an outline was changed to one that can be crocheted. */
export type Mended = WishProblem | { readonly code: 'too-small'; readonly mm: number; readonly least: number };

/** The nearest outline that can be crocheted in this stitch, and what had to be changed. null where nothing is drawn yet. */
export function nearestWish(wish: Wish, stitch: StitchSize): { readonly wish: Wish; readonly mended: readonly Mended[] } | null {
  if (wish.points.length < 2) return null;
  const mended: Mended[] = [...wishProblems(wish).filter(({ code }) => code !== 'too-large')];
  let points: readonly WishPoint[] = wish.points.map(({ r, z }) => ({ r: Math.max(0, r), z }));
  if (wish.end === 'shut' && points.at(-1)!.r > 0) points = [...points, { r: 0, z: points.at(-1)!.z }];
  points = uncrossed(points);
  const size = sizeOf(points);
  const most = largest(points, stitch);
  if (size > most) {
    mended.push({ code: 'too-large', mm: size, most });
    points = scaled(points, ((1 - ROUNDING) * most) / size);
  }
  const { wall } = along(points);
  const least = LEAST_ROUNDS * stitch.height;
  if (wall < least) {
    mended.push({ code: 'too-small', mm: wall, least });
    points = scaled(points, ((1 + ROUNDING) * least) / Math.max(wall, 0.1));
  }
  return mended.length === 0 ? { wish, mended } : { wish: { ...wish, points }, mended };
}

const scaled = (points: readonly WishPoint[], by: number): readonly WishPoint[] =>
  points.map(({ r, z }) => ({ r: r * by, z: z * by }));

/** The larger of its width and its height, mm. */
function sizeOf(points: readonly WishPoint[]): number {
  const heights = points.map(({ z }) => z);
  return Math.max(2 * Math.max(...points.map(({ r }) => r)), Math.max(...heights) - Math.min(...heights));
}

/** How large an outline of this shape may be: by its size, its rounds, and the stitches of its widest. */
function largest(points: readonly WishPoint[], { width, height }: StitchSize): number {
  const size = sizeOf(points);
  const byRounds = (MOST_ROUNDS * height * size) / Math.max(1e-9, along(points).wall);
  const byAround = (MOST_AROUND * width * size) / Math.max(1e-9, 2 * Math.PI * Math.max(...points.map(({ r }) => r)));
  return Math.min(LARGEST_MM, byRounds, byAround);
}

/** Without the loops where it crosses itself: it turns off where it meets itself. Each cut takes a point away. */
function uncrossed(points: readonly WishPoint[]): readonly WishPoint[] {
  const crossing = crossingOf(points);
  if (!crossing) return points;
  const [first, second] = crossing;
  return uncrossed([...points.slice(0, first + 1), meeting(points, first, second), ...points.slice(second + 1)]);
}

function meeting(points: readonly WishPoint[], first: number, second: number): WishPoint {
  const [a, b, c, d] = [points[first]!, points[first + 1]!, points[second]!, points[second + 1]!];
  const [u, v] = [
    { r: b.r - a.r, z: b.z - a.z },
    { r: d.r - c.r, z: d.z - c.z },
  ];
  const share = ((c.r - a.r) * v.z - (c.z - a.z) * v.r) / (u.r * v.z - u.z * v.r);
  return { r: a.r + share * u.r, z: a.z + share * u.z };
}

/** What was changed and why, for a person. */
export function describeMended(mended: Mended): string {
  const mm = (value: number): string => `${Math.round(value)} mm`;
  switch (mended.code) {
    case 'too-few-points':
      return 'An outline needs two points.';
    case 'off-axis':
      return 'It did not come to its middle at the end, so it is drawn shut there.';
    case 'beyond-axis':
      return 'It went past the middle line; there it is on the line now.';
    case 'crosses-itself':
      return 'It crossed itself; the loop is left out.';
    case 'too-large':
      return `It was ${mm(mended.mm)} large; in this yarn ${mm(mended.most)} is the most, and it is that now.`;
    case 'too-small':
      return `Its wall was ${mm(mended.mm)} long; two rounds take ${mm(mended.least)}, and it is that now.`;
  }
}
