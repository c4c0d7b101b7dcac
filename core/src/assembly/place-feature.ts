import { acrossOf, capping, limbRuns } from './column.js';
import { columnsOf } from './columns.js';
import type { Feature } from './feature.js';
import { isCap } from './footprint.js';
import type { Heights, Place } from './place.js';
import { placeAt } from './place-at.js';
import type { Surroundings } from './surroundings.js';
import { turnsAfter, type Wall } from './wall.js';

/** Where the copies of a feature go by its own words; none, and told, where they lead nowhere. */
export function placesOfFeature(whole: Surroundings, feature: Feature): readonly Place[] {
  const mirrored = mirroring(whole, feature);
  if (mirrored) return mirrored;
  const { host } = feature;
  if (!host) {
    whole.tell(feature, { code: 'no-host', severity: 'warning' });
    return [];
  }
  if (host.copy > 0) return placesOn(whole, feature, host);
  // Each on the host of its own number.
  return feature.copies.flatMap((copy) =>
    placesOn(whole, { ...feature, copies: [copy] }, { part: host.part, copy }).map((place) => ({ ...place, feature })),
  );
}

function placesOn(whole: Surroundings, feature: Feature, host: Place['host']): readonly Place[] {
  const wall = whole.wallAt(feature, host);
  const heights = wall && whole.heightOf(feature, wall);
  if (!wall || !heights) return [];
  if (feature.join === 'worked in' && feature.said.is === 'round') return workedIn(whole, feature, host, wall, heights);
  if (capping(feature) && isCap(whole.sizeOf(feature), wall, heights.last))
    return feature.copies.map((copy) => placeAt(whole, feature, copy, host, wall, heights, null));
  const columns = columnsOf(whole, feature, host, wall, heights);
  const across = columns.length === 2 ? acrossOf(wall, heights.first, columns[0]!, columns[1]!) : null;
  return feature.copies.flatMap((copy, i) => {
    const column = columns[i];
    return column ? [{ ...placeAt(whole, feature, copy, host, wall, heights, column), across }] : [];
  });
}

/** A limb worked in sits in the middle of the stitches that go through it. */
function workedIn(whole: Surroundings, feature: Feature, host: Place['host'], wall: Wall, heights: Heights): readonly Place[] {
  const { fabric } = wall.made;
  const [from, to] = [fabric.roundStart[heights.first]!, fabric.roundStart[heights.first + 1]!];
  const runs = limbRuns(fabric.limb.subarray(from, to), (limb) => fabric.limbs[limb]?.part === feature.part);
  const own = runs[whole.features.filter((other) => isWorkedInBefore(other, feature, host)).length];
  if (!own) return [];
  const middle = turnsAfter(wall, heights.first, (own[0] + own[1]) / 2);
  const place = placeAt(whole, feature, feature.copies[0]!, host, wall, heights, { turns: middle, in: false });
  return [{ ...place, size: { ...place.size, width: (own[1] - own[0]) * whole.options.stitch.width } }];
}

/** Whether another copy is worked into the same round of the host, before this one. */
function isWorkedInBefore(other: Feature, feature: Feature, host: Place['host']): boolean {
  const [theirs, own] = [other.placing.height, feature.placing.height];
  const earlier =
    other.said.is === 'round' &&
    other.part === feature.part &&
    other.host?.part === host.part &&
    other.copies[0]! < feature.copies[0]!;
  return earlier && theirs?.is === 'rounds' && own?.is === 'rounds' && theirs.first === own.first;
}

/** "Wing 2: mirrors Wing 1": the same height, as far on the other side of the front; null for what mirrors nothing. */
function mirroring(whole: Surroundings, feature: Feature): readonly Place[] | null {
  const { mirrors, tip, join } = feature.placing;
  if (!mirrors) return null;
  const other = whole.other(feature, mirrors);
  const target = other && whole.placesBeside(feature, other)?.[0];
  if (!target) return [];
  const host = feature.host ?? target.host;
  const wall = whole.wallAt(feature, host);
  if (!wall) return [];
  const counts = [target.wall.counts[target.first]!, wall.counts[target.first] ?? 0] as const;
  if (counts[0] !== counts[1]) whole.tell(feature, { code: 'hosts-differ', severity: 'warning', counts });
  const front = whole.frontOf(host, wall, target);
  const theirs = whole.frontOf(target.host, target.wall, target);
  const column = { turns: front - (target.pins[0]!.turns - theirs), in: null };
  const place = placeAt(whole, feature, feature.copies[0] ?? 1, host, wall, target, column);
  comparePair(whole, feature, target, place);
  const across = acrossOf(wall, place.first, target.pins[0]!, place.pins[0]!);
  return [{ ...place, tip: tip ?? target.tip, join: join ?? target.join, across }];
}

function comparePair({ tell }: Surroundings, feature: Feature, one: Place, two: Place): void {
  const [a, b] = [one.pins[0]!, two.pins[0]!];
  const stitches = Math.abs(Math.abs(a.fromFront) - Math.abs(b.fromFront)) * (two.wall.counts[a.round] ?? 0);
  if (stitches > 0.2) tell(feature, { code: 'pair-differs', severity: 'hint', stitches });
}
