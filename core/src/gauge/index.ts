export { HOOK_RANGE, US_HOOKS, usHookName } from './hook.js';
export { estimateStitch, HAND_SPREAD, HEIGHT_OVER_WIDTH, stuffedHooks, type StitchSize } from './stitch-size.js';
export { YARN_WEIGHTS, yarnWeight, type YarnWeight, type YarnWeightNumber } from './yarn-weight.js';
