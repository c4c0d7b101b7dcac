export { newAhead, techniquesByRound } from './ahead.js';
export type { Card, CardId, SaidCard, Slip } from './card.js';
export { CARD_GROUPS, CARDS, cardOf } from './cards/index.js';
export { cardOfWord, cardOfWords, searchCards, type FoundCard } from './find.js';
export { FIRST_MAKE, isFirstMake } from './first-make.js';
export { cardOfFact, cardOfFinish, cardOfJoin, cardOfSlip, cardOfStitch, cardOfTimely, cardsOfItems } from './leads.js';
export { sayCard, type Saying } from './say.js';
