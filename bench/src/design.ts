import { firstRounds, fitRounds, primitive } from '@lemniscus/core/design';
import { stuffedProfile } from '@lemniscus/core/shape';
import { compare, type Result } from './measure.js';

const STITCH = { width: 5, height: 4.8 };
/** mm across: a head of the usual size, and a large one. */
const BALLS = [60, 150];

/** The first and the best answer to a wished ball, beside working out the stuffed shape of such rounds once. */
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
  return results;
}
