import type { Place } from './place.js';
import type { Problem } from './problem.js';
import { numberOfRound, shortWay, stitchesAt } from './wall.js';

/** Of what lies on one host, so much may lie over one another before it is told, mm (our own estimate). */
const LEAST_OVERLAP = 1.5;
/** Crochet stretches by so much before it pulls (our own estimate). */
const REACH = 1.2;

/** What does not fit where it goes: too wide, over another, under a cap, over a colour line, on a decrease, too many stitches. */
export function fitProblems(places: readonly Place[]): Problem[] {
  const byHost = new Map<string, Place[]>();
  for (const place of places) {
    const key = `${place.host.part}/${place.host.copy}`;
    byHost.set(key, [...(byHost.get(key) ?? []), place]);
  }
  return [...byHost.values()].flatMap((own) => [...own.flatMap((place) => alone(place)), ...overlaps(own), ...hidden(own)]);
}

type Told<P extends Problem = Problem> = P extends Problem ? Omit<P, 'feature' | 'name' | 'span'> : never;

const told = ({ feature }: Place, problem: Told): Problem => ({
  ...problem,
  feature: feature.id,
  name: feature.name,
  span: feature.span,
});

function alone(place: Place): Problem[] {
  const { wall, first, size, around, copy, feature } = place;
  const problems: Problem[] = [];
  const room = 2 * wall.radius[first]!;
  if (!around && first > 0 && size.width > room && feature.kind !== 'mark')
    problems.push(told(place, { code: 'too-wide', severity: 'warning', mm: size.width, room, host: wall.name }));
  if (first !== place.last && !around && size.length > 0 && size.height > REACH * size.length)
    problems.push(told(place, { code: 'too-short', severity: 'warning', mm: size.length, rounds: size.height }));
  // What goes for one copy goes for all.
  if (copy !== feature.copies[0]) return problems;
  if (!around && feature.kind !== 'mark') {
    const line = colourLine(place);
    if (line !== null) problems.push(told(place, { code: 'over-colour-line', severity: 'hint', round: line }));
  }
  const lumpy = decreaseAt(place);
  if (lumpy !== null) problems.push(told(place, { code: 'on-decrease', severity: 'hint', round: lumpy }));
  return problems;
}

/** The rounds a place covers: those it names, and as far as it reaches up and down from a single one. */
function roundsUnder({ wall, first, last, size, pins }: Place): readonly [number, number] {
  if (first !== last) return [first, last];
  const middle = pins[0]!.alongMm;
  const half = size.height / 2;
  const low = wall.along.findIndex((along) => along > middle - half + 0.01);
  const high = wall.along.findIndex((along) => along >= middle + half - 0.01);
  return [low < 0 ? first : low, high < 0 ? wall.along.length - 1 : high];
}

/** The number of the first round of another colour among those a place covers; null for none. */
function colourLine(place: Place): number | null {
  const { fabric } = place.wall.made;
  const [low, high] = roundsUnder(place);
  const colour = (round: number): number => fabric.colour[fabric.roundStart[round]!]!;
  for (let round = low + 1; round <= high; round++)
    if (colour(round) !== colour(round - 1)) return numberOfRound(place.wall, round);
  return null;
}

/** The round with a decrease right beside a hole or in a stitch; null for none. */
function decreaseAt({ wall, pins, gap, around, feature }: Place): number | null {
  if (around || feature.kind === 'mark') return null;
  const { fabric } = wall.made;
  for (const { round, turns } of pins)
    for (const each of gap ? [round, round + 1] : [round]) {
      const count = wall.counts[each];
      if (!count) continue;
      const at = stitchesAt(wall, each, turns);
      for (const stitch of [Math.floor(at - 0.25), Math.floor(at + 0.25)]) {
        const row = fabric.roundStart[each]! + ((stitch + count) % count);
        if (fabric.parentCount[row]! > 1) return numberOfRound(wall, each);
      }
    }
  return null;
}

/** Pairs of different features whose places lie over one another. */
function overlaps(places: readonly Place[]): Problem[] {
  const problems: Problem[] = [];
  const known = new Set<string>();
  for (const [i, one] of places.entries())
    for (const two of places.slice(i + 1)) {
      const key = [one.feature.id, two.feature.id].sort().join('|');
      if (one.around || two.around || known.has(key)) continue;
      const mm = overlapOf(one, two);
      if (mm < LEAST_OVERLAP) continue;
      known.add(key);
      problems.push(
        told(two, {
          code: 'overlaps',
          severity: 'warning',
          other: one.feature === two.feature ? 'the next' : one.feature.name,
          mm,
        }),
      );
    }
  return problems;
}

/** How far two places lie over one another, mm: the shorter way out; below 0 where they do not touch. */
export function overlapOf(one: Place, two: Place): number {
  const [a, b] = [middleOf(one), middleOf(two)];
  const radius = (one.wall.radius[one.first]! + two.wall.radius[two.first]!) / 2;
  const around = Math.abs(shortWay(one.pins[0]!.turns - two.pins[0]!.turns)) * 2 * Math.PI * radius;
  const sideways = (one.size.width + two.size.width) / 2 - around;
  const along = (one.size.height + two.size.height) / 2 - Math.abs(a - b);
  return Math.min(sideways, along);
}

const middleOf = ({ pins }: Place): number => pins.reduce((sum, pin) => sum + pin.alongMm, 0) / pins.length;

/** What lies under a cap: on the side of its edge where the host ends nearer. */
function hidden(places: readonly Place[]): Problem[] {
  return places
    .filter(({ around }) => around)
    .flatMap((cap) => {
      const towardsStart = cap.first < cap.wall.counts.length / 2;
      return places
        .filter((place) => !place.around && (towardsStart ? place.last < cap.first : place.first > cap.first))
        .map((place) => told(place, { code: 'hidden', severity: 'warning', by: cap.feature.name }));
    });
}
