import { measureItems, openTimes, type Item, type PartRef, type Work } from '../notation/index.js';

/**
 * A round that is no plain one, over another number of stitches: its plain stitches are more or fewer, by share; what is
 * worked into one place, through two layers or in clusters stays.
 *
 * @param through how many stitches a limb is held with
 * @returns null where that many stitches cannot be used so
 */
export function scaleItems(
  items: readonly Item[],
  uses: number,
  through: (limb: PartRef, was: number) => number,
): readonly Item[] | null {
  if (items.some((item) => openTimes(item) !== null)) return items;
  const limbs = mapWork(items, (work) =>
    work.through && typeof work.count === 'number' ? { ...work, count: through(work.through, work.count) } : work,
  );
  const plain = plainUses(limbs);
  const fixed = measureItems(limbs).uses - plain;
  if (plain === 0) return fixed === uses ? limbs : null;
  const factor = (uses - fixed) / plain;
  if (!(factor > 0)) return null;
  const inside = limbs.map((item) =>
    item.kind === 'group'
      ? { ...item, items: mapWork(item.items, (work) => (isPlain(work) ? { ...work, count: atLeastOne(work, factor) } : work)) }
      : item,
  );
  return share(inside, uses);
}

const isPlain = (item: Item): item is Work & { count: number } =>
  item.kind === 'work' && item.per === 1 && item.together === 1 && item.through === null && typeof item.count === 'number';

const atLeastOne = ({ count }: { readonly count: number }, factor: number): number => Math.max(1, Math.round(count * factor));

function mapWork(items: readonly Item[], change: (work: Work) => Work): Item[] {
  return items.map((item) =>
    item.kind === 'work' ? change(item) : item.kind === 'group' ? { ...item, items: mapWork(item.items, change) } : item,
  );
}

function plainUses(items: readonly Item[]): number {
  return items.reduce((sum, item) => {
    if (isPlain(item)) return sum + item.count;
    return item.kind === 'group' && typeof item.times === 'number' ? sum + item.times * plainUses(item.items) : sum;
  }, 0);
}

/** What groups leave, shared among the plain stitches beside them; what cannot be shared is worked at the end. */
function share(items: readonly Item[], uses: number): readonly Item[] | null {
  const single = items.filter(isPlain);
  const was = single.reduce((sum, { count }) => sum + count, 0);
  const left = uses - (measureItems(items).uses - was);
  if (single.length === 0) return left === 0 ? items : regrouped(items, left);
  if (left < single.length) return null;
  let seen = 0;
  let given = 0;
  return items.map((item) => {
    if (!isPlain(item)) return item;
    seen += item.count;
    const upTo = Math.round((left * seen) / was);
    const count = Math.max(1, upTo - given);
    given += count;
    return { ...item, count };
  });
}

/** Stitches that are left over or wanting, in a plain run of a group where they divide; else, left over, after all. */
function regrouped(items: readonly Item[], left: number): readonly Item[] | null {
  for (const group of items) {
    if (group.kind !== 'group' || typeof group.times !== 'number' || left % group.times !== 0) continue;
    const at = group.items.findLastIndex((item) => isPlain(item) && item.count + left / (group.times as number) >= 1);
    const run = group.items[at];
    if (!run || !isPlain(run)) continue;
    const inner = group.items.with(at, { ...run, count: run.count + left / group.times });
    return items.map((item) => (item === group ? { ...group, items: inner } : item));
  }
  const plain = items.flatMap((item) => (item.kind === 'group' ? item.items.filter(isPlain) : []))[0];
  return plain && left > 0 ? [...items, { ...plain, count: left }] : null;
}
