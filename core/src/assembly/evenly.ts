/**
 * `count` things over `stitches` stitches of a round: how many stitches further each is than the first. Gaps differ by one at
 * most, spread as evenly as the Euclidean rhythm (Bjorklund 2003; Toussaint 2005), turned so that the wide gaps lie furthest
 * from the first thing, where they show least.
 * @throws RangeError for more things than stitches, or none
 */
export function evenly(count: number, stitches: number): number[] {
  if (!(Number.isInteger(count) && count >= 1 && count <= stitches))
    throw new RangeError(`${count} things do not fit over ${stitches} stitches.`);
  const gaps = Array.from(
    { length: count },
    (_, i) => Math.floor(((i + 1) * stitches) / count) - Math.floor((i * stitches) / count),
  );
  const turned = leastSeen(gaps);
  let at = 0;
  return turned.map((gap) => {
    const place = at;
    at += gap;
    return place;
  });
}

/** The turn of a ring of gaps whose wide ones lie, all together, furthest from where it begins. */
function leastSeen(gaps: readonly number[]): readonly number[] {
  const wide = Math.max(...gaps);
  if (gaps.every((gap) => gap === wide)) return gaps;
  const total = gaps.reduce((sum, gap) => sum + gap, 0);
  let best = gaps;
  let least = Infinity;
  for (let turn = 0; turn < gaps.length; turn++) {
    const turned = [...gaps.slice(turn), ...gaps.slice(0, turn)];
    let at = 0;
    let seen = 0;
    for (const gap of turned) {
      // The middle of a wide gap is seen most at the front, least half a round away.
      if (gap === wide) seen += 1 + Math.cos((2 * Math.PI * (at + gap / 2)) / total);
      at += gap;
    }
    if (seen < least - 1e-9) {
      least = seen;
      best = turned;
    }
  }
  return best;
}

/** `count` things along `stitches` stitches of an edge, the first and last at its ends: 0-based stitches, gaps alike but for one. */
export function alongEdge(count: number, stitches: number): number[] {
  if (!(Number.isInteger(count) && count >= 1 && count <= stitches))
    throw new RangeError(`${count} things do not fit along ${stitches} stitches.`);
  if (count === 1) return [Math.floor((stitches - 1) / 2)];
  // Rounded from both ends towards the middle, so that the two halves mirror each other.
  return Array.from({ length: count }, (_, i) => {
    const mirrored = count - 1 - i;
    return i <= mirrored
      ? Math.round((i * (stitches - 1)) / (count - 1))
      : stitches - 1 - Math.round((mirrored * (stitches - 1)) / (count - 1));
  });
}
