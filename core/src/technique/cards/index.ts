import type { Card, CardId } from '../card.js';
import { BEGINNINGS } from './beginnings.js';
import { GOING_ROUND } from './going-round.js';
import { ENDINGS, INSIDE } from './inside-and-endings.js';
import { STITCH_CARDS } from './stitches.js';

/** The cards as they belong together, in the order of the work. */
export const CARD_GROUPS: readonly { readonly name: string; readonly cards: readonly Card[] }[] = [
  { name: 'Beginnings', cards: BEGINNINGS },
  { name: 'Stitches', cards: STITCH_CARDS },
  { name: 'Going round', cards: GOING_ROUND },
  { name: 'While it is open', cards: INSIDE },
  { name: 'Endings', cards: ENDINGS },
];

export const CARDS: readonly Card[] = CARD_GROUPS.flatMap(({ cards }) => cards);

const BY_ID = new Map(CARDS.map((card) => [card.id, card]));

export function cardOf(id: CardId): Card {
  return BY_ID.get(id)!;
}
