export { checkPattern, type Diagnostic, type PartCount, type PatternCount, type RoundCount } from './check.js';
export { describeCount, type CountDiagnostic } from './count-diagnostic.js';
export { describe, fixesOf } from './describe.js';
export { DRAWN_SHUT } from './drawn-shut.js';
export {
  changeOf,
  fabricOf,
  LOOPS,
  roundLength,
  roundLengths,
  WAYS,
  withoutLastColour,
  type Change,
  type Fabric,
} from './fabric.js';
export { bodyOf, figureFabric, figureOf, type FigureFabric, type FigurePiece } from './figure.js';
export { fillOf, type Fill } from './fill.js';
export { loopsLeft } from './loops-left.js';
export { roundColours } from './round-colours.js';
export { shapeKey } from './shape-key.js';
export { toReport, type PatternReport } from './report.js';
