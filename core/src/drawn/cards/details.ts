import type { CardId } from '../../technique/index.js';
import type { Vector } from '../../vector/index.js';
import { ball, BALL_VIEW, thread } from '../cut-open.js';
import { circle, ringGround } from '../disc.js';
import type { Drawing, DrawnStrand, Mark } from '../drawing.js';
import { faceEye, faceRows } from '../face.js';
import { YARN } from '../loops.js';
import { FLAT, rowsBelow } from '../scene.js';
import { finger, needle, needleEye, wall } from '../things.js';
import { disc } from './going-round.js';

/** The needle comes up, is wrapped, and goes down beside where it came up. */
function frenchKnot(): Drawing {
  const line = wall('wall', [
    [-3, -0.6, 0],
    [0, -0.5, 0],
    [3, -0.6, 0],
  ]);
  const up: Vector = [0, 1.9, 0.4];
  const towards: Vector = [0.08, -1, 0];
  const wraps = (count: number, x: number, low: number, wide: number): readonly Vector[] =>
    Array.from({ length: count * 4 + 1 }, (_, i): Vector => {
      const angle = (Math.PI * i) / 2;
      return [x + Math.sin(angle) * wide, low + (i / 4) * 0.17, 0.4 + Math.cos(angle) * wide];
    });
  const tail: readonly Vector[] = [
    [-0.6, -2.3, 0.3],
    [-0.25, -1.2, 0.3],
    [-0.15, -0.45, 0.3],
  ];
  const down: Vector = [0.55, -2, 0.4];
  return {
    camera: { tilt: 0.25, way: -1 },
    view: [-3.2, -2.4, 6.4, 4],
    frames: [
      { step: 0, strands: [...line, thread([...tail.slice(0, 1), needleEye(up, towards)]), needle(up, towards)] },
      {
        step: 1,
        strands: [
          ...line,
          thread([...tail, [-0.7, 0.1, 0.5], ...wraps(3, -0.02, 0.25, 0.17), [0.9, 1, 0.4], [2.4, 1.6, 0.4]]),
          needle([0, 1.7, 0.4], [0.02, -1, 0], 1.9),
        ],
      },
      {
        step: 2,
        strands: [
          ...line,
          thread([...tail, [-0.5, -0.1, 0.5], ...wraps(3, 0.2, -0.25, 0.19), needleEye(down, [-0.12, 1, 0], 2.6)]),
          needle(down, [-0.12, 1, 0], 2.6),
          finger([-0.4, 0.2, -0.4], [-1, 0.5, 0]),
        ],
      },
      {
        step: 3,
        strands: [
          ...line,
          thread([
            ...tail,
            [-0.25, -0.2, 0.5],
            ...wraps(3, 0.02, -0.33, 0.24),
            [0.3, -0.5, 0.3],
            [0.4, -1.4, 0.3],
            [0.7, -2.6, 0.3],
          ]),
        ],
      },
    ],
  };
}

function mouthsAndLashes(): Drawing {
  const rows = faceRows();
  const eyes = [faceEye('left eye', 1.6), faceEye('right eye', 4.6)];
  const mouth = (sag: number): DrawnStrand => ({
    ...thread(
      [
        [2.2, -1.1, -0.4],
        [2.3, -1.05, 0.7],
        [3.1, -1.1 - sag, 0.75],
        [3.9, -1.05, 0.7],
        [4, -1.1, -0.4],
      ],
      'mouth',
      0.07,
    ),
    tone: 'thread',
  });
  const small: DrawnStrand = {
    ...thread(
      [
        [3.05, -1.75, -0.3],
        [3.07, -1.7, 0.8],
        [3.1, -1.4, 0.85],
        [3.12, -1.3, 0.6],
        [3.14, -1.2, -0.2],
      ],
      'small',
      0.06,
    ),
    tone: 'thread',
  };
  const lashes = [0, 1, 2].map((i): DrawnStrand => ({
    ...thread(
      [
        [4.6, 0.1, 0.8],
        [4.9 + i * 0.08, 0.35 - i * 0.12, 0.95],
        [5.25 + i * 0.02, 0.6 - i * 0.3, 0.9],
        [5.28, 0.6 - i * 0.3, -0.3],
      ],
      `lash ${i}`,
      0.05,
    ),
    tone: 'thread',
  }));
  const tip: Vector = [5.2, -0.9, 1];
  return {
    camera: FLAT,
    view: [-6.4, -1.7, 6.4, 4],
    frames: [
      {
        step: 0,
        strands: [
          ...rows,
          ...eyes,
          {
            ...thread([[2.2, -1.1, -0.4], [2.3, -1.05, 0.7], needleEye(tip, [-1, -0.05, 0], 1.8)], 'mouth', 0.07),
            tone: 'thread',
          },
          needle(tip, [-1, -0.05, 0], 1.8),
        ],
      },
      { step: 1, strands: [...rows, ...eyes, mouth(0)] },
      {
        step: 1,
        strands: [...rows, ...eyes, mouth(0.4), small],
        marks: [{ is: 'arrow', from: [3.1, -1.2, 2], to: [3.1, -1.65, 2] }],
      },
      { step: 2, strands: [...rows, ...eyes, mouth(0.4), small, ...lashes] },
    ],
  };
}

function fringeLoopRing(): Drawing {
  const edge = [...rowsBelow(2, -1, 8)];
  const strand = (id: string, x: number, through: number): DrawnStrand =>
    thread(
      [
        [x - 0.3, -2.6, 0.6],
        [x - 0.2, -1 - through * 0.2, 0.7],
        [x - 0.12, -0.1, 0.75],
        [x - 0.14, 0.2 + (1 - through) * 0.5, 0.3 + through * 0.2],
        [x, 0.35 + (1 - through) * 0.6, -0.2],
        [x + 0.14, 0.2 + (1 - through) * 0.5, 0.3 + through * 0.2],
        [x + 0.12, -0.1, 0.75],
        [x + 0.2, -1 - through * 0.2, 0.7],
        [x + 0.3, -2.6, 0.6],
      ],
      id,
      YARN,
    );
  const cord = (knots: readonly Vector[]): DrawnStrand => thread(knots, 'cord', YARN * 1.2);
  const cut = ball(0);
  const seen = { camera: FLAT, view: BALL_VIEW };
  return {
    camera: { tilt: 0.42, way: -1 },
    view: [-6.4, -1.6, 6.4, 4],
    frames: [
      { step: 0, strands: [...edge, strand('strand', 3.2, 0)] },
      { step: 0, strands: [...edge, strand('strand', 3.2, 1), strand('strand 2', 2.2, 1)] },
      {
        step: 1,
        seen,
        strands: [
          ...cut,
          cord([
            [-0.9, -1.2, 0.3],
            [0.9, 0.2, 0.3],
            [-0.1, 1.9, 0.4],
            [-0.5, 2.7, 0.4],
            [0, 3.05, 0.4],
            [0.5, 2.7, 0.4],
            [0.1, 1.9, 0.42],
            [-0.9, 0.2, 0.45],
            [0.9, -1.2, 0.45],
          ]),
        ],
      },
      {
        step: 2,
        seen,
        strands: [
          ...cut,
          { id: 'ring', knots: circle([0, 2.65, 0.3], 0.5, 20), radius: 0.09, tone: 'needle' },
          cord([
            [-0.4, -2.6, 0.4],
            [-0.15, -2, 0.4],
            [-0.1, 1.9, 0.4],
            [0, 2.3, 0.6],
            [0.1, 1.9, 0.2],
            [0.15, -2, 0.2],
            [0.4, -2.6, 0.2],
          ]),
        ],
      },
    ],
  };
}

/** What is looked at: from above for roundness, gaps, the face level, limbs. */
function inspecting(): Drawing {
  const ground = ringGround(0.2, 0, 0.2);
  const rounds = disc(3, ground);
  const rows = faceRows();
  const level = (y: number): Mark => ({ is: 'line', from: [0, y, 2], to: [6.4, y, 2] });
  const gap: Mark = { is: 'arrow', from: [3.9, 1.9, 1], to: [3.35, 0.9, 1] };
  const edge = rowsBelow(3, -1, 8);
  return {
    camera: FLAT,
    view: [-5.6, -3.5, 11.2, 7],
    frames: [
      {
        step: 0,
        strands: rounds,
        marks: [
          { is: 'line', from: [-3.6, 0, 2], to: [3.6, 0, 2] },
          { is: 'line', from: [0, 3.3, 2], to: [0, -3.3, 2] },
        ],
      },
      { step: 1, strands: edge, marks: [gap], seen: { camera: { tilt: 0.42, way: -1 }, view: [-6.4, -2.4, 6.4, 4] } },
      {
        step: 2,
        strands: [...rows, faceEye('left eye', 1.6), faceEye('right eye', 4.6)],
        marks: [level(0.1)],
        seen: { camera: FLAT, view: [-6.4, -1.7, 6.4, 4] },
      },
    ],
  };
}

export const DETAIL_DRAWINGS = {
  'french knot': frenchKnot,
  'mouths and lashes': mouthsAndLashes,
  'fringe, loop and ring': fringeLoopRing,
  inspecting,
} satisfies Partial<Record<CardId, () => Drawing>>;
