import { checkPattern, type PartCount, type PatternCount } from '../fabric/index.js';
import {
  applyEdits,
  measureItems,
  printPlacing,
  read,
  type Foundation,
  type Item,
  type Named,
  type PartRef,
  type Pattern,
  type TextEdit,
} from '../notation/index.js';
import { EYE_SIZES } from '../supply/index.js';
import { scaledCounts } from './counts.js';
import { movedPlacing } from './places.js';
import { coreOf, newRounds, overPlaces, sideOf, type Around, type NewRound } from './rounds.js';
import { mapRounds, newEnd, stretchesOf, type RoundMap } from './stretches.js';
import { movedWords, type Moved } from './words.js';
import { editsOfPart, linesOfPart } from './write-part.js';

/** Counts of a part anew, with the old rounds that they follow. */
export interface Anew {
  readonly map: RoundMap;
  readonly counts: readonly number[];
}

/** What is to be done to each part: by index in the pattern. */
export type Plan = (part: number, counted: PartCount, first: (wished: number) => readonly number[]) => Anew | null;

/** A round that somebody must look at: it is worked by words that nobody can make larger or smaller. */
export interface Look {
  readonly part: string;
  readonly round: number;
}

/** A part before and after, by the rounds. */
export interface PartChange {
  readonly part: number;
  readonly name: string;
  readonly before: readonly number[];
  readonly after: readonly number[];
}

/** A pattern made anew: its text, what became of its parts, and what is to be looked at. */
export interface Reworked {
  readonly text: string;
  readonly count: PatternCount;
  readonly parts: readonly PartChange[];
  readonly looks: readonly Look[];
}

/** How much larger or smaller a figure can be made (our own bounds). */
export const SMALLEST = 0.4;
export const LARGEST = 4;

/**
 * A pattern, or some of its parts, so many times as large in the same yarn: rounds, limbs, eyes, places, colours, loops and
 * remarks follow. By 1 nothing changes.
 *
 * @param text what `count` was read from
 * @param only parts by index; all where it is left out
 * @throws RangeError when it is not from SMALLEST to LARGEST times as large
 */
export function resize(text: string, count: PatternCount, by: number, only: ReadonlySet<number> | null = null): Reworked {
  if (!(by >= SMALLEST && by <= LARGEST))
    throw new RangeError(`${by} times as large: from ${SMALLEST} to ${LARGEST} can be made.`);
  const factor = (part: number): number => (only === null || only.has(part) ? by : 1);
  return rework(
    text,
    count,
    (part, counted, first) => {
      const map = mapRounds(stretchesOf(counted), factor(part));
      const wished = counted.rounds[0]!.makes * factor(part);
      const counts = scaledCounts(counted, map, factor(part), first(wished));
      return counts && { map, counts };
    },
    only === null ? by : null,
  );
}

/** A pattern with parts by other counts. @param eyes how much larger eyes of the whole figure are; null where that stays */
export function rework(text: string, count: PatternCount, plan: Plan, eyes: number | null = null): Reworked {
  const worker = new Reworker(count, plan);
  const edits = worker.edits(text, eyes);
  const made = applyEdits(text, edits);
  const after = checkPattern(read(made));
  return { text: made, count: after, parts: worker.changes(), looks: worker.looks() };
}

interface Done {
  readonly anew: Anew;
  readonly rounds: readonly NewRound[];
}

class Reworker {
  private readonly done = new Map<number, Done | null>();

  constructor(
    private readonly count: PatternCount,
    private readonly plan: Plan,
  ) {}

  /** A part's new rounds; null for one without rounds, or that stays as it is because nothing fits. */
  private part(index: number): Done | null {
    const known = this.done.get(index);
    if (known !== undefined) return known;
    // A part that speaks of itself by a roundabout way finds itself as it was.
    this.done.set(index, null);
    const counted = this.count.parts[index];
    if (!counted || counted.rounds.length === 0) return null;
    const around = this.around(index);
    const anew = this.plan(index, counted, (wished) => this.firsts(counted, wished, around));
    const made = anew && { anew, rounds: newRounds(counted, anew.map, anew.counts, around) };
    this.done.set(index, made);
    return made;
  }

  private lastOf(ref: PartRef | null): number | null {
    const part = ref?.part ?? null;
    if (part === null) return null;
    return this.part(part)?.anew.counts.at(-1) ?? this.count.parts[part]?.rounds.at(-1)?.makes ?? null;
  }

  private around(index: number): Around {
    return {
      through: (limb, was) => {
        const old = limb.part === null ? null : (this.count.parts[limb.part]?.rounds.at(-1)?.makes ?? null);
        const now = this.lastOf(limb);
        return old === null || now === null ? was : Math.max(1, Math.round((was * now) / old));
      },
      foundation: (foundation, makes) => this.foundation(index, foundation, makes),
    };
  }

  private foundation(index: number, foundation: Foundation, makes: number): ReturnType<Around['foundation']> {
    const old = this.count.parts[index]!.rounds[0]!;
    switch (foundation.from) {
      case 'chain': {
        const more = foundation.sides === 2 ? (makes - old.makes) / 2 : makes - old.makes;
        if (!Number.isInteger(more)) return null;
        const chains = foundation.chains + more;
        const side = chains - foundation.first + 1;
        return side < 1 ? null : { foundation: { ...foundation, chains }, uses: foundation.sides === 2 ? 2 * side - 1 : side };
      }
      case 'bridge': {
        const limbs = foundation.parts.reduce((sum, ref) => sum + (this.lastOf(ref) ?? 0), 0);
        const chains = (makes - limbs) / 2;
        return Number.isInteger(chains) && chains >= 0 ? { foundation: { ...foundation, chains }, uses: makes } : null;
      }
      case 'loops': {
        const host = foundation.part?.part ?? index - 1;
        const at = this.count.parts[host]?.rounds.findIndex(({ number }) => number === foundation.round) ?? -1;
        const made = at < 0 ? null : this.part(host);
        if (!made) return { foundation, uses: old.uses };
        const end = newEnd(made.anew.map, at);
        return {
          foundation: { ...foundation, round: this.count.parts[host]!.rounds[0]!.number + end - 1 },
          uses: made.anew.counts[end - 1]!,
        };
      }
      case 'layers':
      case 'edge':
        return { foundation, uses: this.edgeUses(index, foundation, old.uses) };
    }
  }

  /** Places along an edge or round two layers: as many more as the panel has. */
  private edgeUses(index: number, foundation: Foundation & { from: 'layers' | 'edge' }, was: number): number {
    const ref = foundation.from === 'edge' ? foundation.part : (foundation.parts[0] ?? null);
    const host = ref?.part ?? index - 1;
    const [old, made] = [this.count.parts[host]?.rounds, this.part(host)?.anew.counts];
    if (!old || !made) return was;
    const around = (first: number, last: number, rounds: number): number => first + last + 2 * rounds;
    const before = around(old[0]!.makes, old.at(-1)!.makes, old.length);
    return Math.round((was * around(made[0]!, made.at(-1)!, made.length)) / before);
  }

  /** Counts that a first round may have, the nearest to a wished one first. */
  private firsts({ part, rounds }: PartCount, wished: number, around: Around): readonly number[] {
    const old = rounds[0]!.makes;
    const { core } = coreOf(part.lines[rounds[0]!.line]!.items);
    const foundation = core.find((item) => item.kind === 'foundation');
    if (!foundation) {
      const start = core.find((item) => item.kind === 'start');
      return start?.from === 'chain ring' ? near(wished, 1, 1) : [old];
    }
    if (foundation.from === 'chain') {
      if (foundation.sides === 1) return near(wished, 1, 1);
      // The straight of an oval is larger, its ends begin as they did; a side keeps a stitch, or it is no oval any more.
      const side = sideOf(core);
      return [old + 2 * (Math.max(1, Math.round((side * wished) / old)) - side)];
    }
    if (foundation.from === 'bridge') {
      const limbs = foundation.parts.reduce((sum, ref) => sum + (this.lastOf(ref) ?? 0), 0);
      return near(limbs + 2 * Math.max(1, Math.round((wished - limbs) / 2)), 2, 2).filter((makes) => makes > limbs);
    }
    const placed = around.foundation(foundation, old);
    const rest = core.filter((item) => item.kind !== 'foundation');
    if (!placed || placed.uses === rounds[0]!.uses) return [old];
    const share = Math.round((old * placed.uses) / rounds[0]!.uses);
    const scaled = overPlaces(rest, placed.uses, share, around);
    return [scaled ? (measureItems(scaled).uses > 0 ? measureItems(scaled).makes : share) : old];
  }

  private moved(index: number | null): Moved | null {
    const made = index === null ? null : this.part(index);
    if (index === null || !made) return null;
    const { rounds } = this.count.parts[index]!;
    const { map, counts } = made.anew;
    const first = rounds[0]!.number;
    const old = (number: number): number => rounds.findIndex((round) => round.number === number);
    const factor = counts.length / rounds.length;
    const wide = Math.max(...counts) / Math.max(...rounds.map(({ makes }) => makes));
    return {
      round: (number) => (old(number) < 0 ? number : first + newEnd(map, old(number)) - 1),
      firstOf: (number) => (old(number) < 0 ? number : first + newEnd(map, old(number) - 1)),
      rounds: (many) => Math.round(many * factor),
      stitches: (many, number) => {
        const at = number === null ? -1 : old(number);
        if (at < 0) return Math.round(many * wide);
        return Math.round((many * counts[newEnd(map, at) - 1]!) / rounds[at]!.makes);
      },
    };
  }

  edits(text: string, eyes: number | null): readonly TextEdit[] {
    const { pattern } = this.count;
    const size = (mm: number): number => (eyes === null || eyes === 1 ? mm : nearest(EYE_SIZES, mm * eyes));
    const edits: TextEdit[] = [];
    const put = (span: { from: number; to: number }, insert: string): void => {
      if (text.slice(span.from, span.to) !== insert) edits.push({ from: span.from, to: span.to, insert });
    };
    for (const note of pattern.notes)
      put(note.span, noteWords(text, note.span, note.text, movedWords(note.text, note.facts, null, size)));
    for (const [index, part] of pattern.parts.entries()) edits.push(...this.partEdits(text, pattern, index, part, size));
    for (const { placing, span, text: words } of pattern.makingUp) {
      if (!placing) continue;
      const now = movedPlacing(
        placing,
        (host) => this.moved(host),
        (feature) => this.hostOf(feature),
      );
      if (JSON.stringify(now) !== JSON.stringify(placing)) put(span, noteWords(text, span, words, printPlacing(now)));
    }
    return edits;
  }

  private partEdits(
    text: string,
    pattern: Pattern,
    index: number,
    part: Pattern['parts'][number],
    size: (mm: number) => number,
  ): readonly TextEdit[] {
    const made = this.part(index);
    const moved = this.moved(index);
    const counted = this.count.parts[index]!;
    const style = { terms: pattern.terms, form: 'short' } as const;
    const words = (item: Item): Item =>
      item.kind === 'remark' ? { ...item, text: movedWords(item.text, item.facts, moved, size) } : item;
    const rounds = made && editsOfPart(text, counted, made.rounds, style, words);
    if (made && !rounds) return this.wholePart(text, index, made, style, words, size);
    const notes = part.notes.flatMap((note): TextEdit[] => {
      const insert = noteWords(text, note.span, note.text, movedWords(note.text, note.facts, moved, size));
      return insert === text.slice(note.span.from, note.span.to) ? [] : [{ from: note.span.from, to: note.span.to, insert }];
    });
    return [...(rounds ?? []), ...notes];
  }

  /** A part whose lines run into one another, from its first round to its last note, in the clear form. */
  private wholePart(
    text: string,
    index: number,
    { anew, rounds }: Done,
    style: { readonly terms: Pattern['terms']; readonly form: 'short' },
    words: (item: Item) => Item,
    size: (mm: number) => number,
  ): readonly TextEdit[] {
    const counted = this.count.parts[index]!;
    const { part } = counted;
    const was = anew.counts.length === counted.rounds.length && rounds.every(({ kept }) => kept);
    if (was) return [];
    const moved = this.moved(index);
    const lines = linesOfPart(counted, rounds, style, words);
    const before = (line: number): string[] =>
      part.notes.filter((note) => note.before === line).map((note) => movedWords(note.text, note.facts, moved, size));
    const all = [...lines.flatMap((each, line) => [...before(line), ...each]), ...before(lines.length)];
    const spans = [...part.lines.flatMap(({ span, settings }) => [span, ...settings]), ...part.notes.map(({ span }) => span)];
    const [from, to] = [Math.min(...spans.map((span) => span.from)), Math.max(...spans.map((span) => span.to))];
    return text.slice(from, to).trim() === '' ? [] : [{ from, to, insert: all.join('\n') }];
  }

  /** The part that a feature sits on, as the making-up says. */
  private hostOf({ name }: Named): number | null {
    const line = this.count.pattern.makingUp.find(
      ({ placing }) => placing?.subject.name.toLowerCase() === name.toLowerCase() && placing.host,
    );
    return line?.placing?.host?.part ?? null;
  }

  changes(): readonly PartChange[] {
    return this.count.parts.map(({ part, rounds }, index) => {
      const before = rounds.map(({ makes }) => makes);
      return { part: index, name: part.name, before, after: this.part(index)?.anew.counts ?? before };
    });
  }

  looks(): readonly Look[] {
    return this.count.parts.flatMap(({ part, rounds }, index) => {
      const made = this.part(index);
      if (!made) return [];
      return made.rounds.flatMap(({ unsure }, k) => (unsure ? [{ part: part.name, round: rounds[0]!.number + k }] : []));
    });
  }
}

/** Words put where others stood: a text may have marks between them that the reading left out, which then stay. */
function noteWords(text: string, span: { readonly from: number; readonly to: number }, was: string, now: string): string {
  const written = text.slice(span.from, span.to);
  return was === now ? written : written.includes(was) ? written.replace(was, () => now) : now;
}

const nearest = (sizes: readonly number[], wanted: number): number =>
  sizes.reduce((best, size) => (Math.abs(size - wanted) < Math.abs(best - wanted) ? size : best));

/** Whole numbers nearest to one, `reach` steps to either side of it. */
function near(wished: number, step: number, reach: number): readonly number[] {
  const middle = Math.max(1, Math.round(wished));
  return Array.from({ length: 2 * reach + 1 }, (_, i) => middle + step * (i % 2 === 0 ? i / 2 : -(i + 1) / 2)).filter(
    (count) => count >= 1,
  );
}
