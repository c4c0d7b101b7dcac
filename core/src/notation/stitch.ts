/** The base stitches, by their US abbreviations. */
export type StitchName =
  | 'sc'
  | 'hdc'
  | 'dc'
  | 'tr'
  | 'sl st'
  | 'ch'
  | 'puff'
  | 'bobble'
  | 'popcorn'
  | 'cluster'
  | 'spike'
  | 'fpsc'
  | 'bpsc'
  | 'fphdc'
  | 'bphdc'
  | 'fpdc'
  | 'bpdc'
  | 'fptr'
  | 'bptr';

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

/** How often a stitch's strand runs across its width, up its height (in single crochets), and around a strand. */
export interface YarnRuns {
  readonly across: number;
  readonly up: number;
  readonly around: number;
}

/** What a stitch looks like: a V that lies flat, one that stands on a post (seen from the front or the back), or a bump. */
export type StitchLook = 'flat' | 'post' | 'bump';

export interface Stitch extends Readonly<Record<Terms, StitchWords>> {
  /**
   * Increases a round for which a circle of it lies flat: six in sc, and more the taller the stitch (common practice). The
   * others follow from height over width as six does from 2π·height/width. Its height in single crochets is a sixth of it.
   */
  readonly growth: number;
  /**
   * Our own model: a single crochet is the two legs of its V and the wrap that closes it (three widths), two strands up to
   * them, and a turn around a strand. With medium yarn on 5 mm that is about 43 mm, and a blanket of single crochet takes
   * about 41 mm a stitch (from memory). Others add the wraps they are made of.
   */
  readonly yarn: YarnRuns;
  readonly look: StitchLook;
  /** How it is worked, in a sentence (common practice). */
  readonly how: string;
}

const alike = (words: StitchWords): Record<Terms, StitchWords> => ({ US: words, UK: words });

function named(abbreviation: string, one: string, many: string, words: readonly string[] = []): StitchWords {
  return { abbreviation, full: [one, many], words };
}

/** A stitch worked around the post of the one below, from the front or the back: the tall stitch's own row otherwise. */
function post(side: 'front' | 'back', us: readonly [string, string], uk: readonly [string, string], of: Stitch): Stitch {
  const names = ([short, full]: readonly [string, string]): StitchWords =>
    named(`${side === 'front' ? 'fp' : 'bp'}${short}`, `${side} post ${full}`, `${side} post ${full}s`, [
      `${side} post ${short}`,
      `${side === 'front' ? 'fp' : 'bp'} ${short}`,
      `raised ${full} ${side}`,
    ]);
  const how = `As ${aStitch(us)}, but the hook goes ${side === 'front' ? 'from the front, behind the post below and out again' : 'from the back, before the post below and out again'}.`;
  return { US: names(us), UK: names(uk), growth: of.growth, yarn: of.yarn, look: 'post', how };
}

const aStitch = ([, name]: readonly [string, string]): string => `a ${name}`;

const SC: Stitch = {
  US: named('sc', 'single crochet', 'single crochets', ['scs', 'single', 'singles']),
  UK: named('dc', 'double crochet', 'double crochets', ['dcs']),
  growth: 6,
  yarn: { across: 3, up: 2, around: 1 },
  look: 'flat',
  how: 'Hook through the stitch, draw up a loop, yarn over, draw through both loops.',
};

const HDC: Stitch = {
  US: named('hdc', 'half double crochet', 'half double crochets', ['hdcs', 'half double', 'half doubles']),
  UK: named('htr', 'half treble', 'half trebles', ['htrs', 'half treble crochet', 'half treble crochets']),
  growth: 8,
  yarn: { across: 3, up: 2.7, around: 2 },
  look: 'post',
  how: 'Yarn over, hook through the stitch, draw up a loop, yarn over, draw through all three loops.',
};

const DC: Stitch = {
  US: named('dc', 'double crochet', 'double crochets', ['dcs']),
  UK: named('tr', 'treble', 'trebles', ['trs', 'treble crochet', 'treble crochets']),
  growth: 12,
  yarn: { across: 4, up: 4, around: 2 },
  look: 'post',
  how: 'Yarn over, hook through the stitch, draw up a loop; twice: yarn over, draw through two loops.',
};

const TR: Stitch = {
  US: named('tr', 'treble crochet', 'treble crochets', [
    'trs',
    'treble',
    'trebles',
    'triple crochet',
    'triple crochets',
    'triple',
  ]),
  UK: named('dtr', 'double treble', 'double trebles', ['dtrs', 'double treble crochet', 'double treble crochets']),
  growth: 18,
  yarn: { across: 5, up: 5.4, around: 3 },
  look: 'post',
  how: 'Yarn over twice, hook through the stitch, draw up a loop; three times: yarn over, draw through two loops.',
};

/**
 * One row a stitch: its US and UK names (Craft Yarn Council's table of US and UK terms, from memory), how it grows, its
 * yarn, what it looks like, and how it is worked. To add a stitch: its name in `StitchName` and one row here. New rows go
 * at the end, as fabrics name stitches by their index.
 */
export const STITCHES: Readonly<Record<StitchName, Stitch>> = {
  'sl st': {
    US: named('sl st', 'slip stitch', 'slip stitches', ['slip st', 'slst', 'sl sts', 'slsts', 'slip', 'slips']),
    UK: named('ss', 'slip stitch', 'slip stitches', ['sl st', 'slst', 'slip st', 'sl sts', 'slip', 'slips']),
    growth: 4,
    yarn: { across: 3, up: 0.7, around: 0.5 },
    look: 'flat',
    how: 'Hook through the stitch, draw a loop through the stitch and the loop on the hook. It adds no height.',
  },
  sc: SC,
  hdc: HDC,
  dc: DC,
  tr: TR,
  ch: {
    ...alike(named('ch', 'chain', 'chains', ['chs', 'ch st', 'ch sts'])),
    growth: 6,
    yarn: { across: 3, up: 0, around: 0.5 },
    look: 'bump',
    how: 'Yarn over, draw through the loop on the hook.',
  },
  puff: {
    ...alike(named('puff', 'puff stitch', 'puff stitches', ['puffs', 'puff st', 'puff sts'])),
    growth: 10,
    yarn: { across: 4, up: 8, around: 3 },
    look: 'bump',
    how: 'Several times in one stitch: yarn over, draw up a long loop; then draw through all of them at once. A small bump.',
  },
  bobble: {
    ...alike(named('bobble', 'bobble stitch', 'bobble stitches', ['bobbles', 'bobble st', 'bobble sts', 'bo'])),
    growth: 12,
    yarn: { across: 6, up: 12, around: 5 },
    look: 'bump',
    how: 'Several tall stitches in one, each left with its last loop on the hook; then draw through all of them. A round bump.',
  },
  popcorn: {
    ...alike(named('popcorn', 'popcorn stitch', 'popcorn stitches', ['popcorns', 'popcorn st', 'popcorn sts', 'pc'])),
    growth: 12,
    yarn: { across: 20, up: 20, around: 10 },
    look: 'bump',
    how: 'Several whole tall stitches in one; take the hook out, put it through the first, and draw the last loop through.',
  },
  cluster: {
    ...alike(named('cl', 'cluster', 'clusters', ['cluster stitch', 'cluster stitches', 'cls'])),
    growth: 12,
    yarn: { across: 4, up: 8, around: 4 },
    look: 'bump',
    how: 'Tall stitches begun one beside the other, each left with its last loop on the hook; then draw through all of them.',
  },
  spike: {
    ...alike(named('spike', 'spike stitch', 'spike stitches', ['spikes', 'spike st', 'spike sts', 'spike sc', 'long sc'])),
    growth: 6,
    yarn: { across: 3, up: 4, around: 1 },
    look: 'flat',
    how: 'Hook through the fabric a round or more lower, draw the loop up to this round, yarn over, draw through both loops.',
  },
  fpsc: post('front', ['sc', 'single crochet'], ['dc', 'double crochet'], SC),
  bpsc: post('back', ['sc', 'single crochet'], ['dc', 'double crochet'], SC),
  fphdc: post('front', ['hdc', 'half double crochet'], ['htr', 'half treble'], HDC),
  bphdc: post('back', ['hdc', 'half double crochet'], ['htr', 'half treble'], HDC),
  fpdc: post('front', ['dc', 'double crochet'], ['tr', 'treble'], DC),
  bpdc: post('back', ['dc', 'double crochet'], ['tr', 'treble'], DC),
  fptr: post('front', ['tr', 'treble crochet'], ['dtr', 'double treble'], TR),
  bptr: post('back', ['tr', 'treble crochet'], ['dtr', 'double treble'], TR),
};

export const STITCH_NAMES = Object.keys(STITCHES) as readonly StitchName[];
