export { drawingOf } from './cards/index.js';
export { MOVES } from './cards/stitches.js';
export { circle, DISC_TILT, ovalGround, ringGround } from './disc.js';
export type { Drawing, DrawnStrand, Frame, Mark, Sight, Tone } from './drawing.js';
export { ROW } from './fabric-edge.js';
export { layFabric, stitchKnots, type Laid } from './fabric-drawing.js';
export { yarn } from './scene.js';
export { marker } from './things.js';
export { STRAIGHT, type Ground } from './work.js';
