import {
  DISC_TILT,
  layFabric,
  marker,
  ringGround,
  ROW,
  STRAIGHT,
  stitchKnots,
  yarn,
  circle,
  type DrawnStrand,
  type Ground,
  type Laid,
  type Sight,
} from '../drawn/index.js';
import type { Fabric } from '../fabric/index.js';
import { add, type Vector } from '../vector/index.js';
import type { Picture, Spot } from './task.js';

/** A piece laid out to be looked at: where it lies, what is seen of it, and which stitches. */
export interface View {
  readonly fabric: Fabric;
  readonly laid: Laid;
  readonly ground: Ground;
  readonly sight: Sight;
  /** Stitches that are drawn, [from, to) for each round. */
  readonly shown: readonly (readonly [number, number])[];
}

const DISC_WIDTHS = 6;
const INNER = 0.2;
/** Seen a little from above, so that the V's on the top show both strands. */
const WALL_TILT = 0.5;

/** A disc from outside, its rounds from the middle out, up to before stitch `until`. */
export function discView(fabric: Fabric, until = fabric.stitchCount, bend: Ground = STRAIGHT): View {
  const laid = layFabric(fabric, DISC_WIDTHS);
  const around = ringGround(INNER, 0, DISC_TILT, DISC_WIDTHS);
  const reach = INNER + fabric.roundCount * ROW * Math.cos(DISC_TILT) + 0.75;
  return {
    fabric,
    laid,
    ground: (point) => bend(around(point)),
    sight: { camera: { tilt: 0, way: -1 }, view: [-reach * 1.35, -reach, reach * 2.7, reach * 2] },
    shown: Array.from({ length: fabric.roundCount }, (_, round) => [
      fabric.roundStart[round]!,
      Math.min(until, fabric.roundStart[round + 1]!),
    ]),
  };
}

/** A window on a wall from outside: rounds [first, last), and so many stitches of the top round round one of them. */
export function wallView(
  fabric: Fabric,
  [first, last]: readonly [number, number],
  middle: number,
  width: number,
  ground: Ground = STRAIGHT,
): View {
  const top = fabric.roundStart[last]! - fabric.roundStart[last - 1]!;
  const laid = layFabric(fabric, top);
  const [centre] = ground(laid.tops[middle]!);
  const seen = (i: number): boolean => Math.abs(ground(laid.tops[i]!)[0] - centre) < width / 2 + 1.6;
  const shown = Array.from({ length: fabric.roundCount }, (_, round): readonly [number, number] => {
    const [from, to] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    if (round < first || round >= last) return [from, from];
    const rows = Array.from({ length: to - from }, (_, k) => from + k).filter(seen);
    return rows.length === 0 ? [from, from] : [rows[0]!, rows.at(-1)! + 1];
  });
  const height = width / 1.6;
  const up = (((first + last) / 2) * ROW + 0.2) * Math.cos(WALL_TILT);
  return {
    fabric,
    laid,
    ground,
    sight: { camera: { tilt: WALL_TILT, way: -1 }, view: [-centre - width / 2, -up - height / 2, width, height] },
    shown,
  };
}

/** The picture of a piece, with what else lies in it. */
export const pictureOf = (view: View, more: readonly DrawnStrand[] = [], marks: Picture['marks'] = []): Picture => ({
  ...view.sight,
  strands: [...pieceStrands(view), ...more],
  marks,
});

/** The strands of such a picture, some of its stitches pointed at. */
export const pointedIn = (view: View, stitches: readonly number[], more: readonly DrawnStrand[] = []): readonly DrawnStrand[] => [
  ...pieceStrands(view, new Set(stitches)),
  ...more,
];

/** A strand a round; cut where stitches that are pointed at begin and end. */
function pieceStrands(view: View, pointed: ReadonlySet<number> = new Set()): readonly DrawnStrand[] {
  const ring = view.sight.camera.tilt === 0 ? [yarn('ring', circle([0, 0, 0.02], INNER, 18))] : [];
  const rounds = view.shown.flatMap(([from, to], round) => {
    const cuts = Array.from({ length: to - from }, (_, k) => from + k).filter(
      (stitch) => stitch === from || pointed.has(stitch) !== pointed.has(stitch - 1),
    );
    return cuts.map((first, i) => {
      const id = `round ${round}${i > 0 ? `, ${i}` : ''}`;
      return yarn(id, partOfRound(view, first, cuts[i + 1] ?? to), pointed.has(first) ? 'pointed at' : 'worked');
    });
  });
  return [...ring, ...rounds];
}

const partOfRound = ({ fabric, laid, ground }: View, from: number, to: number): readonly Vector[] =>
  Array.from({ length: to - from }, (_, k) => stitchKnots(fabric, laid, from + k, ground)).flat();

/** Where the V of a stitch is. */
export const spotOf = ({ laid, ground }: View, stitch: number): Vector => ground(add(laid.vs[stitch]!, [0, 0.1, 0.15]));

/** Where the legs of a stitch are. */
export function postOf({ laid, fabric, ground }: View, stitch: number): Vector {
  const width = laid.pitch[fabric.round[stitch]!]!;
  return ground(add(laid.tops[stitch]!, [-0.15 * width, -0.5 * ROW, 0.3]));
}

/** The stitches of a round that are drawn. */
export const shownIn = ({ shown }: View, round: number): readonly number[] => {
  const [from, to] = shown[round]!;
  return Array.from({ length: to - from }, (_, k) => from + k);
};

/** Stitches that can be pointed at, by their legs. */
export const spotsOf = (view: View, stitches: readonly number[]): readonly Spot[] =>
  stitches.map((stitch) => ({ stitch, at: postOf(view, stitch) }));

/** A marker in the V of a stitch. */
export const markerIn = ({ laid, ground }: View, stitch: number): DrawnStrand => ({
  ...marker(laid.vs[stitch]!, ground),
  moves: false,
});
