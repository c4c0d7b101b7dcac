export { aimAt, type Aim, type Aimed } from './aim.js';
export { changePart, describeNoChange, FIRST_LEAST, FIRST_MOST, type Change, type NoChange } from './change-part.js';
export { LARGEST, resize, SMALLEST } from './resize.js';
export { type Look, type PartChange, type Reworked } from './rework.js';
export { takes, tallest, type Hands, type Takes } from './takes.js';
