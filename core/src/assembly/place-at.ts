import type { Column } from './column.js';
import type { Feature } from './feature.js';
import type { Heights, Pin, Place } from './place.js';
import type { Surroundings } from './surroundings.js';
import { shortWay, stitchesAt, turnsAfter, type Wall } from './wall.js';

/** The place of a copy at these rounds and this column of its host; with no column it goes over the whole round. */
export function placeAt(
  whole: Surroundings,
  feature: Feature,
  copy: number,
  host: Place['host'],
  wall: Wall,
  heights: Heights,
  column: Column | null,
): Place {
  const { first, last, gap } = heights;
  const front = whole.frontOf(host, wall, heights);
  const rounds = first === last || !column ? [first] : [first, last];
  const pins = rounds.map((round) => pinAt(wall, round, column ?? { turns: front, in: null }, front, gap));
  const { height, round } = feature.placing;
  const size = whole.sizeOf(feature);
  return {
    feature,
    copy,
    host,
    wall,
    first,
    last,
    gap,
    tip: feature.placing.tip,
    join: feature.join,
    around: column === null,
    pins,
    size: {
      width: size.width,
      height: first === last ? size.height : wall.along[last]! - wall.along[first]!,
      length: size.length,
    },
    said: {
      height: height !== null || feature.placing.mirrors !== null,
      round: round !== null || feature.placing.mirrors !== null || column === null,
    },
    across: null,
  };
}

function pinAt(wall: Wall, round: number, column: Column, front: number, gap: boolean): Pin {
  const count = Math.max(1, wall.counts[round]!);
  const exact = stitchesAt(wall, round, column.turns);
  // Between two rounds there are only holes.
  const inside = column.in ?? (!gap && Math.round(2 * exact) % 2 === 1);
  const after = (inside ? Math.floor(exact) : Math.round(exact)) % count;
  const turns = turnsAfter(wall, round, after + (inside ? 0.5 : 0));
  const fromFront = shortWay(-wall.leftward * (turns - front));
  const below = round === 0 ? 0 : wall.along[round - 1]!;
  return {
    round,
    after,
    in: inside,
    turns,
    fromFront,
    aroundMm: fromFront * 2 * Math.PI * wall.radius[round]!,
    alongMm: gap ? wall.along[round]! : (below + wall.along[round]!) / 2,
  };
}
