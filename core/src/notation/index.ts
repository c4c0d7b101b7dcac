export { BOUNDS } from './bounds.js';
export { describeReading, type ReadingDiagnostic, type Severity } from './diagnostic.js';
export type {
  Colour,
  DecreaseSchool,
  Group,
  Item,
  Note,
  Part,
  Pattern,
  Remark,
  RoundLine,
  Start,
  Stated,
  Times,
  Work,
} from './pattern.js';
export { print, printInstruction, printItem, printItems, printLabel, printRoundLine } from './print.js';
export { read, type Reading } from './read.js';
export { join, placesIn, type Place, type Span } from './span.js';
export { STITCHES, STITCH_NAMES, type Loop, type StitchName, type Terms } from './stitch.js';
