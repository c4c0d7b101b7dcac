import {
  printItems,
  type DecreaseSchool,
  type Group,
  type Item,
  type PrintStyle,
  type StitchName,
  type Work,
} from '../notation/index.js';
import type { SpreadRound } from './spread.js';

export interface Writing {
  readonly stitch: StitchName;
  readonly school: DecreaseSchool;
}

const SC: Writing = { stitch: 'sc', school: 'open' };

/** A spread round as the items a pattern would have, in the shortest form people write. */
export function itemsOf(round: SpreadRound, writing: Writing = SC): Item[] {
  const { gaps, lead, change, uses } = round;
  if (change === 'none') return [work(writing, 'around')];
  const changeWork: Work =
    change === 'increase' ? { ...work(writing, 1), per: 2 } : { ...work(writing, 1), together: 2, school: writing.school };
  const plain = (count: number): Item[] => (count > 0 ? [work(writing, count)] : []);
  const before = (gap: number): Item[] => [...plain(gap), changeWork];
  const after = (gap: number): Item[] => [changeWork, ...plain(gap)];
  if (uses === gaps.length || gaps.every((gap) => gap === 0)) return [{ ...changeWork, count: gaps.length }];
  if (lead === gaps[0]) return repeated(gaps, before);
  if (lead === 0) return repeated([...gaps.slice(1), gaps[0]!], after);
  return [...before(lead), ...repeated(gaps.slice(1), before, false), ...plain(gaps[0]! - lead)];
}

/** "(3 sc, inc) × 6": the instruction of a spread round. */
export function writeSpread(round: SpreadRound, style: PrintStyle, writing: Writing = SC): string {
  return printItems(itemsOf(round, writing), style);
}

function work({ stitch }: Writing, count: Work['count']): Work {
  return { kind: 'work', stitch, per: 1, together: 1, school: 'open', count, loop: 'both', through: null };
}

/** The gaps as runs of equal ones, and the whole as a repeat of its shortest period where it has one. */
function repeated(gaps: readonly number[], unit: (gap: number) => Item[], whole = true): Item[] {
  const period = whole ? periodOf(gaps) : gaps.length;
  const items: Item[] = [];
  for (let i = 0; i < period;) {
    let end = i + 1;
    while (end < period && gaps[end] === gaps[i]) end++;
    for (const item of times(unit(gaps[i]!), end - i)) {
      const before = items.at(-1);
      // "dec × 2, dec" is dec × 3.
      if (before && isCounted(before) && isCounted(item) && before.per === item.per && before.together === item.together)
        items[items.length - 1] = { ...item, count: before.count + item.count };
      else items.push(item);
    }
    i = end;
  }
  return period < gaps.length ? flattened(items, gaps.length / period) : items;
}

type Counted = Work & { readonly count: number };

const isCounted = (item: Item): item is Counted => item.kind === 'work' && typeof item.count === 'number';

function times(items: Item[], count: number): Item[] {
  if (count === 1) return items;
  const only = items[0]!;
  if (items.length === 1 && only.kind === 'work') return [{ ...only, count }];
  return [group(items, count)];
}

/** A repeat of a single repeat is one longer repeat. */
function flattened(items: Item[], count: number): Item[] {
  const only = items[0]!;
  if (items.length === 1 && only.kind === 'group') return [{ ...only, times: (only.times as number) * count }];
  return times(items, count);
}

function group(items: readonly Item[], count: number): Group {
  return { kind: 'group', items, times: count };
}

function periodOf(gaps: readonly number[]): number {
  for (let period = 1; period <= gaps.length / 2; period++) {
    if (gaps.length % period === 0 && gaps.every((gap, i) => gap === gaps[i % period])) return period;
  }
  return gaps.length;
}
