import type { SpreadRound } from './spread.js';

/**
 * Changes that stand where others stood round a round of another size: as many in each stretch of it as there were, by
 * share. What was uneven on purpose stays so.
 *
 * @param places stitches used before each of the old changes, ascending; at least one
 * @param was stitches the old round used, and each change of it
 */
export function rescale(
  places: readonly number[],
  was: { readonly uses: number; readonly each: number },
  uses: number,
  makes: number,
): SpreadRound | null {
  const changes = Math.abs(makes - uses);
  const each = makes < uses ? 2 : 1;
  const plain = uses - changes * each;
  if (plain < 0 || changes === 0) return null;
  const plainBefore = was.uses - places.length * was.each;
  // Of each old change the share of the plain stitches before it.
  const shares = places.map((place, i) => (plainBefore === 0 ? i / places.length : (place - i * was.each) / plainBefore));
  const at = Array.from({ length: changes }, (_, i) => {
    const old = changes === places.length ? i : ((i + 0.5) * places.length) / changes - 0.5;
    const low = Math.max(0, Math.min(shares.length - 1, Math.floor(old)));
    const high = Math.min(shares.length - 1, low + 1);
    return Math.round((shares[low]! + (shares[high]! - shares[low]!) * Math.max(0, Math.min(1, old - low))) * plain);
  });
  const lead = at[0]!;
  const gaps = at.map((place, i) => (i === 0 ? place + plain - at.at(-1)! : place - at[i - 1]!));
  return { uses, makes, change: makes > uses ? 'increase' : 'decrease', gaps, lead };
}
