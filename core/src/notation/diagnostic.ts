import type { Span } from './span.js';
import type { Terms } from './stitch.js';

export type Severity = 'error' | 'warning' | 'hint';

/** What some words could also mean, besides what they are read as. */
export type Doubt =
  | 'star-repeat'
  /** "dec until 6 remain": of the round below, or in all. */
  | 'to-last'
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
  /** A counted chain at a round's start: beside the first stitch below, or in its place. */
  | 'chain-place'
  /** "2 sc dec": so many decreases in sc, or stitches and then a decrease. */
  | 'two-words'
  /** "(1 sc inc)": a stitch and then an increase, or one increase in sc. */
  | 'words-apart'
  /** "12 sc each (12)": so many in every one, or so many in all. */
  | 'each-number'
  /** "dec every 3rd (18)": the decrease ends in every third stitch, or begins in it. */
  | 'every-decrease'
  /** "12 sc (2 in each)": stitches, or the total before what is worked. */
  | 'first-total'
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
  /** `label` is what the line counts as. */
  | { readonly code: 'number-twice'; readonly label: string }
  | { readonly code: 'part-unknown'; readonly name: string }
  | { readonly code: 'number-gap'; readonly expected: number; readonly label: string; readonly first: number }
  | { readonly code: 'start-late'; readonly label: string }
  | { readonly code: 'start-missing'; readonly label: string }
  | { readonly code: 'chain-short'; readonly chains: number; readonly needed: number }
  | { readonly code: 'same-missing'; readonly round: number; readonly part: string | null }
  | { readonly code: 'part-unnamed'; readonly name: string }
  | { readonly code: 'too-many-parts' }
  | { readonly code: 'too-many-lines' }
  | { readonly code: 'too-many-rounds'; readonly name: string }
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
  | { readonly code: 'note-with-work'; readonly text: string; readonly label: string | null }
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
