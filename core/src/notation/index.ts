export type { Doubt, Fix, ReadingDiagnostic, Severity, TextEdit } from './diagnostic.js';
export { describeReading, fixesOfReading } from './describe-reading.js';
export type { Aside, Height, Join, MakingLine, Named, Placing, Round, Side, Tip } from './making-up/placing.js';
export { placedBy } from './making-up/placing.js';
export { printNamed, printPlacing } from './making-up/print-placing.js';
export { fractionWords } from './making-up/fraction.js';
export { MAKING_UP_HEADING } from './making-up/section.js';
export type {
  Chain,
  Close,
  Cluster,
  Colour,
  DecreaseSchool,
  Foundation,
  Group,
  Item,
  ItemPlace,
  Like,
  Note,
  OpenRun,
  Part,
  PartRef,
  Pattern,
  Remark,
  RoundLine,
  Skip,
  Spur,
  Start,
  Stated,
  Times,
  ToLast,
  Work,
  Worked,
} from './pattern.js';
export { oldNameIn, type OldName } from './old-name.js';
export { isSamePart, mapParts } from './part-ref.js';
export { foundationPlaces, isFlat, type CountedBefore, type RoundMade } from './foundation.js';
export {
  clusterSize,
  flatGrowth,
  foundationOf,
  inLoop,
  isAction,
  loopsIn,
  mapItems,
  measureItem,
  measureItems,
  measureRound,
  middleOf,
  openTimes,
  stitchesIn,
  usesOnce,
  walk,
  works,
  worksIn,
  type Measure,
  type RoundMeasure,
} from './items.js';
export { INCH, MM_IN } from './length-units.js';
export { instructionSpan } from './settle.js';
export { explainAt, type Explanation } from './explain.js';
export { markedStitchOf, type MarkedStitch } from './marker.js';
export { applyEdits, rewrite } from './rewrite.js';
export { counted, plural, singularName } from './plural.js';
export { factsIn, type Apart, type Fact, type Firmness, type Thing, type Way } from './facts.js';
export { gatesOf, remarksOf, type Gate, type GateKind, type RemarkOfPart } from './gates.js';
export {
  print,
  printInstruction,
  printItem,
  printItems,
  printLabel,
  printRoundLine,
  remarksAfter,
  type Form,
  type PrintStyle,
} from './print.js';
export { read, titleOf, type Reading } from './read.js';
export { join, placesIn, type Place, type Span } from './span.js';
export {
  STITCHES,
  STITCH_NAMES,
  type Loop,
  type Stitch,
  type StitchLook,
  type StitchName,
  type Terms,
  type YarnRuns,
} from './stitch.js';
export { printTime } from './talk-time.js';
export { numberOf, tokenize, type Token } from './tokens.js';
