export { longerBy, painted, withCount, withoutRound, withRound } from './by-hand.js';
export { fewPoints, wishOf } from './curve.js';
export { findRounds, firstFound, findSteps, roundedOf, type Found, type SketchGauge } from './found.js';
export { withPart } from './into-pattern.js';
export { describeNotDrawn, partOf, type NotDrawn } from './of-part.js';
export {
  closesToRing,
  isTube,
  outlineSize,
  plainPart,
  rimOf,
  SKETCH_STITCHES,
  standsAsDrawn,
  stretched,
  type Sketch,
  type SketchColour,
  type SketchGrowth,
  type SketchHeight,
  type SketchOutline,
  type SketchPart,
  type SketchPlace,
  type SketchPoint,
  type SketchRound,
  type SketchStitch,
} from './sketch.js';
export { outlineOfMeasures, outlineOfPrimitive, TEMPLATES, type Template } from './templates.js';
export { partText, sketchText, type Rounded } from './text.js';
