import type { Span } from './span.js';
import type { Loop, StitchName, Terms } from './stitch.js';

/** How often something is done: a number, or as often as the rest of the round takes. */
export type Times = number | 'around';

/** How a decrease is worked: invisible in the front loops, plain through both, or as the pattern leaves it open. */
export type DecreaseSchool = 'invisible' | 'plain' | 'open';

/**
 * Stitches of one kind: `count` times, each working `together` stitches of the round below into `per` new ones.
 * A plain stitch has 1 and 1, an increase `per` 2, a decrease `together` 2.
 */
export interface Work {
  readonly kind: 'work';
  readonly stitch: StitchName;
  readonly per: number;
  readonly together: number;
  readonly school: DecreaseSchool;
  readonly count: Times;
  readonly loop: Loop;
  readonly span: Span;
}

/** Items worked over and over. 'around' stands only at the top of a round. */
export interface Group {
  readonly kind: 'group';
  readonly items: readonly Item[];
  readonly times: Times;
  readonly span: Span;
}

/** The beginning of a part: `count` stitches into an adjustable ring, or into the second chain from the hook. */
export interface Start {
  readonly kind: 'start';
  readonly from: 'ring' | 'chain 2';
  readonly stitch: StitchName;
  readonly count: number;
  readonly span: Span;
}

/** From the next stitch on, this colour. */
export interface Colour {
  readonly kind: 'colour';
  readonly name: string;
  readonly span: Span;
}

/** Words inside a round that change no count ("place the marker"). */
export interface Remark {
  readonly kind: 'remark';
  readonly text: string;
  readonly span: Span;
}

export type Item = Work | Group | Start | Colour | Remark;

export interface Stated {
  readonly count: number;
  readonly span: Span;
}

/** One written line for the rounds `first` to `last` (equal for a single round). */
export interface RoundLine {
  readonly first: number;
  readonly last: number;
  readonly word: 'round' | 'row';
  readonly items: readonly Item[];
  readonly stated: Stated | null;
  readonly label: Span;
  readonly span: Span;
}

/** Words kept as written. `before` is the index in `lines` of the round line they precede. */
export interface Note {
  readonly text: string;
  readonly before: number;
  readonly span: Span;
}

export interface Part {
  readonly name: string;
  readonly copies: number;
  readonly lines: readonly RoundLine[];
  readonly notes: readonly Note[];
  readonly span: Span;
}

export interface Pattern {
  readonly title: string;
  readonly terms: Terms;
  readonly parts: readonly Part[];
  /** Words before the first part. */
  readonly notes: readonly Note[];
}
