import type { Card } from '../card.js';

export const STITCH_CARDS: readonly Card[] = [
  {
    id: 'single crochet',
    name: '{Sc}',
    called: { both: ['plain stitch'], US: ['sc', 'single crochet', 'single'], UK: ['dc', 'double crochet'] },
    what: 'The stitch that stuffed figures are made of.',
    steps: [
      'Put the hook under both loops of the stitch, from the front to the back.',
      'Yarn over, and draw a loop up: two loops are on the hook.',
      'Yarn over again, and draw through both.',
    ],
    rightWhen: 'A V lies on top of the stitch, as wide as its neighbours.',
    goesWrong: [
      {
        sign: 'X’s instead of V’s.',
        mend: 'The yarn was laid under the hook, not over. Either is right, but stay with one: it changes the size.',
      },
      {
        sign: 'Ridges where none should be.',
        mend: 'Only one loop was taken. Look that both strands of the V lie over the hook.',
      },
    ],
    see: ['increase', 'one loop', 'counting'],
  },
  {
    id: 'tall stitches',
    name: 'Tall stitches',
    called: {
      both: ['tall'],
      US: ['hdc', 'half double crochet', 'dc', 'double crochet', 'tr', 'treble crochet', 'triple crochet'],
      UK: ['htr', 'half treble', 'tr', 'treble', 'dtr', 'double treble'],
    },
    what: 'Stitches with yarn laid round the hook before it goes in: {hdc} with one, {dc} with one, {tr} with two.',
    steps: [
      'Lay the yarn over the hook, once or twice, and put it under both loops.',
      'Draw a loop up.',
      '{Hdc}: yarn over, through all three loops at once.',
      '{Dc}: yarn over, through two loops; and once more.',
      '{Tr}: yarn over, through two loops; three times in all.',
    ],
    rightWhen: 'They stand beside each other at one height, without holes.',
    goesWrong: [
      { sign: 'The circle cups.', mend: 'Tall stitches need more in a round to lie flat: about 8 of {hdc}, 12 of {dc}.' },
    ],
    see: ['single crochet', 'puff'],
  },
  {
    id: 'slip stitch',
    name: '{Sl st}',
    called: { both: ['slip stitch', 'slst'], US: ['sl st'], UK: ['ss'] },
    what: 'Joins, and moves on without height.',
    steps: ['Put the hook through the stitch.', 'Yarn over, and draw through the stitch and the loop on the hook at once.'],
    rightWhen: 'It lies flat on the edge and does not draw it in.',
    goesWrong: [{ sign: 'The edge puckers.', mend: 'It is too tight: let the loop on the hook be as wide as the hook.' }],
    see: ['spiral or joined', 'chain out and back'],
  },
  {
    id: 'increase',
    name: 'Increase',
    called: { both: ['inc', 'increase', '2 in 1', 'two in one'], US: ['2 sc in 1'], UK: ['2 dc in 1'] },
    what: 'Two stitches in one: the round gets wider.',
    steps: [
      'Work a {sc} into the stitch.',
      'Put the hook into the same place again and work another.',
      'Go on in the next stitch.',
    ],
    rightWhen: 'Two V’s share one foot.',
    goesWrong: [
      {
        sign: 'One too many at the end.',
        mend: 'An increase was worked twice, or beside its place. Count the V’s from the marker in groups as the round has them.',
      },
      {
        sign: 'Corners show.',
        mend: 'Increases stand above each other in every round. Stagger them: the map of the part does it for you.',
      },
    ],
    see: ['single crochet', 'invisible decrease', 'counting'],
  },
  {
    id: 'plain decrease',
    name: 'Plain decrease',
    called: { both: ['2tog', 'together', 'two together'], US: ['sc2tog'], UK: ['dc2tog'] },
    what: 'Two stitches worked into one, through both loops. For flat rows.',
    steps: [
      'Draw a loop up out of the first stitch, and leave it on the hook.',
      'Draw a loop up out of the next: three loops are on the hook.',
      'Yarn over, and draw through all three.',
    ],
    rightWhen: 'One V stands over two feet, with a slanting bar beside it.',
    goesWrong: [{ sign: 'A gap beside it in the round.', mend: 'Take the invisible decrease there.' }],
    see: ['invisible decrease'],
  },
  {
    id: 'invisible decrease',
    name: 'Invisible decrease',
    called: { both: ['invdec', 'inv dec', 'dec', 'decrease'], US: [], UK: [] },
    what: 'Two stitches become one, and hardly show.',
    steps: [
      'Put the hook through the front loop of the next stitch, and at once through the front loop of the one after it.',
      'Yarn over, and draw through both loops.',
      'Yarn over, and draw through the two that are left.',
    ],
    rightWhen: 'It looks like a stitch among stitches, and nothing shows through beside it.',
    goesWrong: [
      { sign: 'It gapes.', mend: 'Hold the yarn tight while you draw through the two front loops.' },
      {
        sign: 'One too many at the end.',
        mend: 'The stitch after a decrease hides half under it and is easily missed, or worked twice. Look beside each.',
      },
    ],
    see: ['plain decrease', 'one loop', 'too many or too few'],
  },
  {
    id: 'one loop',
    name: 'Back loop, front loop',
    called: { both: ['blo', 'flo', 'back loop', 'front loop', 'back loops only', 'front loops only'], US: [], UK: [] },
    what: 'Only one strand of the V is taken; the other stays as a ridge.',
    steps: [
      'Look on the V from above: the strand nearer to you is the front loop, the one behind it the back loop.',
      'Put the hook under that strand alone.',
      'Work the stitch as always, all the way round.',
    ],
    rightWhen: 'A line of free strands runs round the piece, one for each stitch.',
    goesWrong: [
      {
        sign: 'The ridge breaks off.',
        mend: 'Both loops were taken there. It hardly shows at an edge; for a brim to grow from, go back to it.',
      },
    ],
    see: ['start from loops', 'single crochet'],
  },
  {
    id: 'puff',
    name: 'Puff',
    called: { both: ['puff', 'puff stitch', 'bobble', 'popcorn', 'cluster'], US: [], UK: [] },
    what: 'Several long loops in one place, drawn together to a bump: a paw, a tail, a nose.',
    steps: [
      'Yarn over, put the hook into the stitch and draw a long loop up.',
      'Do that as often as the pattern says, in the same stitch.',
      'Yarn over, and draw through all of them.',
      'Chain 1 to lock it.',
    ],
    rightWhen: 'A round bump stands out on the right side.',
    goesWrong: [
      {
        sign: 'It sinks in.',
        mend: 'Draw the loops longer, and all the same; push it out from the inside before the next stitch.',
      },
    ],
    see: ['tall stitches'],
  },
  {
    id: 'chain out and back',
    name: 'Chain out and back',
    called: { both: ['ch', 'chain', 'chains', 'stem', 'curl', 'picot'], US: [], UK: [] },
    what: 'A stem, a tentacle or a curl that grows out of a stitch and comes back to it.',
    steps: [
      'Chain as many as it should be long.',
      'Pass the first chain over, and work back: one stitch in each chain.',
      'Two in each chain make it curl.',
      'Go on in the next stitch of the round.',
    ],
    rightWhen: 'It stands off the wall where it should, and the round’s count is as before.',
    goesWrong: [
      {
        sign: 'The next round has one too many.',
        mend: 'Its last stitch was counted for the round. Push the stem to the front and work behind it.',
      },
    ],
    see: ['slip stitch', 'counting'],
  },
  {
    id: 'surface chain',
    name: 'Surface chain',
    called: { both: ['surface slip stitch', 'surface crochet', 'outline', 'vein'], US: [], UK: [] },
    what: 'A line of chains on the finished fabric.',
    steps: [
      'Hold the yarn behind the piece.',
      'Put the hook through from the front and draw a loop up to it.',
      'One hole on, draw the next loop up and through the loop on the hook.',
      'At the end draw the tail to the back and knot it.',
    ],
    rightWhen: 'The line lies on the fabric and does not draw it together.',
    goesWrong: [{ sign: 'It draws in.', mend: 'Make each loop as long as the step to the next hole.' }],
    see: ['mouths and lashes'],
  },
];
