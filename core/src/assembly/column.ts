import type { Aside, Round, Side } from '../notation/index.js';
import type { Feature } from './feature.js';
import { stitchesAt, turnsAfter, type Wall } from './wall.js';

export interface Column {
  readonly turns: number;
  /** In a stitch, in a hole, or, null, in whichever is nearer. */
  readonly in: boolean | null;
}

export interface Middle {
  readonly turns: number;
  readonly aside: number;
  /** One at each side of it. */
  readonly sides: boolean;
}

/** Eyes at the front are what the front is told by: it lies half-way between them. */
export const settles = ({ kind, placing: { round } }: Feature): boolean =>
  kind === 'eyes' && (round?.is !== 'apart' || round.side === 'front');

/** Only what is sewn by its edge and not said to sit to a side goes all round. */
export function capping({ placing, copies, join, kind }: Feature): boolean {
  const sewn = join === 'sewn' || join === 'edge to edge' || join === 'whipped';
  return kind === 'piece' && sewn && placing.round === null && copies.length === 1 && placing.height?.is !== 'start';
}

export const FRONT: Round = { is: 'side', of: 'front', aside: null };
/** Eyes sit a sixth to a quarter of the round apart (common practice). */
export const USUAL_APART = 0.2;

export const keyOf = ({ part, copy }: { readonly part: number; readonly copy: number }): string => `${part}/${copy}`;

export function asideTurns(wall: Wall, round: number, aside: Aside | null): number {
  if (!aside) return 0;
  const turns = 'turns' in aside ? aside.turns : aside.stitches / Math.max(1, wall.counts[round]!);
  return wall.leftward * (aside.toward === 'left' ? turns : -turns);
}

/** The nearest hole or middle of a stitch. */
export function snapped(wall: Wall, round: number, turns: number): number {
  return turnsAfter(wall, round, Math.round(2 * stitchesAt(wall, round, turns)) / 2);
}

/** Runs of stitches worked through a limb: from, and past the last. */
export function limbRuns(limbs: Uint8Array, own: (limb: number) => boolean): (readonly [number, number])[] {
  const runs: (readonly [number, number])[] = [];
  for (let i = 0; i < limbs.length; i++) {
    if (!own(limbs[i]!)) continue;
    const from = i;
    while (i < limbs.length && own(limbs[i]!)) i++;
    runs.push([from, i]);
  }
  return runs;
}

/** The mean of turns near a front, the short way. */
export function meanAside(turns: readonly number[]): number {
  const [x, y] = turns.reduce(([x, y], turn) => [x + Math.cos(2 * Math.PI * turn), y + Math.sin(2 * Math.PI * turn)], [0, 0]);
  return Math.atan2(y, x) / (2 * Math.PI);
}

/** Straight across between two places of a round, mm. */
export function acrossOf(wall: Wall, round: number, one: { readonly turns: number }, two: { readonly turns: number }): number {
  return 2 * wall.radius[round]! * Math.abs(Math.sin(Math.PI * (one.turns - two.turns)));
}

/** A side of a host, turns. */
export function sideTurns(side: Side, wall: Wall, round: number, front: number): number {
  switch (side) {
    case 'front':
      return front;
    case 'back':
      return front + 0.5;
    case 'left':
      return front + wall.leftward * 0.25;
    case 'right':
      return front - wall.leftward * 0.25;
    case 'start':
      return wall.starts[round]!;
  }
}
