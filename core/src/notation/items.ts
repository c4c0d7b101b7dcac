import type { Cluster, Foundation, Item, Times, Work } from './pattern.js';
import { STITCHES, type Loop, type StitchName } from './stitch.js';

/** What some items do to a round: stitches used of the one below, stitches made. */
export interface Measure {
  readonly uses: number;
  readonly makes: number;
}

export interface RoundMeasure extends Measure {
  /** How often the round's 'around' or 'to last' item is worked; 0 when it has none. */
  readonly around: number;
}

/** The shortest stitch, once, in both loops: what others are made from. */
export const PLAIN: Work = {
  kind: 'work',
  stitch: 'sc',
  per: 1,
  together: 1,
  school: 'open',
  count: 1,
  loop: 'both',
  through: null,
};

/** Calls `see` with every item, the groups before all that stands in them, in the order of the text. */
export function walk(items: readonly Item[], see: (item: Item) => void): void {
  for (const item of items) {
    see(item);
    if (item.kind === 'group') walk(item.items, see);
  }
}

/** The items with `change` made to every one that is no group. */
export function mapItems(items: readonly Item[], change: (item: Exclude<Item, { kind: 'group' }>) => Item): Item[] {
  return items.map((item) => (item.kind === 'group' ? { ...item, items: mapItems(item.items, change) } : change(item)));
}

/** The works among some items and in their groups. */
export function worksIn(items: readonly Item[]): Work[] {
  const works: Work[] = [];
  walk(items, (item) => item.kind === 'work' && works.push(item));
  return works;
}

/** The kinds of stitches some items are worked in, each as often as it is named. */
export function stitchesIn(items: readonly Item[]): StitchName[] {
  const names: StitchName[] = [];
  walk(items, (item) => {
    if (item.kind === 'work') names.push(item.stitch);
    else if (item.kind === 'cluster') for (const { stitch } of item.stitches) names.push(stitch);
  });
  return names;
}

/** The loops some items are worked in. */
export function loopsIn(items: readonly Item[]): ReadonlySet<Loop> {
  const loops = new Set<Loop>();
  walk(items, (item) => {
    if (item.kind === 'work' || item.kind === 'cluster') loops.add(item.loop);
  });
  return loops;
}

/** The items with `loop` on every stitch in them; `only` those that name no loop themselves. */
export function inLoop(items: readonly Item[], loop: Loop, only: 'unsaid' | 'all' = 'all'): Item[] {
  return mapItems(items, (item) =>
    (item.kind === 'work' || item.kind === 'cluster') && (only === 'all' || item.loop === 'both') ? { ...item, loop } : item,
  );
}

export function foundationOf(items: readonly Item[]): Foundation | null {
  return items.find((item) => item.kind === 'foundation') ?? null;
}

/** Whether an item makes or uses stitches. */
export function works(item: Item): boolean {
  return (
    item.kind === 'work' || item.kind === 'cluster' || item.kind === 'group' || item.kind === 'start' || item.kind === 'skip'
  );
}

/** Whether an item is something the maker does, and so an action of the fabric. */
export function isAction(item: Item): boolean {
  return item.kind !== 'colour' && item.kind !== 'remark' && item.kind !== 'foundation';
}

/** Stitches of the round below that one time of an item takes; a group's own times count. */
export function usesOnce(item: Item): number {
  if (item.kind === 'work') return item.together;
  if (item.kind === 'cluster') return 1;
  return item.kind === 'skip' ? item.count : 0;
}

/**
 * The stretch of a round, as indices of its first and last stitches, in which a chain counts as stitches where nothing is
 * said: one in the middle does (the next round is worked into it), one at the round's start or end only lifts the yarn
 * (common practice).
 */
export function middleOf(items: readonly Item[]): readonly [number, number] {
  return [items.findIndex(works), items.findLastIndex(works)];
}

export function clusterSize({ stitches }: Pick<Cluster, 'stitches'>): number {
  return stitches.reduce((sum, { count }) => sum + count, 0);
}

/** The item's 'around' or 'to last', or null when it says a number. */
export function openTimes(item: Item): Exclude<Times, number> | null {
  const times = item.kind === 'work' || item.kind === 'cluster' ? item.count : item.kind === 'group' ? item.times : 1;
  return typeof times === 'number' ? null : times;
}

const once = (times: Times): number => (typeof times === 'number' ? times : 1);

/** Uses and makes of one item; an 'around' counts as worked once. */
export function measureItem(item: Item): Measure {
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
      return { uses: 0, makes: item.counts };
    case 'skip':
      return { uses: item.count, makes: 0 };
    case 'spur':
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

/**
 * Uses and makes of a round worked over `available` stitches. The first 'around' item takes what the others leave, in
 * whole repeats, a 'to last n' item what is there but n; a second open item takes nothing.
 */
export function measureRound(items: readonly Item[], available: number): RoundMeasure {
  let uses = 0;
  let makes = 0;
  let open: Item | null = null;
  let before = 0;
  for (const item of items) {
    if (openTimes(item) !== null) {
      if (open === null) before = uses;
      open ??= item;
      continue;
    }
    const one = measureItem(item);
    uses += one.uses;
    makes += one.makes;
  }
  if (open === null) return { uses, makes, around: 0 };
  const times = openTimes(open);
  const each = measureItem(open);
  const taken = typeof times === 'object' && times ? before + times.toLast : uses;
  const around = each.uses > 0 ? Math.max(0, Math.floor((available - taken) / each.uses)) : 0;
  return { uses: uses + around * each.uses, makes: makes + around * each.makes, around };
}

/** The tallest stitch's growth among some items; 0 where there is none. */
export function flatGrowth(items: readonly Item[]): number {
  return stitchesIn(items).reduce((most, stitch) => Math.max(most, STITCHES[stitch].growth), 0);
}
