import { add, type Vector } from '../vector/index.js';
import { holdAt, hookStrand, type Hold } from './hook.js';
import {
  heldLoop,
  laidOver,
  LOOP_KNOTS,
  lyingLoop,
  slackYarn,
  standingLoop,
  throughNode,
  waitingWrap,
  wrappedLoop,
  YARN,
  type Lies,
  type Through,
} from './loops.js';
import type { DrawnStrand } from './drawing.js';

/** One movement of the hook. */
export type Move =
  /** Yarn over, before it goes in. */
  | { readonly does: 'wrap' }
  /** The hook goes in where `foot` says. */
  | { readonly does: 'into'; readonly foot: Through }
  /** Yarn over, behind the work or over the loops. */
  | { readonly does: 'over' }
  /** The loop is drawn out of where the hook went in. */
  | { readonly does: 'draw up' }
  /** The loop is drawn through so many on the hook; they close at `node`. What ends a stitch lies down as the next V. */
  | { readonly does: 'through'; readonly loops: number; readonly node: Vector; readonly ends: boolean };

/** What a loop of the working strand is right now. */
type Loop =
  | { readonly is: 'slack' | 'over' | 'wrap' }
  | { readonly is: 'held'; readonly foot: Through; readonly base: Vector | null }
  | { readonly is: 'lying'; readonly base: Vector; readonly head: Vector; readonly lies: Lies }
  | { readonly is: 'standing'; readonly foot: Through; readonly head: Vector; readonly outer: number }
  | { readonly is: 'wrapped'; readonly node: Vector };

/** The working strand and the hook after a movement. */
export interface Moment {
  readonly loops: readonly Loop[];
  /** Loops on the hook by their index, the oldest first. */
  readonly onHook: readonly number[];
  readonly hold: Hold;
}

/** How a stitch went: what was drawn through what, by index of loop, in order. */
export interface Drawn {
  readonly loop: number;
  readonly through: readonly number[];
}

export interface Worked {
  /** Before the first movement, and after each. */
  readonly moments: readonly Moment[];
  readonly draws: readonly Drawn[];
  readonly yarnOvers: number;
}

/** The loop next to the tip hangs so far from it, over the work and with the hook in it; the others behind it. */
const NEXT_TO_TIP = { over: 0.72, inside: 1.2 };
const BESIDE = 0.27;
/** The hook rests so far over and past where the last stitch was closed. */
const REST: Vector = [0.95, 0.42, 0.06];

const rest = (node: Vector, high = 0): Hold =>
  holdAt(add(node, [REST[0], REST[1] + high, REST[2]]), [-1, 0.1, 0.18], NEXT_TO_TIP.over);
const inside = ([, below]: Through): Hold => holdAt(add(below, [0.6, 0.34, -0.55]), [-1, -0.3, 0.85], NEXT_TO_TIP.inside);

/**
 * Works movements from a loop on the hook whose stitch was closed at `start`.
 *
 * @param lies which way the V's that it ends stitches with open
 */
export function workFrom(start: Vector, moves: readonly Move[], lies: Lies = 'on edge'): Worked {
  let moment: Moment = {
    loops: [{ is: 'held', foot: throughNode(start), base: start }],
    onHook: [0],
    hold: rest(start),
  };
  const moments = [moment];
  const draws: Drawn[] = [];
  let foot: Through | null = null;
  let last = start;
  for (const move of moves) {
    if (move.does === 'into') foot = move.foot;
    if (move.does === 'through') {
      draws.push({ loop: moment.loops.length - 1, through: moment.onHook.slice(-move.loops) });
      last = move.node;
    }
    if (move.does === 'draw up') draws.push({ loop: moment.loops.length - 1, through: [] });
    moment = after(moment, move, foot, last, lies);
    moments.push(moment);
  }
  return { moments, draws, yarnOvers: moves.filter(({ does }) => does === 'over' || does === 'wrap').length };
}

function after({ loops, onHook, hold }: Moment, move: Move, foot: Through | null, last: Vector, lies: Lies): Moment {
  switch (move.does) {
    case 'wrap':
      return { loops: [...loops, { is: 'wrap' }], onHook: [...onHook, loops.length], hold };
    case 'into':
      return { loops, onHook, hold: inside(move.foot) };
    case 'over':
      return { loops: [...loops, { is: 'over' }], onHook, hold };
    case 'draw up': {
      if (!foot) throw new Error('A loop is drawn up where the hook went in');
      const drawn = loops.length - 1;
      return {
        loops: loops.with(drawn, { is: 'held', foot, base: null }),
        onHook: [...onHook, drawn],
        hold: rest([foot[1][0], last[1], 0], onHook.length > 2 ? 0.3 : 0.12),
      };
    }
    case 'through': {
      const drawn = loops.length - 1;
      const closed = onHook.slice(-move.loops);
      const stood = closed.filter((i) => isStanding(loops[i]!));
      return {
        loops: loops
          .map((loop, i) => (closed.includes(i) ? closedAt(loop, move.node, lies, stood.indexOf(i)) : loop))
          .with(drawn, { is: 'held', foot: throughNode(move.node), base: move.ends ? move.node : null }),
        onHook: [...onHook.slice(0, -move.loops), drawn],
        hold: rest(move.node),
      };
    }
  }
}

const isStanding = (loop: Loop): boolean => loop.is === 'held' && loop.base === null;

function closedAt(loop: Loop, node: Vector, lies: Lies, outer: number): Loop {
  if (loop.is === 'wrap') return { is: 'wrapped', node };
  if (loop.is !== 'held') return loop;
  return loop.base ? { is: 'lying', base: loop.base, head: node, lies } : { is: 'standing', foot: loop.foot, head: node, outer };
}

/** Where a point of a straight edge is, once the edge lies as it does in the drawing. */
export type Ground = (point: Vector) => Vector;

export const STRAIGHT: Ground = (point) => point;

/** The hook stays straight, whatever the edge does. */
const holdOn = ({ tip, back, loopsFrom }: Hold, ground: Ground): Hold => ({ tip: ground(tip), back, loopsFrom });

/** The knots of every loop at a moment, `count` of them in all, those that are not made yet on the way to the ball. */
export function loopsAt(moment: Moment, count: number, ball: Vector, ground = STRAIGHT): readonly (readonly Vector[])[] {
  const { loops, onHook } = moment;
  const hold = holdOn(moment.hold, ground);
  const distance = (loop: number): number => hold.loopsFrom + BESIDE * (onHook.length - 1 - onHook.indexOf(loop));
  const fixed = loops.map((loop, i): readonly Vector[] | null => {
    if (loop.is === 'held') return heldLoop(loop.foot.map(ground) as unknown as Through, hold, distance(i));
    if (loop.is === 'lying') return lyingLoop(loop.base, loop.head, 1, loop.lies).map(ground);
    return loop.is === 'standing' ? standingLoop(loop.foot, loop.head, 1, loop.outer).map(ground) : null;
  });
  const knots: (readonly Vector[])[] = [];
  for (let i = 0; i < count; i++) {
    const loop = loops[i] ?? { is: 'slack' };
    const from = knots.at(-1)?.at(-1) ?? ball;
    const to = fixed[i + 1]?.[0] ?? ball;
    const known = fixed[i];
    if (known) knots.push(known);
    else if (loop.is === 'over') knots.push(laidOver(from, hold, 0.32, ball));
    else if (loop.is === 'wrap') knots.push(waitingWrap(from, hold, distance(i), to));
    else if (loop.is === 'wrapped') knots.push(wrappedLoop(from, ground(loop.node), to));
    else knots.push(slackYarn(from, ball, 1 / LOOP_KNOTS / (count - i + 1), 1 / (count - i + 1)));
  }
  return knots;
}

/** The working strand and the hook at a moment, as strands. */
export function strandsAt(moment: Moment, count: number, ball: Vector, ground = STRAIGHT): readonly DrawnStrand[] {
  const knots = [...loopsAt(moment, count, ball, ground).flat(), ball];
  return [
    { id: 'yarn', knots, radius: YARN, tone: 'working', moves: true },
    { id: 'hook', ...hookStrand(holdOn(moment.hold, ground)), tone: 'hook' },
  ];
}
