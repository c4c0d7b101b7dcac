import { singularName, type Foundation, type Item, type RoundLine } from '../notation/index.js';

/** What a foundation needs to know of the parts counted before it. */
export interface CountedBefore {
  readonly name: string;
  readonly rounds: readonly { readonly number: number; readonly makes: number }[];
}

export function foundationOf(items: readonly Item[]): Foundation | null {
  return items.find((item) => item.kind === 'foundation') ?? null;
}

/**
 * How many places a foundation gives to work into.
 * - a chain of n, worked from its second chain: n − 1 along one side; back along the other side all but the end chain
 *   again, so n − 1 + n − 2 (common practice: with e stitches in each end that makes 2(n−3) + 2e);
 * - a bridge of c chains between pieces of a and b stitches: a + b + 2c, as both its sides are worked;
 * - loops left by a round: as many as that round's stitches below have;
 * - an edge, and two layers: whatever is worked there.
 * @param own stitches of this part's round below, 0 for a first round
 * @returns null when the number is the pattern's own choice or a named part is not known
 */
export function foundationPlaces(
  foundation: Foundation,
  own: number,
  part: readonly { readonly number: number; readonly makes: number }[],
  before: readonly CountedBefore[],
): number | null {
  const partNamed = (name: string): CountedBefore | undefined =>
    before.findLast((each) => singularName(each.name) === singularName(name));
  switch (foundation.from) {
    case 'chain': {
      const side = Math.max(0, foundation.chains - foundation.first + 1);
      return foundation.sides === 1 ? side : side + Math.max(0, side - 1);
    }
    case 'bridge': {
      let sum = own + 2 * foundation.chains;
      for (const name of foundation.parts) {
        const last = partNamed(name)?.rounds.at(-1);
        if (!last) return null;
        sum += last.makes;
      }
      return sum;
    }
    case 'loops': {
      const rounds =
        foundation.part === null
          ? part.length > 0
            ? part
            : (before.at(-1)?.rounds ?? [])
          : (partNamed(foundation.part)?.rounds ?? []);
      return rounds.find((round) => round.number === foundation.round)?.makes ?? null;
    }
    case 'edge':
    case 'layers':
      return null;
  }
}

/** How a round goes on from the one below: in a spiral, joined to its own start, or turned and worked back. */
export type Way = 'spiral' | 'joined' | 'turned';

/**
 * The way of a part where its rounds do not say: rows that begin on one side of a chain are turned, and a note may say it
 * for all ("Worked in joined rounds.").
 */
export function partWay(lines: readonly RoundLine[], notes: readonly { readonly text: string }[]): Way {
  const first = lines[0];
  const foundation = first ? foundationOf(first.items) : null;
  if (foundation?.from === 'chain' && foundation.sides === 1) return 'turned';
  for (const { text } of notes) {
    const words = text.toLowerCase();
    if (/joined rounds|join(?:ed)? (?:each|every) round/.test(words)) return 'joined';
    if (/\b(?:flat|turned|in) rows\b|back and forth/.test(words)) return 'turned';
  }
  return 'spiral';
}

/** The way of one line: as it says itself, else as its part goes. */
export function lineWay(line: RoundLine, part: Way): Way {
  const close = line.items.findLast((item) => item.kind === 'close');
  if (close?.kind !== 'close') return part;
  return close.how === 'turn' ? 'turned' : 'joined';
}
