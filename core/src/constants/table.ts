/** Where a number comes from, the surest first. */
export type Source =
  'published, recalled' | 'common practice' | 'from memory' | 'our own fit' | 'found by trying' | 'our own estimate';

export interface Constant {
  readonly value: number;
  /** "mm", "g", "stitches"; empty for a share or a ratio. */
  readonly unit: string;
  /** From where to where it may lie and still be called right. */
  readonly range: readonly [number, number];
  readonly source: Source;
  readonly what: string;
}

const row = (value: number, unit: string, low: number, high: number, source: Source, what: string): Constant => ({
  value,
  unit,
  range: [low, high],
  source,
  what,
});

/**
 * Every number of the trade the core goes by: what it is, where it comes from and how far it may be out. The yarn weights,
 * the hooks and the stitches have tables of their own (`gauge/yarn-weight.ts`, `gauge/hook.ts`, `notation/stitches.ts`).
 * Limits of what is taken in (`bounds`) and of what is searched are choices, not measurements, and stand where they are used.
 */
export const CONSTANTS = {
  'stitch width': row(1.67, '', 1.5, 1.84, 'our own fit', 'width of a single crochet = this · hook^0.8 · strand^0.2'),
  'hook share': row(0.8, '', 0.5, 1, 'our own fit', 'how much of the width goes with the hook, the rest with the strand'),
  'height over width': row(6 / (2 * Math.PI), '', 0.8, 1.06, 'common practice', 'six more a round lie flat; rows of published gauges come to 0.88, balls that come out round to 1.06'), // prettier-ignore
  'spread of hands': row(0.1, '', 0.07, 0.15, 'our own estimate', "one maker's stitches over another's, same yarn and hook"),
  'tight hand': row(0.93, '', 0.88, 0.97, 'our own estimate', 'width of its stitches over the middle'),
  'loose hand': row(1.07, '', 1.03, 1.12, 'our own estimate', 'width of its stitches over the middle'),
  'spread of a said hand': row(0.07, '', 0.05, 0.1, 'our own estimate', 'what is left once a maker has said how tight'),
  'spread between yarns': row(
    0.05,
    '',
    0.03,
    0.1,
    'our own estimate',
    'what a swatch in one yarn and hook leaves open for another',
  ),
  'spread of slenderness': row(0.09, '', 0.05, 0.12, 'from memory', 'height over width, from hand to hand'),
  'spread beyond the label': row(
    0.15,
    '',
    0.05,
    0.3,
    'our own estimate',
    'each time a hook is twice or half what the label goes to',
  ),
  'least gap': row(0.1, 'strands', 0, 0.3, 'our own estimate', 'between stitches of a stuffed piece: below, too tight to work'),
  'most gap': row(0.9, 'strands', 0.6, 1.2, 'our own estimate', 'between stitches of a stuffed piece: above, stuffing shows'),
  'spread within a hand': row(0.02, '', 0.01, 0.04, 'our own estimate', 'stitches of one swatch'),
  'count out': row(0.25, 'stitches', 0.1, 0.5, 'our own estimate', 'how far a counted swatch is out'),
  'ruler out': row(1, 'mm', 0.5, 2, 'our own estimate', 'a ruler on a swatch'),
  'ruler on a piece out': row(1.5, 'mm', 1, 3, 'our own estimate', 'a ruler on a stuffed piece, which gives'),
  'spread of the shape': row(0.04, '', 0.02, 0.08, 'our own estimate', 'the outline of a finished piece against the model'),
  'spread of yarn': row(0.15, '', 0.1, 0.25, 'our own estimate', 'the yarn of a stitch before a piece was weighed'),
  'spread of yarn between yarns': row(0.07, '', 0.05, 0.1, 'our own estimate', 'what one weighed yarn says of another'),
  'share of yarn that goes up': row(0.3, '', 0.2, 0.4, 'our own fit', 'of a single crochet: two heights beside three widths and a turn round the strand'), // prettier-ignore
  'spread of a usual yarn': row(0.2, '', 0.1, 0.3, 'from memory', 'metres in 100 g of yarns of one weight'),
  'spread of a band': row(0.03, '', 0, 0.05, 'our own estimate', 'metres in 100 g as the band says'),
  'scale out': row(0.5, 'g', 0.1, 1, 'our own estimate', 'a kitchen scale'),
  'spread of a weighed piece': row(0.03, '', 0.02, 0.05, 'our own estimate', 'its yarn beside that of the next one'),
  'spread of a stuffed piece': row(0.08, '', 0.05, 0.15, 'our own estimate', 'its filling beside that of the next one'),
  tail: row(150, 'mm', 100, 250, 'common practice', 'yarn left at a start, a close and either side of a colour'),
  'carried rounds': row(4, 'rounds', 2, 6, 'common practice', 'a colour that comes again so soon is carried inside and not cut'),
  'soft filling': row(0.025, 'g/cm³', 0.015, 0.035, 'from memory', 'stuffed lightly'),
  'medium filling': row(0.04, 'g/cm³', 0.03, 0.055, 'from memory', 'stuffed'),
  'firm filling': row(0.055, 'g/cm³', 0.04, 0.075, 'from memory', 'stuffed firmly'),
  'spread of filling': row(0.33, '', 0.2, 0.5, 'from memory', 'filling differs, and so do hands'),
  'spread of filling between yarns': row(
    0.1,
    '',
    0.05,
    0.2,
    'our own estimate',
    'what one weighed stuffing says of another yarn',
  ),
  'small eye': row(0.15, '', 0.1, 0.2, 'common practice', "the smallest eye's diameter over the head's"),
  'large eye': row(0.27, '', 0.2, 0.35, 'common practice', "the largest eye's diameter over the head's"),
  'eyes near': row(1 / 6, 'turns', 0.12, 0.2, 'common practice', 'the least the eyes are apart'),
  'eyes far': row(1 / 4, 'turns', 0.2, 0.3, 'common practice', 'the most the eyes are apart'),
  'small parts': row(
    31.7,
    'mm',
    31.7,
    31.7,
    'published, recalled',
    'cylinder a part must not fit into (16 CFR 1501, ISO 8124-1)',
  ),
  'drawn shut': row(8, 'stitches', 5, 8, 'common practice', 'a last round of so few is drawn shut by its tail'),
  'growth that ruffles': row(1.5, '', 1.2, 2, 'our own estimate', 'times the flat growth before a round is worth a word'),
  'closing anyway': row(12, 'stitches', 8, 14, 'our own estimate', 'a round of so few gathers without being wrong'),
  'least wall': row(
    0.05,
    'stitches',
    0.01,
    0.2,
    'found by trying',
    'height of a round of slip stitches, which a spring must have',
  ),
  'chord drawn shut': row(
    0.45,
    'stitches',
    0.2,
    0.7,
    'our own estimate',
    'what is left of a stitch width in a last round that its tail draws shut',
  ),
  'give of a leaning stitch': row(
    0.25,
    '',
    0,
    1,
    'our own estimate',
    'from stitches that stand as high however they lean (0: stacked changes make corners) to ones that lengthen as they lean (1: none)',
  ),
  'squeeze of a spring': row(0.1, '', 0.02, 0.3, 'found by trying', 'how much it resists being squeezed beside being stretched'),
  'bending of the fabric': row(
    0.1,
    '',
    0,
    0.5,
    'our own estimate',
    'how much unstuffed fabric resists being bent beside being stretched',
  ),
  'tail along a seam': row(3, '', 2.5, 4, 'common practice', 'how many times as long as a seam the yarn that sews it is'),
  'least tail to sew with': row(200, 'mm', 200, 300, 'common practice', 'a tail that sews is at least so long'),
  'tail of a piece': row(150, 'mm', 100, 200, 'common practice', 'a tail that is only knotted and hidden'),
  'seconds a sewn stitch': row(8, 's', 4, 15, 'our own estimate', 'time to sew one stitch of an edge on'),
  'minutes of a join': row(4, 'min', 2, 8, 'our own estimate', 'time to pin a piece, look at it, and hide its end'),
  'minutes of eyes': row(6, 'min', 3, 12, 'our own estimate', 'time to try a pair of eyes and press their backs on'),
  'shear of the fabric': row(0.1, '', 0.02, 0.3, 'found by trying', 'how much it resists leaning beside being stretched'),
  'stretch of stuffing': row(0.03, '', 0, 0.06, 'found by trying', 'share by which stuffing stretches the widest round'),
  'reach of a rib': row(3, 'rounds', 2, 4, 'our own estimate', 'changes further apart do not make a corner together'),
  'corner of stacked changes': row(0.048, '', 0.03, 0.06, 'found by trying', "swing of a round's radius"),
  'corner of alternating changes': row(0.012, '', 0.005, 0.02, 'found by trying', "swing of a round's radius"),
  'idle hand': row(3, 'minutes', 2, 6, 'our own estimate', 'without a step for so long the work was put down'),
  'slow hand': row(
    10,
    's',
    7,
    15,
    'our own estimate',
    'a stitch takes no longer while a round is worked that is told at its end',
  ),
  'usual pace': row(130 / 15, 'stitches a minute', 6, 14, 'common practice', 'about 130 stitches in a quarter of an hour'),
  'minutes known': row(3, 'minutes', 2, 10, 'our own estimate', "worked before a maker's own pace counts"),
  'minutes known for a plan': row(20, 'minutes', 10, 60, 'our own estimate', "timed before a maker's own pace is planned with"),
  'starting beside the mean': row(1.6, '', 1.2, 3, 'our own estimate', "a first round's stitch beside one of a plain round"),
  'increases beside the mean': row(
    1.1,
    '',
    1,
    1.4,
    'our own estimate',
    'a stitch of a round that grows beside one of a plain round',
  ),
  'closing beside the mean': row(
    1.3,
    '',
    1,
    1.8,
    'our own estimate',
    'a stitch of a round that closes beside one of a plain round',
  ),
  'spread of a sitting': row(0.25, '', 0.1, 0.5, 'our own estimate', "standard deviation of the logarithm of a sitting's pace"),
  'spread of makers': row(0.35, '', 0.2, 0.6, 'our own estimate', "standard deviation of the logarithm of makers' paces"),
  'hides one more': row(30, 'stitches', 24, 40, 'our own estimate', 'in a round of so many one more or fewer is hard to see'),
} satisfies Record<string, Constant>;

export type ConstantName = keyof typeof CONSTANTS;

/** The number of that name. */
export function constant(name: ConstantName): number {
  return CONSTANTS[name].value;
}
