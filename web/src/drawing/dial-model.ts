import { changeOf, LOOPS, roundLength, type Change, type Fabric } from '@lemniscus/core/fabric';
import type { Position } from '@lemniscus/core/making';
import type { Loop, MarkedStitch } from '@lemniscus/core/notation';

/** Geometry of the dial in its own units: the drawing is 600 wide, centre at 0, 0. */
export const DIAL = { half: 300, outer: 262, step: 35, clear: 112 } as const;

/** Widest a stitch is drawn along the round, so that a ring of six still looks like stitches. */
const WIDEST_STITCH = 78;

export interface DialStitch {
  /** Turns around the axis, growing in the direction of work. */
  readonly angle: number;
  readonly radius: number;
  /** Half its width along the round, turns. */
  readonly half: number;
  readonly state: 'worked' | 'next' | 'ahead';
  readonly loop: Loop;
  readonly change: Change;
  readonly colour: string;
  /** Rounds below the current one. */
  readonly depth: number;
}

/** An increase or decrease: a fork from what it hangs on to what it makes. */
export interface DialChange {
  readonly change: Exclude<Change, 'plain'>;
  /** Angles of the stitches it makes and of those it hangs on, turns: first and last, equal where there is one. */
  readonly made: readonly [number, number];
  readonly parents: readonly [number, number];
  readonly radius: number;
  readonly depth: number;
  readonly done: boolean;
}

export interface DialModel {
  readonly stitches: readonly DialStitch[];
  readonly changes: readonly DialChange[];
  /** Angle of the action at hand, which stands under the hook, turns. */
  readonly hook: number;
  /** Radius of the action at hand. */
  readonly reach: number;
  /** Where the round began, turns, and its radius. */
  readonly marker: { readonly angle: number; readonly radius: number };
}

/**
 * What the dial shows at a position within the fabric: the current round outermost, the rounds below inside it.
 * @param angles of every stitch, from `stitchAngles`
 * @param marked the stitch that carries the marker; null puts it between the rounds
 */
export function dialModel(
  fabric: Fabric,
  angles: Float64Array,
  { round, action }: Position,
  marked: MarkedStitch | null = null,
): DialModel {
  const stitches: DialStitch[] = [];
  const changes: DialChange[] = [];
  const outer = outerRadius(roundLength(fabric, round));
  const now = fabric.roundAction[round]! + action;
  // An action that makes no stitch (a skip, a join) stands at the stitch before the next.
  const lastRow = fabric.roundStart[round + 1]! - 1;
  const nowFrom = Math.min(fabric.actionStart[now]!, lastRow);
  const nowTo = Math.max(nowFrom, fabric.actionStart[now + 1]!);
  const radiusOf = (row: number, depth: number): number => {
    const of = fabric.round[row]!;
    const along = (row - fabric.roundStart[of]! + 0.5) / roundLength(fabric, of);
    return outer - depth * DIAL.step - (1 - along) * DIAL.step;
  };
  for (let depth = 0; depth <= round; depth++) {
    const of = round - depth;
    if (outer - depth * DIAL.step < DIAL.clear) break;
    const length = roundLength(fabric, of);
    for (let act = fabric.roundAction[of]!; act < fabric.roundAction[of + 1]!; act++) {
      const change = changeOf(fabric, act);
      const from = fabric.actionStart[act]!;
      const to = fabric.actionStart[act + 1]!;
      for (let row = from; row < to; row++) {
        const radius = radiusOf(row, depth);
        if (radius < DIAL.clear) continue;
        const half = Math.min(0.5 / length, WIDEST_STITCH / (4 * Math.PI * radius));
        const state = row < nowFrom ? 'worked' : row < nowTo ? 'next' : 'ahead';
        stitches.push({
          angle: angles[row]!,
          radius,
          half,
          state,
          change,
          loop: LOOPS[fabric.loop[row]!]!,
          colour: fabric.colours[fabric.colour[row]!]!,
          depth,
        });
      }
      const radius = radiusOf(from, depth);
      if (change !== 'plain' && radius > DIAL.clear)
        changes.push({ ...fork(fabric, angles, from, to), change, radius, depth, done: act < now });
    }
  }
  const first = fabric.roundStart[round]!;
  return {
    stitches,
    changes,
    hook: (angles[nowFrom]! + angles[Math.max(nowFrom, nowTo - 1)]!) / 2,
    reach: radiusOf(nowFrom, 0),
    marker: { angle: markerAngle(fabric, angles, round, marked), radius: radiusOf(first, 0) },
  };
}

function markerAngle(fabric: Fabric, angles: Float64Array, round: number, marked: MarkedStitch | null): number {
  const first = fabric.roundStart[round]!;
  if (marked === 'first') return angles[first]!;
  if (marked === 'last' && round > 0) return angles[first - 1]!;
  return angles[first]! - 0.5 / roundLength(fabric, round);
}

/** Small rounds are drawn on a smaller circle, so that the dial grows with the piece. */
function outerRadius(stitches: number): number {
  return Math.min(DIAL.outer, Math.max(176, (stitches * 34) / (2 * Math.PI) + 40));
}

function fork(fabric: Fabric, angles: Float64Array, from: number, to: number): Pick<DialChange, 'made' | 'parents'> {
  const parents = fabric.parentCount[from]!;
  const first = fabric.firstParent[from]!;
  const made: [number, number] = [angles[from]!, angles[to - 1]!];
  const middle = (made[0] + made[1]) / 2;
  if (parents < 2) return { made, parents: [middle, middle] };
  const nearest = (angle: number): number => angle - Math.round(angle - middle);
  return { made, parents: [nearest(angles[first]!), nearest(angles[first + parents - 1]!)] };
}
