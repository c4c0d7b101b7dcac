export { creepOf, extraStitches, startAngles, stitchAngles, waysOfRounds } from './angles.js';
export {
  apart,
  changesIn,
  cornerOf,
  evennessOf,
  plainRuns,
  RIB_REACH,
  stackingOf,
  type Evenness,
  type RoundChange,
} from './changes.js';
export { measuredLean, UPRIGHT, type Lean } from './lean.js';
export { nextRounds, type NextRound, type Onward } from './next-rounds.js';
export { ovalRound } from './oval.js';
export { rescale } from './rescale.js';
export { respread } from './respread.js';
export { changePlaces, spread, type SpreadRound } from './spread.js';
export { isEven, placesOf, staggerPart, staggerRun, type RunRound, type StaggeredLine } from './stagger.js';
export { itemsOf, writeSpread, type Writing } from './write.js';
