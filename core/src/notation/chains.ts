import type { Item } from './pattern.js';

/** Whether an item makes or uses stitches, so that a chain before all or after all such items stands at the round's edge. */
function works(item: Item): boolean {
  return (
    item.kind === 'work' || item.kind === 'cluster' || item.kind === 'group' || item.kind === 'start' || item.kind === 'skip'
  );
}

/**
 * Whether a chain at `index` among the items of a round counts as stitches where nothing is said: one in the middle does
 * (the next round is worked into it), one at the round's start or end only lifts the yarn (common practice).
 */
export function chainCountsByPlace(items: readonly Item[], index: number): boolean {
  return items.slice(0, index).some(works) && items.slice(index + 1).some(works);
}
