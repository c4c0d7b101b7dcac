import { add, type Vector } from '../vector/index.js';
import type { DrawnStrand, Sight } from './drawing.js';
import { tuft, wall } from './things.js';

/** What sews: the working strand, thinner. */
export const thread = (knots: readonly Vector[], id = 'thread', radius = 0.075): DrawnStrand => ({
  id,
  knots,
  radius,
  tone: 'working',
  moves: true,
});

/** A ball cut open: its wall all round, open at the top by so much of the circle. */
export const ball = (open: number, radius = 2, id = 'ball'): readonly DrawnStrand[] =>
  wall(
    id,
    Array.from({ length: 25 }, (_, i): Vector => {
      const angle = Math.PI * open + ((2 * Math.PI - 2 * Math.PI * open) * i) / 24;
      return [Math.sin(angle) * radius, Math.cos(angle) * radius, 0];
    }),
  );

/** What is seen of such a ball. */
export const BALL_VIEW: Sight['view'] = [-4.4, -3.1, 8.8, 5.5];

const TUFTS: readonly Vector[] = [
  [-1.25, -0.5, 0],
  [1.25, -0.5, 0],
  [-1.1, 0.45, 0],
  [1.1, 0.45, 0],
  [-0.5, -1.15, 0],
  [0.55, -1.2, 0],
  [0, -0.4, 0],
  [-0.05, 0.5, 0],
];

/** So much stuffing in it: sides first. */
export const tufts = (count: number): readonly DrawnStrand[] =>
  TUFTS.slice(0, count).map((at, i) => tuft(`tuft ${i}`, add(at, [0, 0, -0.5]), 0.52));

/** A ball that is closed and full. */
export const fullBall = (): readonly DrawnStrand[] => [...ball(0), ...tufts(TUFTS.length)];
