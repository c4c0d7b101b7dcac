import type { Finish } from '../assembly/index.js';
import type { TimelyKind } from '../making/index.js';
import { walk, type Fact, type Item, type Join, type StitchName } from '../notation/index.js';
import type { CardId } from './card.js';

const OF_STITCH: Readonly<Partial<Record<StitchName, CardId>>> = {
  'sl st': 'slip stitch',
  sc: 'single crochet',
  ch: 'chain out and back',
  puff: 'puff',
  bobble: 'puff',
  popcorn: 'puff',
  cluster: 'puff',
  spike: 'single crochet',
};

/** The card for a stitch: tall ones, and those worked around a post, share one. */
export function cardOfStitch(stitch: StitchName): CardId {
  return OF_STITCH[stitch] ?? 'tall stitches';
}

/** The techniques that a round's items need, in the order in which they are worked, each once. */
export function cardsOfItems(items: readonly Item[]): readonly CardId[] {
  const found = new Set<CardId>();
  walk(items, (item) => {
    for (const id of cardsOfItem(item)) found.add(id);
  });
  return [...found];
}

function cardsOfItem(item: Item): readonly CardId[] {
  switch (item.kind) {
    case 'start':
      return [item.from === 'ring' ? 'adjustable ring' : 'chain 2 start', cardOfStitch(item.stitch)];
    case 'foundation':
      if (item.from === 'chain') return [item.sides === 2 ? 'oval start' : 'flat row'];
      return [item.from === 'bridge' ? 'two legs' : 'start from loops'];
    case 'work': {
      const changes: CardId[] =
        item.per > 1
          ? ['increase']
          : item.together > 1
            ? [item.school === 'plain' ? 'plain decrease' : 'invisible decrease']
            : [];
      const loop: CardId[] = item.loop === 'both' ? [] : ['one loop'];
      const limb: CardId[] = item.through === null ? [] : ['worked-in limb'];
      return [...loop, ...limb, ...changes, cardOfStitch(item.stitch)];
    }
    case 'cluster':
      return ['tall stitches'];
    case 'spur':
    case 'chain':
      return ['chain out and back'];
    case 'close':
      return [item.how === 'turn' ? 'flat row' : 'spiral or joined'];
    case 'colour':
      return ['colour change'];
    case 'remark':
      return item.facts.flatMap((fact) => cardOfFact(fact) ?? []);
    case 'skip':
    case 'group':
      return [];
  }
}

/** The card for what a remark asks for; null where it asks for nothing that is taught. */
export function cardOfFact(fact: Fact): CardId | null {
  switch (fact.is) {
    case 'eyes':
    case 'eye size':
      return 'safety eyes';
    case 'stuffing':
      return fact.how === 'none' ? null : 'stuffing';
    case 'face':
      return 'mouths and lashes';
    case 'limb':
    case 'ends together':
      return 'sewing a round edge';
    case 'pressed flat':
      return 'sewing flat';
    case 'right side':
      return 'right side out';
    case 'closing':
      return 'closing';
    case 'tail':
      return 'hiding ends';
    case 'marker':
      return 'marker';
    case 'way':
      return fact.way === 'turned' ? 'flat row' : 'spiral or joined';
    case 'thing':
      return fact.thing === 'ring' || fact.thing === 'cord' ? 'fringe, loop and ring' : null;
    default:
      return null;
  }
}

/** The card for a slip that was found, by its code; null where none helps. */
export function cardOfSlip(code: string): CardId | null {
  return OF_SLIP[code] ?? null;
}

const OF_SLIP: Readonly<Record<string, CardId>> = {
  'leaves-stitches': 'too many or too few',
  'uses-too-many': 'too many or too few',
  'total-differs': 'counting',
  'growth-ruffles': 'increase',
  'growth-gathers': 'invisible decrease',
  'chain-short': 'oval start',
  'start-missing': 'adjustable ring',
  'gate-late': 'stuffing',
};

const OF_JOIN: Readonly<Record<Join, CardId | null>> = {
  sewn: 'sewing a round edge',
  'sewn flat': 'sewing flat',
  'edge to edge': 'whip stitch',
  whipped: 'whip stitch',
  'worked in': 'worked-in limb',
  'made in place': 'chain out and back',
  embroidered: 'mouths and lashes',
  set: 'safety eyes',
  tied: 'fringe, loop and ring',
  glued: null,
  'pushed in': null,
};

/** The card for how something is put on; null where there is nothing to teach. */
export const cardOfJoin = (join: Join): CardId | null => OF_JOIN[join];

const OF_FINISH: Readonly<Record<Finish['do'], CardId | null>> = {
  'draw shut': 'closing',
  'leave a tail': 'sewing a round edge',
  cut: 'hiding ends',
  'top up': 'stuffing',
  'press flat': 'sewing flat',
  'hide the ends': 'hiding ends',
  loop: 'fringe, loop and ring',
  say: 'mouths and lashes',
};

/** The card for what is left to do with a piece once its last stitch is worked. */
export const cardOfFinish = (finish: Finish): CardId | null => OF_FINISH[finish.do];

const OF_TIMELY: Readonly<Record<TimelyKind, CardId>> = {
  eyes: 'safety eyes',
  stuffing: 'stuffing',
  face: 'mouths and lashes',
  limb: 'worked-in limb',
  'right side': 'right side out',
  tail: 'hiding ends',
  closing: 'closing',
  colour: 'colour change',
  hand: 'stuffing',
  legs: 'two legs',
};

/** The card for what has its time. */
export const cardOfTimely = (kind: TimelyKind): CardId => OF_TIMELY[kind];
