/** A round whose increases or decreases are spread over it, from `uses` stitches to `makes`. */
export interface SpreadRound {
  readonly uses: number;
  readonly makes: number;
  /** 'none' for a plain round. */
  readonly change: 'increase' | 'decrease' | 'none';
  /** Plain stitches before each change, as many as there are changes; the first gap runs over the round's start. */
  readonly gaps: readonly number[];
  /** How many plain stitches of the first gap are worked before the first change; the rest of it ends the round. */
  readonly lead: number;
}

/**
 * Spreads the changes from `uses` to `makes` stitches so that the gaps between them differ by at most one stitch.
 * @param lead plain stitches before the first change; all of the first gap when left out. Brought within that gap.
 * @throws RangeError when a number is no whole stitch count from 1, or when more than one change would fall on a stitch:
 * more than twice as many stitches, or fewer than half
 */
export function spread(uses: number, makes: number, lead = Number.POSITIVE_INFINITY): SpreadRound {
  for (const count of [uses, makes]) {
    if (!Number.isInteger(count) || count < 1) throw new RangeError(`A round of ${count} stitches cannot be spread: at least 1.`);
  }
  const changes = Math.abs(makes - uses);
  const change = makes > uses ? 'increase' : makes < uses ? 'decrease' : 'none';
  const plain = uses - changes * (change === 'decrease' ? 2 : 1);
  if (plain < 0) throw new RangeError(`From ${uses} to ${makes} stitches is more than one ${change} a stitch.`);
  if (changes === 0) return { uses, makes, change, gaps: [], lead: uses };
  const gaps = Array.from(
    { length: changes },
    (_, i) => Math.floor(((i + 1) * plain) / changes) - Math.floor((i * plain) / changes),
  );
  // The widest gap comes first, as it is the one to be split.
  const widest = gaps.indexOf(Math.max(...gaps));
  const turned = [...gaps.slice(widest), ...gaps.slice(0, widest)];
  return { uses, makes, change, gaps: turned, lead: Math.max(0, Math.min(turned[0]!, Math.floor(lead))) };
}

/** Where the changes begin: for each the stitches used before it, ascending. */
export function changePlaces({ gaps, lead, change }: SpreadRound): number[] {
  const each = change === 'decrease' ? 2 : 1;
  const places: number[] = [];
  let at = lead;
  for (let i = 0; i < gaps.length; i++) {
    places.push(at);
    at += each + (gaps[i + 1] ?? 0);
  }
  return places;
}
