import type { Fabric } from '@lemniscus/core/fabric';

/**
 * The track the dial's rounds run on: a ring, or for ovals two half rings with straight sides between them. Every angle
 * (turns along the work) has a foot on the middle line and a direction outward; a stitch lies its radius away from its
 * foot. The piece is turned about its middle until a stitch stands straight under the hook.
 */
export interface Track {
  /** Half the length of a straight side; 0 for a ring. Drawing units. */
  readonly half: number;
  /** The share of the way round that one straight side takes, turns. */
  readonly side: number;
  /** The angle in the middle of the first straight side, turns. */
  readonly middle: number;
}

export const RING: Track = { half: 0, side: 0, middle: 0 };

/** A foot of the track and the way outward from it, radians; y grows downward, and the work runs counter to the clock. */
export interface Foot {
  readonly x: number;
  readonly y: number;
  readonly outward: number;
}

/**
 * @param turns the angle along the work; any number, whole turns change nothing
 */
export function footAt({ half, side, middle }: Track, turns: number): Foot {
  // The middle of the first side lies at the top, with the outward way straight up.
  const along = (((turns - middle + side / 2) % 1) + 1) % 1;
  const second = along >= 0.5;
  const within = second ? along - 0.5 : along;
  const flip = second ? -1 : 1;
  const up = second ? Math.PI / 2 : -Math.PI / 2;
  if (within < side) return { x: flip * half * (1 - (2 * within) / side), y: 0, outward: up };
  const bend = (within - side) / (0.5 - side);
  return { x: -flip * half, y: 0, outward: up - Math.PI * bend };
}

/** Where an angle and a radius lie on the track. */
export function pointAt(track: Track, angle: number, radius: number): readonly [number, number] {
  const { x, y, outward } = footAt(track, angle);
  return [x + Math.cos(outward) * radius, y + Math.sin(outward) * radius];
}

/** How far the piece is turned for a place of it to lie straight above its middle, radians. */
export function turnTo(track: Track, angle: number, radius: number): number {
  const [x, y] = pointAt(track, angle, radius);
  return -Math.PI / 2 - Math.atan2(y, x);
}

/** How long the straight sides may be drawn, so that the whole of an oval stays in the picture. */
const LONGEST_HALF = 46;

/**
 * The track for a fabric as it lies at a round with `stitches`: an oval for work round both sides of a chain, else a ring.
 * The straight sides are as long against the ends as in the work, up to what the picture has room for.
 * @param angles of every stitch, turns
 */
export function trackOf(fabric: Fabric, angles: Float64Array, stitches: number): Track {
  const { foundation } = fabric;
  if (foundation?.from !== 'chain' || foundation.sides !== 2) return RING;
  const places = foundation.chains - foundation.first + 1;
  // All chains but those at the two ends; the middle of the first side is the mean of what is worked into them.
  const rows: number[] = [];
  for (let row = 0; row < fabric.roundStart[1]!; row++)
    if (fabric.place[row]! > 0 && fabric.place[row]! < places - 1) rows.push(row);
  if (rows.length === 0) return RING;
  const middle = rows.reduce((sum, row) => sum + angles[row]!, 0) / rows.length;
  const ends = Math.max(6, stitches - 2 * rows.length);
  const half = Math.min(LONGEST_HALF, (Math.PI * MIDDLE_RADIUS * rows.length) / ends);
  return { half, side: half / (Math.PI * MIDDLE_RADIUS + 2 * half), middle };
}
const MIDDLE_RADIUS = 150;
