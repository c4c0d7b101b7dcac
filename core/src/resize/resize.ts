import type { PatternCount } from '../fabric/index.js';
import { scaledCounts } from './counts.js';
import { rework, type Reworked } from './rework.js';
import { mapRounds, stretchesOf } from './stretches.js';

/** How much larger or smaller a figure can be made (our own bounds). */
export const SMALLEST = 0.4;
export const LARGEST = 4;

/**
 * A pattern, or some of its parts, so many times as large in the same yarn: rounds, limbs, eyes, places, colours, loops and
 * remarks follow. By 1 nothing changes.
 *
 * @param text what `count` was read from
 * @param only parts by index; all where it is left out
 * @throws RangeError when it is not from SMALLEST to LARGEST times as large
 */
export function resize(text: string, count: PatternCount, by: number, only: ReadonlySet<number> | null = null): Reworked {
  if (!(by >= SMALLEST && by <= LARGEST))
    throw new RangeError(`${by} times as large: from ${SMALLEST} to ${LARGEST} can be made.`);
  const factor = (part: number): number => (only === null || only.has(part) ? by : 1);
  return rework(
    text,
    count,
    (part, counted, first) => {
      const map = mapRounds(stretchesOf(counted), factor(part));
      const wished = counted.rounds[0]!.makes * factor(part);
      const counts = scaledCounts(counted, map, factor(part), first(wished));
      return counts && { map, counts };
    },
    only === null ? by : null,
  );
}
