export { believe, type Belief, type Evidence, type Prior } from './evidence.js';
export {
  gaugeOf,
  HAND_FACTOR,
  madeWith,
  type Gauge,
  type GaugeSpread,
  type Hand,
  type MeasuredStitch,
  type YarnAndHook,
} from './gauge.js';
export { hookNames, HOOKS, US_HOOKS, usHookName, type HookNames } from './hook.js';
export { outside, refuse, type Refusal } from './refusal.js';
export { heightOf, roundHeights } from './stitch-height.js';
export { estimateStitch, HAND_SPREAD, HEIGHT_OVER_WIDTH, hookForWidth, modelSpread, type StitchSize } from './stitch-size.js';
export { believable, stitchOfSwatch, type Swatch, type SwatchField } from './swatch.js';
export { soldStuffedHooks, stuffedHooks, tightnessOf, type Tightness } from './tightness.js';
export { actionYarn, stitchYarn, YARN_PRIOR } from './yarn-length.js';
export { gramRange, gramWords, lengthOfWords, lengthRange, lengthWords, metreWords, type Units } from './units.js';
export { YARN_WEIGHTS, yarnWeight, type YarnWeight, type YarnWeightNumber } from './yarn-weight.js';
