export { ballsFor, fineness, type Holding, type Yarn } from './basket.js';
export { cautionOf, riskOf, SMALL_PARTS_MM, type Risk } from './caution.js';
export { supplyOf, usedSince, type Demand, type Portion, type Stop, type Supply } from './demand.js';
export { eyeAdvice, EYE_OVER_HEAD, EYE_SIZES, EYES_APART, type EyeAdvice, type EyePlace } from './eyes.js';
export { chooseYarn, colourKey, EMPTY_KIT, partKey, yarnFor, type Kit, type YarnChoice } from './kit.js';
export { needsList, type ListEntry, type ListGroup, type ListSource, type StuffingNeed } from './list.js';
export {
  handGauge,
  handStretch,
  stitchesMeasured,
  strandOf,
  swatchOf,
  yarnBelief,
  yarnRuns,
  type Measurement,
  type YarnRuns,
} from './measurement.js';
export { amountWords, exactly, giveOrTake, purchaseWords, type Amount, type Purchase } from './amount.js';
export { endOf, pieceYarn, TAIL_MM, yarnBetween, type PieceYarn } from './piece-yarn.js';
export { plansFor, type Plan } from './plans.js';
export { statedKit, stuffingSaid, tailSaid, thingsSaid, type StatedKit, type ThingSaid } from './remarks.js';
export { waysToWidth, type WayToSize } from './resize.js';
export { inOrder, plannedParts, type PlannedPart, type Situation } from './situation.js';
export { FILLING, fillingOf, stuffingBelief } from './stuffing.js';
export type { Firmness, Thing } from '../notation/index.js';
