export type { Card, CardId, SaidCard, Slip } from './card.js';
export { CARDS, cardOf } from './cards/index.js';
export { cardOfWord, searchCards, type FoundCard } from './find.js';
export { cardOfFact, cardOfSlip, cardOfStitch, cardsOfItems } from './leads.js';
export { sayCard, type Saying } from './say.js';
