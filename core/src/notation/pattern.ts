import type { Fact } from './facts.js';
import type { MakingLine, Placing } from './making-up/placing.js';
import type { Span } from './span.js';
import type { Loop, StitchName, Terms } from './stitch.js';

/**
 * A part that a round speaks of, resolved once, when it is read: its index in the pattern, null where there is no part of
 * that name. The name is how it is called there.
 */
export interface PartRef {
  readonly part: number | null;
  readonly name: string;
}

/** All but the last `toLast` stitches of the round below: "sc to last 2 sts". */
export interface ToLast {
  readonly toLast: number;
}

/** How often something is done: a number, or as often as the rest of the round takes. */
export type Times = number | 'around' | ToLast;

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
  /** The part worked into the wall with these stitches, through both ("flipper"); null for none. */
  readonly through: PartRef | null;
}

/** Different stitches in one stitch of the round below: "(hdc, dc, tr) in next st". Chains among them count. */
export interface Cluster {
  readonly kind: 'cluster';
  readonly stitches: readonly { readonly stitch: StitchName; readonly count: number }[];
  readonly count: Times;
  readonly loop: Loop;
}

/**
 * Chains out and stitches back along them, all hanging on the stitch before: an arm, a stem, a picot. They are no
 * stitches of the round.
 */
export interface Spur {
  readonly kind: 'spur';
  readonly chains: number;
  /** The chain from the hook that the first stitch goes into. */
  readonly first: number;
  readonly stitches: readonly { readonly stitch: StitchName; readonly count: number }[];
}

/** Chains worked in the air, of which the next round finds `counts` as stitches: none, one for all, or each. */
export interface Chain {
  readonly kind: 'chain';
  readonly count: number;
  readonly counts: number;
}

/** Stitches of the round below that are passed over. */
export interface Skip {
  readonly kind: 'skip';
  readonly count: number;
}

/** How a joined round or a turned row ends: a slip stitch into its first stitch, or the work turned. No stitch of the round. */
export interface Close {
  readonly kind: 'close';
  readonly how: 'join' | 'turn';
}

/** Items worked over and over. 'around' and 'to last' stand only at the top of a round. */
export interface Group {
  readonly kind: 'group';
  readonly items: readonly Item[];
  readonly times: Times;
}

/** Whether a chain worked before the first stitches is there, and whether it counts as one of them. */
export type StartChain = 'none' | 'loose' | 'counted';

/** The beginning of a part: `count` stitches into an adjustable ring, the second chain from the hook, or `chains` joined to a ring. */
export interface Start {
  readonly kind: 'start';
  readonly from: 'ring' | 'chain 2' | 'chain ring';
  /** Chains it begins with: 0 for an adjustable ring. */
  readonly chains: number;
  readonly stitch: StitchName;
  readonly count: number;
  readonly chain: StartChain;
}

/** What a first round is worked over when it is no ring: the items after it say what is worked there. */
export type Foundation = {
  readonly kind: 'foundation';
} & (
  | {
      /** A chain of `chains`, worked from its `first` chain from the hook along one side, or back along the other too. */
      readonly from: 'chain';
      readonly chains: number;
      readonly first: number;
      readonly sides: 1 | 2;
    }
  /** Finished pieces joined by `chains`, whose both sides are worked; 0 chains joins them edge to edge. */
  | { readonly from: 'bridge'; readonly chains: number; readonly parts: readonly PartRef[] }
  /** Loops that another round left unworked. `part` null is this pattern's part before. */
  | { readonly from: 'loops'; readonly loop: 'front' | 'back'; readonly round: number; readonly part: PartRef | null }
  /** The edge of a finished piece, on which stitches are picked up. */
  | { readonly from: 'edge'; readonly part: PartRef | null }
  /** Two panels laid together, worked through both. */
  | { readonly from: 'layers'; readonly parts: readonly PartRef[] }
);

/** From the next stitch on, this colour. */
export interface Colour {
  readonly kind: 'colour';
  readonly name: string;
}

/** Words inside a round that change no count ("place the marker"). */
export interface Remark {
  readonly kind: 'remark';
  readonly text: string;
  /** What its words say. */
  readonly facts: readonly Fact[];
}

export type Item = Work | Cluster | Spur | Chain | Skip | Close | Group | Start | Foundation | Colour | Remark;

/** What the maker does as one: an item that is worked, without groups and words. */
export type Worked = Work | Cluster | Spur | Chain | Skip | Close | Start;

export interface Stated {
  readonly count: number;
  readonly span: Span;
}

/** Another round whose instruction is meant: "same as R3 of the body". `part` null is the same part. */
export interface Like {
  readonly round: number;
  readonly part: PartRef | null;
  /** How many items at the line's end are its own, after those taken over. */
  readonly own: number;
}

/** Where an item stands in the text, and, of a group, where each of its items does. */
export interface ItemPlace extends Span {
  readonly inside: readonly ItemPlace[];
}

/** A run without a fixed number of rounds: until the piece is so long, or as the maker likes (`mm` null). */
export interface OpenRun {
  readonly mm: number | null;
}

/** One written line for the rounds `first` to `last` (equal for a single round). */
export interface RoundLine {
  readonly first: number;
  readonly last: number;
  readonly word: 'round' | 'row';
  readonly items: readonly Item[];
  readonly stated: Stated | null;
  /** The round whose items were taken over; null when the line says its own. */
  readonly like: Like | null;
  /** Not null for an open run, which stands as one round until it has been worked. */
  readonly open: OpenRun | null;
  /**
   * Beside `items`, where each was read in this line; null for those that stand elsewhere (taken over from another round,
   * or set by a line before). Empty for a line that was not read but made.
   */
  readonly places: readonly (ItemPlace | null)[];
  /** Lines before this one that only named a colour or a chain for it. */
  readonly settings: readonly Span[];
  readonly label: Span;
  readonly span: Span;
}

/** Words kept as written. `before` is the index in `lines` of the round line they precede. */
export interface Note {
  readonly text: string;
  /** What its words say. */
  readonly facts: readonly Fact[];
  /** Where its words place something; null where they do not. */
  readonly placing: Placing | null;
  readonly before: number;
  readonly span: Span;
}

export interface Part {
  readonly name: string;
  readonly copies: number;
  /** Whether the heading says how many to make. */
  readonly copiesSaid: boolean;
  readonly lines: readonly RoundLine[];
  readonly notes: readonly Note[];
  /** Where the name stands. */
  readonly heading: Span;
  readonly span: Span;
}

export interface Pattern {
  readonly title: string;
  readonly terms: Terms;
  readonly parts: readonly Part[];
  /** Words before the first part. */
  readonly notes: readonly Note[];
  /** How the pieces are put together, line by line. */
  readonly makingUp: readonly MakingLine[];
  /** Where the heading over it stands; null where there is none. */
  readonly makingUpHeading: Span | null;
}
