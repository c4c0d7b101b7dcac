import type { Profile } from './profile.js';

/** What a maker asks of a shape; mm and mm³. */
export interface Measures {
  readonly diameter: number;
  readonly height: number;
  /** Length along the wall from pole to rim or tip. */
  readonly wall: number;
  readonly volume: number;
}

/** The outline as [r, z] pairs from the pole to the rim or the tip, mm. */
export function outline({ r, z, pole, tip, flat }: Profile): [number, number][] {
  const points: [number, number][] = [[flat ? (r[0] ?? 0) : 0, pole]];
  for (let k = 0; k < r.length; k++) points.push([r[k]!, z[k]!]);
  if (tip !== null) points.push([0, tip]);
  return points;
}

/** The part of a profile that is there once `rounds` rounds are worked. */
export function upToRound(profile: Profile, rounds: number): Profile {
  if (rounds >= profile.r.length) return profile;
  return { ...profile, r: profile.r.slice(0, rounds), z: profile.z.slice(0, rounds), tip: null };
}

/**
 * Diameter, height, wall and enclosed volume (frustums from ring to ring; 0 for flat work, and for a wall that folds over
 * itself so that nothing is left inside); all 0 for an empty profile.
 */
export function measure(profile: Profile): Measures {
  const points = outline(profile);
  let volume = 0;
  let wall = 0;
  for (let k = 1; k < points.length; k++) {
    const [r1, z1] = points[k - 1]!;
    const [r2, z2] = points[k]!;
    volume += ((Math.PI * (z2 - z1)) / 3) * (r1 * r1 + r1 * r2 + r2 * r2);
    wall += Math.hypot(r2 - r1, z2 - z1);
  }
  const heights = points.map(([, z]) => z);
  return {
    diameter: 2 * Math.max(...points.map(([r]) => r)),
    height: Math.max(...heights) - Math.min(...heights),
    wall,
    volume: profile.flat ? 0 : Math.max(0, volume),
  };
}

/** Inner diameter of the opening when the part has been worked up to each round, mm. */
export function openings(profile: Profile): number[] {
  return Array.from(profile.r, (r) => 2 * r);
}
