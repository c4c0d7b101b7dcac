import { constant } from '../../constants/index.js';
import type { Outline } from '../outline.js';
import { ringRadius } from './ring.js';

/** A round of stitches as one ring: a half circle of radius r at either end of a straight of 2 s, on both sides. */
export interface Ring {
  readonly point: number;
  readonly count: number;
  /** Rest length of a stitch along it, in stitch widths. */
  readonly chord: number;
}

/** The wall between two points, `strands` stitches wide, of which the share `straight` runs up the straight sides. */
export interface Wall {
  readonly from: number;
  readonly to: number;
  readonly rest: number;
  readonly strands: number;
  readonly straight: number;
  /** Fields between stitches that have two stitches below and two above, each with two diagonals. */
  readonly fields: number;
}

/**
 * The springs of a profile. Lengths are in stitch widths, stiffness in that of one stitch under tension.
 *
 * Points are the rounds 0 to n − 1, the base n and the tip n + 1. A state is one array: the radius of every point, then the
 * height of every point, then half the straight of every point.
 */
export interface ProfileNet {
  readonly points: number;
  readonly rings: readonly Ring[];
  readonly walls: readonly Wall[];
  /** Stitches around each point; 1 where there are none. */
  readonly around: readonly number[];
  /** Points from the base along the wall that holds the stuffing, with the tip when it is drawn shut. */
  readonly path: readonly number[];
  readonly pressure: number;
  /** 1 for each coordinate that may move. */
  readonly free: Uint8Array;
  readonly mass: Float64Array;
}

/** A wall of slip stitches has no height; a spring needs some (a twentieth of a single crochet). */
const LEAST_WALL = constant('least wall');
const CHORD_SHUT = constant('chord drawn shut');

/** Rounds from the base on that enclose: up to the first that is worked on another than the one before it. */
export function mainRounds({ below }: Outline): number {
  const fork = below.findIndex((under, round) => under !== round - 1);
  return fork < 0 ? below.length : fork;
}

/** Half the straight that an oval keeps in a round of so many stitches, stitch widths. */
const straightOf = ({ start }: Outline, count: number): number =>
  start.is === 'chain' ? Math.min(start.straight / 2, count / 8) : 0;

export function profileNet(outline: Outline, ratio: number, firmness: number): ProfileNet {
  const { counts, start, shut } = outline;
  const n = counts.length;
  const main = mainRounds(outline);
  const tip = shut && main === n;
  const path = [n, ...Array.from({ length: main }, (_, round) => round), ...(tip ? [n + 1] : [])];
  const rings = counts.map((count, point): Ring => ({ point, count, chord: tip && point === n - 1 ? CHORD_SHUT : 1 }));
  const around = start.is === 'open' ? start.around : 0;
  if (around > 0) rings.push({ point: n, count: around, chord: 1 });
  const widest = Math.max(...counts.map((count) => ringRadius(count, 1)));
  return {
    points: n + 2,
    rings,
    walls: wallsOf(outline, ratio, tip),
    around: [...counts, Math.max(1, underFirst(outline)), 1],
    path,
    pressure: firmness / (widest * ratio),
    free: freeOf(outline, tip),
    mass: massesOf([...counts, Math.max(around, counts[0]!), counts[n - 1]!]),
  };
}

function wallsOf(outline: Outline, ratio: number, tip: boolean): Wall[] {
  const { counts, heights, below, start } = outline;
  const n = counts.length;
  const sides = start.is === 'chain' ? 2 * start.straight : 0;
  const walls = counts.map((count, round): Wall => {
    const from = below[round]! < 0 ? n : below[round]!;
    const under = from < n ? counts[from]! : underFirst(outline);
    const strands = Math.max(under, count);
    const rest = ratio * Math.max(LEAST_WALL, heights[round] ?? 1);
    return { from, to: round, rest, strands, straight: Math.min(1, sides / strands), fields: Math.min(under, count) };
  });
  const last = counts[n - 1]!;
  if (tip) walls.push({ from: n - 1, to: n + 1, rest: ringRadius(last, CHORD_SHUT), strands: last, straight: 0, fields: 0 });
  return walls;
}

/** Stitches, chains or places along what the first round is worked on; none in a ring. */
function underFirst({ start }: Outline): number {
  if (start.is === 'ring') return 0;
  return start.is === 'open' ? start.around : 2 * start.straight;
}

function freeOf({ counts, start }: Outline, tip: boolean): Uint8Array {
  const points = counts.length + 2;
  const [base, top] = [points - 2, points - 1];
  const free = new Uint8Array(3 * points).fill(1);
  free[base] = start.is === 'open' ? 1 : 0;
  free[top] = 0;
  free[points + top] = tip ? 1 : 0;
  // A round part stays round.
  if (start.is !== 'chain') free.fill(0, 2 * points);
  free[2 * points + base] = 0;
  free[2 * points + top] = 0;
  return free;
}

/** A wall hangs a ring of few stitches on one of so many times as many, at most, as if it were light; past that it is slowed. */
const LIGHTEST = 32;

/**
 * A ring moves as one body of its stitches: the force on each of them is what sets its pace. One next to a far larger ring is
 * slowed, or the springs between the two would throw it about. Where it comes to rest does not depend on this.
 */
function massesOf(counts: readonly number[]): Float64Array {
  return Float64Array.from(counts, (count, k) =>
    Math.max(count, (counts[k - 1] ?? 0) / LIGHTEST, (counts[k + 1] ?? 0) / LIGHTEST),
  );
}

/**
 * The unstuffed surface to begin from: every round a ring of its stitches, one stitch height along the wall from the one it
 * hangs on; where the rounds grow faster than the wall allows, it lies flat. `lift` parts such rounds a little.
 */
export function plainState(outline: Outline, ratio: number, lift: number): Float64Array {
  const { counts, heights, below, start } = outline;
  const n = counts.length;
  const m = n + 2;
  const x = new Float64Array(3 * m);
  if (start.is === 'open') x[n] = ringRadius(start.around, 1);
  if (start.is === 'chain') x[2 * m + n] = start.straight / 2;
  for (let round = 0; round < n; round++) {
    const from = below[round]! < 0 ? n : below[round]!;
    const straight = straightOf(outline, counts[round]!);
    x[2 * m + round] = straight;
    x[round] = straight > 0 ? (counts[round]! - 4 * straight) / (2 * Math.PI) : ringRadius(counts[round]!, 1);
    const across = x[round]! - x[from]!;
    const step = ratio * (heights[round] ?? 1);
    x[m + round] = x[m + from]! + Math.sqrt(Math.max(0, step * step - across * across)) + lift * ratio;
  }
  x[m + n + 1] = (n > 0 ? x[m + n - 1]! : 0) + 5 * lift;
  return x;
}
