import type { Loop, StitchName } from '../stitch.js';

/** A count of stitches that is the rest of the round. */
export const REST = 0;

/** Stitches that are named: `count` times, each working `together` into `per`; through a limb, where one is named. */
export interface Atom {
  readonly is: 'atom';
  readonly stitch: StitchName;
  readonly per: number;
  readonly together: number;
  readonly count: number;
  readonly through: boolean;
}

/** What some words of a talk say of the work, before anything is decided. Words without any are chatter. */
export type Meant =
  | Atom
  /** The same in every stitch there is; `of` where the stitches there are is said. `sure` unless "to single crochet in each" may be one. */
  | {
      readonly is: 'each';
      readonly stitch: StitchName;
      readonly per: number;
      readonly together: number;
      readonly of: number | null;
      readonly sure: boolean;
    }
  /** An increase or a decrease in every so many stitches. */
  | { readonly is: 'every'; readonly step: number; readonly per: number; readonly together: number }
  /** Passed over, or chained in the air. */
  | { readonly is: 'skip' | 'chain'; readonly count: number }
  /** A number by itself: said aloud while counting, a total, a round's number, or stitches. */
  | { readonly is: 'number'; readonly value: number; readonly sure: boolean }
  /** How often; `more` where what was said once goes before it. */
  | { readonly is: 'times'; readonly count: number; readonly more: boolean }
  | {
      readonly is:
        'around' | 'again' | 'plain' | 'ring' | 'turn' | 'second chain' | 'other side' | 'join' | 'joined' | 'open' | 'end';
    }
  /** How many stitches there are after the round, `back` rounds ago; `strong` where the words say nothing else, `ahead` before it is worked. */
  | { readonly is: 'total'; readonly count: number; readonly strong: boolean; readonly back: number; readonly ahead: boolean }
  /** A round's number or a range of them. `back` where one is looked back upon. */
  | { readonly is: 'label'; readonly from: number; readonly to: number; readonly back: boolean }
  /** The round after this one, without its number. */
  | { readonly is: 'next'; readonly word: 'next' | 'last' }
  /** How many rounds; `more` beside the one that was told, `all` where the words say "in all", `of` how many stitches. */
  | { readonly is: 'run'; readonly count: number; readonly more: boolean; readonly all: boolean; readonly of: number | null }
  /** So many stitches into the ring or the second chain. */
  | { readonly is: 'into'; readonly from: 'ring' | 'chain 2'; readonly stitch: StitchName; readonly count: number }
  | { readonly is: 'loop'; readonly loop: Loop }
  | { readonly is: 'correction' }
  /** How many of the part are made; `more` beside the one that was told. */
  | { readonly is: 'copies'; readonly count: number; readonly more: boolean }
  | { readonly is: 'eyes' | 'stuff' | 'sew' };

/** What was meant, and the words that say it: `[first, last]` are indices of words, both of them its own. */
export type Sign = Meant & {
  readonly first: number;
  readonly last: number;
  /** Whether a new thought begins with it: after "so", "then", a comma or a stop. */
  readonly leads: boolean;
};

/** Signs that name stitches to work. */
export function isWork(sign: Meant): boolean {
  return (
    sign.is === 'atom' ||
    sign.is === 'each' ||
    sign.is === 'every' ||
    sign.is === 'into' ||
    sign.is === 'plain' ||
    sign.is === 'skip' ||
    sign.is === 'chain' ||
    sign.is === 'again'
  );
}
