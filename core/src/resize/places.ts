import type { Aside, Height, Named, Placing, Round } from '../notation/index.js';
import type { Moved } from './words.js';

/** How the parts of a pattern moved; null for one that stays. */
export type MovedParts = (part: number | null) => Moved | null;

/**
 * A place on parts that were made anew.
 *
 * @param hostOf the part that a feature sits on, for places that go by another feature; null where nobody says
 */
export function movedPlacing(placing: Placing, parts: MovedParts, hostOf: (feature: Named) => number | null): Placing {
  const host = placing.host ? placing.host.part : placing.mirrors ? hostOf(placing.mirrors) : null;
  const moved = parts(host);
  if (!moved) return placing;
  const at = roundOf(placing.height);
  return {
    ...placing,
    height: placing.height && movedHeight(placing.height, moved),
    round: placing.round && movedRound(placing.round, moved, at),
  };
}

/** The round, by its number, that stitches along a place are counted in; null where it goes by another. */
function roundOf(height: Height | null): number | null {
  if (height?.is === 'gap') return height.below;
  return height?.is === 'rounds' ? height.first : null;
}

function movedHeight(height: Height, moved: Moved): Height {
  switch (height.is) {
    case 'gap':
      return { ...height, below: moved.round(height.below) };
    case 'rounds':
      if (height.first === height.last) return { ...height, first: moved.round(height.first), last: moved.round(height.first) };
      return { ...height, first: moved.firstOf(height.first), last: moved.round(height.last) };
    case 'beside':
      return { ...height, rounds: Math.max(1, moved.rounds(height.rounds)) };
    case 'start':
    case 'edge':
      return height;
  }
}

function movedRound(round: Round, moved: Moved, at: number | null): Round {
  const stitches = (count: number): number => Math.max(1, moved.stitches(count, at));
  const aside = (one: Aside | null): Aside | null =>
    one && 'stitches' in one ? { ...one, stitches: stitches(one.stitches) } : one;
  switch (round.is) {
    case 'side':
    case 'centred':
      return { ...round, aside: aside(round.aside) };
    case 'apart':
      return { ...round, apart: { ...round.apart, count: stitches(round.apart.count) } };
    case 'stitches':
      return { ...round, first: round.first === 1 ? 1 : stitches(round.first), last: stitches(round.last) };
    case 'after':
      return { ...round, stitches: round.stitches.map(stitches) };
    case 'opposite':
    case 'evenly':
    case 'sides':
      return round;
  }
}
