export { look, type Camera } from './camera.js';
export { curveOf, knotsBetween } from './curve.js';
export { passes } from './passes.js';
export { along, between, cross, direction, dot, length, minus, plus, times, type Point } from './point.js';
export { runsOf, type Run, type Strand } from './runs.js';
