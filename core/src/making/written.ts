import { diffIndices } from 'node-diff3';
import {
  foundationOf,
  mapParts,
  measureRound,
  printInstruction,
  printLabel,
  read,
  type Item,
  type Part,
  type PartRef,
  type Pattern,
  type RoundLine,
} from '../notation/index.js';
import { asWritten, singleItems } from './round-words.js';

/** A round as it is written: the line it stands in, and which of the line's rounds; both 0-based. */
export interface WrittenRound {
  readonly line: number;
  readonly nth: number;
}

/** The words of what is worked in a line, in US terms, whatever it is called and whatever else is said there. */
export function workOf(line: RoundLine): string {
  return printInstruction({ ...line, like: null, items: workedItems(line.items) });
}

/** What is worked, without remarks, and with parts as what they are, not as they are called. */
function workedItems(items: readonly Item[]): Item[] {
  const asSuch = ({ part, name }: PartRef): PartRef => ({ part, name: part === null ? name : `part ${part}` });
  return mapParts(
    items.filter((item) => item.kind !== 'remark'),
    asSuch,
  );
}

const PRINTED = new WeakMap<readonly RoundLine[], readonly string[]>();

/** Lines as an event keeps them: "R4–R8: sc around", in US terms, without totals and remarks; one a line, in their order. */
export function asKept(lines: readonly RoundLine[]): readonly string[] {
  const known = PRINTED.get(lines);
  if (known) return known;
  const words = (line: RoundLine): string =>
    printInstruction({ ...line, like: null, items: line.items.filter((item) => item.kind !== 'remark') });
  const kept = lines.map((line) => `${printLabel(line)}: ${words(line)}`);
  PRINTED.set(lines, kept);
  return kept;
}

const READ = new WeakMap<readonly string[], { readonly among: string; readonly lines: readonly RoundLine[] | null }>();

/**
 * The lines that an event kept, read again. Parts of the pattern can be named in them.
 * @param called how the parts were called then
 * @returns null where they cannot be read whole
 */
export function linesKept(
  kept: readonly string[],
  { parts }: Pick<Pattern, 'parts'>,
  called: readonly string[],
): readonly RoundLine[] | null {
  const now = new Set(parts.map(({ name }) => name));
  const then = new Set(called);
  // A name that was not there then, where one was that is gone now, is the same part's.
  const nameOf = (name: string, part: number): string => {
    const old = called[part];
    return old === undefined || then.has(name) || now.has(old) ? name : old;
  };
  const named = parts.map(({ name }, part) => `## ${nameOf(name, part)}\nR1: 6 sc in ring\n`).join('');
  const known = READ.get(kept);
  if (known?.among === named) return known.lines;
  const { pattern, diagnostics } = read(`US terms\n${named}## Piece\n${kept.join('\n')}`);
  const lines = pattern.parts.at(-1)?.lines ?? [];
  const whole = lines.length === kept.length && !diagnostics.some(({ code }) => code === 'unread' || code === 'unknown-stitch');
  const made = whole ? lines.map((line): RoundLine => ({ ...line, places: [], settings: [] })) : null;
  READ.set(kept, { among: named, lines: made });
  return made;
}

/** Rounds in a row in which the same is worked, in however many lines they are written. `rounds` null: an open run. */
interface Stretch {
  readonly work: string;
  /** Stitch by stitch, whatever repeats it was written in; null where only the words can tell. */
  readonly spelt: string | null;
  readonly rounds: number | null;
  /** Its first line, and how many lines it takes. */
  readonly line: number;
  readonly lines: number;
}

/** Lines taken together to stretches, with the stretch and the rounds before it in that, of every line. */
interface Stretches {
  readonly all: readonly Stretch[];
  readonly of: readonly { readonly stretch: number; readonly before: number }[];
}

function isSame(a: Stretch, b: Stretch): boolean {
  return (a.rounds === null) === (b.rounds === null) && (a.work === b.work || (a.spelt !== null && a.spelt === b.spelt));
}

const STRETCHES = new WeakMap<readonly RoundLine[], Stretches>();

function stretchesOf(lines: readonly RoundLine[]): Stretches {
  const known = STRETCHES.get(lines);
  if (known) return known;
  const all: Stretch[] = [];
  const of: { stretch: number; before: number }[] = [];
  let below = 0;
  lines.forEach((line, index) => {
    const { spelt, makes } = spell(line, below);
    below = makes;
    const stretch = { work: workOf(line), spelt, rounds: line.open ? null : line.last - line.first + 1, line: index, lines: 1 };
    const last = all.at(-1);
    const before = last?.rounds ?? null;
    if (last && before !== null && stretch.rounds !== null && isSame(last, stretch)) {
      of.push({ stretch: all.length - 1, before });
      all[all.length - 1] = { ...last, rounds: before + stretch.rounds, lines: last.lines + 1 };
      return;
    }
    of.push({ stretch: all.length, before: 0 });
    all.push(stretch);
  });
  const made = { all, of };
  STRETCHES.set(lines, made);
  return made;
}

/** A line stitch by stitch, as its first round has it; null for one that begins on something else or grows in each of its rounds. */
function spell(line: RoundLine, below: number): { readonly spelt: string | null; readonly makes: number } {
  const { makes, around } = measureRound(line.items, below);
  const several = line.open !== null || line.last > line.first;
  if (foundationOf(line.items) || (several && makes !== below)) return { spelt: null, makes };
  return { spelt: asWritten(singleItems(workedItems(line.items), around), 'US'), makes };
}

/** The round at some rounds into a stretch; past its end, the round after it. */
function roundAt({ all, of }: Stretches, stretch: number, into: number): WrittenRound {
  const { line, lines } = all[stretch]!;
  if (isPast(all[stretch]!, into)) return { line: line + lines, nth: 0 };
  let last = line;
  while (last + 1 < line + lines && of[last + 1]!.before <= into) last++;
  return { line: last, nth: into - of[last]!.before };
}

function isPast({ rounds }: Stretch, into: number): boolean {
  return rounds !== null && into >= rounds;
}

/** Where rounds of some lines are in others. */
export interface Carry {
  /** The same round there; null where it is not there any more. */
  readonly same: (round: WrittenRound) => WrittenRound | null;
  /**
   * The same round there, or the one that was written in its place; where that line has fewer rounds there, the round
   * after it. Null for a round that has neither; the end of the one is the end of the other.
   */
  readonly near: (round: WrittenRound) => WrittenRound | null;
}

/**
 * Finds lines again in others, by what is worked in them and not by their numbers: lines that were renumbered, joined to
 * one ("R4–R8") or taken apart are the same. Law: lines carried to themselves stay where they are.
 */
export function carry(from: readonly RoundLine[], to: readonly RoundLine[]): Carry {
  const [here, there] = [stretchesOf(from), stretchesOf(to)];
  const { same, near } = matched(here.all, there.all);
  return {
    same: ({ line, nth }) => {
      const at = here.of[line];
      const stretch = at && same.get(at.stretch);
      if (!at || stretch === undefined || isPast(there.all[stretch]!, at.before + nth)) return null;
      return roundAt(there, stretch, at.before + nth);
    },
    near: ({ line, nth }) => {
      const at = here.of[line];
      if (!at) return { line: to.length, nth: 0 };
      const stretch = near.get(at.stretch);
      return stretch === undefined ? null : roundAt(there, stretch, at.before + nth);
    },
  };
}

/** Which stretch is which: the same ones, and those beside each other where something was written in place of something. */
function matched(here: readonly Stretch[], there: readonly Stretch[]) {
  const name = ({ work, rounds }: Stretch): string => `${rounds === null ? '…' : ''}${work}`;
  const [a, b] = [here.map(name), there.map(name)];
  let begin = 0;
  while (begin < a.length && begin < b.length && a[begin] === b[begin]) begin++;
  let end = 0;
  while (end < a.length - begin && end < b.length - begin && a[a.length - 1 - end] === b[b.length - 1 - end]) end++;
  const same = new Map<number, number>();
  const near = new Map<number, number>();
  const pair = (into: Map<number, number>, one: number, other: number, length: number): void => {
    for (let i = 0; i < length; i++) into.set(one + i, other + i);
  };
  let [one, other] = [0, 0];
  const differences = diffIndices(a.slice(begin, a.length - end), b.slice(begin, b.length - end));
  for (const { buffer1, buffer2 } of differences) {
    const [left, right] = [buffer1[0] + begin, buffer2[0] + begin];
    pair(same, one, other, left - one);
    for (let i = 0; i < Math.min(buffer1[1], buffer2[1]); i++)
      pair(isSame(here[left + i]!, there[right + i]!) ? same : near, left + i, right + i, 1);
    [one, other] = [left + buffer1[1], right + buffer2[1]];
  }
  pair(same, one, other, a.length - one);
  return { same, near: new Map([...same, ...near]) };
}

/**
 * Where some lines go on after what was worked by others, if they begin with that.
 * @param until the round that is to be worked next
 * @param begun whether something of it is worked already
 * @returns null where something else is written in what is worked
 */
export function goesOn(
  lines: readonly RoundLine[],
  worked: readonly RoundLine[],
  until: WrittenRound,
  begun: boolean,
): WrittenRound | null {
  const [own, other] = [stretchesOf(lines), stretchesOf(worked)];
  const at = other.of[until.line];
  const last = at?.stretch ?? other.all.length;
  const into = (at?.before ?? 0) + until.nth;
  const needs = into + (begun ? 1 : 0);
  for (let i = 0; i < last; i++) {
    const [a, b] = [own.all[i], other.all[i]!];
    if (!a || !isSame(a, b)) return null;
    if (a.rounds === b.rounds) continue;
    // What was worked to its end may go on for more rounds, where nothing was begun after it.
    const more = i === last - 1 && needs === 0 && (a.rounds ?? 0) > (b.rounds ?? 0);
    return more ? roundAt(own, i, b.rounds!) : null;
  }
  const [a, b] = [own.all[last], other.all[last]];
  if (needs === 0) return { line: a ? a.line : lines.length, nth: 0 };
  return a && b && isSame(a, b) && !(a.rounds !== null && a.rounds < needs) ? roundAt(own, last, into) : null;
}

/** The part with other lines: its notes stand before the rounds that they stood before. */
export function withLines(part: Part, lines: readonly RoundLine[]): Part {
  if (lines === part.lines) return part;
  const { near } = carry(part.lines, lines);
  const before = (line: number): number => {
    for (let next = line; next < part.lines.length; next++) {
      const found = near({ line: next, nth: 0 });
      if (found) return found.line;
    }
    return lines.length;
  };
  return { ...part, lines, notes: part.notes.map((note) => ({ ...note, before: before(note.before) })) };
}
