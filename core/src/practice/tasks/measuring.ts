import { ROW, type DrawnStrand } from '../../drawn/index.js';
import { seeded } from '../../random/index.js';
import { add, type Vector } from '../../vector/index.js';
import { between, fabricOfRounds, oneOf, wallRounds } from '../piece.js';
import { pictureOf, pointedIn, postOf, spotOf, wallView } from '../picture.js';
import type { Task } from '../task.js';

/** How many stitches lie between two eyes. */
export function apartTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const apart = between(toss, 2 + Math.floor(level / 2), 4 + level);
  const rows = 5;
  const row = 2;
  const fabric = fabricOfRounds(wallRounds(36, rows));
  const left = row * 36 + 10;
  const view = wallView(fabric, [0, rows], (rows - 1) * 36 + 10 + Math.round(apart / 2), Math.max(7.5, apart + 4.5));
  // Each sits between the legs of two stitches.
  const eye = (id: string, stitch: number): DrawnStrand => {
    const at = add(postOf(view, stitch), [0.5, 0, 0.6]);
    return { id, knots: [at, add(at, [0.002, 0, 0])], radius: 0.33, tone: 'eye' };
  };
  const eyes = [eye('eye 1', left), eye('eye 2', left + apart)];
  const counted = Array.from({ length: apart }, (_, k) => left + 1 + k);
  return {
    kind: 'apart',
    level,
    seed,
    ask: { is: 'number', answer: apart, least: 1, most: 20 },
    picture: pictureOf(view, eyes),
    why: {
      strands: pointedIn(view, counted, eyes),
      marks: counted.map((stitch, i) => ({ is: 'number', text: `${i + 1}`, at: add(postOf(view, stitch), [0, 0, 0.8]) })),
    },
    facts: { stitches: apart },
  };
}

/** How many stitches bring the round's start back above where it began: it creeps as the spiral leans. */
export function startTask(seed: number, level: number): Task {
  const toss = seeded(seed);
  const more = between(toss, 1, Math.min(4, 1 + level));
  const rows = oneOf(toss, [4, 5, 6]);
  const fabric = fabricOfRounds(wallRounds(30, rows));
  const first = 10;
  const at = (row: number): number => row * 30 + first;
  // As this maker's stitches lean: so far in all that the start has crept by whole stitches.
  const drift = wallView(fabric, [0, rows], at(rows - 1), 8).laid;
  const own = drift.vs[at(0)]![0] - drift.vs[at(rows - 1)]![0];
  const lean = (more - own) / (rows - 1);
  const ground = ([x, y, z]: Vector): Vector => [x - (lean * (y - ROW)) / ROW, y, z];
  const view = wallView(fabric, [0, rows], at(rows - 1) + Math.round(more / 2), 7.5 + more * 0.6, ground);
  const [x] = ground(view.laid.vs[at(0)]!);
  const thread: DrawnStrand = {
    id: 'thread',
    knots: Array.from({ length: rows }, (_, row) => ground(add(view.laid.vs[at(row)]!, [0, 0.1, 0.6]))),
    radius: 0.07,
    tone: 'marker',
  };
  const counted = Array.from({ length: more }, (_, k) => at(rows - 1) + 1 + k);
  return {
    kind: 'start',
    level,
    seed,
    ask: { is: 'number', answer: more, least: 0, most: 12 },
    picture: pictureOf(view, [thread], [{ is: 'line', from: [x, ROW * 0.4, 1.2], to: [x, (rows + 0.7) * ROW, 1.2] }]),
    why: {
      strands: pointedIn(view, counted, [thread]),
      marks: counted.map((stitch, i) => ({ is: 'number', text: `${i + 1}`, at: add(spotOf(view, stitch), [0, 0.35, 0.8]) })),
    },
    facts: { more },
  };
}
