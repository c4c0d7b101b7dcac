import { along, curveOf, direction, minus, type Point } from '../strand/index.js';
import type { DrawnStrand } from './drawing.js';

/** What lies on the table beside yarn and hook; lengths in stitch widths. */

/** A needle from its tip to its eye. */
export function needle(tip: Point, towards: Point, length = 2.2): DrawnStrand {
  const way = direction(towards);
  const at = [0, 0.12, 0.3, 0.82, 0.9, 1].map((share) => along(tip, [way, share * length]));
  return { id: 'needle', knots: at, radius: [0.012, 0.035, 0.06, 0.07, 0.08, 0.05], tone: 'needle', moves: true };
}

/** The eye of such a needle, where its thread comes from. */
export const needleEye = (tip: Point, towards: Point, length = 2.2): Point => along(tip, [direction(towards), length * 0.93]);

/** A finger from its tip. */
export function finger(tip: Point, towards: Point, id = 'finger', length = 4): DrawnStrand {
  const way = direction(towards);
  const knots = [0, 0.03, 0.09, 0.25, 0.5, 1].map((share) => along(tip, [way, share * length]));
  return { id, knots, radius: [0.1, 0.27, 0.37, 0.4, 0.4, 0.46], tone: 'finger' };
}

export function stick(tip: Point, towards: Point, length = 5): DrawnStrand {
  const way = direction(towards);
  return {
    id: 'stick',
    knots: [0, 0.03, 1].map((share) => along(tip, [way, share * length])),
    radius: [0.06, 0.12, 0.12],
    tone: 'needle',
    moves: true,
  };
}

export function pin(id: string, tip: Point, towards: Point, length = 1.1): readonly DrawnStrand[] {
  const head = along(tip, [direction(towards), length]);
  return [
    { id, knots: [tip, head], radius: 0.03, tone: 'needle' },
    { id: `${id} head`, knots: [head, along(head, [direction(towards), 0.03])], radius: 0.1, tone: 'pin' },
  ];
}

/** A tuft of stuffing. */
export function tuft(id: string, middle: Point, size = 0.5): DrawnStrand {
  const bends: readonly Point[] = [
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
export function safetyEye(id: string, at: Point, out: Point, tone: DrawnStrand['tone'] = 'eye'): readonly DrawnStrand[] {
  const way = direction(out);
  const knots = [0.12, 0.2, 0.3, 0.42, 0.5].map((far) => along(at, [way, far], [[0, 0, 1], 0.2]));
  return [
    { id: `${id} post`, knots: [along(at, [way, 0.2]), along(at, [way, -1.1])], radius: 0.08, tone },
    { id, knots, radius: [0.5, 0.5, 0.44, 0.28, 0.08], tone },
  ];
}

/** The washer on such a post, so far from the fabric. */
export function washer(id: string, at: Point, out: Point, away: number): DrawnStrand {
  const way = direction(out);
  const knots = [0.2, 0.24, 0.34, 0.4].map((far) => along(at, [way, -far - away], [[0, 0, 1], 0.3]));
  return { id, knots, radius: [0.42, 0.42, 0.3, 0.16], tone: 'pin', moves: true };
}

/** Fabric cut open along a line: a stitch beside the other, seen at its cut. */
export function wall(id: string, line: readonly Point[], pitch = 0.34): readonly DrawnStrand[] {
  const points = curveOf(line, 12);
  const cuts: DrawnStrand[] = [];
  let left = 0;
  for (let i = 0; i + 1 < points.length; i++) {
    const [a, b] = [points[i]!, points[i + 1]!];
    const step = Math.hypot(b[0] - a[0], b[1] - a[1]);
    for (; left <= step; left += pitch) {
      const way = direction(minus(b, a));
      const across: Point = [-way[1], way[0], 0];
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
