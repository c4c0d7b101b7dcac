import type { Card, CardId } from '../card.js';
import { BEGINNINGS } from './beginnings.js';
import { GOING_ROUND } from './going-round.js';
import { ENDINGS, INSIDE } from './inside-and-endings.js';
import { STITCH_CARDS } from './stitches.js';

/** All cards, in the order of the work. */
export const CARDS: readonly Card[] = [...BEGINNINGS, ...STITCH_CARDS, ...GOING_ROUND, ...INSIDE, ...ENDINGS];

const BY_ID = new Map(CARDS.map((card) => [card.id, card]));

export function cardOf(id: CardId): Card {
  return BY_ID.get(id)!;
}
