import type { Fabric } from '../fabric/index.js';
import { actionsOf, countWithSlip, LONE_STITCH, placesOf, type RoundAction, type SlipKind } from './work-round.js';

/** How often each slip happens, beside the others (our own estimate, from what makers look for first). */
export const SLIP_SHARE: Readonly<Record<SlipKind, number>> = {
  'change missed': 40,
  'change added': 2,
  'hidden stitch missed': 30,
  'hidden stitch twice': 14,
  'stitch missed': 8,
  'stitch twice': 8,
  'round before short': 6,
  'round before over': 6,
  'ended early': 1,
  'ended late': 1,
};

export const SLIPS = Object.keys(SLIP_SHARE) as readonly SlipKind[];

/** Something that would explain a count, and where to look for it. */
export interface Cause {
  readonly kind: SlipKind;
  /** How likely beside the other causes, from 0 to 1. */
  readonly share: number;
  /** Stitches of this round to look at, counted from the marker, 1-based; as the round should be. Empty for the whole round. */
  readonly stitches: readonly number[];
  /** Whether its changes are increases or decreases. */
  readonly change: 'increase' | 'decrease' | null;
}

/**
 * What could have happened in a round that ended on another count than it should, the likeliest first: each slip weighs
 * as often as it happens, times the share of its places at which it would have made just this count. Empty when one slip
 * cannot make it, or nothing is worked in the round.
 * @param available what the round is worked over: stitches of the round below, or the places of a bridge, of loops, of a chain
 */
export function causesOf(fabric: Fabric, round: number, found: number, available: number): Cause[] {
  const actions = actionsOf(fabric, round);
  if (actions.length === 0) return [];
  const firsts = firstStitches(actions);
  const causes = SLIPS.flatMap((kind): Cause[] => {
    if (round === 0 && kind.startsWith('round before')) return [];
    const places = placesOf(kind, actions);
    const fits = (place: number): number =>
      LONE_STITCH.filter((lone) => countWithSlip(actions, available, kind, place, lone) === found).length / LONE_STITCH.length;
    const fitting = places.filter((place) => fits(place) > 0);
    if (fitting.length === 0) return [];
    const fit = fitting.reduce((sum, place) => sum + fits(place), 0) / places.length;
    const change = fitting.map((place) => actions[place]!.change).find((each) => each !== 'plain') ?? null;
    return [
      {
        kind,
        share: SLIP_SHARE[kind] * fit,
        stitches: places.length === 1 && places[0] === 0 ? [] : fitting.map((place) => firsts[place]! + 1),
        change,
      },
    ];
  });
  const total = causes.reduce((sum, cause) => sum + cause.share, 0);
  return causes.map((cause) => ({ ...cause, share: cause.share / total })).sort((a, b) => b.share - a.share);
}

function firstStitches(actions: readonly RoundAction[]): number[] {
  let made = 0;
  return actions.map(({ makes }) => {
    const first = made;
    made += makes;
    return first;
  });
}
