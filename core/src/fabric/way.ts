import { isFlat, type Fact, type RoundLine, type Way } from '../notation/index.js';

/**
 * The way of a part where its rounds do not say: rows that begin on one side of a chain are turned, and a note may say it
 * for all ("Worked in joined rounds.").
 */
export function partWay(lines: readonly RoundLine[], notes: readonly { readonly facts: readonly Fact[] }[]): Way {
  if (isFlat(lines)) return 'turned';
  for (const { facts } of notes) for (const fact of facts) if (fact.is === 'way') return fact.way;
  return 'spiral';
}

/** The way of one line: as it says itself, else as its part goes. */
export function lineWay(line: RoundLine, part: Way): Way {
  const close = line.items.findLast((item) => item.kind === 'close');
  if (close?.kind !== 'close') return part;
  return close.how === 'turn' ? 'turned' : 'joined';
}
