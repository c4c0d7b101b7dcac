import type { PartCount } from '../fabric/index.js';
import type { CardId } from './card.js';
import { cardOfFact, cardsOfItems } from './leads.js';

/**
 * The techniques that each round of a part needs, in the order of its rounds: what is worked in it, what its remarks ask
 * for, and what is to be done after it, before the next.
 */
export function techniquesByRound({ part, rounds }: PartCount): readonly (readonly CardId[])[] {
  const notes = part.notes.flatMap(({ before, facts }) =>
    facts.flatMap((fact) => {
      const id = cardOfFact(fact);
      return id ? [{ before, id }] : [];
    }),
  );
  const ofLine = part.lines.map(({ items }, i) => {
    // The colour that a part begins in is no change.
    const begun = i === 0 ? items.slice(items.findIndex(({ kind }) => kind !== 'colour' && kind !== 'remark')) : items;
    return cardsOfItems(begun);
  });
  return rounds.map(({ line }, round) => {
    const after = rounds[round + 1]?.line === line ? [] : notes.filter(({ before }) => before === line + 1);
    return [...new Set([...(ofLine[line] ?? []), ...after.map(({ id }) => id)])];
  });
}

/**
 * What is new in the round that comes, and so may be shown before it is needed; at the very beginning, in the round at hand.
 *
 * @param byRound the techniques of each round
 * @param round the round at hand, 0-based; null where nothing is worked yet
 * @param met techniques that this make has had already, or that the maker knows
 */
export function newAhead(
  byRound: readonly (readonly CardId[])[],
  round: number | null,
  met: ReadonlySet<CardId>,
): readonly CardId[] {
  const next = round === null ? 0 : round + 1;
  const before = new Set([...met, ...byRound.slice(0, next).flat()]);
  return (byRound[next] ?? []).filter((id) => !before.has(id));
}
