import { add, along, minus, unit, type Vector } from '../vector/index.js';
import { curveOf } from '../strand/index.js';
import type { DrawnStrand } from './drawing.js';
import { STRAIGHT } from './work.js';

/** What lies on the table beside yarn and hook; lengths in stitch widths. */

/** A needle from its tip to its eye. */
export function needle(tip: Vector, towards: Vector, length = 2.2): DrawnStrand {
  const way = unit(towards);
  const at = [0, 0.12, 0.3, 0.82, 0.9, 1].map((share) => along(tip, [way, share * length]));
  return { id: 'needle', knots: at, radius: [0.012, 0.035, 0.06, 0.07, 0.08, 0.05], tone: 'needle', moves: true };
}

/** The eye of such a needle, where its thread comes from. */
export const needleEye = (tip: Vector, towards: Vector, length = 2.2): Vector => along(tip, [unit(towards), length * 0.93]);

/** A finger from its tip. */
export function finger(tip: Vector, towards: Vector, id = 'finger', length = 4): DrawnStrand {
  const way = unit(towards);
  const knots = [0, 0.03, 0.09, 0.25, 0.5, 1].map((share) => along(tip, [way, share * length]));
  return { id, knots, radius: [0.1, 0.27, 0.37, 0.4, 0.4, 0.46], tone: 'finger' };
}

export function stick(tip: Vector, towards: Vector, length = 5): DrawnStrand {
  const way = unit(towards);
  return {
    id: 'stick',
    knots: [0, 0.03, 1].map((share) => along(tip, [way, share * length])),
    radius: [0.06, 0.12, 0.12],
    tone: 'needle',
    moves: true,
  };
}

export function pin(id: string, tip: Vector, towards: Vector, length = 1.1): readonly DrawnStrand[] {
  const head = along(tip, [unit(towards), length]);
  return [
    { id, knots: [tip, head], radius: 0.03, tone: 'needle' },
    { id: `${id} head`, knots: [head, along(head, [unit(towards), 0.03])], radius: 0.1, tone: 'pin' },
  ];
}

/** A marker that hangs in the V that has its middle there. */
export function marker(middle: Vector, ground = STRAIGHT): DrawnStrand {
  const at = (up: number, near: number): Vector => ground(add(middle, [0, up, near]));
  const knots = [at(0.3, -0.1), at(0, -0.05), at(-0.12, 0.35), at(0, 0.64), at(0.42, 0.53), at(0.51, 0.1)];
  return { id: 'marker', knots, radius: 0.065, tone: 'marker', moves: true };
}

/** A tuft of stuffing. */
export function tuft(id: string, middle: Vector, size = 0.5): DrawnStrand {
  const bends: readonly Vector[] = [
    [-0.9, -0.2, 0],
    [-0.3, 0.6, 0.02],
    [0.1, -0.5, 0.04],
    [0.5, 0.5, 0.06],
    [0.9, -0.3, 0.08],
    [0.1, -0.1, 0.1],
    [-0.6, 0.1, 0.12],
  ];
  return {
    id,
    knots: bends.map(([x, y, z]) => along(middle, [[x, y, z], size])),
    radius: size * 0.36,
    tone: 'stuffing',
  };
}

/** A safety eye from the side: its dome outside, its post inside. */
export function safetyEye(id: string, at: Vector, out: Vector, tone: DrawnStrand['tone'] = 'eye'): readonly DrawnStrand[] {
  const way = unit(out);
  const knots = [0.12, 0.2, 0.3, 0.42, 0.5].map((far) => along(at, [way, far], [[0, 0, 1], 0.2]));
  return [
    { id: `${id} post`, knots: [along(at, [way, 0.2]), along(at, [way, -1.1])], radius: 0.08, tone },
    { id, knots, radius: [0.5, 0.5, 0.44, 0.28, 0.08], tone },
  ];
}

/** The washer on such a post, so far from the fabric. */
export function washer(id: string, at: Vector, out: Vector, away: number): DrawnStrand {
  const way = unit(out);
  const knots = [0.2, 0.24, 0.34, 0.4].map((far) => along(at, [way, -far - away], [[0, 0, 1], 0.3]));
  return { id, knots, radius: [0.42, 0.42, 0.3, 0.16], tone: 'pin', moves: true };
}

/** Fabric cut open along a line: a stitch beside the other, seen at its cut. */
export function wall(id: string, line: readonly Vector[], pitch = 0.34): readonly DrawnStrand[] {
  const points = curveOf(line, 12);
  const cuts: DrawnStrand[] = [];
  let left = 0;
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i]!, points[i + 1]!];
    const step = Math.hypot(b[0] - a[0], b[1] - a[1]);
    for (; left <= step; left += pitch) {
      const way = unit(minus(b, a));
      const across: Vector = [-way[1], way[0], 0];
      const middle = along(a, [way, left]);
      cuts.push({
        id: `${id} ${cuts.length}`,
        knots: [along(middle, [across, -0.15], [way, -0.08]), along(middle, [across, 0.15], [way, 0.08])],
        radius: 0.15,
        tone: 'wall',
      });
    }
    left -= step;
  }
  return cuts;
}
