import { readFileSync } from 'node:fs';
import { evenCounts, firstRounds, fitRounds, primitive, type CountRules } from '@lemniscus/core/design';
import { checkPattern } from '@lemniscus/core/fabric';
import { read } from '@lemniscus/core/notation';
import { resize } from '@lemniscus/core/resize';
import { stuffedProfile } from '@lemniscus/core/shape';
import { compare, type Result } from './measure.js';

const STITCH = { width: 5, height: 4.8 };
/** mm across: a head of the usual size, and a large one. */
const BALLS = [60, 150];

/** A cone of so few rounds that all counts that could be worked can be tried. */
const FEW = [6, 8.2, 10.9, 13.1, 14.8, 17.2, 19.1];
const RULES: CountRules = { steepest: 3, first: [6], mostShut: null, change: 4, odd: 2 };

/** Every way to go on from round to round, as the price of evenness is left out: the least work enumeration could have. */
function enumerated(): number {
  let least = Infinity;
  const go = (round: number, count: number, off: number): void => {
    if (round === FEW.length) {
      least = Math.min(least, off);
      return;
    }
    for (let step = -RULES.steepest; step <= RULES.steepest; step++)
      go(round + 1, count + step, off + (count + step - FEW[round]!) ** 2);
  };
  go(1, 6, 0);
  return least;
}

/**
 * The first and the best answer to a wished ball, beside working out the stuffed shape of such rounds once; even counts
 * beside plain enumeration; a figure a fifth larger beside reading and counting it.
 */
export async function design(): Promise<Result[]> {
  const results: Result[] = [];
  for (const across of BALLS) {
    const wish = primitive({ is: 'ball', across });
    const { counts } = fitRounds(wish, STITCH)!;
    const once = (): unknown => stuffedProfile(counts, STITCH);
    const baseline = { baselineName: 'its stuffed shape once', unit: 'ms' } as const;
    const first = await compare(9, () => firstRounds(wish, STITCH), once);
    const best = await compare(5, () => fitRounds(wish, STITCH), once);
    results.push({ name: `first rounds for a ball of ${across} mm`, ...first, ...baseline });
    results.push({ name: `the best rounds for it`, ...best, ...baseline });
  }
  const counts = await compare(9, () => evenCounts(FEW, RULES), enumerated);
  results.push({ name: `even counts for ${FEW.length} rounds`, ...counts, baselineName: 'plain enumeration', unit: 'ms' });
  const text = readFileSync('demo/harbour-puffin.md', 'utf8');
  const counted = checkPattern(read(text));
  const larger = await compare(
    9,
    () => resize(text, counted, 1.2),
    () => checkPattern(read(text)),
  );
  results.push({ name: 'a figure a fifth larger', ...larger, baselineName: 'reading and counting it', unit: 'ms' });
  return results;
}
