import type { Label } from './layout/label.js';

/** The numbers of the line before, as they are written, and by how many the part has gone on beyond them. */
export interface Numbers {
  readonly first: number;
  readonly last: number;
  readonly more: number;
}

/** A label by the rounds its part has: how many more than are written, and whether its number was there just before. */
export interface Numbered {
  readonly label: Label;
  readonly more: number;
  readonly twice: boolean;
}

/**
 * The rounds a label means. "Next 5 rounds" goes on from those before; a number that is written twice ("R7", "R7", "R8") is
 * one round more, and those after it are one on.
 * @param before null where the part begins, or a heading stands between
 * @param expected the round that comes next
 */
export function numberedOn(label: Label, before: Numbers | null, expected: number): Numbered {
  if (label.relative) return { label: shifted(label, expected - 1), more: before?.more ?? 0, twice: false };
  const twice = before !== null && label.first > 1 && label.first === before.first && label.last === before.last;
  const goesOn = before !== null && before.more > 0 && label.first === before.last + 1;
  const more = twice || goesOn ? expected - label.first : 0;
  return { label: shifted(label, more), more, twice };
}

function shifted(label: Label, by: number): Label {
  return { ...label, first: label.first + by, last: label.last + by };
}
