import { seeded } from '../../random/index.js';
import { ovalGround, vsAlong, yarn, type DrawnStrand } from '../../drawn/index.js';
import type { Vector } from '../../vector/index.js';
import { between, discRounds, fabricOfRounds, oneOf, shuffled, wallRounds } from '../piece.js';
import { discView, pictureOf, pointedIn, shownIn, wallView } from '../picture.js';
import type { Option, Picture, Task } from '../task.js';
import { actionsThat } from './finding.js';

/** The same piece from its other side. */
function turned(picture: Picture): Picture {
  const [left, top, width, height] = picture.view;
  const middle = -(left + width / 2);
  const turn = ([x, y, z]: Vector): Vector => [2 * middle - x, y, -z];
  const strands = picture.strands.map((strand): DrawnStrand => ({ ...strand, knots: strand.knots.map(turn) }));
  return { ...picture, strands, view: [left, top, width, height], camera: { ...picture.camera, tilt: -picture.camera.tilt } };
}

/** Whether one looks on the outside or the inside: V's stand on one, bars lie across on the other. */
export function sideTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const side = oneOf(toss, ['outside', 'inside'] as const);
  const rows = between(toss, 5, 7);
  const view = wallView(
    fabricOfRounds(wallRounds(24, rows)),
    [1, rows],
    (rows - 1) * 24 + between(toss, 8, 16),
    7.5 - level * 0.4,
  );
  const outside = pictureOf(view);
  const middle = shownIn(view, rows - 2);
  const pointed = { ...outside, strands: pointedIn(view, middle.slice(Math.floor(middle.length / 2)).slice(0, 1)) };
  const answer: Option = { is: 'side', side };
  return {
    kind: 'side',
    level,
    seed,
    ask: {
      is: 'choice',
      options: [
        { is: 'side', side: 'outside' },
        { is: 'side', side: 'inside' },
      ],
      answer,
    },
    picture: side === 'outside' ? outside : turned(outside),
    why: { strands: (side === 'outside' ? pointed : turned(pointed)).strands, marks: [] },
    facts: {},
  };
}

/** Whether a round was worked in both loops, the back or the front ones: which strands are left, and on which side. */
export function loopTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const loop = oneOf(toss, ['both', 'back', 'front'] as const);
  const rows = 5;
  const at = level < 3 ? 3 : between(toss, 2, 3);
  const words = { both: 'sc around', back: 'in BLO, sc around', front: 'in FLO, sc around' }[loop];
  const view = wallView(
    fabricOfRounds(wallRounds(24, rows).with(at, words)),
    [1, rows],
    (rows - 1) * 24 + between(toss, 8, 16),
    7.5 - level * 0.3,
  );
  const options = (['both', 'back', 'front'] as const).map((each): Option => ({ is: 'loop', loop: each }));
  return {
    kind: 'loop',
    level,
    seed,
    ask: { is: 'choice', options, answer: { is: 'loop', loop } },
    picture: pictureOf(view),
    why: { strands: pointedIn(view, shownIn(view, at)), marks: [] },
    facts: { round: at },
  };
}

/** A disc or an oval; and of a disc, whether its increases stand above each other. */
export function shapeTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const shape = oneOf(toss, ['stacked', 'staggered', 'oval'] as const);
  // In fewer rounds a stagger is hardly one: the lines it breaks are too short.
  const rounds = level < 4 ? 5 : 6;
  const view = shape === 'oval' ? ovalView(rounds - 1) : discView(fabricOfRounds(discRounds(rounds, shape === 'staggered')));
  const chain =
    shape === 'oval'
      ? [
          yarn(
            'chain',
            vsAlong(
              [-1.9, -0.95, 0, 0.95, 1.9].map((x): Vector => [x, 0, -0.1]),
              'facing',
            ),
          ),
        ]
      : [];
  const last = view.fabric.roundCount;
  const pointed = Array.from({ length: last - 1 }, (_, k) => actionsThat(view.fabric, k + 1, 'increase').flat()).flat();
  const options = shuffled(
    toss,
    (['stacked', 'staggered', 'oval'] as const).map((each): Option => ({ is: 'shape', shape: each })),
  );
  return {
    kind: 'shape',
    level,
    seed,
    ask: { is: 'choice', options, answer: { is: 'shape', shape } },
    picture: pictureOf(view, chain),
    why: { strands: pointedIn(view, pointed, chain), marks: [] },
    facts: {},
  };
}

/** An oval on a chain of six: its ends take the increases. */
function ovalView(rounds: number): ReturnType<typeof discView> {
  const texts = Array.from({ length: rounds }, (_, i) => {
    if (i === 0) return 'ch 6, starting in 2nd ch from hook, 4 sc, 3 sc in last ch, other side: 3 sc, 2 sc in last ch';
    const turn = i === 1 ? 'inc' : `(${i - 1} sc, inc)`;
    return `4 sc, ${turn} × 3, 3 sc, ${turn} × 2`;
  });
  const fabric = fabricOfRounds(texts);
  const view = discView(fabric);
  const [left, top, width, height] = view.sight.view;
  return {
    ...view,
    ground: ovalGround(0.3, 3.4, 0.6 * rounds, view.laid.widths),
    sight: { ...view.sight, view: [left * 1.25, top * 1.25, width * 1.25, height * 1.25] },
  };
}
