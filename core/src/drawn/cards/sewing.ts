import type { CardId } from '../../technique/index.js';
import { add, type Vector } from '../../vector/index.js';
import { thread } from '../cut-open.js';
import { ringGround } from '../disc.js';
import type { Drawing, DrawnStrand, Frame } from '../drawing.js';
import { workedRow } from '../fabric-edge.js';
import { DISC_VIEW, FLAT, FROM_ABOVE, yarn } from '../scene.js';
import { finger, needle, needleEye, pin, tuft, wall } from '../things.js';

/** Two edges seen from above, sewn over and over. */
function whipStitch(): Drawing {
  const far = [
    yarn(
      'far edge',
      workedRow(-1, -1, 8).map(([x, y, z]): Vector => [x, y, z - 0.42]),
    ),
    yarn(
      'far row',
      workedRow(-2, -1, 8).map(([x, y, z]): Vector => [x, y, z - 0.42]),
    ),
  ];
  const near = [
    yarn(
      'near edge',
      workedRow(-1, -1, 8).map(([x, y, z]): Vector => [x, y, z + 0.42]),
    ),
    yarn(
      'near row',
      workedRow(-2, -1, 8).map(([x, y, z]): Vector => [x, y, z + 0.42]),
    ),
  ];
  const over = (count: number, from = 0): readonly Vector[] =>
    Array.from({ length: count }, (_, i): readonly Vector[] => {
      const x = i + from + 0.2;
      return [
        [x, -0.25, 0.95],
        [x + 0.1, -0.2, 0],
        [x + 0.2, -0.2, -0.95],
        [x + 0.45, 0.35, -0.75],
        [x + 0.75, 0.45, 0.2],
        [x + 0.95, 0.2, 0.95],
      ];
    }).flat();
  const stitched = (count: number, step: number): Frame => {
    const path = over(count);
    const tip: Vector = [count + 0.6, -0.2, -1.5];
    const towards: Vector = [-0.25, 0.1, 1.2];
    return {
      step,
      strands: [...far, ...near, thread([...path, needleEye(tip, towards, 2.8)], 'thread', 0.085), needle(tip, towards, 2.8)],
    };
  };
  return {
    camera: FROM_ABOVE,
    view: [-6.4, -2.2, 6.4, 4],
    frames: [
      {
        step: 0,
        strands: [
          ...far,
          ...near,
          ...pin('pin 1', [0.8, -0.1, 0], [-0.2, 0.5, 1.4], 1.6),
          ...pin('pin 2', [5.6, -0.1, 0], [0.2, 0.5, 1.4], 1.6),
        ],
      },
      stitched(1, 1),
      stitched(3, 2),
      {
        step: 3,
        strands: [...far, ...near, thread([...over(4), [4.5, 0.2, 1.6]], 'thread', 0.085), tuft('tuft', [5.2, 0, -0.1], 0.5)],
      },
    ],
  };
}

/** A tube's edge on a wall, from above: V's of both, thread from one to the other. */
function sewingRoundEdge(): Drawing {
  const rows = [-3, -2, -1, 0, 1].map((row, i) =>
    yarn(
      `row ${i}`,
      workedRow(row, -3, 7).map(([x, y, z]): Vector => [x - 2, y + 0.6, z - 0.8]),
    ),
  );
  const limb: DrawnStrand = { ...yarn('limb', workedRow(0, 0, 9).map(ringGround(0.35, 0, 0.5, 9))), tone: 'other' };
  const inner: DrawnStrand = {
    ...yarn(
      'limb 2',
      workedRow(-1, 0, 9)
        .map((p) => add(p, [0, 0.25, 0.1]))
        .map(ringGround(0.5, 0, 0.7, 9))
        .map((p) => add(p, [0, 0, 0.5])),
    ),
    tone: 'other',
  };
  const base = [...rows, limb, inner];
  const at = (angle: number, radius: number, z: number): Vector => [Math.sin(angle) * radius, Math.cos(angle) * radius, z];
  const pins = [0, 1, 2, 3].flatMap((i) =>
    pin(`pin ${i}`, at((i * Math.PI) / 2 + 0.3, 1.15, 0.9), add(at((i * Math.PI) / 2 + 0.3, 1, 0), [0, 0, 0.4]), 1.2),
  );
  const sewn = (count: number): readonly Vector[] =>
    Array.from({ length: count }, (_, i): readonly Vector[] => {
      const angle = 0.35 + (2 * Math.PI * i) / 9;
      return [
        at(angle, 1.9, -1.2),
        at(angle + 0.06, 1.85, 0.4),
        at(angle + 0.16, 1.3, 1.2),
        at(angle + 0.26, 1.05, 0.3),
        at(angle + 0.5, 1.5, -1.2),
      ];
    }).flat();
  const tip: Vector = at(2.9, 2.9, 0.9);
  return {
    camera: FLAT,
    view: DISC_VIEW,
    frames: [
      { step: 0, strands: [...base, ...pins] },
      {
        step: 1,
        strands: [...base, ...pins],
        marks: [
          { is: 'line', from: [0, 2.3, 2], to: [0, -2.3, 2] },
          { is: 'line', from: [-3, 0, 2], to: [3, 0, 2] },
        ],
      },
      {
        step: 2,
        strands: [
          ...base,
          ...pins.slice(4),
          thread([...sewn(4), needleEye(tip, at(1.1, -1, 0), 2)], 'thread', 0.085),
          needle(tip, at(1.1, -1, 0), 2),
        ],
      },
      {
        step: 3,
        strands: [...base, thread([...sewn(7), at(5.4, 2.4, 1)], 'thread', 0.085), tuft('tuft', at(5.6, 0.5, 1.4), 0.4)],
      },
    ],
  };
}

/** A pressed edge on a wall, cut open. */
function sewingFlat(): Drawing {
  const body = wall('wall', [
    [-3.2, -1, 0],
    [0, -0.85, 0],
    [3.2, -1, 0],
  ]);
  const layers = (away: number): readonly DrawnStrand[] => [
    ...wall('upper', [
      [-1.6, -0.05 + away, 0],
      [0, 0.05 + away, 0],
      [2.6, 0.6 + away, 0],
    ]),
    ...wall('lower', [
      [-1.6, -0.42 + away * 0.8, 0],
      [0, -0.36 + away * 0.8, 0],
      [2.6, 0.2 + away * 0.8, 0],
    ]),
  ];
  const sewn = (count: number, lines = 1): readonly DrawnStrand[] =>
    Array.from({ length: lines }, (_, line) =>
      thread(
        Array.from({ length: count }, (_, i): readonly Vector[] => {
          const x = -1.35 + line * 0.55 + i * 0.14;
          return [
            [x, 0.35, 0.3],
            [x + 0.04, -1.35, 0.35],
          ];
        }).flat(),
        `thread ${line}`,
      ),
    );
  const tip: Vector = [-1.1, -2.4, 0.4];
  return {
    camera: FLAT,
    view: [-3.2, -2.4, 6.4, 4],
    frames: [
      {
        step: 0,
        strands: [...body, ...layers(0.9), finger([-0.2, 1.7, 0.4], [0, 1, 0])],
        marks: [{ is: 'arrow', from: [1, 1.9, 1], to: [1, 1.2, 1] }],
      },
      { step: 1, strands: [...body, ...layers(0), ...pin('pin', [-0.4, -1.4, 0.4], [0.1, 1, 0], 2.2)] },
      {
        step: 2,
        strands: [
          ...body,
          ...layers(0),
          thread([[-1.5, 0.3, 0.3], [-1.3, 0.5, 0.3], needleEye(tip, [0.05, 1, 0], 2.4)], 'thread 0'),
          needle(tip, [0.05, 1, 0], 2.4),
        ],
      },
      { step: 3, strands: [...body, ...layers(0), ...sewn(2, 2)] },
    ],
  };
}

export const SEWING_DRAWINGS = {
  'whip stitch': whipStitch,
  'sewing a round edge': sewingRoundEdge,
  'sewing flat': sewingFlat,
} satisfies Partial<Record<CardId, () => Drawing>>;
