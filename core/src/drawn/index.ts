export { drawingOf } from './cards/index.js';
export { MOVES } from './cards/stitches.js';
export type { Drawing, DrawnStrand, Frame, Mark, Sight, Tone } from './drawing.js';
