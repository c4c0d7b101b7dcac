export {
  checkPattern,
  describeCount,
  type CountDiagnostic,
  type Diagnostic,
  type PartCount,
  type PatternCount,
  type RoundCount,
} from './check.js';
export { describe } from './describe.js';
export { changeOf, fabricOf, LOOPS, roundLength, roundLengths, type Change, type Fabric } from './fabric.js';
export { measureRound, type Measure, type RoundMeasure } from './measure.js';
export { toReport, type PatternReport } from './report.js';
