import type { Item } from '../notation/index.js';

/** What some items do to a round: stitches used of the one below, stitches made. */
export interface Measure {
  readonly uses: number;
  readonly makes: number;
}

export interface RoundMeasure extends Measure {
  /** How often the round's 'around' item is worked; 0 when it has none. */
  readonly around: number;
}

/** Uses and makes of one item; an 'around' counts as worked once. */
function measureItem(item: Item): Measure {
  switch (item.kind) {
    case 'work': {
      const count = item.count === 'around' ? 1 : item.count;
      return { uses: count * item.together, makes: count * item.per };
    }
    case 'group': {
      const once = measureItems(item.items);
      const times = item.times === 'around' ? 1 : item.times;
      return { uses: once.uses * times, makes: once.makes * times };
    }
    case 'start':
      return { uses: 0, makes: item.count };
    case 'colour':
    case 'remark':
      return { uses: 0, makes: 0 };
  }
}

function measureItems(items: readonly Item[]): Measure {
  let uses = 0;
  let makes = 0;
  for (const item of items) {
    const one = measureItem(item);
    uses += one.uses;
    makes += one.makes;
  }
  return { uses, makes };
}

export function isAround(item: Item): boolean {
  return (item.kind === 'work' && item.count === 'around') || (item.kind === 'group' && item.times === 'around');
}

/**
 * Uses and makes of a round worked over `available` stitches. The first 'around' item takes what the others leave,
 * in whole repeats; a second one takes nothing.
 */
export function measureRound(items: readonly Item[], available: number): RoundMeasure {
  const fixed = measureItems(items.filter((item) => !isAround(item)));
  const open = items.find(isAround);
  if (!open) return { ...fixed, around: 0 };
  const once = measureItem(open);
  const around = once.uses > 0 ? Math.max(0, Math.floor((available - fixed.uses) / once.uses)) : 0;
  return { uses: fixed.uses + around * once.uses, makes: fixed.makes + around * once.makes, around };
}
