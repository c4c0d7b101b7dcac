import { describeReading, fixesOfReading, type Fix } from '../notation/index.js';
import type { Diagnostic } from './check.js';
import { describeCount, type CountDiagnostic } from './count-diagnostic.js';

const COUNT_CODES: Readonly<Record<CountDiagnostic['code'], true>> = {
  'leaves-stitches': true,
  'uses-too-many': true,
  'total-differs': true,
  'too-large': true,
  'growth-ruffles': true,
  'growth-gathers': true,
  'told-in-doubt': true,
  'gate-late': true,
};

function isCount(diagnostic: Diagnostic): diagnostic is CountDiagnostic {
  return diagnostic.code in COUNT_CODES;
}

/** The sentence for any diagnostic. */
export function describe(diagnostic: Diagnostic): string {
  return isCount(diagnostic) ? describeCount(diagnostic) : describeReading(diagnostic);
}

/** The ways out of any diagnostic, the likeliest first. */
export function fixesOf(diagnostic: Diagnostic): readonly Fix[] {
  return isCount(diagnostic) ? (diagnostic.fixes ?? []) : fixesOfReading(diagnostic);
}
