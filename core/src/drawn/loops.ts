import { along, between, unit, add, type Vector } from '../vector/index.js';
import { SHAFT, shaft, type Hold } from './hook.js';

/** Half the thickness of yarn, in stitch widths (our own estimate: strands of a firm fabric nearly touch). */
export const YARN = 0.105;

/** Knots of every loop, whatever its state, so that one drawing can move into the next knot by knot. */
export const LOOP_KNOTS = 11;

/** Where the two legs of a loop come through: three points from behind to before it. */
export type Through = readonly [Vector, Vector, Vector];

/** Legs stand so far from the middle of where they come through. */
const LEG = 0.07;

const shift = ([x, y, z]: Vector, across: number): Vector => [x + across, y, z];

/** Through the top of a stitch that is being closed: from behind and below, between the loops that it closes. */
export function throughNode([x, y, z]: Vector): Through {
  return [
    [x, y - 0.38, z - 0.32],
    [x, y - 0.22, z - 0.06],
    [x, y + 0.13, z + 0.13],
  ];
}

/** Which strands of a V the hook goes under. */
export type Under = 'both' | 'back' | 'front';

/** Through the V that has its middle at `place`: under both its strands, or one. */
export function throughV([x, y, z]: Vector, under: Under): Through {
  switch (under) {
    case 'both':
      return [
        [x, y - 0.14, z - 0.42],
        [x, y - 0.14, z],
        [x, y - 0.02, z + 0.46],
      ];
    case 'back':
      return [
        [x, y - 0.14, z - 0.44],
        [x, y - 0.06, z - 0.14],
        [x, y + 0.26, z + 0.02],
      ];
    case 'front':
      return [
        [x, y + 0.34, z - 0.42],
        [x, y - 0.06, z + 0.02],
        [x, y - 0.02, z + 0.46],
      ];
  }
}

/** Which way a lying V opens: its strands lie before and behind it on an edge, or below and above it on a table. */
export type Lies = 'on edge' | 'facing';

/** A V that lies on top of a stitch: it comes up at `base` and closes round what comes up at `head`. */
export function lyingLoop(base: Vector, head: Vector, pitch = 1, lies: Lies = 'on edge'): readonly Vector[] {
  const [dx, dy] = unit([head[0] - base[0], head[1] - base[1], 0]);
  // It rises at once where its stitch is taller than the one before, so that the posts stay below it.
  const rise = (share: number): Vector => {
    const [x, , z] = between(base, head, share);
    return [x, lies === 'on edge' ? between(base, head, Math.min(1, share * 1.8))[1] : between(base, head, share)[1], z];
  };
  const at = (share: number, across: number, up: number, near: number): Vector => {
    const a = across * pitch;
    const off: Vector = lies === 'on edge' ? [a, up, near] : [a * dx + near * dy, a * dy - near * dx, up];
    return add(rise(share), off);
  };
  return [
    at(0, -0.02, -0.38, -0.3),
    at(0, -0.03, -0.22, -0.05),
    at(0, 0.06, 0.13, 0.14),
    at(0.4, 0, 0.14, 0.27),
    at(0.8, 0, 0.06, 0.26),
    at(1, 0.17, -0.03, 0),
    at(0.8, 0, 0.06, -0.24),
    at(0.4, 0, 0.14, -0.25),
    at(0, 0.11, 0.12, -0.08),
    at(0, 0.05, -0.22, -0.1),
    at(0, 0.04, -0.38, -0.34),
  ];
}

/** V's from one place to the next, as one strand. */
export const vsAlong = (nodes: readonly Vector[], lies: Lies): readonly Vector[] =>
  nodes.slice(1).flatMap((node, i) => lyingLoop(nodes[i]!, node, 1, lies));

/**
 * The two legs of a stitch, seen as a V: they come through at its foot and close round what comes up at `head`.
 *
 * @param outer how many others, closed there too, it lies before
 */
export function standingLoop(foot: Through, head: Vector, pitch = 1, outer = 0): readonly Vector[] {
  const [behind, below, before] = foot;
  const out = Math.min(outer, 2) * 0.16;
  const top = (across: number, up: number, near: number): Vector =>
    add(head, [across * pitch, up + out * 0.6, near < 0 ? near - out * 0.3 : near + out]);
  const middle = (side: number): Vector => {
    const [x, y, z] = between(before, head, 0.5);
    return [x + side * 0.19 * pitch, y, Math.max(z, 0.2) + 0.12 + out];
  };
  return [
    shift(behind, -LEG),
    shift(below, -LEG),
    shift(before, -LEG * 1.3),
    middle(-1),
    top(-0.21, -0.26, 0.16),
    top(0, -0.14, -0.15),
    top(0.21, -0.26, 0.16),
    middle(1),
    shift(before, LEG * 1.3),
    shift(below, LEG),
    shift(behind, LEG),
  ];
}

/** Yarn laid round the hook before it went in, once its stitch is closed: a bar that lies slanted before the post. */
export function wrappedLoop(from: Vector, node: Vector, to: Vector, pitch = 1): readonly Vector[] {
  const at = (across: number, up: number, near: number): Vector => add(node, [across * pitch, up, near]);
  return [
    from,
    between(from, at(-0.2, 0.02, -0.3), 0.6),
    at(-0.24, -0.02, -0.24),
    at(-0.27, 0, 0.02),
    at(-0.18, -0.02, 0.3),
    at(0, -0.06, 0.42),
    at(0.18, -0.09, 0.3),
    at(0.25, -0.09, 0),
    at(0.16, -0.08, -0.28),
    between(at(0.1, -0.2, -0.36), to, 0.4),
    to,
  ];
}

/** A loop on the hook, its legs where they came through. */
export function heldLoop(foot: Through, hold: Hold, distance: number): readonly Vector[] {
  const [behind, below, before] = foot;
  const { middle, up, front } = shaft(hold, distance);
  const round = SHAFT + YARN * 1.1;
  const near = along(middle, [front, round], [up, -0.02]);
  const far = along(middle, [front, -round], [up, -0.02]);
  return [
    shift(behind, -LEG),
    shift(below, -LEG),
    shift(before, -LEG),
    between(shift(before, -LEG), near, 0.62),
    near,
    along(middle, [up, round]),
    far,
    between(shift(before, LEG), far, 0.62),
    shift(before, LEG),
    shift(below, LEG),
    shift(behind, LEG),
  ];
}

/** Yarn that lies over the hook: from behind over its top and down before it, on its way from `from` to `to`. */
export function laidOver(from: Vector, hold: Hold, distance: number, to: Vector): readonly Vector[] {
  const { middle, up, front, back } = shaft(hold, distance);
  const round = SHAFT + YARN * 1.1;
  const at = (high: number, near: number, away = 0): Vector => along(middle, [up, high], [front, near], [back, -away]);
  const leave = at(-round * 0.9, round * 0.2, 0.24);
  return [
    from,
    between(from, at(-round, -round), 0.4),
    between(from, at(-round, -round), 0.8),
    at(-round * 0.6, -round),
    at(round * 0.5, -round * 0.9),
    at(round, 0),
    at(round * 0.4, round),
    at(-round * 0.6, round * 0.9, 0.08),
    leave,
    between(leave, to, 0.15),
    between(leave, to, 0.3),
  ];
}

/** Yarn that was laid round the hook and waits on it, once all the way. */
export function waitingWrap(from: Vector, hold: Hold, distance: number, to: Vector): readonly Vector[] {
  const { middle, up, front, back } = shaft(hold, distance);
  const round = SHAFT + YARN * 1.1;
  const at = (high: number, near: number, away: number): Vector => along(middle, [up, high], [front, near], [back, -away]);
  return [
    from,
    between(from, at(-round, -round, -0.08), 0.5),
    at(-round * 0.8, -round, -0.07),
    at(0, -round, -0.05),
    at(round, -round * 0.3, -0.03),
    at(round * 0.6, round * 0.8, 0),
    at(-round * 0.2, round, 0.03),
    at(-round, round * 0.3, 0.06),
    at(-round * 0.9, -round * 0.6, 0.09),
    between(at(-round, -round, 0.1), to, 0.05),
    between(at(-round, -round, 0.1), to, 0.1),
  ];
}

/** Yarn that is no loop yet, on its way to the ball. */
export function slackYarn(from: Vector, to: Vector, first: number, last: number): readonly Vector[] {
  return Array.from({ length: LOOP_KNOTS }, (_, i) => between(from, to, first + ((last - first) * i) / LOOP_KNOTS));
}
