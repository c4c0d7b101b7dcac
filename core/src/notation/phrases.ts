import type { DecreaseSchool } from './pattern.js';
import type { Loop, StitchName } from './stitch.js';

/** What a phrase means to the reader of a round. */
export type Meaning =
  | { readonly is: 'stitch'; readonly stitch: StitchName; readonly loop?: Loop }
  | { readonly is: 'increase'; readonly stitch: StitchName | null; readonly per: number }
  | { readonly is: 'decrease'; readonly stitch: StitchName | null; readonly together: number; readonly school: DecreaseSchool }
  | { readonly is: 'loop'; readonly loop: Loop }
  | { readonly is: 'counted'; readonly counted: boolean }
  | { readonly is: 'every'; readonly step: number }
  /** A picot: chains out and a slip stitch back into the first. */
  | { readonly is: 'picot'; readonly chains: number }
  | {
      readonly is:
        | 'ring'
        | 'chain'
        | 'nth chain'
        | 'last chain'
        | 'starting'
        | 'other side'
        | 'around'
        | 'each'
        | 'next one'
        | 'into'
        | 'stitches'
        | 'times'
        | 'twice'
        | 'from star'
        | 'to last'
        | 'remain'
        | 'skip'
        | 'filler'
        | 'colour'
        | 'with'
        | 'remark'
        | 'join'
        | 'close join'
        | 'turn'
        | 'same'
        | 'even'
        | 'for'
        | 'until'
        | 'as liked'
        | 'pick up'
        | 'edge'
        | 'layers'
        | 'through'
        | 'along'
        | 'evenly'
        | 'each end'
        | 'corners'
        | 'sides'
        | 'rest'
        | 'total';
    }
  | { readonly is: 'next'; readonly each: boolean };

/** Phrases from a list with bars between. */
function words(list: string): string[] {
  return list.split('|').map((phrase) => phrase.trim());
}

/** Phrases that take one wording of each list after another; '' leaves a place empty. */
export interface Combined {
  readonly places: readonly (readonly string[])[];
}

/** A fixed phrase, or many that are put together alike. */
export type Phrase = string | Combined;

export function combine(...places: readonly (readonly string[])[]): Combined {
  return { places };
}

const ARTICLE = ['', 'the', 'an', 'a'];

const STITCHES_BELOW = ['st', 'sts', 'stitches'];

/** Fixed phrases in both terms. Of several that begin alike the longest is taken; each phrase has one meaning. */
export const PHRASES: readonly (readonly [Meaning, Phrase | readonly Phrase[]])[] = [
  [{ is: 'chain' }, words('ch | chs | chain | chains')],
  [
    { is: 'increase', stitch: null, per: 2 },
    words(
      'inc | incs | incr | increase | increases | increase in | increasing | 2 in 1 | 2-in-1 | two in one | two-in-one | double | doubles',
    ),
  ],
  [
    { is: 'increase', stitch: null, per: 3 },
    words('inc 3 in 1 | 3 in 1 | three in one | triple inc | triple increase | double increase'),
  ],
  [
    { is: 'decrease', stitch: null, together: 2, school: 'invisible' },
    [
      combine(['inv', 'inv-', 'inv.', 'invis', 'invis.', 'invisible'], words('dec | decs | decr | decrease | decreases')),
      ...words('invdec | invdecs | idec | idecs'),
    ],
  ],
  [{ is: 'decrease', stitch: null, together: 2, school: 'plain' }, combine(['plain'], ['dec', 'decrease', 'decreases'])],
  [
    { is: 'decrease', stitch: null, together: 2, school: 'open' },
    words(`
    dec | decs | decr | decrease | decreases | decrease in | decreasing | 2 tog | 2 together | two together |
    2 sts together | 2 stitches together | two stitches together`),
  ],
  [{ is: 'loop', loop: 'back' }, ['blo', 'bl', combine(['', 'the'], ['back loop', 'back loops'], ['', 'only'])]],
  [{ is: 'loop', loop: 'front' }, ['flo', 'fl', combine(['', 'the'], ['front loop', 'front loops'], ['', 'only'])]],
  [{ is: 'loop', loop: 'both' }, ['both loops']],
  [
    { is: 'ring' },
    [
      combine(
        ARTICLE,
        words(`
    ring | adjustable ring | magic ring | magic circle | magic loop | adjustable loop | sliding loop | sliding ring |
    loop ring | double ring | center ring | centre ring`),
      ),
      ...words('mr | amr | ar | mc | it | the loop | the circle'),
    ],
  ],
  [
    { is: 'nth chain' },
    combine(
      ['', 'the'],
      words('2nd | 3rd | 4th | 5th | second | third | fourth | fifth'),
      ['ch', 'chain'],
      words(' | from hook | from the hook | from your hook | from h | of the chain'),
    ),
  ],
  [{ is: 'last chain' }, combine(['', 'the', 'very'], ['last', 'final', 'end'], ['ch', 'chain'])],
  [{ is: 'picot', chains: 3 }, words('picot | picots | ch 3 picot | ch-3 picot')],
  [{ is: 'picot', chains: 2 }, words('ch 2 picot | ch-2 picot')],
  [{ is: 'picot', chains: 4 }, words('ch 4 picot | ch-4 picot')],
  [
    { is: 'rest' },
    combine(
      words('leave | leaving | do not work | don’t work | skip'),
      ['', 'the', 'all'],
      words('remaining | rest | rest of the | other | last'),
      words(' | st | sts | stitch | stitches | round | row'),
      words(' | unworked | free | open'),
    ),
  ],
  [
    { is: 'each end' },
    words(`at each end | at both ends | each end | both ends | on each end | at each side | at both sides | on each side |
    on both sides of the row | in each end | at either end | at each end of the row | at both ends of the row |
    at beginning and end | at the beginning and end | at the beginning and at the end | at start and end |
    at the start and end | at the beginning and end of the row`),
  ],
  [{ is: 'corners' }, combine(['each', 'every', 'all', 'all four', 'all 4', 'the four'], ['corner', 'corners'])],
  [
    { is: 'sides' },
    combine(
      words('along | on | down | across | in'),
      words('each | every | all four | all 4 | the four'),
      words('side | sides | edge | edges'),
    ),
  ],
  [
    { is: 'evenly' },
    words(`evenly | evenly spaced | evenly around | evenly spaced around | evenly across | spread evenly |
    spaced evenly | evenly spread | spread evenly around | spaced evenly around | evenly in the round`),
  ],
  [
    { is: 'total' },
    combine(
      words(`you should have | you should now have | you have | you now have | you will have | you will now have |
      you’ll have | you'll have | so | you get | you will get | you’re left with | you're left with | you are left with |
      youre left with | left with | that’s | that's | thats | that is | that makes | which is | which makes | giving |
      giving you | gives | gives you | for a total of | a total of | total of | totalling | to get | to have | leaving |
      leaves | ends on | ending on | ends with | ending with | end with | end up with | you end up with | should be |
      makes | making | total | st count | stitch count | now you have | there are now | there should be | so you have | so you get | so you still have | equals |
      that gives | that gives you | this gives you | this makes | still | still at | back to | you still have`),
      words(' | : | = | - | you | a total of | is'),
    ),
  ],
  [
    { is: 'starting' },
    words(`
    starting | beginning | starting in | beginning in | starting from | beginning from | begin in | start in |
    starting at | starting with | start from`),
  ],
  [{ is: 'other side' }, ['along both sides', 'on both sides', 'around both sides']],
  [
    { is: 'other side' },
    combine(
      words(`
    | continue | continuing | work | working | rotate and work | turn and work | then | now | working back |
    work back | back | turn | turn to work | rotate | flip and work | turn the work and work`),
      words(' | on | along | down | up | into | in | across | to'),
      ['', 'the'],
      ['other side', 'opposite side'],
      words(`
    | of ch | of chain | of the ch | of the chain | of foundation chain | of the foundation chain |
    of the starting chain | of starting chain`),
    ),
  ],
  [
    { is: 'around' },
    words(`
    back | back along the chain | back down the chain | back across | around | all around | all round | all the way round | right round | right around | round and round | all the way | all along | across | all across | to end | to the end | all the way around | to end of round |
    to end of row | to the end of the round | to the end of the row | until end | until the end |
    until end of round | until the end of the round | round | for the rest of the round | the rest of the round |
    for the whole round | the whole round | rest | the rest | rest of round | rest of the round | the rest of round`),
  ],
  [
    { is: 'each' },
    combine(
      words(
        'each | ea | every | all | every single | all the | each and every | each remaining | every remaining | all remaining | each of the remaining | the remaining | remaining | the other | the rest of the',
      ),
      words('st | sts | stitch | stitches | ch | chain | chs'),
      words(
        ' | around | across | of the round | of round | of the row | to end | to the end | back | along | all around | all round',
      ),
    ),
  ],
  [
    { is: 'each' },
    combine(
      words('each | ea | every | every single | each one | every one | each and every | all of them'),
      words(' | around | across | one around | to end | to the end | round | all around | all round'),
    ),
  ],
  [
    { is: 'every', step: 2 },
    [
      combine(words('every other | every second | every 2nd | each second'), ['', 'st', 'stitch'], ['', 'around']),
      combine(['every 2', 'every two'], STITCHES_BELOW),
    ],
  ],
  [
    { is: 'every', step: 3 },
    [
      combine(['every third', 'every 3rd', 'each third'], ['', 'st', 'stitch'], ['', 'around']),
      combine(['every 3', 'every three'], STITCHES_BELOW),
    ],
  ],
  [
    { is: 'every', step: 4 },
    [
      combine(['every fourth', 'every 4th', 'each fourth'], ['', 'st', 'stitch'], ['', 'around']),
      combine(['every 4', 'every four'], STITCHES_BELOW),
    ],
  ],
  [{ is: 'every', step: 5 }, combine(['every fifth', 'every 5th'], ['', 'st', 'stitch'], ['', 'around'])],
  [{ is: 'every', step: 6 }, combine(['every sixth', 'every 6th'], ['', 'st', 'stitch'], ['', 'around'])],
  [
    { is: 'next one' },
    [
      combine(
        ['', 'the', 'that'],
        words('next | same | first | last | following'),
        words('st | stitch | ch | chain | st of the round | stitch of the round'),
      ),
      combine(
        ['', 'the'],
        ['same'],
        words('st | stitch | ch | chain'),
        words('as first | as the first | as before | as the first st | as first st'),
      ),
      combine(['', 'the'], ['corner'], ['', 'st', 'stitch', 'ch']),
      ...words(
        'next one | the next one | first one | the first one | last one | the last one | same one | same | the same | ditto',
      ),
      'one st',
      'one stitch',
      'a st',
      'a stitch',
      '1 st',
      '1 stitch',
    ],
  ],
  [
    { is: 'next', each: true },
    [combine(['each of', 'each'], ['', 'the'], words('next | first | last | following')), 'each of', 'each of the'],
  ],
  [{ is: 'next', each: false }, [combine(['', 'the'], words('next | first | last | following')), 'all', 'all the']],
  [
    { is: 'stitches' },
    words(`
    st | sts | stitch | stitches | st total | sts total | stitches total | total | chs | chains | sts in total |
    stitches in total | in total | total sts | total stitches`),
  ],
  [{ is: 'times' }, words('x | times | time | times total | times in total | times around | times in all | times altogether')],
  [{ is: 'twice' }, ['twice']],
  [
    { is: 'from star' },
    [
      combine(
        ['repeat', 'rep', 'repeating'],
        words('from | from * | from * to * | between * | from the * | from first * | from * around'),
      ),
      'rep *',
      'repeat *',
      'work from * to *',
      'work from *',
      'from * to *',
      'from *',
      'work * to *',
    ],
  ],
  [
    { is: 'to last' },
    [
      combine(['to', 'until', 'up to'], words('last | the last | within | the final')),
      'to within the last',
      'until the last',
      'till last',
      'till the last',
      'except the last',
      'except last',
      'but the last',
      'but last',
    ],
  ],
  [
    { is: 'remain' },
    words(`
    remain | remaining | left | are left | are remaining | before end | before the end | stay free | from end | from the end |
    of end | of the end | remains | is left`),
  ],
  [
    { is: 'skip' },
    words(`
    sk | skip | skips | skipping | miss | missing | skip next | skip the next | sk next | miss next | miss the next`),
  ],
  [
    { is: 'filler' },
    words(`
    and | then | work | working | repeat | rep | crochet | make | the | to make | now | again | just |
    foundation | foundation chain | foundation ch | foundation row | foundation round | starting chain |
    base chain | start | begin | to start | to begin | begin with | start with | continue with | unworked | rs | ws | simply | only |
    create | crocheting | start by | start off with | do | so | ok | okay | go | a | an | repeat this | repeat that | repeat these |
    rep this | do this | do that | in each round | in every round | each round | every round | in each row | each row | every row | repeat this pattern | this is | inside | alternate | alternating | nothing fancy | slip knot | a slip knot | make a slip knot | slipknot | a slipknot | you do | we do | you | we`),
  ],
  [
    { is: 'counted', counted: true },
    combine(
      words(' | it | this | which'),
      ['counted', 'counts', 'counts as'],
      words(`
    | st | stitch | a st | a stitch | as a st | as a stitch | as one st | first st | first stitch | the first st | the first stitch | 1 st | 1 sc | sc |
    hdc | dc | tr | first sc | first dc | first hdc | one stitch | one st | 1 stitch | 1 hdc | 1 dc | 1 tr | the first dc | the first sc |
    the first hdc | the first tr | first tr | as sc | as dc | as hdc | always | here and throughout | throughout`),
    ),
  ],
  [
    { is: 'counted', counted: false },
    combine(
      words(' | it | this | which'),
      words(`
    does not count | doesn't count | doesn’t count | doesnt count | not counted | not counting | do not count | never counts | is not counted |
      will not count`),
      words(
        ' | as st | as a st | as stitch | as a stitch | as the first st | as a stitch here | here | here and throughout | throughout | as a st here and throughout | as a stitch here and throughout | as stitch throughout',
      ),
    ),
  ],
  [
    { is: 'colour' },
    [
      combine(
        words('change | switch | swap | go back | changing | switching'),
        words(' | color | colour | yarn | yarn color | back'),
        ['to'],
      ),
      'color',
      'colour',
      'change color',
      'change colour',
      'switch color',
      'switch colour',
    ],
  ],
  [{ is: 'with' }, ['with', 'in', 'using']],
  [{ is: 'into' }, ['into', 'over', 'on', 'from']],
  [
    { is: 'join' },
    words(`join | connect | bridge | joining | attach to | continuing on | continuing with | continuing from | continue on |
    continue with the | continue from | working on`),
  ],
  [
    { is: 'close join' },
    [
      combine(
        words(`
    join | join with | close with | join round with | end with | close the round with | finish with |`),
        words('sl st | a sl st | ss | a ss | slip stitch | a slip stitch'),
        words('to | in | into | to the | in the | into the'),
        words('first | top of | beginning | start'),
        words(' | st | sc | dc | stitch | ch | chain | hdc'),
      ),
      combine(
        words('sl st | ss | slip stitch | sl st to | join with | close with'),
        words('to join | to close | join | a sl st | sl st | ss | slip stitch | a slip stitch'),
      ),
      combine(
        words(`
    sl st | a sl st | ss | slip stitch | a slip stitch | sl st to join | ss to join | slip stitch to join | join | close |
    join with sl st | join with a sl st | join with ss | join with slip stitch | join with a slip stitch`),
        words(`
    | in first ch | to first ch | into first ch | in the first ch | to the first ch | into the first ch |
    in first chain | to first chain | into first chain | in the first chain | to the first chain | into the first chain`),
        words('to form | to make | forming | into'),
        words('a ring | ring | a loop | a circle | the ring'),
      ),
      combine(words('join | close'), ['in'], words('a ring | a loop | a circle')),
      'join the round',
      'join round',
    ],
  ],
  [{ is: 'turn' }, words('turn | and turn | turn work | turn the work')],
  [
    { is: 'same' },
    [
      combine(
        words(' | work | worked | make | the'),
        words('same as | same as for | as | as for | as in | like | same as in | as per | exactly as | just like'),
      ),
    ],
  ],
  [
    { is: 'even' },
    words(`work even | even | work even around | work plain | plain round | knit even | plain | continue even |
      work straight | no increases | no increase | no inc | without increases | without increasing |
      no increases or decreases | no decreases | without increasing or decreasing | no shaping | no changes`),
  ],
  [{ is: 'for' }, words('for | for a total of | repeat for | rep for | for the next | repeat this for')],
  [{ is: 'until' }, ['until', 'till', 'for as long as']],
  [
    { is: 'as liked' },
    [
      combine(
        words('to | to the | until | until the | for | until it is'),
        words(`
    desired length | length you like | length you want | length desired | wanted length | length wanted |
    length of your choice | length you prefer | length you need | as long as you like | as long as you want |
    as long as desired | long enough`),
      ),
      combine(
        ['as many'],
        words('rounds | rows | rnds | times'),
        ['as'],
        words('you like | you want | desired | needed | you need'),
      ),
      'as long as you like',
      'as long as you want',
    ],
  ],
  [{ is: 'pick up' }, ['pick up', 'pick up and work']],
  [
    { is: 'edge' },
    combine(words('along | around | on | into | in | across'), ['the', 'an', 'its'], words('edge | opening | open edge | rim')),
  ],
  [
    { is: 'layers' },
    combine(
      words('through | working through | work through | in'),
      ['both', 'the two', 'both of the'],
      words('layers | panels | pieces | sides'),
    ),
  ],
  [
    { is: 'layers' },
    words('through both | working through both | work through both | through both together | through all layers'),
  ],
  [{ is: 'through' }, ['through', 'working through', 'worked through']],
  [
    { is: 'along' },
    [
      combine(
        words('along | across | over | around | on | up | down'),
        ['', 'the'],
        words(
          'chain | ch | chains | chs | bridge | chain bridge | side | sides | long side | short side | next side | top | bottom',
        ),
      ),
      combine(['around', 'along', 'across'], ['', 'the'], words('first | second | other | left | right | 1st | 2nd')),
      'along',
    ],
  ],
  [
    { is: 'remark' },
    words(`
    placing | moving | lay | stuff | start stuffing | begin stuffing | place | move | mark | put | attach | insert | add | sew | fasten |
    fo | finish | leave a | leave an | leave the | leave long | leave about | leave yarn | cut | continue | keep |
    weave | close | pull | do not | don't | don’t | embroider | set | this | you | pm | tie |
    thread | hide | remember | slide | use | count | check | note | turn it | turn right side out |
    turn inside out | break off | press | fold | flatten | mark the | your | there | if | hold | drop | carry |
    insert the | bring | top up`),
  ],
];
