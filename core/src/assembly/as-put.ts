import { acrossOf } from './column.js';
import type { Place, PutElsewhere } from './place.js';
import { placeAt } from './place-at.js';
import type { Surroundings } from './surroundings.js';
import { roundNumbered, turnsAfter } from './wall.js';

/** What was put elsewhere is there; the other of its pair follows, unless it was put somewhere too. */
export function asPut(whole: Surroundings, places: readonly Place[]): readonly Place[] {
  const { put } = whole.options;
  if (!put || places.length === 0) return places;
  const own = places.map((place) => {
    const at = put(place.feature, place.copy);
    const round = at ? roundNumbered(place.wall, at.round) : -1;
    return at && round >= 0 && !place.around ? placedAt(whole, place, round, at) : null;
  });
  if (own.every((each) => each === null)) return places;
  const [one, two] = own;
  const given = places.length === 2 && (one === null) !== (two === null) ? (one ?? two)! : null;
  return acrossAsPut(places.map((place, i) => own[i] ?? (given ? opposite(whole, place, given) : place)));
}

/** The two of a pair as far from one another as they are now; not straight across any more where they are not level. */
function acrossAsPut(places: readonly Place[]): readonly Place[] {
  const [one, two] = places;
  if (places.length === 1 && one) return [{ ...one, across: null }];
  if (places.length !== 2 || !one || !two || one.across === null) return places;
  const level = one.wall === two.wall && one.first === two.first;
  const across = level ? acrossOf(one.wall, one.first, one.pins[0]!, two.pins[0]!) : null;
  return places.map((place) => ({ ...place, across }));
}

function placedAt(whole: Surroundings, place: Place, round: number, { after, inside }: PutElsewhere): Place {
  const most = place.wall.counts.length - 1;
  const heights = { first: round, last: Math.min(most, round + place.last - place.first), gap: place.gap };
  const turns = turnsAfter(place.wall, round, after + (inside ? 0.5 : 0));
  return {
    ...placeAt(whole, place.feature, place.copy, place.host, place.wall, heights, { turns, in: inside }),
    across: place.across,
    tip: place.tip,
    join: place.join,
  };
}

function opposite(whole: Surroundings, place: Place, other: Place): Place {
  const front = whole.frontOf(place.host, place.wall, other);
  const column = { turns: 2 * front - other.pins[0]!.turns, in: null };
  return {
    ...placeAt(whole, place.feature, place.copy, place.host, place.wall, other, column),
    across: place.across,
    tip: place.tip,
    join: place.join,
  };
}
