import { withoutLastColour } from '../fabric/index.js';
import {
  isSamePart,
  printItems,
  type Item,
  type Loop,
  type RoundLine,
  type Terms,
  type Times,
  type Work,
} from '../notation/index.js';
import type { Writing } from '../spacing/index.js';

/** A round's items taken apart: what opens it, the stitches, and what closes it (a join, a turn, a colour for the next). */
export interface RoundFrame {
  readonly opening: readonly Item[];
  readonly stitches: readonly Item[];
  readonly closing: readonly Item[];
}

/** How the stitches of a round are worked, where they are all worked alike. */
export interface Alike extends Writing {
  readonly loop: Loop;
}

/** The items of one round of a line: a colour for what comes after belongs to the line's last round alone. */
export function itemsOfRound(line: RoundLine, number: number): readonly Item[] {
  return number < line.last ? withoutLastColour(line.items) : line.items;
}

/** Takes a round's items apart. A round of nothing but openings has no stitches. */
export function frameOf(items: readonly Item[]): RoundFrame {
  const opens = (item: Item): boolean =>
    item.kind === 'colour' ||
    item.kind === 'remark' ||
    item.kind === 'foundation' ||
    (item.kind === 'chain' && item.counts === 0);
  const closes = (item: Item): boolean => item.kind === 'colour' || item.kind === 'remark' || item.kind === 'close';
  const first = items.findIndex((item) => !opens(item));
  const from = first < 0 ? items.length : first;
  const to = Math.max(from, items.findLastIndex((item) => !closes(item)) + 1);
  return { opening: items.slice(0, from), stitches: items.slice(from, to), closing: items.slice(to) };
}

/**
 * How all of these are worked: one stitch, one loop, no other part worked in.
 * @returns null where they differ, or where there is more among them than stitches, increases and decreases
 */
export function alike(items: readonly Item[]): Alike | null {
  const works = items.flatMap((item) => (item.kind === 'group' ? item.items : [item]));
  let found: Alike | null = null;
  for (const item of works) {
    if (item.kind !== 'work' || item.through !== null) return null;
    if (found && (item.stitch !== found.stitch || item.loop !== found.loop)) return null;
    const school: Alike['school'] = found && found.school !== 'open' ? found.school : item.school;
    found = { stitch: item.stitch, loop: item.loop, school };
  }
  return found;
}

/**
 * The items of a round one by one as the maker takes them: what is worked several times stands so many times. Items that
 * are no action (a colour, a remark) stand where they are.
 * @param around what "around" and "to the last" stand for in this round
 */
export function singleItems(items: readonly Item[], around: number): Item[] {
  const open = (times: Times): number => (typeof times === 'number' ? times : around);
  const repeat = (times: number, make: () => readonly Item[]): Item[] => Array.from({ length: times }, make).flat();
  return items.flatMap((item): readonly Item[] => {
    switch (item.kind) {
      case 'work':
      case 'cluster':
        return repeat(open(item.count), () => [{ ...item, count: 1 }]);
      case 'group':
        return repeat(open(item.times), () => singleItems(item.items, 1));
      case 'chain':
        return item.counts > 1 ? repeat(item.counts, () => [{ ...item, count: 1, counts: 1 }]) : [item];
      default:
        return [item];
    }
  });
}

/** Single items as people write them: equal stitches in a row as one, and what is worked over and over as a repeat. */
export function asWritten(items: readonly Item[], terms: Terms): string {
  const joined: Item[] = [];
  for (const item of items) {
    const last = joined.at(-1);
    if (item.kind === 'work' && last?.kind === 'work' && sameWork(item, last) && bothCounted(item, last))
      joined[joined.length - 1] = { ...last, count: Number(last.count) + Number(item.count) };
    else joined.push(item);
  }
  return printItems(withRepeats(joined), { terms, form: 'short' });
}

/** Longest run of items that is looked for as a repeat. */
const LONGEST_REPEAT = 6;

/** Runs of items that follow each other unchanged become groups; each time the one that takes up most. */
function withRepeats(items: readonly Item[]): Item[] {
  const grouped: Item[] = [];
  for (let from = 0; from < items.length;) {
    let best = { length: 1, times: 1 };
    for (let length = 2; length <= LONGEST_REPEAT; length++) {
      const unit = items.slice(from, from + length);
      if (unit.length < length || !unit.every((item) => item.kind === 'work' && item.through === null)) break;
      let times = 1;
      while (unit.every((item, at) => isSame(item, items[from + times * length + at]))) times++;
      if (times > 1 && times * length > best.times * best.length) best = { length, times };
    }
    const unit = items.slice(from, from + best.length);
    if (best.times > 1) grouped.push({ kind: 'group', items: unit, times: best.times });
    else grouped.push(...unit);
    from += best.length * best.times;
  }
  return grouped;
}

function isSame(a: Item, b: Item | undefined): boolean {
  return a.kind === 'work' && b?.kind === 'work' && sameWork(a, b) && a.count === b.count;
}

function sameWork(a: Work, b: Work): boolean {
  const alikeIn = ['stitch', 'per', 'together', 'school', 'loop'] as const;
  return alikeIn.every((name) => a[name] === b[name]) && isSamePart(a.through, b.through);
}

const bothCounted = (a: Work, b: Work): boolean => typeof a.count === 'number' && typeof b.count === 'number';
