import { checkPattern, type PartCount, type PatternCount } from '../fabric/index.js';
import {
  applyEdits,
  printPlacing,
  printRoundLine,
  read,
  rewrite,
  type Form,
  type Item,
  type Named,
  type Pattern,
  type PrintStyle,
  type TextEdit,
} from '../notation/index.js';
import { EYE_SIZES } from '../supply/index.js';
import { Beginnings, type Anew } from './beginnings.js';
import { movedPlacing } from './places.js';
import { newRounds, type NewRound } from './rounds.js';
import { newEnd } from './stretches.js';
import { movedWords, type Moved } from './words.js';
import { editsOfPart, linesOfPart } from './write-part.js';

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

/** A pattern with parts by other counts. @param eyes how much larger eyes of the whole figure are; null where that stays */
export function rework(text: string, count: PatternCount, plan: Plan, eyes: number | null = null): Reworked {
  const made = reworked(text, count, plan, eyes);
  const errors = errorsIn(count);
  if (errorsIn(made.count) <= errors) return made;
  // Words of its own, such as letters for stitches, are understood by all lines together: then all are written in clear.
  const clear = applyEdits(text, rewrite(text, count.pattern, count.diagnostics, { terms: count.pattern.terms, form: 'short' }));
  const again = checkPattern(read(clear));
  const inClear = errorsIn(again) <= errors ? reworked(clear, again, plan, eyes) : made;
  return errorsIn(inClear.count) < errorsIn(made.count) ? inClear : made;
}

const errorsIn = ({ diagnostics }: PatternCount): number => diagnostics.filter(({ severity }) => severity === 'error').length;

function reworked(text: string, count: PatternCount, plan: Plan, eyes: number | null): Reworked {
  const worker = new Reworker(text, count, plan);
  const made = applyEdits(text, worker.edits(eyes));
  return { text: made, count: checkPattern(read(made)), parts: worker.changes(), looks: worker.looks() };
}

interface Done {
  readonly anew: Anew;
  readonly rounds: readonly NewRound[];
}

class Reworker {
  private readonly done = new Map<number, Done | null>();
  private readonly beginnings: Beginnings;
  private readonly style: PrintStyle;

  constructor(
    private readonly text: string,
    private readonly count: PatternCount,
    private readonly plan: Plan,
  ) {
    this.beginnings = new Beginnings(count, (part) => this.part(part)?.anew ?? null);
    this.style = { terms: count.pattern.terms, form: formOf(text, count.pattern) };
  }

  /** A part's new rounds; null for one without rounds, or that stays as it is because nothing fits. */
  private part(index: number): Done | null {
    const known = this.done.get(index);
    if (known !== undefined) return known;
    // A part that speaks of itself by a roundabout way finds itself as it was.
    this.done.set(index, null);
    const counted = this.count.parts[index];
    if (!counted || counted.rounds.length === 0) return null;
    const around = this.beginnings.around(index);
    const anew = this.plan(index, counted, (wished) => this.beginnings.firsts(counted, wished, around));
    const made = anew && { anew, rounds: newRounds(counted, anew.map, anew.counts, around) };
    this.done.set(index, made);
    return made;
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

  edits(eyes: number | null): readonly TextEdit[] {
    const { text } = this;
    const { pattern } = this.count;
    const size = (mm: number): number => (eyes === null || eyes === 1 ? mm : nearest(EYE_SIZES, mm * eyes));
    const edits: TextEdit[] = [];
    const put = (span: { from: number; to: number }, insert: string): void => {
      if (text.slice(span.from, span.to) !== insert) edits.push({ from: span.from, to: span.to, insert });
    };
    for (const note of pattern.notes)
      put(note.span, noteWords(text, note.span, note.text, movedWords(note.text, note.facts, null, size)));
    for (const [index, part] of pattern.parts.entries()) edits.push(...this.partEdits(index, part, size));
    for (const { placing, span, text: words } of pattern.makingUp) {
      if (!placing) continue;
      const now = movedPlacing(
        placing,
        (host) => this.moved(host),
        (feature) => this.hostOf(feature),
      );
      if (JSON.stringify(now) !== JSON.stringify(placing))
        put(span, noteWords(text, span, words, printPlacing(now, this.style.form)));
    }
    return edits;
  }

  private partEdits(index: number, part: Pattern['parts'][number], size: (mm: number) => number): readonly TextEdit[] {
    const { text, style } = this;
    const made = this.part(index);
    const moved = this.moved(index);
    const counted = this.count.parts[index]!;
    const words = (item: Item): Item =>
      item.kind === 'remark' ? { ...item, text: movedWords(item.text, item.facts, moved, size) } : item;
    const rounds = made && editsOfPart(text, counted, made.rounds, style, words);
    if (made && !rounds) return this.wholePart(index, made, words, size);
    const notes = part.notes.flatMap((note): TextEdit[] => {
      const insert = noteWords(text, note.span, note.text, movedWords(note.text, note.facts, moved, size));
      return insert === text.slice(note.span.from, note.span.to) ? [] : [{ from: note.span.from, to: note.span.to, insert }];
    });
    return [...(rounds ?? []), ...notes];
  }

  /** A part whose lines run into one another, from its first round to its last note, in the clear form. */
  private wholePart(
    index: number,
    { anew, rounds }: Done,
    words: (item: Item) => Item,
    size: (mm: number) => number,
  ): readonly TextEdit[] {
    const counted = this.count.parts[index]!;
    const { part } = counted;
    const was = anew.counts.length === counted.rounds.length && rounds.every(({ kept }) => kept);
    if (was) return [];
    const moved = this.moved(index);
    const lines = linesOfPart(counted, rounds, this.style, words);
    const before = (line: number): string[] =>
      part.notes.filter((note) => note.before === line).map((note) => movedWords(note.text, note.facts, moved, size));
    const all = [...lines.flatMap((each, line) => [...before(line), ...each]), ...before(lines.length)];
    const spans = [...part.lines.flatMap(({ span, settings }) => [span, ...settings]), ...part.notes.map(({ span }) => span)];
    const [from, to] = [Math.min(...spans.map((span) => span.from)), Math.max(...spans.map((span) => span.to))];
    return this.text.slice(from, to).trim() === '' ? [] : [{ from, to, insert: all.join('\n') }];
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
      // A part that nothing fits stays as it is, which somebody must know.
      if (!made) return rounds.length > 0 ? [{ part: part.name, round: rounds[0]!.number }] : [];
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

/** Whether rounds are written short or in full: as most of them are. */
function formOf(text: string, { terms, parts }: Pattern): Form {
  const as = (form: Form): number =>
    parts
      .flatMap(({ lines }) => lines)
      .filter((line) => printRoundLine(line, { terms, form }) === text.slice(line.span.from, line.span.to)).length;
  return as('long') > as('short') ? 'long' : 'short';
}
