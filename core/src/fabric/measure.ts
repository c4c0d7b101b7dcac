import type { Cluster, Item, Times } from '../notation/index.js';

/** What some items do to a round: stitches used of the one below, stitches made. */
export interface Measure {
  readonly uses: number;
  readonly makes: number;
}

export interface RoundMeasure extends Measure {
  /** How often the round's 'around' or 'to last' item is worked; 0 when it has none. */
  readonly around: number;
}

export function clusterSize({ stitches }: Cluster): number {
  return stitches.reduce((sum, { count }) => sum + count, 0);
}

/** Uses and makes of one item; an 'around' counts as worked once. */
function measureItem(item: Item): Measure {
  const once = (times: Times): number => (typeof times === 'number' ? times : 1);
  switch (item.kind) {
    case 'work': {
      const count = once(item.count);
      return { uses: count * item.together, makes: count * item.per };
    }
    case 'cluster':
      return { uses: once(item.count), makes: once(item.count) * clusterSize(item) };
    case 'group': {
      const inner = measureItems(item.items);
      const times = once(item.times);
      return { uses: inner.uses * times, makes: inner.makes * times };
    }
    case 'start':
      return { uses: 0, makes: item.count + (item.chain === 'counted' ? 1 : 0) };
    case 'chain':
      return { uses: 0, makes: item.counted ? item.count : 0 };
    case 'skip':
      return { uses: item.count, makes: 0 };
    case 'foundation':
    case 'close':
    case 'colour':
    case 'remark':
      return { uses: 0, makes: 0 };
  }
}

export function measureItems(items: readonly Item[]): Measure {
  let uses = 0;
  let makes = 0;
  for (const item of items) {
    const one = measureItem(item);
    uses += one.uses;
    makes += one.makes;
  }
  return { uses, makes };
}

/** The item's 'around' or 'to last', or null when it says a number. */
export function openTimes(item: Item): Exclude<Times, number> | null {
  const times = item.kind === 'work' || item.kind === 'cluster' ? item.count : item.kind === 'group' ? item.times : 1;
  return typeof times === 'number' ? null : times;
}

/**
 * Uses and makes of a round worked over `available` stitches. The first 'around' item takes what the others leave, in
 * whole repeats, a 'to last n' item what is there but n; a second open item takes nothing.
 */
export function measureRound(items: readonly Item[], available: number): RoundMeasure {
  const fixed = measureItems(items.filter((item) => openTimes(item) === null));
  const at = items.findIndex((item) => openTimes(item) !== null);
  if (at < 0) return { ...fixed, around: 0 };
  const open = items[at]!;
  const times = openTimes(open);
  const once = measureItem(open);
  const taken = typeof times === 'object' && times ? measureItems(items.slice(0, at)).uses + times.toLast : fixed.uses;
  const around = once.uses > 0 ? Math.max(0, Math.floor((available - taken) / once.uses)) : 0;
  return { uses: fixed.uses + around * once.uses, makes: fixed.makes + around * once.makes, around };
}
