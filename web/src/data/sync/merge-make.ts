import type { MakeChange } from '@lemniscus/api';
import { mergeTexts } from '@lemniscus/core/merging';

/** The fields of a make that are changed by hand. */
export type Fields = Partial<Pick<MakeChange, 'text' | 'yarnWeight' | 'hookMm' | 'kit'>>;

type Values = Readonly<Record<string, unknown>>;

/**
 * Brings a change together with what others made of the same make: field by field, the kit by its own fields, and the text
 * line by line.
 * @param base what the changed fields were when the change was made; fields that are not in it are unknown
 * @param theirs the make as it is stored now
 * @returns what is still to be stored, nothing where all of it is there; null where one field was changed in two ways
 */
export function merged(base: Fields, mine: Fields, theirs: Fields): Fields | null {
  const fit: Record<string, unknown> = {};
  for (const field of ['text', 'yarnWeight', 'hookMm', 'kit'] as const) {
    const own = mine[field];
    if (own === undefined || same(own, theirs[field])) continue;
    const both = MERGED[field](base[field], own, theirs[field]);
    if (both === undefined) return null;
    if (!same(both, theirs[field])) fit[field] = both;
  }
  return fit;
}

type Merge = (base: unknown, mine: unknown, theirs: unknown) => unknown;

/** How each field is brought together; undefined where the two do not fit. */
const MERGED: Readonly<Record<keyof Fields, Merge>> = {
  text: (base, mine, theirs) => {
    const whole = mergedWhole(base, mine, theirs);
    if (whole !== undefined || base === undefined) return whole;
    return mergeTexts(base as string, mine as string, theirs as string) ?? undefined;
  },
  yarnWeight: mergedWhole,
  hookMm: mergedWhole,
  kit: (base, mine, theirs) =>
    mergedWhole(base, mine, theirs) ?? (base && mergedKit(base as Values, mine as Values, theirs as Values)),
};

/** The one that was changed; undefined where both were. */
function mergedWhole(base: unknown, mine: unknown, theirs: unknown): unknown {
  if (base === undefined) return undefined;
  if (same(base, theirs)) return mine;
  return same(base, mine) ? theirs : undefined;
}

function mergedKit(base: Values, mine: Values, theirs: Values): Values | undefined {
  const both: Record<string, unknown> = {};
  for (const field of Object.keys({ ...theirs, ...mine })) {
    const value = same(mine[field], theirs[field]) ? mine[field] : mergedWhole(base[field], mine[field], theirs[field]);
    if (value === undefined) return undefined;
    both[field] = value;
  }
  return both;
}

function same(a: unknown, b: unknown): boolean {
  return a === b || (a !== undefined && b !== undefined && JSON.stringify(a) === JSON.stringify(b));
}
