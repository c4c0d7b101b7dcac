import type { WayReason } from './way-out.js';

const WORDS: Readonly<
  Record<Exclude<WayReason['is'], 'off by more than one' | 'a small round shows it' | 'a large round hides it'>, string>
> = {
  'no round follows': 'No round follows in which it could be made up.',
  'next stands elsewhere': 'The next round is not worked over this one: it cannot make up for it.',
  'next must land on its count':
    'The next round is worked in one loop, with other stitches or through another part: it must land on its count.',
  'all stands on it': 'Everything stands on the stitches it begins with.',
  'too few to hide it': 'So few stitches do not hide one more or fewer.',
  'mixed stitches': 'The round has different stitches in it: where one more or fewer sits cannot be told.',
  'counted on later': 'The round has a repeat: later rounds are counted on it.',
  'placed from here soon': 'A part is worked in or a face placed soon: its stitches are counted from here.',
};

/** Why one way out of a count that is off is better, in a sentence. */
export function wayWords(why: WayReason): string {
  switch (why.is) {
    case 'off by more than one':
      return `It is off by ${why.off}: more than one stitch shows.`;
    case 'a small round shows it':
      return `In a round of ${why.due} one more or fewer shows.`;
    case 'a large round hides it':
      return `In a plain round of ${why.due} nobody sees one ${why.change} more.`;
    default:
      return WORDS[why.is];
  }
}
