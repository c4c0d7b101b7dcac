import { describeReading } from '../notation/index.js';
import { describeCount, type Diagnostic } from './check.js';

/** The sentence for any diagnostic. */
export function describe(diagnostic: Diagnostic): string {
  switch (diagnostic.code) {
    case 'leaves-stitches':
    case 'uses-too-many':
    case 'total-differs':
    case 'too-large':
      return describeCount(diagnostic);
    default:
      return describeReading(diagnostic);
  }
}
