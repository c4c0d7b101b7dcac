/** A point of a wished outline: half the width at a height, mm. */
export interface WishPoint {
  readonly r: number;
  readonly z: number;
}

/** How an outline ends: drawn shut at a point, or open at a rim. */
export type End = 'shut' | 'open';

/**
 * The shape somebody wants: half its outline from its start, where the first round is worked, to its end. A first point off
 * the axis is an open rim it begins with.
 */
export interface Wish {
  readonly points: readonly WishPoint[];
  readonly end: End;
  /** How much longer than wide an oval is, mm, along the chain it begins with; 0 or left out where it is round. */
  readonly straight?: number;
  /** How far it bends between its ends, degrees, by half of its rounds being worked taller; 0 or left out where it is straight. */
  readonly bend?: number;
}

/** Why an outline cannot be crocheted as it is; the places are indices of its points. */
export type WishProblem =
  | { readonly code: 'too-few-points' }
  | { readonly code: 'off-axis'; readonly at: number }
  | { readonly code: 'beyond-axis'; readonly at: number }
  | { readonly code: 'crosses-itself'; readonly at: number; readonly with: number }
  | { readonly code: 'too-large'; readonly mm: number; readonly most: number };

/** Largest width or height, mm: what lies beyond is no stuffed figure any more (our own bound). */
export const LARGEST_MM = 1_000;

/** What keeps an outline from being crocheted; the first found of each kind. */
export function wishProblems({ points, end }: Wish): readonly WishProblem[] {
  if (points.length < 2) return [{ code: 'too-few-points' }];
  const problems: WishProblem[] = [];
  const last = points.length - 1;
  if (end === 'shut' && points[last]!.r > 0) problems.push({ code: 'off-axis', at: last });
  const beyond = points.findIndex(({ r }) => r < 0);
  if (beyond >= 0) problems.push({ code: 'beyond-axis', at: beyond });
  const crossing = crossingOf(points);
  if (crossing) problems.push({ code: 'crosses-itself', at: crossing[0], with: crossing[1] });
  const mm = Math.max(
    2 * Math.max(...points.map(({ r }) => r)),
    Math.max(...points.map(({ z }) => z)) - Math.min(...points.map(({ z }) => z)),
  );
  if (mm > LARGEST_MM) problems.push({ code: 'too-large', mm, most: LARGEST_MM });
  return problems;
}

/** The first two pieces that cross, by their first points; null where none do. */
export function crossingOf(points: readonly WishPoint[]): readonly [number, number] | null {
  for (let i = 0; i + 1 < points.length; i++)
    for (let k = i + 2; k + 1 < points.length; k++)
      if (cross(points[i]!, points[i + 1]!, points[k]!, points[k + 1]!)) return [i, k];
  return null;
}

const turn = (a: WishPoint, b: WishPoint, c: WishPoint): number => (b.r - a.r) * (c.z - a.z) - (b.z - a.z) * (c.r - a.r);

function cross(a: WishPoint, b: WishPoint, c: WishPoint, d: WishPoint): boolean {
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
}

/** An outline as it goes along: lengths of its wall, and where it is after so much of it. */
export interface Along {
  readonly wall: number;
  readonly at: (share: number) => WishPoint;
}

/** @param points at least one */
export function along(points: readonly WishPoint[]): Along {
  const lengths = [0];
  for (let i = 1; i < points.length; i++)
    lengths.push(lengths[i - 1]! + Math.hypot(points[i]!.r - points[i - 1]!.r, points[i]!.z - points[i - 1]!.z));
  const wall = lengths.at(-1)!;
  const at = (share: number): WishPoint => {
    const length = Math.max(0, Math.min(1, share)) * wall;
    let [low, next] = [1, Math.max(1, lengths.length - 1)];
    while (low < next) {
      const middle = (low + next) >> 1;
      if (lengths[middle]! >= length) next = middle;
      else low = middle + 1;
    }
    const [a, b] = [points[next - 1]!, points[next] ?? points.at(-1)!];
    const piece = (lengths[next] ?? wall) - lengths[next - 1]!;
    const part = piece > 0 ? (length - lengths[next - 1]!) / piece : 0;
    return { r: a.r + (b.r - a.r) * part, z: a.z + (b.z - a.z) * part };
  };
  return { wall, at };
}
