import { constant } from '../constants/index.js';

/** A last round of up to this many stitches is drawn shut by its tail (common practice: the last 5 to 8). */
export const DRAWN_SHUT = constant('drawn shut');
