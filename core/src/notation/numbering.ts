import type { Assembly, DraftPart, DraftRound } from './assembly.js';
import type { Label } from './layout/label.js';
import { printLabel } from './print.js';

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
  /** Whether it stands in a gap that rounds listed before left open ("Rounds 4 and 6", then "Round 5"). */
  readonly fills: boolean;
}

/**
 * The rounds a label means. "Next 5 rounds" goes on from those before; a number that is written twice ("R7", "R7", "R8") is
 * one round more, and those after it are one on.
 * @param before null where the part begins, or a heading stands between
 * @param expected the round that comes next
 */
export function numberedOn(label: Label, before: Numbers | null, expected: number): Numbered {
  if (label.relative) return { label: shifted(label, expected - 1), more: before?.more ?? 0, twice: false, fills: false };
  const twice = before !== null && label.first > 1 && label.first === before.first && label.last === before.last;
  const goesOn = before !== null && before.more > 0 && label.first === before.last + 1;
  const more = twice || goesOn ? expected - label.first : 0;
  return { label: shifted(label, more), more, twice, fills: false };
}

function shifted(label: Label, by: number): Label {
  return { ...label, first: label.first + by, last: label.last + by };
}

type Counting = Pick<Assembly, 'gaps' | 'report'>;

/** @param expected null where the number was there just before */
export function checkNumber(all: Counting, part: DraftPart, label: Label, expected: number | null): void {
  const { first, word, span } = label;
  if (expected === null) {
    all.report({ code: 'number-twice', severity: 'warning', label: printLabel(label), span });
    return;
  }
  const before = part.lines.at(-1);
  if (!before || first <= expected || before.reading.open || all.gaps.has(expected)) return;
  all.report({ code: 'number-gap', severity: 'warning', expected, label: printLabel({ first, last: first, word }), first, span });
}

/** Puts a line behind those before it; one that fills a gap, between them, with the notes that stand above it. */
export function addLine(all: Counting, part: DraftPart, line: DraftRound): void {
  const at = all.gaps.has(line.first) ? part.lines.findIndex(({ first }) => first > line.first) : -1;
  all.gaps.delete(line.first);
  if (at < 0) {
    part.lines.push(line);
    return;
  }
  const behind = part.lines.length;
  const moved = part.notes.map((note) => {
    const above = note.before === behind && note.span.from < line.span.from;
    return { ...note, before: above ? at : note.before >= at ? note.before + 1 : note.before };
  });
  part.notes.splice(0, part.notes.length, ...moved);
  part.lines.splice(at, 0, line);
}

/** Whether something of what rounds listed together left out did not follow. */
export function checkGaps(all: Counting, part: DraftPart): void {
  const [expected] = all.gaps;
  if (expected === undefined) return;
  const after = part.lines.find(({ first }) => first > expected);
  if (after)
    all.report({
      code: 'number-gap',
      severity: 'warning',
      expected,
      label: printLabel(after),
      first: after.first,
      span: after.label,
    });
}
