import { constant } from '../constants/index.js';
import { DRAWN_SHUT } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { fire } from './fire.js';

/**
 * The outline of a part around its axis: one point a round, at the round's stitch tops, mm.
 * `z` grows from the start of the part to its end; the start's pole is at `pole` (r = 0), and `tip` is the point where a
 * last round of few stitches is drawn shut, or null for an open rim.
 */
export interface Profile {
  readonly r: Float64Array;
  readonly z: Float64Array;
  readonly pole: number;
  readonly tip: number | null;
  /** Flat work: `r` is half its width, and it begins as wide as its first row. */
  readonly flat?: true;
}

/** A wall of slip stitches has no height; a spring needs some (a twentieth of a single crochet). */
const LEAST_WALL = constant('least wall');

/** Springs resist stretching fully and squeezing a tenth, and shear a tenth (found by trying, `docs/shape.md`). */
const SQUEEZE = constant('squeeze of a spring');
const SHEAR = constant('shear of the fabric');

/** Share by which stuffing stretches the widest round, ε in `docs/shape.md`. */
export const FIRM = constant('stretch of stuffing');

/** Radius of a ring of n stitch widths laid as a polygon, mm. One or two stitches count as three, the fewest that enclose. */
export function ringRadius(stitches: number, width: number): number {
  return width / (2 * Math.sin(Math.PI / Math.max(3, stitches)));
}

function closes(counts: readonly number[]): boolean {
  return counts.length > 2 && counts[counts.length - 1]! <= DRAWN_SHUT;
}

/**
 * The unstuffed surface of revolution: every round a ring of its stitches, one stitch height along the wall from the
 * round before. Where the rounds grow faster than the wall allows, it lies flat.
 * @param counts stitches of each round, each at least 1
 * @param heights mean height of each round in single crochets; all 1 when left out
 */
export function plainProfile(counts: readonly number[], { width, height }: StitchSize, heights?: readonly number[]): Profile {
  const r = Float64Array.from(counts, (count) => ringRadius(count, width));
  const z = new Float64Array(counts.length);
  let last = 0;
  for (let k = 0; k < r.length; k++) {
    const across = r[k]! - (k > 0 ? r[k - 1]! : 0);
    const step = height * (heights?.[k] ?? 1);
    last += Math.sqrt(Math.max(0, step * step - across * across));
    z[k] = last;
  }
  return { r, z, pole: 0, tip: closes(counts) ? last : null };
}

/**
 * The stuffed outline: rounds as rings of springs of one stitch width, walls of one stitch height, blown up until they
 * settle. Lengths are in stitch widths while solving.
 * @param counts stitches of each round, each at least 1; an empty list gives an empty profile
 * @param firmness ε: the share by which stuffing stretches the widest round; 0.005 to 0.04 are sensible
 * @param heights mean height of each round in single crochets; all 1 when left out
 */
export function stuffedProfile(
  counts: readonly number[],
  size: StitchSize,
  firmness = FIRM,
  heights: readonly number[] = [],
): Profile {
  if (counts.length === 0) return { r: new Float64Array(0), z: new Float64Array(0), pole: 0, tip: null };
  const n = counts.length;
  const height = size.height / size.width;
  const plain = plainProfile(counts, { width: 1, height }, heights);
  const capped = plain.tip !== null;
  // Unknowns: r of each round, z of each round, z of the pole, z of the tip.
  const x = new Float64Array(2 * n + 2);
  x.set(plain.r, 0);
  for (let k = 0; k < n; k++) x[n + k] = plain.z[k]! + k * height * 0.02;
  x[2 * n] = 0;
  x[2 * n + 1] = x[2 * n - 1]! + 0.1;
  const springs = springsOf(
    counts,
    counts.map((_, k) => height * Math.max(LEAST_WALL, heights[k] ?? 1)),
    capped,
  );
  const widest = Math.max(...plain.r);
  const mass = massesOf(counts);
  const pressure = firmness / (widest * height);
  const field = (at: Float64Array, force: Float64Array): void => {
    force.fill(0);
    pullRings(counts, at, force);
    for (const spring of springs) pull(spring, n, at, force);
    push(n, pressure, capped, at, force);
    for (let k = 0; k < n; k++) {
      force[k] = force[k]! / mass[k]!;
      force[n + k] = force[n + k]! / mass[k]!;
    }
    force[2 * n] = force[2 * n]! / mass[0]!;
    force[2 * n + 1] = capped ? force[2 * n + 1]! / mass[n - 1]! : 0;
  };
  fire(x, field, { dtMax: 0.5, steps: 20_000, force: 1e-5, move: 1e-5 });
  const w = size.width;
  const base = x[2 * n]!;
  return {
    r: x.slice(0, n).map((value) => Math.abs(value) * w),
    z: x.slice(n, 2 * n).map((value) => (value - base) * w),
    pole: 0,
    tip: capped ? (x[2 * n + 1]! - base) * w : null,
  };
}

/** A wall hangs a ring of few stitches on one of so many times as many, at most, as if it were light; past that it is slowed. */
const LIGHTEST = 32;

/**
 * A ring moves as one body of its stitches: the force on each of them is what sets its pace. One next to a far larger ring is
 * slowed, or the springs between the two would throw it about. Where it comes to rest does not depend on this.
 */
function massesOf(counts: readonly number[]): number[] {
  return counts.map((count, k) => Math.max(count, (counts[k - 1] ?? 0) / LIGHTEST, (counts[k + 1] ?? 0) / LIGHTEST));
}

/** A spring between two points of the outline, `weight` stitches wide. Index n is the pole, n + 1 the tip. */
interface Spring {
  readonly from: number;
  readonly to: number;
  readonly rest: number;
  readonly weight: number;
  readonly squeeze: number;
}

function springsOf(counts: readonly number[], heights: readonly number[], capped: boolean): Spring[] {
  const n = counts.length;
  const springs: Spring[] = [{ from: n, to: 0, rest: heights[0]!, weight: counts[0]!, squeeze: SQUEEZE }];
  for (let k = 1; k < n; k++) {
    springs.push({ from: k - 1, to: k, rest: heights[k]!, weight: Math.max(counts[k - 1]!, counts[k]!), squeeze: SQUEEZE });
  }
  if (capped)
    springs.push({ from: n - 1, to: n + 1, rest: ringRadius(counts[n - 1]!, 1), weight: counts[n - 1]!, squeeze: SQUEEZE });
  return springs;
}

/** Every chord of a ring rests at one stitch width; the n chords together push or pull its radius. */
function pullRings(counts: readonly number[], at: Float64Array, force: Float64Array): void {
  for (let k = 0; k < counts.length; k++) {
    const stitches = Math.max(3, counts[k]!);
    const half = Math.sin(Math.PI / stitches);
    const stretch = 2 * at[k]! * half - 1;
    const stiffness = stretch > 0 ? 1 : SQUEEZE;
    force[k] = force[k]! - stiffness * stretch * 2 * half * stitches;
  }
}

function pull({ from, to, rest, weight, squeeze }: Spring, n: number, at: Float64Array, force: Float64Array): void {
  const r1 = from < n ? at[from]! : 0;
  const r2 = to < n ? at[to]! : 0;
  const dr = r2 - r1;
  const dz = at[n + to]! - at[n + from]!;
  wall(weight, squeeze, rest, dr, dz, 0);
  // Shear: the diagonal across one stitch, half to either side.
  const across = (ringShare(r1, weight) + ringShare(r2, weight)) / 2;
  wall(weight * 2, SHEAR, Math.sqrt(rest * rest + 1), dr, dz, across);

  function wall(strands: number, softness: number, length: number, along: number, up: number, aside: number): void {
    const distance = Math.sqrt(along * along + up * up + aside * aside) || 1e-9;
    const stretch = distance - length;
    const stiffness = (aside > 0 ? SHEAR : 1) * (stretch > 0 ? 1 : softness) * strands;
    const tension = (stiffness * stretch) / distance;
    if (from < n) force[from] = force[from]! + tension * along;
    if (to < n) force[to] = force[to]! - tension * along;
    force[n + from] = force[n + from]! + tension * up;
    force[n + to] = force[n + to]! - tension * up;
  }
}

function ringShare(r: number, stitches: number): number {
  return (2 * Math.PI * r) / stitches;
}

/** Inflation: pressure on the bands between rounds, as the gradient of the enclosed volume; an open rim is capped flat. */
function push(n: number, pressure: number, capped: boolean, at: Float64Array, force: Float64Array): void {
  const end = capped ? n + 1 : n - 1;
  const band = (from: number, to: number): void => {
    const r1 = from < n ? at[from]! : 0;
    const r2 = to < n ? at[to]! : 0;
    const dz = at[n + to]! - at[n + from]!;
    const third = (pressure * Math.PI) / 3;
    if (from < n) force[from] = force[from]! + third * dz * (2 * r1 + r2);
    if (to < n) force[to] = force[to]! + third * dz * (2 * r2 + r1);
    const area = third * (r1 * r1 + r1 * r2 + r2 * r2);
    force[n + from] = force[n + from]! - area;
    force[n + to] = force[n + to]! + area;
  };
  band(n, 0);
  for (let k = 1; k < n; k++) band(k - 1, k);
  if (end === n + 1) band(n - 1, n + 1);
}

/** A profile of stitches `factor` times as large. Law: the shape depends on height over width only, so sizes just scale. */
export function scaleProfile({ r, z, pole, tip, ...rest }: Profile, factor: number): Profile {
  return {
    ...rest,
    r: r.map((value) => value * factor),
    z: z.map((value) => value * factor),
    pole: pole * factor,
    tip: tip === null ? null : tip * factor,
  };
}
