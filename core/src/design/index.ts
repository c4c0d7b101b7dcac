export { evenCounts, type CountRules, type OwnRound } from './even-counts.js';
export { deviations, firstRounds, fitRounds, type FitOptions, type RoundFit } from './fit-rounds.js';
export { PRIMITIVES, primitive, type Primitive } from './primitives.js';
export { RESHAPES, reshaped, type Reshape } from './reshape.js';
export { LARGEST_MM, wishProblems, type End, type Wish, type WishPoint, type WishProblem } from './wish.js';
export { writeRounds } from './write.js';
