import { add, type Vector } from '../../vector/index.js';
import type { CardId } from '../../technique/index.js';
import { circle, discRound, FIRST_ROUND, ringGround, topInRound, vInRound } from '../disc.js';
import type { Drawing, DrawnStrand, Frame, Mark } from '../drawing.js';
import { topOver, vAt, workedRow } from '../fabric-edge.js';
import { LOOP_KNOTS, throughV, vsAlong, type Through } from '../loops.js';
import { DISC_VIEW, EDGE_VIEW, FLAT, FROM_OUTSIDE, pictures, rowsBelow, rowSoFar, yarn, type Pick } from '../scene.js';
import { chainTo, invisibleDecreaseOver, singleOver, slipOver, stitchMoves } from '../stitches.js';
import { finger, marker, wall } from '../things.js';
import { workFrom, type Ground } from '../work.js';

/** A closed disc of so many rounds; its ring is drawn shut. */
export const disc = (rounds: number, ground: Ground): readonly DrawnStrand[] => [
  yarn('ring', circle([0, 0, 0.02], 0.2, 18)),
  ...Array.from({ length: rounds }, (_, i) => yarn(`round ${i + 1}`, discRound(i + 1).map(ground))),
];

/** Numbers beside the V's of an edge. */
const numbersOver = (from: number, to: number, row = 0): readonly Mark[] =>
  Array.from({ length: to - from }, (_, i) => ({
    is: 'number',
    text: String(i + 1),
    at: add(vAt(from + i, row), [0.05, 0.62, 0]),
  }));

function spiralOrJoined(): Drawing {
  const seen = { camera: FLAT, view: DISC_VIEW };
  const ground = ringGround(0.2, FIRST_ROUND);
  // The round's first stitch is just past its last: the next one goes straight into it.
  const [x, y, z] = vInRound(1, FIRST_ROUND);
  const moves = [0.1, 0.5].flatMap((off) => stitchMoves(throughV([x, y, z], 'both'), [x + off, 2 * y, z]));
  const spiral = workFrom(topInRound(1, FIRST_ROUND - 1), moves);
  const joined = workFrom(topOver(3), [...slipOver(4), ...chainTo([add(vAt(4), [0.35, 0.85, 0.1])]), ...singleOver(4)]);
  const edge = [...rowsBelow(), rowSoFar(4)];
  return {
    camera: FROM_OUTSIDE,
    view: EDGE_VIEW,
    frames: [
      ...pictures(
        spiral,
        [
          [0, 0],
          [1, 0],
          [-1, 0],
        ],
        disc(1, ground),
        [5, 3, -0.7],
        ground,
      ).map((frame) => ({ ...frame, seen })),
      ...pictures(
        joined,
        [
          [3, 1],
          [5, 2],
          [-1, 3],
        ],
        edge,
      ),
    ],
  };
}

function markerCard(): Drawing {
  const first = pictures(workFrom(topOver(3), []), [[0, 0]], [...rowsBelow(), rowSoFar(4)])[0]!;
  const above = [...rowsBelow(2), yarn('row so far', workedRow(0, -1, 8)), yarn('row above', workedRow(1, -1, 4))];
  const thread: DrawnStrand = {
    id: 'thread',
    knots: [
      [3.4, -2.6, 0.6],
      [3.3, -1.4, 0.7],
      [3.25, -0.7, 0.75],
      [3.1, 0.2, 0.8],
      [2.9, 0.9, 0.6],
      [2.8, 1.3, -0.5],
    ],
    radius: 0.07,
    tone: 'marker',
    moves: true,
  };
  return {
    camera: FROM_OUTSIDE,
    view: EDGE_VIEW,
    frames: [
      {
        ...first,
        marks: [
          { is: 'number', text: 'last', at: [2.8, 1.85, 0] },
          { is: 'number', text: 'first of the next', at: [4.4, 0.75, 0] },
        ],
      },
      { ...first, step: 1, strands: [...first.strands, marker(vAt(3, 1))] },
      { step: 2, strands: [...above, marker(vAt(3, 2))], marks: [{ is: 'arrow', from: [4, 0.9, 0.8], to: [3.4, 1.75, 0.8] }] },
      { step: 3, strands: [...above, marker(vAt(3, 2)), thread] },
    ],
  };
}

function counting(): Drawing {
  const base = [...rowsBelow(), yarn('row so far', workedRow(0, -1, 6))];
  const hookLoop = pictures(workFrom(topOver(5), []), [[0, 0]], base)[0]!;
  const ground = ringGround(0.2, 1.4, 0.2);
  const rounds = disc(4, ground);
  const rings: readonly Mark[] = [1, 2, 3, 4].map((k) => ({ is: 'number', text: String(k), at: [0, 0.2 + k * 0.95 - 0.42, 2] }));
  return {
    camera: FLAT,
    view: [-7.4, -4.6, 14.8, 9.25],
    frames: [
      { ...hookLoop, seen: { camera: FROM_OUTSIDE, view: EDGE_VIEW }, marks: numbersOver(1, 6, 1) },
      { step: 1, strands: rounds, marks: [{ is: 'line', from: [0, 0, 2], to: [0, 4.4, 2] }, ...rings] },
      {
        step: 2,
        strands: [...rounds.slice(0, 1), { ...rounds[1]!, tone: 'pointed at' }, ...rounds.slice(2)],
        marks: rings.slice(0, 1),
      },
    ],
  };
}

function rightSideOut(): Drawing {
  const outside = [
    yarn('row', workedRow(-2, -1, 9)),
    yarn('row 1', workedRow(-1, -1, 9)),
    yarn('row 2', workedRow(0, -1, 9)),
    yarn('row 3', workedRow(1, -1, 9)),
  ];
  const inside = outside.map((strand) => ({ ...strand, knots: strand.knots.map(([x, y, z]): Vector => [7 - x, y, -z]) }));
  const cup = (bend: number): readonly DrawnStrand[] =>
    wall(
      'wall',
      [-2.6, -1.5, 0, 1.5, 2.6].map((x, i): Vector => [x, [1.1, 0.1, -0.5, 0.1, 1.1][i]! * bend + 0.3, 0]),
    );
  const tail = (bend: number): DrawnStrand =>
    yarn(
      'tail',
      [
        [0, 0.3 - bend * 0.4, 0.3],
        [0.2, 0.9, 0.3],
        [0.9, 1.2, 0.3],
        [1.4, 1.9, 0.3],
      ],
      'working',
    );
  return {
    camera: FLAT,
    view: [-6.4, -2.9, 6.4, 4],
    frames: [
      { step: 0, strands: outside, marks: [{ is: 'number', text: 'outside: V’s', at: [3.2, 2.5, 1] }] },
      { step: 0, strands: inside, marks: [{ is: 'number', text: 'inside: bars', at: [3.2, 2.5, 1] }] },
      {
        step: 1,
        strands: shifted([...cup(-1), finger([0, 1.6, 0.4], [0, 1, 0])], [3.2, 0, 0]),
        marks: [{ is: 'arrow', from: [3.2, 1.5, 1], to: [3.2, 0.5, 1] }],
      },
      { step: 2, strands: shifted([...cup(1), tail(1)], [3.2, 0, 0]) },
    ],
  };
}

/** Strands moved as they are. */
export function shifted(strands: readonly DrawnStrand[], by: Vector): readonly DrawnStrand[] {
  return strands.map((strand) => ({ ...strand, knots: strand.knots.map((knot) => add(knot, by)) }));
}

/** A stitch that is finished with another yarn: its last pull-through, and the next. */
function colourChange(): Drawing {
  const worked = workFrom(topOver(2), [...singleOver(3), ...singleOver(4)]);
  const still = [...rowsBelow(), rowSoFar(3)];
  const frames = pictures(
    worked,
    [
      [3, 0],
      [4, 1],
      [5, 1],
      [-1, 2],
    ],
    still,
  ).map((frame): Frame => ({
    ...frame,
    strands: frame.strands.flatMap((strand) => (strand.id === 'yarn' ? twoYarns(strand) : [strand])),
  }));
  return { camera: FROM_OUTSIDE, view: EDGE_VIEW, frames };
}

/** The working strand cut after its second loop: from there on it is of another colour, and both tails hang behind. */
function twoYarns(strand: DrawnStrand): readonly DrawnStrand[] {
  const cut = 2 * LOOP_KNOTS;
  const before = strand.knots.slice(0, cut);
  const after = strand.knots.slice(cut);
  const end = before.at(-1)!;
  return [
    { ...strand, knots: [...before, add(end, [0.5, -0.3, -0.3]), add(end, [1.6, -0.4, -0.5]), add(end, [2.6, -0.1, -0.6])] },
    {
      ...strand,
      id: 'new yarn',
      tone: 'other',
      knots: [add(after[0]!, [1.9, 0.55, -0.5]), add(after[0]!, [1, 0.3, -0.4]), ...after],
    },
  ];
}

/** A limb's edge before the wall: the hook goes through a stitch of each. */
function workedInLimb(): Drawing {
  const near: Vector = [0, -0.1, 0.75];
  const limb = (to: Vector = near): readonly DrawnStrand[] =>
    [-1, -2].map((row) => ({
      ...yarn(
        `limb ${row}`,
        workedRow(row, 3, 6).map((knot) => add(knot, to)),
      ),
      tone: 'other' as const,
    }));
  const foot = (i: number): Through => {
    const [a, b, c] = throughV(vAt(i), 'both');
    return [a, b, add(c, near)];
  };
  const moves = [3, 4, 5].flatMap((i) => stitchMoves(foot(i), topOver(i)));
  const worked = workFrom(topOver(2), moves);
  const still = [...rowsBelow(2), rowSoFar(3)];
  const picks: Pick[] = [
    [1, 1],
    [3, 1],
    [-1, 2],
  ];
  return {
    camera: FROM_OUTSIDE,
    view: EDGE_VIEW,
    frames: [
      {
        step: 0,
        strands: [...pictures(worked, [[0, 0]], still)[0]!.strands, ...limb([0, -0.5, 1.6])],
        marks: [{ is: 'arrow', from: [4.6, -1.6, 2.4], to: [4.6, -0.8, 2.2] }],
      },
      ...pictures(worked, picks, [...still, ...limb()]),
      {
        step: 3,
        strands: [...rowsBelow(2), ...limb(), yarn('row so far', workedRow(0, -1, 8)), yarn('row above', workedRow(1, -1, 4))],
      },
    ],
  };
}

/** Two rings of V's seen from above, a chain between them, and the round that goes round both. */
function twoLegs(): Drawing {
  const round = (middle: number, from: number, to: number, count: number, radius = 1.15): readonly Vector[] =>
    Array.from({ length: count + 1 }, (_, i): Vector => {
      const angle = Math.PI * (from + ((to - from) * i) / count);
      return [middle + Math.sin(angle) * radius, Math.cos(angle) * radius, radius - 1.4];
    });
  const leg = (id: string, middle: number): readonly DrawnStrand[] => [
    yarn(`${id} leg`, vsAlong(round(middle, 0.5, 2.5, 8), 'facing')),
    yarn(`${id} leg below`, vsAlong(round(middle, 0.5, 2.5, 8, 0.8), 'facing')),
  ];
  const [first, second] = [2.35, -2.35];
  const chain = yarn(
    'chain',
    vsAlong(
      [-1, -0.35, 0.35, 1].map((x): Vector => [x, 0, 0.1]),
      'facing',
    ),
  );
  const bridge = (y: number, way: number): readonly Vector[] => [1, 0.35, -0.35, -1].map((x): Vector => [x * way, y, 0.25]);
  const path = [
    ...round(first, 1.6, -0.6, 9, 1.55),
    ...bridge(0.36, 1),
    ...round(second, 0.6, -1.6, 9, 1.55),
    ...bridge(-0.36, -1),
  ];
  const so = (count: number): DrawnStrand => ({
    ...yarn('round', vsAlong(path.slice(0, count), 'facing'), 'working'),
    moves: true,
  });
  const still = [...leg('first', first), ...leg('second', second), chain];
  return {
    camera: FLAT,
    view: [-4.8, -3, 9.6, 6],
    frames: [
      { step: 0, strands: [...still.slice(0, -1), { ...chain, tone: 'working', moves: true }] },
      { step: 1, strands: [...still, so(10)], marks: [{ is: 'number', text: 'first leg', at: [first, 0, 2] }] },
      { step: 2, strands: [...still, so(14)] },
      { step: 3, strands: [...still, so(24)], marks: [{ is: 'number', text: 'second leg', at: [second, 0, 2] }] },
      { step: 4, strands: [...still, so(path.length)] },
    ],
  };
}

/** A row in which one stitch hides beside a decrease. */
function tooManyOrTooFew(): Drawing {
  const worked = workFrom(topOver(2), [...invisibleDecreaseOver(3), ...singleOver(5, 'both', add(topOver(4), [0.62, 0, 0]))]);
  const still = [...rowsBelow(), rowSoFar(3)];
  const done = pictures(
    worked,
    [
      [-1, 0],
      [-1, 2],
      [6, 3],
      [0, 3],
    ],
    still,
  );
  return {
    camera: FROM_OUTSIDE,
    view: EDGE_VIEW,
    frames: [
      { ...done[0]!, marks: numbersOver(1, 4, 1) },
      {
        ...done[0]!,
        step: 1,
        marks: numbersOver(3, 8, 0).map((mark) => (mark.is === 'number' ? { ...mark, at: add(mark.at, [0, -0.9, 0.9]) } : mark)),
      },
      { ...done[1]!, marks: [{ is: 'arrow', from: [4.9, 1.9, 0.4], to: [4.75, 1.1, 0.4] }] },
      { ...done[2]!, marks: [{ is: 'arrow', from: [5.4, 2.2, 0], to: [6.8, 2.7, 0] }] },
    ],
  };
}

export const GOING_ROUND_DRAWINGS = {
  'spiral or joined': spiralOrJoined,
  marker: markerCard,
  counting,
  'right side out': rightSideOut,
  'colour change': colourChange,
  'worked-in limb': workedInLimb,
  'two legs': twoLegs,
  'too many or too few': tooManyOrTooFew,
} satisfies Partial<Record<CardId, () => Drawing>>;
