import type { Terms } from '../notation/index.js';
import { spread, staggerRun, writeSpread } from '../spacing/index.js';

/** Rounds as a pattern has them, increases and decreases staggered, from a ring: "R2: inc × 6 (12)". */
export function writeRounds(counts: readonly number[], terms: Terms): readonly string[] {
  const style = { terms, form: 'short' } as const;
  const run = counts.slice(1).map((makes, i) => ({ uses: counts[i]!, makes, fixed: null }));
  const staggered = staggerRun(run);
  const stitch = terms === 'UK' ? 'dc' : 'sc';
  const lines: string[] = [`R1: ${counts[0]} ${stitch} in ring (${counts[0]})`];
  for (let k = 1; k < counts.length;) {
    let end = k + 1;
    const same = counts[k] === counts[k - 1];
    while (same && end < counts.length && counts[end] === counts[k]) end++;
    const round = staggered[k - 1] ?? spread(counts[k - 1]!, counts[k]!);
    const label = end - k > 1 ? `R${k + 1}–R${end}` : `R${k + 1}`;
    lines.push(`${label}: ${writeSpread(round, style)} (${counts[k]})`);
    k = end;
  }
  return lines;
}
