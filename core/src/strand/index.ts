export { look, type Camera } from './camera.js';
export { curveOf, knotsBetween } from './curve.js';
export { passes } from './passes.js';
export { runsOf, type Run, type Strand } from './runs.js';
