import type { Terms } from '../notation/index.js';

/** What a card teaches. */
export type CardId =
  | 'adjustable ring'
  | 'chain 2 start'
  | 'oval start'
  | 'flat row'
  | 'start from loops'
  | 'single crochet'
  | 'tall stitches'
  | 'slip stitch'
  | 'increase'
  | 'plain decrease'
  | 'invisible decrease'
  | 'one loop'
  | 'puff'
  | 'chain out and back'
  | 'surface chain'
  | 'spiral or joined'
  | 'marker'
  | 'counting'
  | 'right side out'
  | 'colour change'
  | 'worked-in limb'
  | 'two legs'
  | 'too many or too few'
  | 'stuffing'
  | 'safety eyes'
  | 'closing'
  | 'dimple'
  | 'whip stitch'
  | 'sewing a round edge'
  | 'sewing flat'
  | 'french knot'
  | 'mouths and lashes'
  | 'fringe, loop and ring'
  | 'hiding ends'
  | 'inspecting';

/** What shows that it went wrong, and what mends it. */
export interface Slip {
  readonly sign: string;
  readonly mend: string;
}

/**
 * A technique as a maker needs it with the work in hand; common practice throughout. Its words name stitches as `{sc}`,
 * `{sc s}` and sides as `{right}`, `{left}` of a right hand: they are said in the maker's terms, and mirrored for the left hand.
 */
export interface Card {
  readonly id: CardId;
  readonly name: string;
  /** Other words that patterns and makers call it by, in lower case; in the terms they belong to, or in both. */
  readonly called: Readonly<Record<Terms | 'both', readonly string[]>>;
  readonly what: string;
  readonly steps: readonly string[];
  readonly rightWhen: string;
  readonly goesWrong: readonly Slip[];
  readonly see: readonly CardId[];
  readonly caution?: string;
}

/** A card in the maker's terms, for the hand that holds the hook. */
export interface SaidCard extends Pick<Card, 'id' | 'see'> {
  readonly name: string;
  readonly what: string;
  readonly steps: readonly string[];
  readonly rightWhen: string;
  readonly goesWrong: readonly Slip[];
  readonly caution: string | null;
}
