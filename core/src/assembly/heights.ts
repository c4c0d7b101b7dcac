import type { Height } from '../notation/index.js';
import type { Feature } from './feature.js';
import type { Heights } from './place.js';
import type { Surroundings } from './surroundings.js';
import { numberOfRound, roundNumbered, type Wall } from './wall.js';

/** The rounds of its host that a feature sits at; null, and told, where there are none. */
export function heightsOf(whole: Surroundings, feature: Feature, wall: Wall): Heights | null {
  const { height } = feature.placing;
  const last = wall.counts.length - 1;
  if (height === null) {
    whole.tell(feature, { code: 'no-height', severity: 'hint' });
    return { first: last >> 1, last: last >> 1, gap: false };
  }
  if (height.is === 'start') return { first: 0, last: 0, gap: false };
  if (height.is === 'edge') return { first: last, last, gap: false };
  if (height.is === 'beside') return besideHeight(whole, feature, wall, height);
  const numbers = height.is === 'gap' ? [height.below, height.below + 1] : [height.first, height.last];
  const [first, second] = numbers.map((number) => roundNumbered(wall, number)) as [number, number];
  const missing = numbers.find((_number, i) => (i === 0 ? first : second) < 0);
  if (missing !== undefined) return noRound(whole, feature, wall, missing);
  return height.is === 'gap' ? { first, last: first, gap: true } : { first, last: second, gap: false };
}

function besideHeight(
  whole: Surroundings,
  feature: Feature,
  wall: Wall,
  height: Extract<Height, { is: 'beside' }>,
): Heights | null {
  const other = whole.other(feature, height.of);
  if (!other) return null;
  if (whole.waitsForHeight(other)) {
    whole.tell(feature, { code: 'places-in-a-circle', severity: 'error', by: other.name });
    return null;
  }
  const base = whole.placesBeside(feature, other)?.[0];
  if (!base) return null;
  // Lower is nearer the start where the host stands on it, further from it where it hangs from it.
  const further = (height.way === 'below') !== wall.upright;
  const round = (further ? base.last : base.first) + (further ? 1 : -1) * height.rounds;
  const most = wall.counts.length - 1;
  if (round < 0 || round > most - (base.gap ? 1 : 0)) {
    const number = round < 0 ? 0 : numberOfRound(wall, most) + 1;
    return noRound(whole, feature, wall, number);
  }
  return { first: round, last: round, gap: base.gap };
}

function noRound({ tell }: Surroundings, feature: Feature, wall: Wall, round: number): null {
  const last = numberOfRound(wall, wall.counts.length - 1);
  tell(feature, { code: 'no-round', severity: 'error', host: wall.name, round, last });
  return null;
}
