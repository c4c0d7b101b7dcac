import type { Item, Work } from '../notation/index.js';

/**
 * A round of an oval that grows at its ends only, each by half: "inc, 5 sc, inc × 3, 5 sc, inc × 2". It begins within one end,
 * whose changes stand partly before the first side and partly after the second.
 *
 * @param straight stitches of either side that stay plain
 * @returns null where its ends cannot grow so
 */
export function ovalRound(uses: number, makes: number, straight: number, stitch: Work): readonly Item[] | null {
  const changes = (makes - uses) / 2;
  const end = uses / 2 - straight;
  if (!(changes >= 1 && changes <= end) || !Number.isInteger(changes) || !Number.isInteger(end)) return null;
  // Plain stitches before each change of an end, spread over it.
  const gaps = Array.from(
    { length: changes },
    (_, i) => Math.floor(((i + 1) * end) / changes) - Math.floor((i * end) / changes) - 1,
  );
  const ahead = changes - Math.floor(changes / 2);
  const side: readonly Item[] = straight > 0 ? [{ ...stitch, count: straight }] : [];
  const grow = (some: readonly number[]): readonly Item[] => runsOf(some).flatMap(([gap, times]) => unit(gap, times, stitch));
  return [...grow(gaps.slice(ahead)), ...side, ...grow(gaps), ...side, ...grow(gaps.slice(0, ahead))];
}

/** So many times some plain stitches and an increase. */
function unit(gap: number, times: number, stitch: Work): readonly Item[] {
  const increase: Work = { ...stitch, per: 2 };
  if (gap === 0) return [{ ...increase, count: times }];
  const items = [{ ...stitch, count: gap }, increase];
  return times === 1 ? items : [{ kind: 'group', items, times }];
}

function runsOf(gaps: readonly number[]): readonly (readonly [number, number])[] {
  const runs: [number, number][] = [];
  for (const gap of gaps) {
    const last = runs.at(-1);
    if (last?.[0] === gap) last[1]++;
    else runs.push([gap, 1]);
  }
  return runs;
}
