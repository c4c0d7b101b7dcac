import { BOUNDS } from '../bounds/index.js';
import { counted } from './plural.js';
import type { Span } from './span.js';
import type { Terms } from './stitch.js';

export type Severity = 'error' | 'warning' | 'hint';

/** What some words could also mean, besides what they are read as. */
export type Doubt =
  | 'star-repeat'
  | 'chain'
  | 'in-next'
  | 'oval'
  | 'last-slip'
  /** "sc (18)": once, or all round. */
  | 'bare'
  /** "sc, inc x6": the last stitch so often, or all of it. */
  | 'times-of'
  /** "sc, inc (18)": once, or over and over. */
  | 'again'
  /** "(sc, inc)": once, or around. */
  | 'group-times'
  /** "inc x6; 12 sc": stitches, or the total. */
  | 'last-total'
  /** "2 sc dec": so many decreases in sc, or stitches and then a decrease. */
  | 'two-words'
  /** "12 sc each (12)": so many in every one, or so many in all. */
  | 'each-number'
  /** "inc3": three increases, or three in one. */
  | 'inc-number';

/** Replaces `[from, to)` of the text. */
export interface TextEdit extends Span {
  readonly insert: string;
}

/** A way out of a slip: edits to the text, in order of place, that do not overlap. */
export interface Fix {
  readonly title: string;
  readonly edits: readonly TextEdit[];
}

/** What reading a text can find, as facts; `describeReading` makes the sentence, `fixesOfReading` the ways out. */
export type ReadingDiagnostic = { readonly severity: Severity; readonly span: Span } & (
  | {
      readonly code: 'unread';
      readonly text: string;
      /** The word it may have been meant to be, and where the mistyped one stands. */
      readonly meant: { readonly word: string; readonly at: Span } | null;
    }
  | {
      readonly code: 'unknown-stitch';
      readonly text: string;
      readonly count: number;
      readonly meant: string | null;
      readonly word: Span;
    }
  | { readonly code: 'bad-count'; readonly text: string; readonly most: number }
  | { readonly code: 'unclosed'; readonly opener: string; readonly closer: string; readonly closeAt: number }
  | { readonly code: 'unopened'; readonly closer: string }
  | { readonly code: 'repeat-missing' }
  | { readonly code: 'too-deep' }
  | { readonly code: 'around-nested' }
  | { readonly code: 'empty-round'; readonly label: string }
  | { readonly code: 'range-backwards'; readonly first: number; readonly last: number; readonly label: string }
  | { readonly code: 'number-gap'; readonly expected: number; readonly label: string; readonly first: number }
  | { readonly code: 'start-late'; readonly label: string }
  | { readonly code: 'start-missing'; readonly label: string }
  | { readonly code: 'chain-short'; readonly chains: number; readonly needed: number }
  | { readonly code: 'same-missing'; readonly round: number; readonly part: string | null }
  | { readonly code: 'part-unnamed'; readonly name: string }
  | { readonly code: 'too-many-parts' }
  | { readonly code: 'copies-missing'; readonly name: string; readonly insertAt: number }
  | { readonly code: 'colour-unnamed'; readonly name: string }
  | {
      readonly code: 'terms-unsure';
      /** What the text was read as. */
      readonly read: Terms;
      /** Whether the text itself says so. */
      readonly declared: boolean;
      /** Where a line with the terms can stand, or the one that does. */
      readonly line: Span;
    }
  | { readonly code: 'terms-mixed'; readonly declared: Terms; readonly word: string; readonly line: Span }
  | { readonly code: 'no-rounds' }
  /** A line kept as a note although it sounds like work; `label` where it begins like a round. */
  | { readonly code: 'note-with-work'; readonly text: string; readonly label: string | null; readonly parts: boolean }
  | { readonly code: 'bad-copies'; readonly text: string; readonly most: number }
  | { readonly code: 'more-like-this'; readonly what: string; readonly more: number }
  | {
      readonly code: 'two-readings';
      readonly label: string;
      readonly doubt: Doubt;
      readonly tookOther: boolean;
      readonly makes: number;
      readonly otherMakes: number;
      readonly fixes: readonly Fix[];
    }
  | { readonly code: 'text-too-long'; readonly length: number }
);

/** The usual way to read each doubt, and the other. */
const READINGS: Readonly<Record<Doubt, readonly [string, string]>> = {
  'star-repeat': ['the number is how often in all', 'the number is how often more'],
  chain: ['the chain does not count as a stitch here', 'the chain counts as a stitch'],
  'in-next': ['one stitch in each', 'all in every one'],
  'last-slip': ['the slip stitch is one of the round', 'the slip stitch closes the round and does not count'],
  oval: ['one side of the chain is worked', 'both sides of the chain are worked'],
  bare: ['the stitch is worked all round', 'the stitch is worked once'],
  'times-of': ['the number is for the last stitch alone', 'the number is for all that stands before it'],
  again: ['the stitches are worked once', 'the stitches are worked over and over'],
  'group-times': ['the group is worked once', 'the group is worked all round'],
  'last-total': ['the last number is stitches', 'the last number is the total'],
  'each-number': ['so many in every stitch', 'so many in all, one in each'],
  'two-words': ['both words are one stitch', 'they are two, one after the other'],
  'inc-number': ['so many increases', 'so many stitches in one'],
};

const BASE: Readonly<Record<Terms, string>> = { US: 'double crochet', UK: 'single crochet (US terms)' };

/** One sentence for a person: what is wrong and, where it helps, what to do. */
export function describeReading(d: ReadingDiagnostic): string {
  switch (d.code) {
    case 'unread':
      return d.meant
        ? `“${d.text}” could not be read, so it is left out of the count. Was “${d.meant.word}” meant?`
        : `“${d.text}” could not be read, so it is left out of the count. Write it another way, or on a line of its own as a note.`;
    case 'unknown-stitch':
      return `“${d.text}” is not a stitch known here, so its ${d.count} cannot be counted.${d.meant ? ` Was “${d.meant}” meant?` : ''}`;
    case 'bad-count':
      return `“${d.text}” cannot be a count: it needs a whole number from 1 to ${d.most}.`;
    case 'unclosed':
      return `This “${d.opener}” is never closed. Add the closing mark where the repeat ends.`;
    case 'unopened':
      return `This “${d.closer}” closes nothing. Remove it, or add the opening mark where the repeat begins.`;
    case 'repeat-missing':
      return 'This group does not say how often it is worked, so it is counted once. Add “× 6” or “around”.';
    case 'too-deep':
      return `Groups are nested more than ${BOUNDS.depth} deep here. Write the round with fewer brackets.`;
    case 'around-nested':
      return '“Around” inside a repeat has no end. Put a number there, or take it out of the brackets.';
    case 'empty-round':
      return `${d.label} has no stitches. Say what is worked in it.`;
    case 'range-backwards':
      return `The range runs backwards, from ${d.first} to ${d.last}. Read as ${d.last} to ${d.first}.`;
    case 'number-gap':
      return d.first === d.expected + 1
        ? `The numbers jump: round ${d.expected} is missing before ${d.label}.`
        : `The numbers jump: rounds ${d.expected} to ${d.first - 1} are missing before ${d.label}.`;
    case 'start-late':
      return `${d.label} starts from a ring again, but rounds of this part are already there. A new part needs a heading.`;
    case 'start-missing':
      return `${d.label} does not say what it starts from. Read as worked into an adjustable ring.`;
    case 'chain-short':
      return `A chain of ${d.chains} is too short to be worked here: it needs at least ${d.needed}.`;
    case 'same-missing':
      return d.part
        ? `There is no round ${d.round} of ${d.part} before this to take over. Write the round out.`
        : `There is no round ${d.round} before this to take over. Write the round out.`;
    case 'part-unnamed':
      return `The rounds begin again here without a heading. Taken as a new part, “${d.name}”.`;
    case 'too-many-parts':
      return `Only ${BOUNDS.parts} parts are read; what follows is kept as notes. Split the pattern into several makes.`;
    case 'copies-missing':
      return `“${d.name}” sounds like more than one, but how many to make is not said. Counted as one.`;
    case 'colour-unnamed':
      return `Which colour “${d.name}” stands for is said nowhere. Add a line such as “${d.name}: navy” above the parts.`;
    case 'terms-unsure':
      return d.declared
        ? `The text says US terms, but its basic stitch is dc, as patterns in UK terms have it. In US terms dc is a ${BASE.US}.`
        : `US or UK terms? The text does not say, and its basic stitch is dc. Read as ${d.read} terms, where dc is ${d.read === 'UK' ? 'the' : 'a'} ${BASE[d.read]}.`;
    case 'terms-mixed':
      return `The text says ${d.declared} terms, but “${d.word}” is a ${d.declared === 'US' ? 'UK' : 'US'} name. One of the two is wrong.`;
    case 'no-rounds':
      return 'There are no rounds in this text yet. Begin a line with “R1:” and say what is worked, such as “R1: 6 sc in ring (6)”.';
    case 'note-with-work':
      return d.label
        ? `“${d.text}” begins like ${d.label}, but its words could not be read as one, so it is kept as a note. Is it a round? Write its stitches after “${d.label}:”.`
        : `“${d.text}” names stitches, but belongs to no round, so it is kept as a note and not counted. Is it a round? Begin it with its number.`;
    case 'bad-copies':
      return `“${d.text}” cannot be how many to make: it needs a whole number from 1 to ${d.most}. Counted as one.`;
    case 'more-like-this':
      return `${counted(d.more, 'more finding')} like this (“${d.what}”) ${d.more === 1 ? 'is' : 'are'} not listed. Mend these first.`;
    case 'two-readings': {
      const [usual, other] = READINGS[d.doubt];
      const [took, left] = d.tookOther ? [other, usual] : [usual, other];
      return `${d.label} can be read in two ways. Taken: ${took}, which makes ${d.makes}. The other: ${left}, which would make ${d.otherMakes}.`;
    }
    case 'text-too-long':
      return `The text has ${d.length} characters; at most ${BOUNDS.text} are read. Split it into several makes.`;
  }
}

/** The ways out that edit the text; none where only the maker can know. */
export function fixesOfReading(d: ReadingDiagnostic): readonly Fix[] {
  const replace = (title: string, { from, to }: Span, insert: string): Fix => ({ title, edits: [{ from, to, insert }] });
  switch (d.code) {
    case 'unread':
      return d.meant ? [replace(`Write “${d.meant.word}”`, d.meant.at, d.meant.word)] : [];
    case 'unknown-stitch':
      return d.meant ? [replace(`Write “${d.meant}”`, d.word, d.meant)] : [];
    case 'unclosed':
      return [replace(`Add “${d.closer}”`, { from: d.closeAt, to: d.closeAt }, d.closer)];
    case 'unopened':
      return [replace('Remove it', d.span, '')];
    case 'repeat-missing':
      return [replace('Work it around', { from: d.span.to, to: d.span.to }, ' around')];
    case 'range-backwards':
      return [replace(`Write ${d.label}`, d.span, d.label)];
    case 'copies-missing':
      return [replace('Make 2', { from: d.insertAt, to: d.insertAt }, ' (make 2)')];
    case 'colour-unnamed':
    case 'bad-count':
    case 'too-deep':
    case 'around-nested':
    case 'empty-round':
    case 'number-gap':
    case 'start-late':
    case 'start-missing':
    case 'chain-short':
    case 'same-missing':
    case 'part-unnamed':
    case 'too-many-parts':
    case 'no-rounds':
    case 'note-with-work':
    case 'bad-copies':
    case 'more-like-this':
    case 'text-too-long':
      return [];
    case 'two-readings':
      return d.fixes;
    case 'terms-unsure':
    case 'terms-mixed': {
      const declared = d.code === 'terms-mixed' || d.declared;
      const line = (terms: Terms): string => (declared ? `${terms} terms` : `${terms} terms\n`);
      const read = d.code === 'terms-mixed' ? d.declared : d.read;
      const other: Terms = read === 'US' ? 'UK' : 'US';
      return declared
        ? [replace(`It is ${other} terms`, d.line, line(other))]
        : [replace(`It is ${read} terms`, d.line, line(read)), replace(`It is ${other} terms`, d.line, line(other))];
    }
  }
}
