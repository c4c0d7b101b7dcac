export {
  describeReading,
  fixesOfReading,
  type Doubt,
  type Fix,
  type ReadingDiagnostic,
  type Severity,
  type TextEdit,
} from './diagnostic.js';
export type {
  Chain,
  Close,
  Cluster,
  Colour,
  DecreaseSchool,
  Foundation,
  Group,
  Item,
  Like,
  Note,
  OpenRun,
  OtherReading,
  Part,
  Pattern,
  Remark,
  RoundLine,
  Skip,
  Start,
  Stated,
  Times,
  ToLast,
  Work,
  Worked,
} from './pattern.js';
export { explainAt, type Explanation } from './explain.js';
export { markedStitchOf, type MarkedStitch } from './marker.js';
export { applyEdits, rewrite } from './rewrite.js';
export { counted, singularName } from './plural.js';
export { gatesOf, type Gate, type GateKind } from './gates.js';
export {
  print,
  printInstruction,
  printItem,
  printItems,
  printLabel,
  printRoundLine,
  type Form,
  type PrintStyle,
} from './print.js';
export { read, type Reading } from './read.js';
export { join, placesIn, type Place, type Span } from './span.js';
export { STITCHES, STITCH_NAMES, type Loop, type StitchName, type Terms } from './stitch.js';
export { numberOf, tokenize, type Token } from './tokens.js';
