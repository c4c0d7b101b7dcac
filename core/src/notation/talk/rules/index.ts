import type { Terms } from '../../stitch.js';
import { LABELS_SAID } from './labels.js';
import { OTHERS } from './others.js';
import { PASSED_OVER } from './passed-over.js';
import { REPETITIONS } from './repetitions.js';
import { anyStitch, num, rule, stitchRows, SURE, type Rule } from './rule.js';
import { startsSaid } from './starts.js';
import { stitchesSaid } from './stitches.js';
import { totalsSaid } from './totals.js';

const NUMBERS: readonly Rule[] = [
  rule(SURE, ([, n]) => ({ is: 'number', value: num(n), sure: true })),
  rule(String.raw`~(\d+)`, ([, n]) => ({ is: 'number', value: num(n), sure: false })),
];

const TABLES = new Map<Terms, readonly Rule[]>();

/** All that a talk may say of the work. Of those that match alike the first is meant. */
export function rulesOf(terms: Terms): readonly Rule[] {
  const known = TABLES.get(terms);
  if (known) return known;
  const rows = stitchRows(terms);
  const rules = [
    ...PASSED_OVER,
    ...LABELS_SAID,
    ...OTHERS,
    ...REPETITIONS,
    ...startsSaid(rows),
    ...stitchesSaid(rows),
    ...totalsSaid(anyStitch(rows)),
    ...NUMBERS,
  ];
  TABLES.set(terms, rules);
  return rules;
}
