import type { Card } from '../card.js';

export const BEGINNINGS: readonly Card[] = [
  {
    id: 'adjustable ring',
    name: 'Adjustable ring',
    called: {
      both: ['magic ring', 'magic circle', 'magic loop', 'adjustable loop', 'mr', 'ring', 'sliding loop'],
      US: [],
      UK: [],
    },
    what: 'A loop of yarn that the first round is worked into and that its tail draws shut.',
    steps: [
      'Lay the tail over two fingers and round them once, so that two strands cross.',
      'Put the hook under the first strand, catch the second and draw it through; turn the hook up.',
      'Chain 1 to lock it. The pattern says whether that chain counts.',
      'Work the {sc s} over the loop and the tail together.',
      'Draw the tail until the hole is gone, then go on into the first stitch.',
    ],
    rightWhen: 'No light shows through the middle, and as many V’s can be counted as the round has.',
    goesWrong: [
      {
        sign: 'It does not draw shut.',
        mend: 'The stitches hold the loop alone, not the tail. Take them out and work over both.',
      },
      {
        sign: 'It opens again later.',
        mend: 'Wrap the loop twice: pull one strand to see which loop moves, close that one, then the tail. Knot the tail inside.',
      },
    ],
    see: ['chain 2 start', 'single crochet', 'counting'],
  },
  {
    id: 'chain 2 start',
    name: 'Chain 2 start',
    called: { both: ['ch 2 start', 'second chain from hook', '2nd ch from hook'], US: [], UK: [] },
    what: 'The easier beginning: all stitches of the first round go into one chain.',
    steps: [
      'Make a slip knot and chain 2.',
      'Work every {sc} of the round into the second chain from the hook.',
      'Go on into the first of them, without joining.',
      'Weave the starting tail under the feet of the first round and pull.',
    ],
    rightWhen: 'The stitches stand round one hole, and the tail has closed it.',
    goesWrong: [
      {
        sign: 'A hole stays in the middle.',
        mend: 'Draw the starting tail once round under the stitches, pull, and knot it inside.',
      },
    ],
    see: ['adjustable ring', 'hiding ends'],
  },
  {
    id: 'oval start',
    name: 'Oval start',
    called: { both: ['oval', 'both sides of the chain', 'other side of the chain'], US: [], UK: [] },
    what: 'A chain worked along one side and back along the other.',
    steps: [
      'Chain as many as the pattern says.',
      'Begin in the second chain from the hook and work along the side, under two strands of each chain.',
      'Work several stitches into the last chain: they turn the corner.',
      'Go back along the other side, under the one strand that is left.',
      'Work several more where you began, and put the marker in.',
    ],
    rightWhen: 'Both long sides have the same number of stitches, and the round has twice the side and both ends.',
    goesWrong: [
      { sign: 'One too many.', mend: 'The corner chain was counted for the side as well. Count from the hook again.' },
      { sign: 'One too few.', mend: 'The first chain was missed: it is the one beside the knot.' },
    ],
    see: ['flat row', 'counting'],
  },
  {
    id: 'flat row',
    name: 'Flat row',
    called: { both: ['row', 'turn', 'turning chain', 'back and forth', 'chain and turn', 'foundation chain'], US: [], UK: [] },
    what: 'Rows that are turned, for panels and labels.',
    steps: [
      'Chain one more than the row has stitches.',
      'Begin in the second chain from the hook: one {sc} in each.',
      'Chain 1, which is no stitch, and turn the work.',
      'Work the first {sc} into the last one of the row below, and one in each to the end.',
    ],
    rightWhen: 'Both edges are straight, and every row has the same count.',
    goesWrong: [
      { sign: 'An edge drifts in.', mend: 'The last stitch of a row is missed: it lies flat beside the turning chain.' },
      { sign: 'An edge drifts out.', mend: 'The turning chain was worked as a stitch. Pass it over.' },
    ],
    see: ['single crochet', 'plain decrease'],
  },
  {
    id: 'start from loops',
    name: 'Beginning on loops or an edge',
    called: {
      both: ['front loops left', 'unworked loops', 'pick up', 'along the edge', 'through both layers', 'join yarn'],
      US: [],
      UK: [],
    },
    what: 'A brim, a skirt or a cuff that grows out of stitches that are there.',
    steps: [
      'Find the rim: where a round was worked in one loop only, the other loops stand free.',
      'Join the yarn at the marker’s line with a slip knot on the hook.',
      'Work one stitch into each loop, all the way round.',
      'Through two layers, put the hook through the loop and the stitch right behind it.',
    ],
    rightWhen: 'The new round has one stitch for each loop, and stands straight off the wall.',
    goesWrong: [
      {
        sign: 'A gap where it begins.',
        mend: 'Lay the tail along and work the first stitches over it; sew the gap with it at the end.',
      },
    ],
    see: ['one loop', 'sewing a round edge'],
  },
];
