import { foundationOf, loopsIn, openTimes } from './items.js';
import type { Foundation, Item, PartRef } from './pattern.js';
import { singularName } from './plural.js';

/** What a round counted before made. */
export interface RoundMade {
  readonly number: number;
  readonly makes: number;
}

/** A round counted before, with what was worked in it. */
export interface RoundBefore extends RoundMade {
  readonly items: readonly Item[];
}

/** What a foundation needs to know of the parts counted before it. */
export interface CountedBefore<R extends RoundMade = RoundMade> {
  readonly name: string;
  readonly rounds: readonly R[];
  /** Whether it is a panel worked in rows. */
  readonly flat: boolean;
}

export function partNamed<R extends RoundMade>(before: readonly CountedBefore<R>[], name: string): CountedBefore<R> | undefined {
  return before.findLast((each) => singularName(each.name) === singularName(name));
}

/** The part that is spoken of, if it was counted before; while it is read, by its name. */
function partOf<R extends RoundMade>(before: readonly CountedBefore<R>[], { part, name }: PartRef): CountedBefore<R> | undefined {
  return part === null ? partNamed(before, name) : before[part];
}

/** The rounds whose loops a foundation speaks of. */
function roundsOf<R extends RoundMade>(
  part: PartRef | null,
  own: readonly R[],
  before: readonly CountedBefore<R>[],
): readonly R[] {
  if (part !== null) return partOf(before, part)?.rounds ?? [];
  return own.length > 0 ? own : (before.at(-1)?.rounds ?? []);
}

/**
 * How many places the foundation among some items gives to work into.
 * - a chain of n, worked from its second chain: n − 1 along one side; back along the other side all but the end chain
 *   again, so n − 1 + n − 2 (common practice: with e stitches in each end that makes 2(n−3) + 2e);
 * - a bridge of c chains between pieces of a and b stitches: a + b + 2c, as both its sides are worked;
 * - loops left by a round: as many as that round's stitches below have;
 * - two layers, where something goes around them: all round a panel worked in rows, which is its first and its last row
 *   and one place a row at either side, or the last round of one worked in rounds; else whatever is worked there;
 * - an edge: whatever is worked there.
 * @param own stitches of this part's round below, 0 for a first round
 * @returns null when the number is the pattern's own choice or a named part is not known
 */
export function foundationPlaces(
  items: readonly Item[],
  own: number,
  part: readonly RoundMade[],
  before: readonly CountedBefore[],
): number | null {
  const foundation = foundationOf(items);
  if (!foundation) return null;
  switch (foundation.from) {
    case 'chain': {
      const side = Math.max(0, foundation.chains - foundation.first + 1);
      return foundation.sides === 1 ? side : side + Math.max(0, side - 1);
    }
    case 'bridge': {
      let sum = own + 2 * foundation.chains;
      for (const ref of foundation.parts) {
        const last = partOf(before, ref)?.rounds.at(-1);
        if (!last) return null;
        sum += last.makes;
      }
      return sum;
    }
    case 'loops':
      return roundsOf(foundation.part, part, before).find((round) => round.number === foundation.round)?.makes ?? null;
    case 'layers': {
      if (!items.some((item) => openTimes(item) !== null)) return null;
      const panel = foundation.parts[0] === undefined ? before.at(-1) : partOf(before, foundation.parts[0]);
      const [first, last] = [panel?.rounds[0], panel?.rounds.at(-1)];
      if (!panel || !first || !last || panel.rounds.length < 2) return null;
      return panel.flat ? first.makes + last.makes + 2 * panel.rounds.length : last.makes;
    }
    case 'edge':
      return null;
  }
}

/** Whether a part is a panel: rows that begin on one side of a chain. */
export function isFlat(lines: readonly { readonly items: readonly Item[] }[]): boolean {
  const foundation = lines[0] ? foundationOf(lines[0].items) : null;
  return foundation?.from === 'chain' && foundation.sides === 1;
}

/**
 * The round whose stitches have the loops that are meant: "front loops of R4" are those of R4's own stitches where R5 left
 * them, and where R4 itself was worked in the other loop, and R5 was not, those that R4 left on the round below it.
 */
export function resolvedLoops(
  foundation: Foundation,
  part: readonly RoundBefore[],
  before: readonly CountedBefore<RoundBefore>[],
): Foundation {
  if (foundation.from !== 'loops') return foundation;
  const rounds = roundsOf(foundation.part, part, before);
  const other = foundation.loop === 'front' ? 'back' : 'front';
  const leaves = (number: number): boolean => {
    const round = rounds.find((each) => each.number === number);
    return round !== undefined && loopsIn(round.items).has(other);
  };
  const below = !leaves(foundation.round + 1) && leaves(foundation.round) && foundation.round > 1;
  return below ? { ...foundation, round: foundation.round - 1 } : foundation;
}
