import { DRAWN_SHUT, roundLength, roundLengths, type Fabric } from '../fabric/index.js';
import { roundHeights } from '../gauge/index.js';
import { isFlatLie, lieOf, type Lie } from './lie.js';

/**
 * What a part begins on: a point (a ring drawn shut), a chain worked along both its sides, `straight` stitch widths from
 * its first to its last chain, or an open rim of `around` stitches that stays open or belongs to other pieces.
 */
export type PartStart =
  | { readonly is: 'ring' }
  | { readonly is: 'chain'; readonly straight: number }
  | { readonly is: 'open'; readonly around: number };

/** What a part is made of, as far as its shape goes; a row a round. */
export interface Outline {
  readonly counts: readonly number[];
  /** Mean height of each round in single crochets. */
  readonly heights: readonly number[];
  /** The round each one is worked on, −1 for the start: usually the one before, another where loops were left for it. */
  readonly below: readonly number[];
  readonly start: PartStart;
  /** Whether the last round is drawn shut by its tail. */
  readonly shut: boolean;
  readonly lie: Lie;
  /** Whether it is a tube whose ends are sewn to one another, so that it closes to a ring. */
  readonly endsMeet: boolean;
}

/** An outline of rounds that follow one another from a ring; what is left out is single crochet, stuffed. */
export function plainOutline(counts: readonly number[], more: Partial<Outline> = {}): Outline {
  const lie = more.lie ?? 'stuffed';
  return {
    counts,
    heights: counts.map(() => 1),
    below: counts.map((_, round) => round - 1),
    start: { is: 'ring' },
    shut: isShut(counts, lie),
    lie,
    endsMeet: false,
    ...more,
  };
}

export function outlineOf(fabric: Fabric): Outline {
  const counts = roundLengths(fabric);
  const lie = lieOf(fabric);
  const start = startOf(fabric);
  const shut = isShut(counts, lie);
  return {
    counts,
    heights: roundHeights(fabric),
    below: belowOf(fabric),
    start,
    shut,
    lie,
    endsMeet: fabric.endsMeet && start.is === 'open' && !shut && !isFlatLie(lie),
  };
}

/** A round part that ends on few stitches is drawn shut; what is pressed flat or worked in rows is sewn as it is. */
function isShut(counts: readonly number[], lie: Lie): boolean {
  return (lie === 'stuffed' || lie === 'hollow') && counts.length > 2 && counts[counts.length - 1]! <= DRAWN_SHUT;
}

function belowOf(fabric: Fabric): number[] {
  return Array.from({ length: fabric.roundCount }, (_, round) => {
    for (let row = fabric.roundStart[round]!; row < fabric.roundStart[round + 1]!; row++)
      if (fabric.parentCount[row]! > 0) return fabric.round[fabric.firstParent[row]!]!;
    return round - 1;
  });
}

function startOf(fabric: Fabric): PartStart {
  const { foundation } = fabric;
  if (foundation?.from === 'chain')
    return foundation.sides === 2
      ? { is: 'chain', straight: Math.max(0, foundation.chains - foundation.first) }
      : { is: 'open', around: Math.max(1, foundation.chains - foundation.first + 1) };
  if (foundation) return { is: 'open', around: placesOf(fabric) };
  const first = fabric.works.find((work) => work.kind === 'start');
  // A few chains joined are a ring; more are the rim of a tube.
  if (first?.from === 'chain ring' && first.chains > DRAWN_SHUT) return { is: 'open', around: first.chains };
  return { is: 'ring' };
}

/** Places along the foundation that the first round was worked into. */
function placesOf(fabric: Fabric): number {
  let places = 0;
  for (let row = 0; row < (fabric.roundStart[1] ?? 0); row++) places = Math.max(places, fabric.place[row]! + 1);
  return places || (fabric.roundCount > 0 ? roundLength(fabric, 0) : 1);
}
