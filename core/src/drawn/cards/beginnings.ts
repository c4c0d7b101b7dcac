import { between, add, type Vector } from '../../vector/index.js';
import type { CardId } from '../../technique/index.js';
import { circle, discRound, ringGround, topInRound } from '../disc.js';
import type { Drawing, DrawnStrand, Frame, Mark } from '../drawing.js';
import { topOver, vAt, workedRow } from '../fabric-edge.js';
import { holdAt, hookStrand } from '../hook.js';
import { lyingLoop, standingLoop, throughV, vsAlong, YARN, type Through } from '../loops.js';
import { FLAT, FROM_OUTSIDE, pictures, rowsBelow, yarn } from '../scene.js';
import { chainTo, singleOver, stitchMoves } from '../stitches.js';
import { finger } from '../things.js';
import { workFrom } from '../work.js';

/** What is seen of the first round: its middle in the middle. */
const RING_VIEW: Drawing['view'] = [-2.9, -1.8, 5.8, 3.62];

const hookAt = (tip: Vector, towards: Vector): DrawnStrand => ({
  id: 'hook',
  ...hookStrand(holdAt(tip, towards, 0)),
  tone: 'hook',
});

/** The ring of yarn round two fingers: tail, loop, and the way on to the ball. */
function ringOfYarn(pulled: number): readonly Vector[] {
  // At rest its loop passes behind the crossing; pulled, it comes up through the ring as the loop on the hook.
  const mid = (a: Vector, b: Vector): Vector => between(a, b, pulled);
  return [
    [1.3, -2.9, 0.1],
    [0.7, -1.7, 0.1],
    [0.1, -0.95, 0.25],
    [-0.8, -0.35, 0.2],
    [-0.95, 0.45, 0],
    [0, 1, -0.3],
    [0.95, 0.45, 0],
    [0.75, -0.5, -0.1],
    mid([0.2, -1, -0.15], [0.4, -0.75, -0.2]),
    mid([-0.2, -1.25, -0.2], [0.1, -0.2, 0.1]),
    mid([-0.6, -1.5, -0.2], [0.15, 0.55, 0.45]),
    mid([-1, -1.7, -0.2], [-0.12, 0.62, 0.2]),
    mid([-1.4, -1.9, -0.2], [-0.25, 0.45, 0]),
    mid([-1.9, -2.1, -0.2], [-0.35, -0.6, -0.3]),
    [-3, -2.5, -0.2],
    [-5, -3, -0.2],
  ];
}

/** So many stitches of the first round, worked into the middle of a ring; the last of them stands at the top. */
function firstRound(count: number, inner: number, step: number, still: readonly DrawnStrand[]): readonly Frame[] {
  const moves = Array.from({ length: count }, (_, j) => stitchMoves(throughV([j, 0, 0], 'both'), topInRound(1, j))).flat();
  const worked = workFrom(topInRound(1, -1), moves);
  return pictures(worked, [[-1, step]], still, [4.6, 2.6, -0.7], ringGround(inner, count - 1));
}

function adjustableRing(): Drawing {
  const fingers = [
    finger([0.35, 1.6, -0.7], [0.1, -1, 0], 'finger 1', 6),
    finger([-0.45, 1.5, -0.75], [-0.1, -1, 0], 'finger 2', 6),
  ];
  const loop = (pulled: number, step: number, hook: DrawnStrand[], more: readonly DrawnStrand[] = []): Frame => ({
    step,
    strands: [...more, { ...yarn('yarn', ringOfYarn(pulled), 'working'), moves: true }, ...hook],
  });
  const ring = (radius: number): readonly DrawnStrand[] => [
    yarn('ring', circle([0, 0, 0.02], radius, 24)),
    yarn('tail', [...circle([0, 0, -0.1], radius * 0.82, 12, 0.55, 3.4), [2.2, -1.2, -0.5], [3.4, -2.4, -0.5]]),
  ];
  const rounds = [1, 3].flatMap((count) => firstRound(count, 0.62, 3, ring(0.6)));
  const shut = ringGround(0.2, 2.2);
  const closed: Frame = {
    step: 4,
    strands: [
      yarn('ring', circle([0, 0, 0.02], 0.2, 24)),
      {
        ...yarn('tail', [...circle([0, 0, -0.1], 0.16, 12, 0.55, 3.4), [2, -1.4, -0.6], [3.6, -2.7, -0.6]], 'working'),
        moves: true,
      },
      yarn('round', discRound(1).map(shut)),
    ],
    marks: [{ is: 'arrow', from: [2.2, -1.9, 0], to: [3.3, -2.75, 0] }],
  };
  return {
    camera: FLAT,
    view: RING_VIEW,
    frames: [
      loop(0, 0, [], fingers),
      loop(0, 1, [hookAt([0.35, -1.1, -0.1], [-1, 0.8, 0.35])], fingers),
      loop(1, 1, [hookAt([0.42, 0.5, 0.2], [-1, 0.12, 0.15])]),
      ...rounds,
      closed,
    ],
  };
}

/** Six stitches in one chain, which is a small ring of two strands. */
function chainTwoStart(): Drawing {
  const start: Vector = [0, 0, 0];
  const chained = workFrom(start, chainTo([add(start, [1, 0, 0]), add(start, [2, 0, 0])]), 'facing');
  const tail: DrawnStrand = yarn(
    'tail',
    [
      [-0.05, -0.3, -0.3],
      [-0.5, -0.5, -0.2],
      [-1.2, -1.1, 0],
      [-2.6, -1.7, 0],
    ],
    'working',
  );
  const chains = pictures(
    chained,
    [
      [2, 0],
      [4, 0],
    ],
    [tail],
    [6.5, 1.4, -0.6],
  );
  const eye = [
    yarn('ring', circle([0, 0, 0.02], 0.34, 24)),
    yarn('start', [
      [0.2, -0.3, -0.3],
      [0.9, -1.2, -0.4],
      [1.8, -2.3, -0.4],
      [2, -3, -0.4],
    ]),
  ];
  const rounds = [1, 4].flatMap((count) => firstRound(count, 0.34, count === 1 ? 1 : 2, eye));
  const woven: Vector[] = Array.from({ length: 13 }, (_, i) => [i / 2, -0.05, i % 2 === 0 ? 0.55 : -0.4] as Vector).map(
    ringGround(0.3, 2.2, 0),
  );
  return {
    camera: FLAT,
    view: RING_VIEW,
    frames: [
      ...chains,
      ...rounds,
      {
        step: 3,
        strands: [
          yarn('ring', circle([0, 0, 0.02], 0.2, 24)),
          yarn('round', discRound(1).map(ringGround(0.2, 2.2))),
          { ...yarn('start', [...woven, [1.4, -1.8, 0.3], [2.4, -2.9, 0.3]], 'working'), moves: true },
        ],
        marks: [{ is: 'arrow', from: [1.9, -1.9, 0], to: [2.6, -2.7, 0] }],
      },
    ],
  };
}

/** A chain that lies on the table, its V's facing up, from its knot on. */
const tableChain = (count: number): readonly Vector[] =>
  vsAlong(
    Array.from({ length: count + 1 }, (_, i): Vector => [i * 0.8, 0, 0]),
    'facing',
  );

/** A stitch that stands away from a chain on the table, turned about its foot. */
function standingOut(x: number, angle: number, reach = 0.95): readonly Vector[] {
  const foot = throughV([0, 0, 0], 'both');
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
  const turn = ([px, py, pz]: Vector): Vector => [x + px * cos + py * sin, py * cos - px * sin, pz];
  return [...standingLoop(foot, [0.1, reach, 0]), ...lyingLoop([-0.4, reach, 0], [0.45, reach, 0], 0.9)].map(turn);
}

function ovalStart(): Drawing {
  const chain = (length: number): DrawnStrand => yarn('chain', tableChain(length));
  const n = 6;
  // Along the side from the hook's end back to the knot, round it, and back: each with its place and the way it points.
  const side = [4, 3, 2, 1].map((i): readonly [number, number] => [i * 0.8 + 0.4, 0]);
  const corner = [0.6, 1.2, 1.9, 2.5].map((angle): readonly [number, number] => [0.35, -angle]);
  const other = [1, 2, 3, 4].map((i): readonly [number, number] => [i * 0.8 + 0.4, Math.PI]);
  const end = [2.5, 1.9, 1.2, 0.6].map((angle): readonly [number, number] => [n * 0.8 - 0.35, angle]);
  const all = [...side, ...corner, ...other, ...end];
  const worked = (count: number): readonly DrawnStrand[] =>
    all.slice(0, count).map(([x, angle], i) => ({
      ...yarn(`stitch ${i}`, standingOut(x, angle), i === count - 1 ? 'working' : 'worked'),
    }));
  const numbers = (from: number, to: number): readonly Mark[] =>
    all.slice(from, to).map(([x, angle], i) => ({
      is: 'number',
      text: String(i + 1),
      at: [x + Math.sin(angle) * 1.5, Math.cos(angle) * 1.5, 1],
    }));
  // The hook's end lies to the right of a right hand: across is counted the way the work goes.
  const turn = ([x, y, z]: Vector): Vector => [-x, y, z];
  const frame = (step: number, count: number, marks: readonly Mark[] = []): Frame => ({
    step,
    strands: [chain(n), ...worked(count)].map((strand) => ({ ...strand, knots: strand.knots.map(turn) })),
    marks: marks.map((mark) => (mark.is === 'number' ? { ...mark, at: turn(mark.at) } : mark)),
  });
  return {
    camera: FLAT,
    view: [-1.9, -2.65, 8.5, 5.3],
    frames: [
      frame(
        0,
        0,
        Array.from({ length: n }, (_, i) => ({ is: 'number', text: String(n - i), at: [i * 0.8 + 0.5, 0.62, 1] })),
      ),
      frame(1, 4, numbers(0, 4)),
      frame(2, 8, numbers(4, 8)),
      frame(3, 12, numbers(8, 12)),
      frame(4, 16, numbers(12, 16)),
    ],
  };
}

/** Rows that are turned: a chain, a row on it, and the chain that turns. */
function flatRow(): Drawing {
  const nodes = (from: number, to: number): readonly Vector[] =>
    Array.from({ length: to - from + 1 }, (_, i) => topOver(from + i, -1));
  const making = workFrom(topOver(3, -1), chainTo([topOver(4, -1), topOver(5, -1)]));
  const chain = yarn('chain', vsAlong(nodes(-1, 7), 'on edge'));
  const row = workFrom(topOver(2), singleOver(3));
  const numbers: readonly Mark[] = [0, 1, 2, 3].map((i) => ({ is: 'number', text: String(i + 1), at: [i + 0.1, 1.5, 0.4] }));
  const turned = workFrom(topOver(0, -1), chainTo([add(topOver(0, -1), [0.25, 0.62, 0])]));
  const sight = { camera: FROM_OUTSIDE, view: [-6.9, -2.75, 7.4, 4.62] } as const;
  return {
    ...sight,
    frames: [
      ...pictures(
        making,
        [
          [0, 0],
          [4, 0],
        ],
        [yarn('made', vsAlong(nodes(-1, 3), 'on edge'))],
        [9.5, 3, -0.7],
      ),
      ...pictures(row, [[5, 1]], [chain, yarn('row so far', workedRow(0, 0, 3))]).map((frame) => ({ ...frame, marks: numbers })),
      ...pictures(turned, [[2, 2]], rowsBelow(1, 1, 8), [5, 4, -0.7]),
      ...pictures(row, [[5, 3]], [...rowsBelow(1, 1, 8), yarn('row so far', workedRow(0, 1, 3))]),
    ],
  };
}

/** New stitches on the loops that a round worked through one loop left free. */
function startFromLoops(): Drawing {
  const free = (i: number): Vector => {
    const [x, y] = vAt(i);
    return [x, y + 0.14, 0.27];
  };
  const foot = (i: number): Through => {
    const [x, y, z] = free(i);
    return [
      [x, y + 0.16, z - 0.26],
      [x, y - 0.16, z - 0.1],
      [x, y - 0.1, z + 0.34],
    ];
  };
  const top = (i: number): Vector => add(free(i), [0.3, 0.55, 0.95]);
  const moves = [2, 3].flatMap((i) => stitchMoves(foot(i), top(i)));
  const worked = workFrom(top(1), moves);
  const wallRows = [...rowsBelow(2), yarn('over', workedRow(0, -1, 8, 'back')), yarn('over 2', workedRow(1, -1, 8))];
  const rim: DrawnStrand = {
    ...yarn(
      'rim',
      Array.from({ length: 7 }, (_, i) => i).flatMap((i) => lyingLoop(topOver(i - 1, -1), topOver(i, -1)).slice(2, 5)),
      'pointed at',
    ),
    radius: YARN * 1.04,
  };
  const [first, ...rest] = pictures(
    worked,
    [
      [1, 1],
      [3, 2],
      [-1, 2],
    ],
    wallRows,
    [8, 0.4, 2.6],
  );
  return {
    camera: { tilt: 0.55, way: -1 },
    view: [-6.4, -2.4, 6.4, 4],
    frames: [{ step: 0, strands: [...wallRows, rim] }, first!, ...rest],
  };
}

export const BEGINNING_DRAWINGS = {
  'adjustable ring': adjustableRing,
  'chain 2 start': chainTwoStart,
  'oval start': ovalStart,
  'flat row': flatRow,
  'start from loops': startFromLoops,
} satisfies Partial<Record<CardId, () => Drawing>>;
