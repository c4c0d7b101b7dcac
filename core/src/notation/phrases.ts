import type { DecreaseSchool } from './pattern.js';
import type { Loop, StitchName } from './stitch.js';

/** What a phrase means to the reader of a round. */
export type Meaning =
  | { readonly is: 'stitch'; readonly stitch: StitchName }
  | { readonly is: 'increase'; readonly stitch: StitchName | null; readonly per: number }
  | { readonly is: 'decrease'; readonly stitch: StitchName | null; readonly together: number; readonly school: DecreaseSchool }
  | { readonly is: 'loop'; readonly loop: Loop }
  | { readonly is: 'counted'; readonly counted: boolean }
  | { readonly is: 'every'; readonly step: number }
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
        | 'along';
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

/** Fixed phrases in both terms. Of several that begin alike the longest is taken; each phrase has one meaning. */
export const PHRASES: readonly (readonly [Meaning, Phrase | readonly Phrase[]])[] = [
  [{ is: 'chain' }, words('ch | chs | chain | chains')],
  [{ is: 'increase', stitch: null, per: 2 }, words('inc | incs | increase | increases | increase in | increasing')],
  [{ is: 'increase', stitch: null, per: 3 }, words('inc 3 in 1 | triple inc | triple increase | double increase')],
  [
    { is: 'decrease', stitch: null, together: 2, school: 'invisible' },
    [combine(['inv', 'inv-', 'invisible'], words('dec | decs | decrease | decreases')), 'invdec', 'invdecs'],
  ],
  [{ is: 'decrease', stitch: null, together: 2, school: 'plain' }, combine(['plain'], ['dec', 'decrease', 'decreases'])],
  [{ is: 'decrease', stitch: null, together: 2, school: 'open' }, words('dec | decs | decrease | decreases | decrease in')],
  [{ is: 'loop', loop: 'back' }, ['blo', 'bl', combine(['', 'the'], ['back loop', 'back loops'], ['', 'only'])]],
  [{ is: 'loop', loop: 'front' }, ['flo', 'fl', combine(['', 'the'], ['front loop', 'front loops'], ['', 'only'])]],
  [{ is: 'loop', loop: 'both' }, ['both loops']],
  [
    { is: 'ring' },
    [
      combine(ARTICLE, words('ring | adjustable ring | magic ring | magic circle | magic loop | adjustable loop')),
      'mr',
      'amr',
      'mc',
      'loop ring',
      'it',
    ],
  ],
  [
    { is: 'nth chain' },
    combine(
      ['', 'the'],
      words('2nd | 3rd | 4th | 5th | second | third | fourth | fifth'),
      ['ch', 'chain'],
      words(' | from hook | from the hook | from your hook'),
    ),
  ],
  [{ is: 'last chain' }, combine(['', 'the'], ['last', 'final', 'end'], ['ch', 'chain'])],
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
    work back | back`),
      words('on | along | down | up | into | in | across'),
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
    around | all around | across | all across | to end | to the end | all the way around | to end of round |
    to end of row | to the end of the round | to the end of the row | until end | until the end |
    until end of round | until the end of the round | round | for the rest of the round | the rest of the round |
    for the whole round | the whole round`),
  ],
  [
    { is: 'each' },
    combine(
      words('each | every | all | every single | all the'),
      words('st | sts | stitch | stitches | ch | chain | chs'),
      words(' | around | across | of the round | of round | of the row | to end | to the end | along'),
    ),
  ],
  [
    { is: 'every', step: 2 },
    combine(words('every other | every second | every 2nd | each second'), ['', 'st', 'stitch'], ['', 'around']),
  ],
  [{ is: 'every', step: 3 }, combine(['every third', 'every 3rd', 'each third'], ['', 'st', 'stitch'], ['', 'around'])],
  [{ is: 'every', step: 4 }, combine(['every fourth', 'every 4th', 'each fourth'], ['', 'st', 'stitch'], ['', 'around'])],
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
      combine(['', 'the', 'each'], ['corner'], ['', 'st', 'stitch']),
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
  [{ is: 'times' }, words('x | times | time | times total | times in total | times around')],
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
    ],
  ],
  [{ is: 'to last' }, [combine(['to', 'until', 'up to'], words('last | the last | within | the final')), 'to within the last']],
  [
    { is: 'remain' },
    words(`
    remain | remaining | left | are left | are remaining | before end | before the end | from end | from the end |
    of end | of the end | remains | is left`),
  ],
  [
    { is: 'skip' },
    words(`
    sk | skip | skipping | miss | missing | leave | skip next | skip the next | sk next | miss next | miss the next`),
  ],
  [
    { is: 'filler' },
    words(`
    and | then | work | working | repeat | rep | crochet | make | the | to make | now | again | just |
    foundation | foundation chain | foundation ch | foundation row | foundation round | starting chain |
    base chain | to start | to begin | begin with | start with | continue with | unworked | rs | ws`),
  ],
  [
    { is: 'counted', counted: true },
    combine(
      words(' | it | this | which'),
      ['counted', 'counts', 'counts as'],
      words(`
    | st | stitch | a st | a stitch | first st | first stitch | the first st | the first stitch | 1 st | 1 sc | sc |
    hdc | dc | first sc | first dc | one stitch`),
    ),
  ],
  [
    { is: 'counted', counted: false },
    combine(
      words(' | it | this | which'),
      words(`
    does not count | doesn't count | doesn’t count | not counted | not counting | do not count`),
      words(' | as st | as a st | as stitch | as a stitch'),
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
  [{ is: 'into' }, ['into', 'over', 'on']],
  [{ is: 'join' }, words('join | connect | bridge | joining')],
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
      'join the round',
      'join round',
    ],
  ],
  [{ is: 'turn' }, words('turn | and turn | turn work | turn the work')],
  [
    { is: 'same' },
    [combine(words(' | work | worked | make | the'), words('same as | same as for | as | as for | as in | like'))],
  ],
  [{ is: 'even' }, words('work even | even | work even around | work evenly | work plain | plain round')],
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
  [{ is: 'through' }, ['through', 'working through', 'worked through']],
  [
    { is: 'along' },
    [
      combine(
        words('along | across | over | around | on | up | down'),
        ['', 'the'],
        words('chain | ch | chains | chs | bridge | chain bridge'),
      ),
      combine(['around', 'along', 'across'], ['', 'the'], words('first | second | other | left | right | 1st | 2nd')),
      'along',
    ],
  ],
  [
    { is: 'remark' },
    words(`
    stuff | start stuffing | begin stuffing | place | move | mark | put | attach | insert | add | sew | fasten |
    fo | finish | leave a | leave an | leave the | leave long | leave about | leave yarn | cut | continue | keep |
    weave | close | pull | begin | start | do not | don't | don’t | embroider | set | this | you | pm | tie |
    thread | hide | remember | slide | use | count | check | note | turn it | turn right side out |
    turn inside out | break off | press | fold | flatten | mark the | your | there | if | hold | drop | carry |
    insert the | bring | top up`),
  ],
];
