import { bandVolume } from './profile/pressure-energy.js';
import type { Profile } from './profile/profile.js';

/** What a maker asks of a shape; mm and mm³. */
export interface Measures {
  /** The widest it is, and the widest across that: equal in round parts, thickness left out in flat ones. */
  readonly diameter: number;
  readonly second: number;
  readonly height: number;
  /** Length along the wall from start to rim or tip, up the side it is widest across. */
  readonly wall: number;
  readonly volume: number;
}

/** One ring of a profile. */
export interface ProfilePoint {
  readonly r: number;
  readonly s: number;
  readonly z: number;
}

/** The rings along the wall from the start to the rim or the tip, those of rounds that grow out of loops left aside. */
export function ringsOf({ r, s, z, base, pole, tip, main }: Profile): ProfilePoint[] {
  const rings: ProfilePoint[] = [{ ...base, z: pole }];
  for (let k = 0; k < main; k++) rings.push({ r: r[k]!, s: s[k]!, z: z[k]! });
  if (tip !== null) rings.push({ r: 0, s: 0, z: tip });
  return rings;
}

/** The outline as [half width, z] pairs from the start to the rim or the tip, seen from where it is widest, mm. */
export function outlinePoints(profile: Profile): [number, number][] {
  return ringsOf(profile).map(({ r, s, z }) => [r + s, z]);
}

/** A part before its ends are sewn to one another: the tube it is made as. */
export function unsewn(profile: Profile): Profile {
  return profile.ring ? { ...profile, ring: false } : profile;
}

/** The part of a profile that is there once `rounds` rounds are worked. */
export function upToRound(profile: Profile, rounds: number): Profile {
  const { r, s, z, main } = profile;
  if (rounds >= r.length) return profile;
  return {
    ...profile,
    r: r.slice(0, rounds),
    s: s.slice(0, rounds),
    z: z.slice(0, rounds),
    main: Math.min(main, rounds),
    tip: null,
    enclosed: null,
    ring: false,
  };
}

/**
 * Widths, height, wall and enclosed volume (0 for flat work, and for a wall that folds over itself so that nothing is left
 * inside); all 0 for an empty profile. Rounds that grow out of loops count for width and height, and hold nothing. A ring
 * lies on the table: as high as its tube is thick, and as wide as a circle of the tube's length, with its thickness.
 */
export function measure(profile: Profile): Measures {
  const rings = ringsOf(profile);
  let volume = 0;
  let wall = 0;
  for (let k = 1; k < rings.length; k++) {
    const [a, b] = [rings[k - 1]!, rings[k]!];
    volume += bandVolume(a.r, a.s, b.r, b.s, b.z - a.z);
    wall += Math.hypot(b.r - a.r, b.z - a.z);
  }
  const { r, s, z, base } = profile;
  const heights = [...rings.map((ring) => ring.z), ...z];
  const diameter = 2 * Math.max(base.r + base.s, ...r.map((radius, k) => radius + s[k]!));
  const height = Math.max(...heights) - Math.min(...heights);
  const around = height / Math.PI + diameter;
  return {
    diameter: profile.ring ? around : diameter,
    second: profile.ring ? around : 2 * Math.max(base.r, ...r),
    height: profile.ring ? diameter : height,
    wall,
    volume: profile.flat ? 0 : Math.max(0, profile.enclosed ?? volume),
  };
}

/** How wide the opening is once each round is worked, mm: across a circle of its girth, as fabric gives; of flat work its width. */
export function openings({ r, s }: Profile): number[] {
  return Array.from(r, (radius, k) => 2 * radius + (4 * s[k]!) / Math.PI);
}
