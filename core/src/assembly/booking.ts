import type { StitchSize } from '../gauge/index.js';
import { footprint } from './footprint.js';
import type { Place } from './place.js';
import { stitchesAt, type MadePiece, type Wall } from './wall.js';

/** A stitch of a limb's edge and the stitch of the wall it is sewn to; 0-based, in working order. */
export interface Booked {
  readonly edge: number;
  readonly round: number;
  readonly stitch: number;
}

/**
 * Every stitch of a limb's edge booked once, with the stitch of the wall under it: round its open edge, along a line in two
 * layers, or all round like a cap. The wall gives a stitch twice only to the two layers of a flat edge, and where a cap has
 * more stitches than the round it sits on.
 */
export function booked(place: Place, limb: MadePiece, stitch: StitchSize): Booked[] {
  const { edge, flat } = footprint({ kind: 'piece', join: place.join }, limb, { stitch, eyeMm: 0 });
  if (edge === 0) return [];
  if (place.around) return allRound(place, edge);
  if (isStrip(limb, place.join)) return strip(place, edge);
  return flat ? alongLine(place, edge) : roundOpening(place, edge, stitch);
}

/** Rows are held by one end, in one layer, whichever way they were worked. */
export function isStrip({ fabric, profile }: MadePiece, join: Place['join']): boolean {
  return profile.flat && fabric.fill !== 'pressed' && join !== 'sewn flat';
}

function strip({ wall, first, pins }: Place, edge: number): Booked[] {
  const count = wall.counts[first]!;
  const from = Math.round(pins[0]!.after - edge / 2);
  return Array.from({ length: edge }, (_, i) => ({ edge: i, round: first, stitch: (((from + i) % count) + count) % count }));
}

function allRound({ wall, first }: Place, edge: number): Booked[] {
  const count = wall.counts[first]!;
  return Array.from({ length: edge }, (_, i) => ({ edge: i, round: first, stitch: Math.floor((i * count) / edge) % count }));
}

function alongLine({ wall, first, pins }: Place, edge: number): Booked[] {
  const count = wall.counts[first]!;
  const line = Math.ceil(edge / 2);
  const from = Math.round(pins[0]!.after - line / 2);
  return Array.from({ length: edge }, (_, i) => {
    // There along the one layer, and back along the other.
    const along = i < line ? i : edge - 1 - i;
    return { edge: i, round: first, stitch: (((from + along) % count) + count) % count };
  });
}

function roundOpening({ wall, pins }: Place, edge: number, stitch: StitchSize): Booked[] {
  const pin = pins[0]!;
  const reach = (edge * stitch.width) / (2 * Math.PI);
  const taken = new Set<string>();
  return Array.from({ length: edge }, (_, i) => {
    const way = (2 * Math.PI * (i + 0.5)) / edge;
    const along = pin.alongMm + reach * Math.cos(way);
    const found = nearestFree(wall, along, pin.turns, (reach * Math.sin(way)) / stitch.width, taken);
    taken.add(`${found.round} ${found.stitch}`);
    return { edge: i, ...found };
  });
}

/** The free stitch nearest to a place; on a wall that is full, the nearest of all. */
function nearestFree(
  wall: Wall,
  alongMm: number,
  turns: number,
  stitches: number,
  taken: ReadonlySet<string>,
): Omit<Booked, 'edge'> {
  const found = wall.along.findIndex((end) => end >= alongMm);
  const at = found < 0 ? wall.counts.length - 1 : found;
  let best: Omit<Booked, 'edge'> | null = null;
  let least = Infinity;
  for (let away = 0; away <= wall.counts.length; away++) {
    // Whatever is further off than the best so far cannot be nearer.
    if (best && away - 1 > least) break;
    for (const round of away === 0 ? [at] : [at - away, at + away]) {
      const count = wall.counts[round];
      if (!count) continue;
      const exact = stitchesAt(wall, round, turns) + wall.ways[round]! * stitches - 0.5;
      for (let aside = 0; aside <= count / 2; aside++) {
        const distance = Math.hypot(away, aside);
        if (best && distance >= least) break;
        for (const each of [Math.round(exact) - aside, Math.round(exact) + aside]) {
          const own = { round, stitch: ((each % count) + count) % count };
          if (taken.has(`${own.round} ${own.stitch}`)) continue;
          const distanceTo = Math.hypot(away, each - exact);
          if (distanceTo < least) [best, least] = [own, distanceTo];
        }
      }
    }
  }
  return best ?? { round: at, stitch: 0 };
}
