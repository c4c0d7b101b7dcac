/** The base stitches, by their US abbreviations. */
export type StitchName = 'sc' | 'hdc' | 'dc' | 'tr' | 'sl st' | 'ch' | 'puff';

/** Which loops of the stitch below are worked: both, back only (BLO) or front only (FLO). */
export type Loop = 'both' | 'back' | 'front';

/** Which words the pattern uses: the same abbreviation names different stitches in the US and the UK. */
export type Terms = 'US' | 'UK';

export interface StitchWords {
  readonly abbreviation: string;
  /** The full name, one and many. */
  readonly full: readonly [string, string];
  /** Other spellings that are read. */
  readonly words: readonly string[];
}

/**
 * US and UK names of each stitch (Craft Yarn Council's table of US and UK terms, from memory).
 * To add a stitch: one row here, its name in `StitchName`, its growth in `fabric/growth.ts`, its yarn in `gauge/yarn-length.ts`.
 */
export const STITCHES: Readonly<Record<StitchName, Readonly<Record<Terms, StitchWords>>>> = {
  'sl st': {
    US: { abbreviation: 'sl st', full: ['slip stitch', 'slip stitches'], words: ['slip st', 'slst', 'sl sts'] },
    UK: { abbreviation: 'ss', full: ['slip stitch', 'slip stitches'], words: ['sl st', 'slst', 'slip st'] },
  },
  sc: {
    US: { abbreviation: 'sc', full: ['single crochet', 'single crochets'], words: ['scs'] },
    UK: { abbreviation: 'dc', full: ['double crochet', 'double crochets'], words: ['dcs'] },
  },
  hdc: {
    US: { abbreviation: 'hdc', full: ['half double crochet', 'half double crochets'], words: ['hdcs', 'half double'] },
    UK: {
      abbreviation: 'htr',
      full: ['half treble', 'half trebles'],
      words: ['htrs', 'half treble crochet', 'half treble crochets'],
    },
  },
  dc: {
    US: { abbreviation: 'dc', full: ['double crochet', 'double crochets'], words: ['dcs'] },
    UK: { abbreviation: 'tr', full: ['treble', 'trebles'], words: ['trs', 'treble crochet', 'treble crochets'] },
  },
  tr: {
    US: {
      abbreviation: 'tr',
      full: ['treble crochet', 'treble crochets'],
      words: ['trs', 'treble', 'trebles', 'triple crochet', 'triple crochets', 'triple'],
    },
    UK: {
      abbreviation: 'dtr',
      full: ['double treble', 'double trebles'],
      words: ['dtrs', 'double treble crochet', 'double treble crochets'],
    },
  },
  ch: {
    US: { abbreviation: 'ch', full: ['chain', 'chains'], words: ['chs', 'ch st', 'ch sts'] },
    UK: { abbreviation: 'ch', full: ['chain', 'chains'], words: ['chs', 'ch st', 'ch sts'] },
  },
  puff: {
    US: { abbreviation: 'puff', full: ['puff stitch', 'puff stitches'], words: ['puffs', 'puff st', 'puff sts'] },
    UK: { abbreviation: 'puff', full: ['puff stitch', 'puff stitches'], words: ['puffs', 'puff st', 'puff sts'] },
  },
};

export const STITCH_NAMES = Object.keys(STITCHES) as readonly StitchName[];
