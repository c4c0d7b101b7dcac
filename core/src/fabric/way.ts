import { foundationOf, type RoundLine } from '../notation/index.js';

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
