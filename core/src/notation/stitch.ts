/** The base stitches, by their US abbreviations. */
export type StitchName = 'sc' | 'hdc' | 'dc' | 'tr' | 'sl st';

/** Which loops of the stitch below are worked: both, back only (BLO) or front only (FLO). */
export type Loop = 'both' | 'back' | 'front';

/** Which words the pattern uses: the same abbreviation names different stitches in the US and the UK. */
export type Terms = 'US' | 'UK';

export interface StitchWords {
  readonly abbreviation: string;
  readonly words: readonly string[];
}

/**
 * US and UK names of each stitch (Craft Yarn Council's table of US and UK terms, from memory).
 * To add a stitch: one row here, its name in `StitchName`, its height in `gauge/stitch-size.ts`.
 */
export const STITCHES: Readonly<Record<StitchName, Readonly<Record<Terms, StitchWords>>>> = {
  'sl st': {
    US: { abbreviation: 'sl st', words: ['slip stitch', 'slip st', 'slst'] },
    UK: { abbreviation: 'ss', words: ['slip stitch', 'sl st', 'slst'] },
  },
  sc: {
    US: { abbreviation: 'sc', words: ['single crochet', 'single crochets', 'scs'] },
    UK: { abbreviation: 'dc', words: ['double crochet', 'double crochets', 'dcs'] },
  },
  hdc: {
    US: { abbreviation: 'hdc', words: ['half double crochet', 'half double crochets'] },
    UK: { abbreviation: 'htr', words: ['half treble', 'half treble crochet', 'half trebles'] },
  },
  dc: {
    US: { abbreviation: 'dc', words: ['double crochet', 'double crochets', 'dcs'] },
    UK: { abbreviation: 'tr', words: ['treble', 'trebles', 'treble crochet'] },
  },
  tr: {
    US: { abbreviation: 'tr', words: ['treble crochet', 'treble', 'triple crochet'] },
    UK: { abbreviation: 'dtr', words: ['double treble', 'double trebles', 'double treble crochet'] },
  },
};

export const STITCH_NAMES = Object.keys(STITCHES) as readonly StitchName[];
