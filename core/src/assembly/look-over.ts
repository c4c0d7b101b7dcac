import type { Place, Places } from './place.js';
import { numberOfRound } from './wall.js';

/** How one copy sits, for holding against the piece. */
export interface Sits {
  readonly name: string;
  /** Stitches and mm from the front, to its left or right as it is looked at. */
  readonly stitches: number;
  readonly mm: number;
  readonly side: 'left' | 'right' | 'front';
  readonly round: number;
  /** Rounds from the host's last, and mm along the wall from its start. */
  readonly fromEdge: number;
  readonly alongMm: number;
}

/** Something to look at before the last knot, with the numbers to hold against the piece. */
export type Look =
  | {
      readonly is: 'pair';
      readonly name: string;
      readonly host: string;
      readonly one: Sits;
      readonly two: Sits;
      readonly acrossMm: number | null;
    }
  | { readonly is: 'single'; readonly name: string; readonly host: string; readonly sits: Sits }
  | { readonly is: 'spread'; readonly name: string; readonly host: string; readonly gaps: readonly number[] }
  | { readonly is: 'ask'; readonly ask: 'round from above' | 'start closed' | 'stands' | 'ends hold' | 'pair alike' };

/** The short list for a figure: every place with its numbers, pairs side by side, and what only the eye can tell. */
export function lookOver({ places }: Pick<Places, 'places'>): Look[] {
  const looks: Look[] = [];
  const seen = new Set<Place>();
  for (const place of places) {
    if (seen.has(place) || place.around) continue;
    const alike = places.filter((other) => isPair(place, other));
    const own = places.filter(({ feature, host }) => feature === place.feature && host.copy === place.host.copy);
    if (own.length > 2) {
      own.forEach((each) => seen.add(each));
      looks.push({ is: 'spread', name: place.feature.name, host: place.wall.name, gaps: gapsOf(own) });
      continue;
    }
    const [other] = alike;
    seen.add(place);
    if (other && !seen.has(other)) {
      seen.add(other);
      const name = place.feature === other.feature ? place.feature.name : `${place.feature.name} and ${other.feature.name}`;
      looks.push({
        is: 'pair',
        name,
        host: place.wall.name,
        one: sitsOf(place),
        two: sitsOf(other),
        acrossMm: place.across ?? other.across,
      });
    } else if (!other) looks.push({ is: 'single', name: place.feature.name, host: place.wall.name, sits: sitsOf(place) });
  }
  const asks = [
    'round from above',
    'start closed',
    ...(looks.some(({ is }) => is === 'pair') ? (['pair alike'] as const) : []),
    'stands',
    'ends hold',
  ] as const;
  return [...looks, ...asks.map((ask) => ({ is: 'ask', ask }) as const)];
}

function isPair(one: Place, two: Place): boolean {
  if (one === two || one.host.part !== two.host.part || one.host.copy !== two.host.copy) return false;
  if (one.feature === two.feature) return one.feature.copies.length === 2;
  const mirrors = (a: Place, b: Place): boolean => {
    const { mirrors: of } = a.feature.placing;
    return of !== null && of.part === b.feature.part && (of.copy === null || of.copy === b.copy);
  };
  const worked = one.feature.join === 'worked in' && two.feature.join === 'worked in' && one.feature.part === two.feature.part;
  return worked || mirrors(one, two) || mirrors(two, one);
}

function sitsOf({ feature, copy, pins, wall, gap }: Place): Sits {
  const pin = pins[0]!;
  const stitches = Math.round(2 * Math.abs(pin.fromFront) * wall.counts[pin.round]!) / 2;
  return {
    name: feature.copies.length > 1 ? `${feature.name} ${copy}` : feature.name,
    stitches,
    mm: Math.abs(pin.aroundMm),
    side: stitches === 0 ? 'front' : pin.fromFront < 0 ? 'left' : 'right',
    round: numberOfRound(wall, pin.round),
    fromEdge: wall.counts.length - 1 - pin.round - (gap ? 1 : 0),
    alongMm: pin.alongMm,
  };
}

/** Stitches from each of a spread to the next, as they are worked. */
function gapsOf(places: readonly Place[]): number[] {
  const after = places.map(({ pins }) => pins[0]!.after).sort((a, b) => a - b);
  const count = places[0]!.wall.counts[places[0]!.first]!;
  return after.map((each, i) => (after[i + 1] ?? after[0]! + count) - each);
}

const stitchWords = (count: number): string => (count === 1 ? '1 stitch' : `${count} stitches`);
const sideWords = ({ stitches, mm, side }: Sits): string =>
  side === 'front' ? 'right in front' : `${stitchWords(stitches)}, about ${Math.round(mm)} mm, ${side} of the front`;

/** What to look at, and what it should be. */
export function lookWords(look: Look): { readonly ask: string; readonly should: string } {
  switch (look.is) {
    case 'pair': {
      const { one, two, acrossMm } = look;
      const alike = Math.abs(one.stitches - two.stitches) < 0.4;
      const both = alike
        ? `${stitchWords(one.stitches)} from the front on both sides (about ${Math.round((one.mm + two.mm) / 2)} mm)`
        : `${sideWords(one)}; ${sideWords(two)}`;
      const across = acrossMm === null ? '' : `, ${Math.round(acrossMm)} mm straight across`;
      return {
        ask: `${look.name}: level, and as far from the middle?`,
        should: `R${one.round} of ${look.host}, ${both}${across}.`,
      };
    }
    case 'single':
      return {
        ask: `${look.name}: where it should be?`,
        should: `R${look.sits.round} of ${look.host}, ${sideWords(look.sits)}; ${look.sits.fromEdge} rounds from the last.`,
      };
    case 'spread':
      return {
        ask: `${look.name}: evenly round ${look.host}?`,
        should: `${look.gaps.join(', ')} stitches from one to the next.`,
      };
    case 'ask':
      return ASKS[look.ask];
  }
}

const ASKS = {
  'round from above': { ask: 'Round from above?', should: 'Corners or a ridge come out when it is rolled between the hands.' },
  'start closed': { ask: 'Is the hole of round 1 shut?', should: 'No light through it; else draw the starting tail.' },
  'pair alike': { ask: 'Pairs alike?', should: 'The same rounds, the same height, as firm: squeeze both.' },
  stands: { ask: 'Does it stand, or sit?', should: 'A gentle push, and it comes back.' },
  'ends hold': { ask: 'Do all ends hold?', should: 'Pull each once; count needle and pins.' },
} as const;

/** How a thing is joined on, in few words (common practice). */
export const HOW: Readonly<Record<Place['feature']['join'], string>> = {
  sewn: 'Pin at four points. One stitch of its edge, one of the wall right under it; before the last quarter top up the stuffing. Look from front, side and top before the knot.',
  'sewn flat': 'Pin both ends. Through both layers, close to the edge, and into the wall along the line.',
  'edge to edge': 'Edge against edge, under one stitch of each, always in the same direction, snug. Half way round, stuff.',
  whipped: 'Under one stitch of each edge, always in the same direction, snug.',
  'worked in':
    'Its open edge lies against the wall, outside to outside. The hook goes through one stitch of it and one of the wall; the count stays.',
  'made in place': 'Join the yarn at the stitch, work out and back, fasten off inside.',
  embroidered: 'Come up from inside, wrap or lay the stitch, go down beside where you came up, not in the same hole.',
  set: 'Push both posts through from outside. Look from the front, stretch as stuffing will, compare both sides; then press the backs on. They never come off.',
  tied: 'Thread the tail through, knot twice, hide the end.',
  glued: 'Dab, press, hold a minute; try it dry first.',
  'pushed in': 'Make room in the stuffing with the hook’s blunt end, push it in, sew round where it enters.',
};
