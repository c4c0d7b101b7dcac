import { along, add, type Vector } from '../../vector/index.js';
import type { CardId } from '../../technique/index.js';
import type { Drawing, DrawnStrand } from '../drawing.js';
import { ROW, topOver, vAt, workedRow } from '../fabric-edge.js';
import { throughV } from '../loops.js';
import { FROM_ABOVE, FROM_OUTSIDE, overEdge, pictures, rowsBelow, rowSoFar, strandOfV, yarn, type Pick } from '../scene.js';
import {
  chainTo,
  increaseOver,
  invisibleDecreaseOver,
  plainDecreaseOver,
  puffOver,
  singleOver,
  slipOver,
  stitchMoves,
} from '../stitches.js';
import { workFrom, type Move } from '../work.js';

/** The movements of the stitch cards, for who counts what they draw through what. */
export const MOVES = {
  'single crochet': singleOver(3),
  'half double': stitchMoves(throughV(vAt(3), 'both'), topOver(3, 0, 1.5), 1, true),
  'tall stitches': stitchMoves(throughV(vAt(3), 'both'), topOver(3, 0, 2), 1),
  treble: stitchMoves(throughV(vAt(3), 'both'), topOver(3, 0, 3), 2),
  'slip stitch': slipOver(3),
  increase: increaseOver(3),
  'plain decrease': plainDecreaseOver(3),
  'invisible decrease': invisibleDecreaseOver(3),
  puff: puffOver(3, 3),
} as const satisfies Record<string, readonly Move[]>;

function oneLoop(): Drawing {
  const below = rowsBelow();
  const pointed = (which: 'front' | 'back'): readonly DrawnStrand[] =>
    [0, 1, 2, 3, 4, 5, 6].map((i) => yarn(`${which} ${i}`, strandOfV(topOver(i - 1, -1), topOver(i, -1), which), 'pointed at'));
  const worked = workFrom(topOver(2), [...singleOver(3, 'back'), ...singleOver(4, 'back')]);
  const still = [...below, yarn('row so far', workedRow(0, -1, 3, 'back'))];
  return {
    camera: FROM_ABOVE,
    view: [-6.4, -2.6, 6.4, 4],
    frames: [
      {
        step: 0,
        strands: [...below, ...pointed('front')],
        marks: [{ is: 'number', text: 'front', at: add(vAt(3), [0, 0, 1]) }],
      },
      {
        step: 0,
        strands: [...below, ...pointed('back')],
        marks: [{ is: 'number', text: 'back', at: add(vAt(3), [0, 0.2, -0.9]) }],
      },
      ...pictures(
        worked,
        [
          [1, 1],
          [3, 2],
          [-1, 2],
        ],
        still,
      ),
    ],
  };
}

/** Chains out of an edge, and slip stitches back along them. */
function chainOutAndBack(): Drawing {
  const start = topOver(2);
  const nodes = Array.from({ length: 4 }, (_, i): Vector => along(start, [[0.42, 0.9, 0.05], i + 1]));
  const back = [2, 1, 0].flatMap((i): Move[] => {
    const node = add(nodes[i]!, [0.34, -0.1, 0.16]);
    return [
      { does: 'into', foot: [add(node, [0, -0.1, -0.4]), add(node, [0, -0.1, -0.1]), add(node, [0, 0, 0.2])] },
      { does: 'over' },
      { does: 'through', loops: 1, node, ends: true },
    ];
  });
  const worked = workFrom(start, [...chainTo(nodes), ...back]);
  const picks: Pick[] = [
    [2, 0],
    [8, 0],
    [9, 1],
    [11, 1],
    [-1, 1],
  ];
  return {
    camera: FROM_OUTSIDE,
    view: [-7, -5.4, 8, 5],
    frames: pictures(worked, picks, [...rowsBelow(), rowSoFar(3)], [9, 6, -0.7]),
  };
}

/** Chains that lie on the fabric: each is drawn up out of the next hole and through the one before. */
function surfaceChain(): Drawing {
  const hole = (i: number): Vector => [i + 0.55, -ROW * 0.75, 0.1];
  const moves = [1, 2, 3, 4].flatMap((i): Move[] => {
    const at = hole(i);
    const foot = [add(at, [0, 0, -0.7]), at, add(at, [0, 0, 0.4])] as const;
    return [{ does: 'into', foot }, { does: 'over' }, { does: 'through', loops: 1, node: add(at, [0, 0, 0.4]), ends: true }];
  });
  const worked = workFrom(add(hole(0), [0, 0, 0.4]), moves, 'facing');
  return {
    camera: { tilt: 0.2, way: -1 },
    view: [-6.4, -2.2, 6.4, 4],
    frames: pictures(
      worked,
      [
        [6, 0],
        [7, 1],
        [8, 2],
        [9, 2],
        [-1, 2],
      ],
      [yarn('top', workedRow(0, -1, 8)), ...rowsBelow(3)],
      [7, -1.4, -1.4],
    ),
  };
}

export const STITCH_DRAWINGS = {
  'single crochet': () =>
    overEdge(MOVES['single crochet'], [
      [1, 0],
      [2, 1],
      [3, 1],
      [4, 2],
      [5, 2],
    ]),
  'tall stitches': () =>
    overEdge(MOVES['tall stitches'], [
      [1, 0],
      [2, 0],
      [4, 1],
      [5, 3],
      [6, 3],
      [8, 3],
    ]),
  'slip stitch': () =>
    overEdge(MOVES['slip stitch'], [
      [0, 0],
      [1, 0],
      [2, 1],
      [3, 1],
    ]),
  increase: () =>
    overEdge(MOVES.increase, [
      [5, 0],
      [6, 1],
      [8, 1],
      [10, 2],
    ]),
  'plain decrease': () =>
    overEdge(MOVES['plain decrease'], [
      [3, 0],
      [6, 1],
      [7, 2],
      [8, 2],
    ]),
  'invisible decrease': () =>
    overEdge(MOVES['invisible decrease'], [
      [1, 0],
      [2, 0],
      [3, 1],
      [4, 1],
      [6, 2],
    ]),
  'one loop': oneLoop,
  puff: () =>
    overEdge(MOVES.puff, [
      [1, 0],
      [4, 0],
      [12, 1],
      [13, 2],
      [16, 3],
    ]),
  'chain out and back': chainOutAndBack,
  'surface chain': surfaceChain,
} satisfies Partial<Record<CardId, () => Drawing>>;
