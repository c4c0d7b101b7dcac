export { bendOfRound, bendRounds, describeBend, STRAIGHT, turnOf, type Bend } from './bend.js';
export { evenCounts, type CountRules, type OwnRound } from './even-counts.js';
export { deviations, firstRounds, fitRounds, fitSteps, judgeRounds, type FitOptions, type RoundFit } from './fit-rounds.js';
export { PRIMITIVES, primitive, type Primitive } from './primitives.js';
export { RESHAPES, reshaped, type Reshape } from './reshape.js';
export {
  along,
  crossingOf,
  LARGEST_MM,
  wishProblems,
  type Along,
  type End,
  type Wish,
  type WishPoint,
  type WishProblem,
} from './wish.js';
export { describeMisfit, misfits, type Misfit, type MisfitReason } from './misfit.js';
export { describeMended, nearestWish, type Mended } from './nearest.js';
export { SEWN_ROUND, writePart, writeRounds, type PartWriting } from './write.js';
