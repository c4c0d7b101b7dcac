import type { CardId } from '../../technique/index.js';
import { along, unit, minus, add, type Vector } from '../../vector/index.js';
import { ball, BALL_VIEW, fullBall, thread, tufts } from '../cut-open.js';
import { FIRST_ROUND, ringGround } from '../disc.js';
import type { Drawing, DrawnStrand, Frame, Mark } from '../drawing.js';
import { workedRow } from '../fabric-edge.js';
import { faceEye, faceRows } from '../face.js';
import { YARN } from '../loops.js';
import { DISC_VIEW, FLAT, yarn } from '../scene.js';
import { finger, needle, needleEye, safetyEye, stick, tuft, wall, washer } from '../things.js';

function stuffing(): Drawing {
  const open = ball(0.2);
  return {
    camera: FLAT,
    view: BALL_VIEW,
    frames: [
      {
        step: 0,
        strands: [
          ...open,
          tuft('tuft 0', [-2.6, 1.9, 0], 0.7),
          tuft('tuft 1', [-3.2, 0.6, 0], 0.45),
          tuft('tuft 2', [-2.7, 0.9, 0], 0.4),
        ],
      },
      { step: 1, strands: [...open, ...tufts(6).slice(4), stick([0.4, -0.6, 0.4], [-0.15, 1, 0])] },
      { step: 2, strands: [...open, ...tufts(6), stick([1, 0.3, 0.4], [-0.3, 1, 0])] },
      { step: 2, strands: [...open, ...tufts(8)] },
      {
        step: 3,
        strands: [
          ...ball(0.12),
          ...tufts(8),
          finger([-2.2, 0.2, 0.6], [-1, 0.1, 0], 'finger 1'),
          finger([2.2, 0.2, 0.6], [1, 0.1, 0], 'finger 2'),
        ],
      },
    ],
  };
}

function safetyEyes(): Drawing {
  const line = wall('wall', [
    [-3, 0, 0],
    [0, 0.18, 0],
    [3, 0, 0],
  ]);
  const eyes = (away: number): readonly DrawnStrand[] =>
    [-1.2, 1.2].flatMap((x, i) => safetyEye(`eye ${i}`, [x, 0.05 + away, 0], [0, 1, 0]));
  const backs = (away: number, count = 2): readonly DrawnStrand[] =>
    [-1.2, 1.2].slice(0, count).map((x, i) => washer(`washer ${i}`, [x, 0.05, 0], [0, 1, 0], away));
  const rows = faceRows();
  const face = [faceEye('eye 0', 1.6), faceEye('eye 1', 4.6)];
  const level: Mark = { is: 'line', from: [0, 0.1, 2], to: [6.4, 0.1, 2] };
  return {
    camera: FLAT,
    view: [-3.2, -2.2, 6.4, 4],
    frames: [
      { step: 0, strands: [...line, ...eyes(1.1)], marks: [{ is: 'arrow', from: [0, 1.5, 1], to: [0, 0.6, 1] }] },
      { step: 0, strands: [...line, ...eyes(0)] },
      {
        step: 2,
        strands: [...rows, ...face],
        marks: [level],
        seen: { camera: FLAT, view: [-6.4, -1.7, 6.4, 4] },
      },
      { step: 3, strands: [...line, ...eyes(0), ...backs(0.75)], marks: [{ is: 'arrow', from: [0, -1.7, 1], to: [0, -0.7, 1] }] },
      { step: 3, strands: [...line, ...eyes(0), ...backs(0)] },
    ],
  };
}

/** The last round from above: the needle goes under the front loop of each. */
function closing(): Drawing {
  const shown = (inner: number): readonly DrawnStrand[] => [yarn('round', inwardRound(inner))];
  const under = (count: number, inner: number): readonly Vector[] =>
    Array.from({ length: count }, (_, i): readonly Vector[] => {
      const angle = (2 * Math.PI * (i + 0.5)) / FIRST_ROUND;
      const at = (radius: number, by: number, z: number): Vector => [
        Math.sin(angle + by) * radius,
        Math.cos(angle + by) * radius,
        z,
      ];
      return [at(inner - 0.1, -0.12, -0.2), at(inner + 0.24, 0, 0.2), at(inner + 0.45, 0.12, 0.62), at(inner + 0.2, 0.35, 0.75)];
    }).flat();
  const from: Vector = [-0.5, 1.7, 0.3];
  const stitched = (count: number, inner: number, step: number): Frame => {
    const path = under(count, inner);
    const last = path.at(-1)!;
    const out = unit([last[0], last[1], 0]);
    const tip = add(last, [out[0] * 2.4, out[1] * 2.4, 0.2]);
    const eye = along(tip, [out, -2]);
    return { step, strands: [...shown(inner), thread([from, ...path, eye], 'thread', YARN), needle(tip, minus(eye, tip))] };
  };
  const cut = fullBall();
  const seen = { camera: FLAT, view: BALL_VIEW };
  const tip: Vector = [1.5, -2.6, 0.5];
  return {
    camera: FLAT,
    view: DISC_VIEW,
    frames: [
      {
        step: 0,
        strands: [
          ...shown(0.85),
          thread(
            [
              [-0.2, 1.3, -0.2],
              [-0.5, 1.7, 0.3],
              [-1.4, 2, 0.3],
              [-2.6, 2.1, 0.3],
            ],
            'thread',
            YARN,
          ),
        ],
      },
      stitched(2, 0.85, 1),
      stitched(5, 0.85, 1),
      {
        step: 2,
        strands: [...shown(0.12), thread([from, ...under(6, 0.12), [-0.4, 1.2, 0.9], [-1.6, 2.2, 0.9]], 'thread', YARN)],
        marks: [{ is: 'arrow', from: [-1.2, 1.4, 1], to: [-2, 2.1, 1] }],
      },
      {
        step: 3,
        seen,
        strands: [
          ...cut,
          thread([[0, 2.6, 0.4], [0.1, 2.1, 0.5], needleEye(tip, [-0.6, 2, 0], 2.4)]),
          needle(tip, [-0.6, 2, 0], 2.4),
        ],
      },
      {
        step: 4,
        seen,
        strands: [
          ...cut,
          thread([
            [0, 2, -0.2],
            [0.1, 1.8, 0.4],
            [1.2, -1.6, 0.5],
            [1.5, -2.6, 0.5],
          ]),
        ],
        marks: [{ is: 'arrow', from: [1.9, -1.9, 1], to: [2.2, -2.7, 1] }],
      },
    ],
  };
}

/** A round of six with its V's to the middle, as the last round of a ball is seen. */
function inwardRound(inner: number): readonly Vector[] {
  const ground = ringGround(-inner - 2.2, 0, 0.5);
  return workedRow(0, 0, FIRST_ROUND).map(([x, y, z]) => ground([x + FIRST_ROUND / 2, y + 1.15, z]));
}

function dimple(): Drawing {
  const dented = (deep: number): readonly DrawnStrand[] =>
    wall(
      'ball',
      Array.from({ length: 33 }, (_, i): Vector => {
        const angle = (2 * Math.PI * i) / 32;
        const drawn =
          1 -
          deep *
            (Math.exp(-((Math.min(angle, 2 * Math.PI - angle) / 0.45) ** 2)) +
              0.6 * Math.exp(-(((angle - Math.PI) / 0.45) ** 2)));
        return [Math.sin(angle) * 2, Math.cos(angle) * 2 * drawn, 0];
      }),
    );
  const up: Vector = [0.1, 3.9, 0.4];
  /** Up through the middle, over the edge of round 1 and down again, both ends drawn in by so much. */
  const path = (drawn: number): readonly Vector[] => [
    [0.2, -2.6, 0.4],
    [0, -2 + drawn, 0.4],
    [0, 2 - 2 * drawn, 0.4],
    [0.3, 2.45 - 2 * drawn, 0.4],
    [0.57, 2.1 - 2 * drawn, 0.4],
    [0.32, -1.9 + drawn, 0.45],
    [0.55, -2.75, 0.45],
  ];
  return {
    camera: FLAT,
    view: BALL_VIEW,
    frames: [
      {
        step: 0,
        strands: [...dented(0), thread([...path(0).slice(0, 2), needleEye(up, [0, -1, 0])]), needle(up, [0, -1, 0])],
      },
      { step: 1, strands: [...dented(0), thread(path(0))] },
      {
        step: 2,
        strands: [...dented(0.35), thread(path(0.33))],
        marks: [{ is: 'arrow', from: [1.1, -2.2, 1], to: [1.2, -2.9, 1] }],
      },
    ],
  };
}

function hidingEnds(): Drawing {
  const cut = fullBall();
  const tip: Vector = [2.9, -0.9, 0.5];
  const back: Vector = [-2.6, -1.7, 0.5];
  return {
    camera: FLAT,
    view: BALL_VIEW,
    frames: [
      {
        step: 0,
        strands: [
          ...cut,
          thread([
            [0, 1.9, -0.2],
            [0.1, 2.3, 0.4],
            [-0.15, 2.35, 0.3],
            [0.05, 2.15, 0.5],
            [0.7, 2.6, 0.5],
            [1.8, 2.8, 0.5],
          ]),
        ],
      },
      {
        step: 1,
        strands: [
          ...cut,
          thread([[0, 1.9, -0.2], [0.1, 2.3, 0.4], needleEye(tip, [-1.6, 1.9, 0], 3.2)]),
          needle(tip, [-1.6, 1.9, 0], 3.2),
        ],
      },
      {
        step: 2,
        strands: [
          ...cut,
          thread([
            [0, 2.2, 0.3],
            [0.3, 1.7, 0.45],
            [2, -0.4, 0.5],
            [2.4, -0.7, 0.5],
            [1.9, -0.8, 0.5],
            needleEye(back, [2.4, 0.5, 0], 2.8),
          ]),
          needle(back, [2.4, 0.5, 0], 2.8),
        ],
      },
      {
        step: 3,
        strands: [
          ...cut,
          thread([
            [0, 2.2, 0.3],
            [0.3, 1.7, 0.45],
            [2, -0.4, 0.5],
            [2.4, -0.7, 0.5],
            [1.9, -0.8, 0.5],
            [-1.7, -1.4, 0.5],
            [-2.9, -1.8, 0.5],
          ]),
        ],
        marks: [
          { is: 'line', from: [-1.95, -1, 1], to: [-2.15, -2.1, 1] },
          { is: 'arrow', from: [-2.5, -1.3, 1], to: [-3.3, -1.55, 1] },
        ],
      },
    ],
  };
}

export const INSIDE_DRAWINGS = {
  stuffing,
  'safety eyes': safetyEyes,
  closing,
  dimple,
  'hiding ends': hidingEnds,
} satisfies Partial<Record<CardId, () => Drawing>>;
