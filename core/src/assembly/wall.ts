import { roundLength, type Fabric, type PartCount } from '../fabric/index.js';
import { standsOnStart, type Profile } from '../shape/index.js';
import { startAngles, stitchAngles, waysOfRounds, type Lean } from '../spacing/index.js';

/** One copy of a part as it was really made, with its shape in mm. */
export interface MadePiece {
  readonly counted: PartCount;
  readonly fabric: Fabric;
  readonly profile: Profile;
}

/** The wall of a piece that things are placed on: where its stitches are, and how far they lie from one another. */
export interface Wall {
  readonly made: MadePiece;
  readonly name: string;
  /** Whether it stands on its start. */
  readonly upright: boolean;
  /** 1 where the direction of work runs to the left of whoever looks at its front, else −1. */
  readonly leftward: 1 | -1;
  /** Where each round begins, turns, and how many stitches it has. */
  readonly starts: Float64Array;
  readonly counts: readonly number[];
  readonly ways: Int8Array;
  /** Along the wall from the start to the top of each round, and how high that is over the start, mm. */
  readonly along: readonly number[];
  readonly heights: readonly number[];
  /** Half the mean width at the top of each round, mm. */
  readonly radius: readonly number[];
  /** Half the mean width of what the first round is worked over, mm: 0 for a ring. */
  readonly startRadius: number;
}

/** @param hand which one works: a right-handed maker goes from right to left over the side in front, seen from outside */
export function wallOf(made: MadePiece, lean: Lean, hand: 'right' | 'left'): Wall {
  const { fabric, profile, counted } = made;
  const upright = standsOnStart(fabric);
  const counts = Array.from({ length: fabric.roundCount }, (_, round) => roundLength(fabric, round));
  const along: number[] = [];
  const heights: number[] = [];
  const radius: number[] = [];
  let [before, length] = [{ r: profile.base.r + profile.base.s, z: profile.pole }, 0];
  for (let round = 0; round < fabric.roundCount; round++) {
    const [r, s, z] = [profile.r[round] ?? before.r, profile.s[round] ?? 0, profile.z[round] ?? before.z];
    length += Math.hypot(r + s - before.r, z - before.z);
    before = { r: r + s, z };
    along.push(length);
    heights.push(z - profile.pole);
    radius.push(r + (2 * s) / Math.PI);
  }
  return {
    made,
    name: counted.part.name,
    upright,
    leftward: upright === (hand === 'right') ? 1 : -1,
    starts: startAngles(fabric, stitchAngles(fabric, lean)),
    counts,
    ways: waysOfRounds(fabric),
    along,
    heights,
    radius,
    // Over an edge, loops or a bridge it begins about as wide as it goes on.
    startRadius:
      fabric.foundation && fabric.foundation.from !== 'chain'
        ? (radius[0] ?? 0)
        : profile.base.r + (2 * profile.base.s) / Math.PI,
  };
}

/** Index of the round with a number, −1 for none. */
export function roundNumbered({ made: { counted } }: Wall, number: number): number {
  return counted.rounds.findIndex((round) => round.number === number);
}

/** The number a round has in the text. */
export function numberOfRound({ made: { counted } }: Wall, round: number): number {
  return counted.rounds[round]?.number ?? round + 1;
}

/** How many stitches from its start a turn lies in a round; not rounded, from 0 to below its count. */
export function stitchesAt({ starts, counts, ways }: Wall, round: number, turns: number): number {
  const count = counts[round]!;
  const ahead = ways[round]! * (turns - (starts[round]! || 0));
  const share = ahead - Math.floor(ahead);
  // Just below a whole turn is the start.
  return share > 1 - 1e-9 ? 0 : share * count;
}

/** Where the hole behind a number of stitches lies, turns. */
export function turnsAfter({ starts, counts, ways }: Wall, round: number, stitches: number): number {
  return (starts[round]! || 0) + (ways[round]! * stitches) / Math.max(1, counts[round]!);
}

/** A turn the short way from another: −0.5 up to 0.5. */
export function shortWay(turns: number): number {
  const wrapped = turns - Math.round(turns);
  return wrapped === -0.5 ? 0.5 : wrapped;
}
