import { constant } from '../../constants/index.js';
import type { StitchSize } from '../../gauge/index.js';
import { Fire } from '../fire.js';
import { isFlatLie } from '../lie.js';
import { plainOutline, type Outline } from '../outline.js';
import { mainRounds, plainState, profileNet, type ProfileNet } from './net.js';
import { pressureEnergy } from './pressure-energy.js';
import { ringEnergy } from './ring-energy.js';
import { shearEnergy, wallEnergy } from './wall-energy.js';

/**
 * A part round by round, a point a round at its stitch tops; lengths in mm, or in stitch widths where it says so. A round
 * is as wide as 2 (r + s) one way and 2 r the other: half circles of radius r, 2 s apart; s is 0 in round parts.
 * `z` grows from the start of the part to its end. Of flat work `r` is half the width.
 */
export interface Profile {
  readonly r: Float64Array;
  readonly s: Float64Array;
  readonly z: Float64Array;
  /** The start, at height `pole`: a point, a chain (r 0) or an open rim. */
  readonly base: { readonly r: number; readonly s: number };
  readonly pole: number;
  /** Where the last round is drawn shut, or null for an open rim. */
  readonly tip: number | null;
  /** Rounds that follow one another from the start; those after them grow out of loops that were left for them. */
  readonly main: number;
  readonly flat: boolean;
  /** Whether its two ends are sewn to one another: told here as the tube it is made as, it then lies as a ring. */
  readonly ring: boolean;
  /** Whether there is stuffing in it. */
  readonly stuffed: boolean;
  /** False where the shape did not come to rest: a ruffle, a fold. It is then as far as it got. */
  readonly settled: boolean;
  /** From every stitch relaxed in three dimensions, which is the surer; else from its rounds alone. */
  readonly relaxed: boolean;
  /** What its skin encloses, where that is known better than by its rounds; else null. */
  readonly enclosed: number | null;
}

/** Share by which stuffing stretches the widest round, ε in `docs/shape.md`. */
export const FIRM = constant('stretch of stuffing');

const LARGEST_STEP = 0.5;
/** At rest where no force and no move is larger than this, stitch widths. */
const AT_REST = 1e-5;
const MOST_STEPS = 20_000;

/** Energy of a state and, in `force`, less its gradient. */
export function profileEnergy(net: ProfileNet, x: Float64Array, force: Float64Array): number {
  force.fill(0);
  return ringEnergy(net, x, force) + wallEnergy(net, x, force) + shearEnergy(net, x, force) + pressureEnergy(net, x, force);
}

/** How a shape is found sooner. */
export interface Haste {
  /** The shape of as many rounds that differ little, in the same unit: it comes to the same rest from there. */
  readonly near?: Profile | null;
  /** The largest force and move that counts as rest, stitch widths. */
  readonly within?: number;
}

/** The outline in stitches of width 1 and this height over width; sizes scale with the width. */
export function unitProfile(outline: Outline, ratio: number, firmness = FIRM, haste: Haste = {}): Profile {
  const some = { ...outline, counts: outline.counts.map((count) => Math.max(1, count)) };
  if (isFlatLie(outline.lie)) return flatProfile(some, ratio);
  return solve(some, ratio, outline.lie === 'stuffed' ? firmness : 0, haste);
}

/** The outline with nothing in it, nowhere stretched but where it must lie flat: what unstuffed fabric begins from. */
export function unstuffedProfile(outline: Outline, ratio: number): Profile {
  if (isFlatLie(outline.lie)) return flatProfile(outline, ratio);
  return profileOf(outline, plainState(outline, ratio, 0), false, true);
}

/** The stuffed profile of single crochet rounds from a ring, mm. */
export function stuffedProfile(counts: readonly number[], { width, height }: StitchSize, firmness = FIRM): Profile {
  return scaleProfile(unitProfile(plainOutline(counts), height / width, firmness), width);
}

/** The same rounds with nothing in them: rings of their stitches, one stitch height apart along the wall, mm. */
export function plainProfile(counts: readonly number[], { width, height }: StitchSize): Profile {
  const outline = plainOutline(counts);
  return scaleProfile(profileOf(outline, plainState(outline, height / width, 0), false, true), width);
}

function solve(outline: Outline, ratio: number, firmness: number, { near, within = AT_REST }: Haste): Profile {
  if (outline.counts.length === 0) return profileOf(outline, new Float64Array(6), firmness > 0, true);
  const net = profileNet(outline, ratio, firmness);
  const { points, mass, free } = net;
  const x = plainState(outline, ratio, 0.02);
  // An oval may have more than one rest: it is always looked for from the same place.
  if (near?.r.length === outline.counts.length && outline.start.is !== 'chain') goOnFrom(near, x, free);
  const fire = new Fire(
    x,
    (at, force) => {
      profileEnergy(net, at, force);
      for (let i = 0; i < force.length; i++) force[i] = free[i] ? force[i]! / mass[i % points]! : 0;
    },
    { dtMax: LARGEST_STEP, force: within, move: within },
  );
  return profileOf(outline, x, firmness > 0, fire.run(MOST_STEPS).settled);
}

/** Puts what may move where it is in another profile of as many rounds. */
function goOnFrom({ r, s, z, base, tip }: Profile, x: Float64Array, free: Uint8Array): void {
  const n = r.length;
  const m = n + 2;
  const state = Float64Array.from(x);
  state.set(r, 0);
  state.set(z, m);
  state.set(s, 2 * m);
  [state[n], state[m + n], state[2 * m + n]] = [base.r, 0, base.s];
  if (tip !== null) state[m + n + 1] = tip;
  for (let i = 0; i < x.length; i++) if (free[i]) x[i] = state[i]!;
}

function profileOf(outline: Outline, x: Float64Array, stuffed: boolean, settled: boolean): Profile {
  const n = outline.counts.length;
  const m = n + 2;
  const main = mainRounds(outline);
  const foot = x[m + n]!;
  return {
    r: x.slice(0, n).map(Math.abs),
    s: x.slice(2 * m, 2 * m + n).map(Math.abs),
    z: x.slice(m, m + n).map((z) => z - foot),
    base: { r: Math.abs(x[n]!), s: Math.abs(x[2 * m + n]!) },
    pole: 0,
    tip: outline.shut && main === n && n > 0 ? x[m + n + 1]! - foot : null,
    main,
    flat: false,
    ring: outline.endsMeet,
    stuffed,
    settled,
    relaxed: false,
    enclosed: null,
  };
}

/**
 * The outline of flat work lying on the table: as wide as its stitches in rows, as half of them where it goes around and is
 * pressed into two layers; up its middle nothing is folded, so each row is one stitch height. `r` is half the width.
 */
function flatProfile({ counts, heights, lie, below }: Outline, ratio: number): Profile {
  const share = lie === 'rows' ? 1 : 0.5;
  const r = Float64Array.from(counts, (count) => (share * count) / 2);
  const z = new Float64Array(counts.length);
  for (let row = 0; row < r.length; row++) z[row] = (below[row]! < 0 ? 0 : z[below[row]!]!) + ratio * (heights[row] ?? 1);
  const base = { r: lie === 'pressed' ? 0 : (r[0] ?? 0), s: 0 };
  const s = new Float64Array(r.length);
  return {
    r,
    s,
    z,
    base,
    pole: 0,
    tip: null,
    main: r.length,
    flat: true,
    ring: false,
    stuffed: false,
    settled: true,
    relaxed: false,
    enclosed: null,
  };
}

/** A profile of stitches `factor` times as large. Law: the shape depends on height over width only, so sizes just scale. */
export function scaleProfile(profile: Profile, factor: number): Profile {
  const { r, s, z, base, pole, tip, enclosed } = profile;
  return {
    ...profile,
    r: r.map((value) => value * factor),
    s: s.map((value) => value * factor),
    z: z.map((value) => value * factor),
    base: { r: base.r * factor, s: base.s * factor },
    pole: pole * factor,
    tip: tip === null ? null : tip * factor,
    enclosed: enclosed === null ? null : enclosed * factor ** 3,
  };
}
