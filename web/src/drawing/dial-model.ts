import { changeOf, LOOPS, roundLength, WAYS, type Change, type Fabric } from '@lemniscus/core/fabric';
import { heightOf } from '@lemniscus/core/gauge';
import { actionsIn, placeOfStitch, type Position } from '@lemniscus/core/making';
import { STITCH_NAMES, type Loop, type MarkedStitch, type StitchName } from '@lemniscus/core/notation';
import { pointAt, trackOf, turnTo, type Track } from './dial-track';

/** Geometry of the dial in its own units: the drawing is 600 wide, centre at 0, 0. */
export const DIAL = { half: 300, outer: 262, step: 35, clear: 112 } as const;

/** How much of a round's step a stitch stands higher for each single crochet it is taller. */
const TALLER = 0.55;

/** Radius of the smallest round shown. */
const SMALLEST = 200;

/** From a stitch's middle to the frame's edge where an oval reaches furthest. */
const MARGIN = 16;

export interface DialStitch {
  readonly row: number;
  readonly stitch: StitchName;
  /** Turns around the axis, growing in the direction of work. */
  readonly angle: number;
  readonly radius: number;
  /** Half its width along the round, turns. */
  readonly half: number;
  /** How far the stitch reaches down from its top, beyond what a single crochet does. */
  readonly post: number;
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

/** A place on the dial, in the gap below its round. */
export interface DialPlace {
  readonly angle: number;
  readonly radius: number;
  readonly depth: number;
}

/** What is drawn of some rounds. */
export interface DialLayer {
  readonly stitches: readonly DialStitch[];
  readonly changes: readonly DialChange[];
  /** Stitches below that are passed over. */
  readonly skips: readonly DialPlace[];
  /** Where a round is joined to its own start. */
  readonly seams: readonly DialPlace[];
  /** The ring the first round is worked into, with its tail. */
  readonly ring: DialPlace | null;
}

/** What holds for as long as a round is worked: the track, and how far out every stitch lies. */
export interface DialLayout {
  readonly round: number;
  readonly track: Track;
  /** The lowest round that is shown. */
  readonly lowest: number;
  /** Radius of a stitch's top; of a row that is not there, the outermost. */
  radius(row: number): number;
}

export interface DialHook {
  /** Angle of the action at hand, which stands under the hook, turns. */
  readonly angle: number;
  /** Radius of the action at hand. */
  readonly reach: number;
  /** Where the round began, turns, and its radius. */
  readonly marker: { readonly angle: number; readonly radius: number };
}

/** Lays out the dial for a round: the round at hand outermost, those below inside it, tall ones with more room. */
export function dialLayout(fabric: Fabric, angles: Float64Array, round: number): DialLayout {
  const stitches = roundLength(fabric, round);
  const track = trackOf(fabric, angles, stitches);
  const most = track.half > 0 ? DIAL.half - track.half - MARGIN : DIAL.outer;
  const outer = Math.min(most, Math.max(outerRadius(stitches), DIAL.clear + DIAL.step + stepOf(fabric, round)));
  const edges = [outer];
  let lowest = round;
  while (lowest > 0 && edges.at(-1)! - stepOf(fabric, lowest) >= DIAL.clear) {
    edges.push(edges.at(-1)! - stepOf(fabric, lowest));
    lowest--;
  }
  edges.push(edges.at(-1)! - stepOf(fabric, lowest));
  const tallest = edges.map((_, depth) => tallestOf(fabric, Math.max(0, round - depth)));
  return {
    round,
    track,
    lowest,
    radius: (row) => {
      const of = fabric.round[row];
      if (of === undefined) return outer;
      const depth = Math.min(edges.length - 1, Math.max(0, round - of));
      const shorter = (tallest[depth]! - height(fabric, row)) * TALLER * DIAL.step;
      const length = roundLength(fabric, of);
      // A spiral widens as it goes; a joined round closes on itself, halfway between its neighbours.
      const along = WAYS[fabric.roundWay[of]!] === 'spiral' ? (row - fabric.roundStart[of]! + 0.5) / length : 0.5;
      return edges[depth]! - (1 - along) * DIAL.step - shorter;
    },
  };
}

const height = (fabric: Fabric, row: number): number => Math.max(1, heightOf(STITCH_NAMES[fabric.stitch[row]!]!));

function tallestOf(fabric: Fabric, round: number): number {
  let most = 1;
  for (let row = fabric.roundStart[round]!; row < fabric.roundStart[round + 1]!; row++)
    most = Math.max(most, height(fabric, row));
  return most;
}

function stepOf(fabric: Fabric, round: number): number {
  return DIAL.step * (1 + (tallestOf(fabric, round) - 1) * TALLER);
}

/** Small rounds are drawn on a smaller circle, so that the dial grows with the piece. */
function outerRadius(stitches: number): number {
  return Math.min(DIAL.outer, Math.max(SMALLEST, (stitches * 34) / (2 * Math.PI) + 60));
}

/** The rounds below the one at hand, which stay as they are while it is worked. */
export function dialBelow(fabric: Fabric, angles: Float64Array, layout: DialLayout): DialLayer {
  const layer = { ...emptyLayer(), ring: ringOf(fabric, angles, layout) };
  for (let round = layout.round - 1; round >= layout.lowest; round--) {
    const ended = actionsIn(fabric, round);
    addActions(layer, fabric, angles, layout, round, 0, ended, ended);
  }
  return layer;
}

/**
 * Some actions of the round at hand.
 * @param from the first, 0-based in its round
 * @param to the one after the last
 * @param now the action at hand: what comes before it is worked, what comes after is ahead
 */
export function dialActions(
  fabric: Fabric,
  angles: Float64Array,
  layout: DialLayout,
  from: number,
  to: number,
  now: number,
): DialLayer {
  const layer = emptyLayer();
  addActions(layer, fabric, angles, layout, layout.round, from, to, now);
  return layer;
}

interface GrowingLayer extends DialLayer {
  readonly stitches: DialStitch[];
  readonly changes: DialChange[];
  readonly skips: DialPlace[];
  readonly seams: DialPlace[];
}

const emptyLayer = (): GrowingLayer => ({ stitches: [], changes: [], skips: [], seams: [], ring: null });

/** The ring within the first round, where there is room to see it; its tail lies where the round begins. */
function ringOf(fabric: Fabric, angles: Float64Array, layout: DialLayout): DialPlace | null {
  const { round, lowest } = layout;
  if (lowest > 0 || fabric.foundation || roundLength(fabric, 0) === 0) return null;
  const at = Math.min(layout.radius(0), layout.radius(fabric.roundStart[1]! - 1)) - RING_GAP;
  return at > DIAL.clear ? { angle: angles[0]! - 0.5 / roundLength(fabric, 0), radius: at, depth: round } : null;
}
const RING_GAP = 22;

function addActions(
  { stitches, changes, skips, seams }: GrowingLayer,
  fabric: Fabric,
  angles: Float64Array,
  layout: DialLayout,
  round: number,
  first: number,
  end: number,
  now: number,
): void {
  const depth = layout.round - round;
  const length = roundLength(fabric, round);
  const base = fabric.roundAction[round]!;
  for (let action = first; action < end; action++) {
    const act = base + action;
    const change = changeOf(fabric, act);
    const from = fabric.actionStart[act]!;
    for (let row = from; row < fabric.actionStart[act + 1]!; row++) {
      const radius = layout.radius(row);
      // The round at hand is shown whole, even where tall stitches on an oval leave it little room.
      if (depth > 0 && radius < DIAL.clear) continue;
      stitches.push({
        row,
        stitch: STITCH_NAMES[fabric.stitch[row]!]!,
        angle: angles[row]!,
        radius,
        half: 0.5 / length,
        post: (height(fabric, row) - 1) * TALLER * DIAL.step,
        state: action < now ? 'worked' : action === now ? 'next' : 'ahead',
        change,
        loop: LOOPS[fabric.loop[row]!]!,
        colour: fabric.colours[fabric.colour[row]!]!,
        depth,
      });
    }
    const radius = layout.radius(Math.max(fabric.roundStart[round]!, Math.min(from, fabric.roundStart[round + 1]! - 1)));
    if (depth > 0 && radius <= DIAL.clear) continue;
    if (change !== 'plain')
      changes.push({ ...fork(fabric, angles, from, fabric.actionStart[act + 1]!), change, radius, depth, done: action < now });
    const work = fabric.works[fabric.actionWork[act]!]!;
    if (work.kind === 'skip') skips.push({ ...skippedPlace(fabric, angles, layout, round, from), depth });
    if (work.kind === 'close' && work.how === 'join' && length > 0)
      seams.push({ angle: angles[fabric.roundStart[round]!]! - 0.5 / length, radius, depth });
  }
}

/** The stitches of the action at hand. One that makes none (a skip, a join) stands at the stitch before the next. */
function rowsAtHand(fabric: Fabric, round: number, action: number): { readonly from: number; readonly to: number } {
  const from = Math.min(fabric.actionStart[action]!, fabric.roundStart[round + 1]! - 1);
  return { from, to: Math.max(from, fabric.actionStart[action + 1]!) };
}

/** Where something goes on a round that is shown: in a stitch of it, or in the hole behind so many, at its top. */
export interface DialPin {
  readonly round: number;
  readonly after: number;
  readonly in: boolean;
}

/** Where the pins of the rounds that are shown stand: angle, turns, and radius. */
export function dialPins(
  fabric: Fabric,
  angles: Float64Array,
  layout: DialLayout,
  pins: readonly DialPin[],
): readonly { readonly angle: number; readonly radius: number }[] {
  return pins.flatMap(({ round, after, in: inside }) => {
    const count = roundLength(fabric, round);
    if (round < layout.lowest || round > layout.round || count === 0) return [];
    const row = fabric.roundStart[round]! + (after % count);
    const angle = angleOf(angles, row) - (inside ? 0 : 0.5 / count);
    return [{ angle, radius: layout.radius(row) + (inside ? 0 : PIN_ABOVE * DIAL.step) }];
  });
}
/** A hole is so far above the middle of its stitches, of a step. */
const PIN_ABOVE = 0.42;

/** What stands under the hook, and where the round began. */
export function dialHook(
  fabric: Fabric,
  angles: Float64Array,
  layout: DialLayout,
  action: number,
  marked: MarkedStitch | null = null,
): DialHook {
  const { from, to } = rowsAtHand(fabric, layout.round, fabric.roundAction[layout.round]! + action);
  return {
    angle: (angleOf(angles, from) + angleOf(angles, Math.max(from, to - 1))) / 2,
    reach: layout.radius(from),
    marker: {
      angle: markerAngle(fabric, angles, layout.round, marked),
      radius: layout.radius(fabric.roundStart[layout.round]!),
    },
  };
}

function markerAngle(fabric: Fabric, angles: Float64Array, round: number, marked: MarkedStitch | null): number {
  const first = fabric.roundStart[round]!;
  if (marked === 'first') return angleOf(angles, first);
  if (marked === 'last' && round > 0) return angleOf(angles, first - 1);
  return angleOf(angles, first) - 0.5 / Math.max(1, roundLength(fabric, round));
}

/** The angle of a stitch; beside a round in which none is made, that of the last there is. */
function angleOf(angles: Float64Array, row: number): number {
  return angles[row] ?? angles.at(-1) ?? 0;
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

/** Just above the passed stitches: between what the neighbours in the round hang on, else between the neighbours. */
function skippedPlace(
  fabric: Fabric,
  angles: Float64Array,
  layout: DialLayout,
  round: number,
  next: number,
): Omit<DialPlace, 'depth'> {
  const first = fabric.roundStart[round]!;
  const last = fabric.roundStart[round + 1]! - 1;
  const above = DIAL.step * 0.55;
  if (next > first && next <= last && fabric.parentCount[next - 1]! > 0 && fabric.parentCount[next]! > 0) {
    const before = fabric.firstParent[next - 1]! + fabric.parentCount[next - 1]!;
    const after = fabric.firstParent[next]! - 1;
    if (after >= before) return { angle: (angles[before]! + angles[after]!) / 2, radius: layout.radius(before) + above };
  }
  const half = 0.5 / Math.max(1, last - first + 1);
  const angle = next > last ? angleOf(angles, last) + half : angleOf(angles, next) - half;
  return { angle, radius: layout.radius(Math.min(next, last)) - DIAL.step + above };
}

/**
 * The place to go back to for a point of the dial: just before the worked stitch that lies there.
 * @param x from the centre in drawing units, as the work is seen by the right hand, with `under` at the hook
 * @returns null where no worked stitch lies
 */
export function placeAt(
  fabric: Fabric,
  layout: DialLayout,
  layers: readonly DialLayer[],
  under: UnderHook,
  x: number,
  y: number,
): Position | null {
  let nearest: DialStitch | null = null;
  let least = REACH;
  for (const stitch of layers.flatMap((layer) => layer.stitches)) {
    if (stitch.state !== 'worked') continue;
    const [sx, sy] = seenAt(layout.track, under, stitch.angle, stitch.radius);
    const far = Math.hypot(sx - x, sy - y);
    if (far < least) {
      least = far;
      nearest = stitch;
    }
  }
  if (!nearest) return null;
  const round = fabric.round[nearest.row]!;
  return placeOfStitch(fabric, round, nearest.row - fabric.roundStart[round]!);
}
/** How far from a stitch's middle it is still meant; half a round's step and a little. */
const REACH = 24;

/** What stands straight under the hook. */
export type UnderHook = Pick<DialHook, 'angle' | 'reach'>;

/** Where a place of the work is seen while `under` stands at the hook, from the dial's centre. */
export function seenAt(track: Track, under: UnderHook, angle: number, radius: number): readonly [number, number] {
  const turn = turnTo(track, under.angle, under.reach);
  const [x, y] = pointAt(track, angle, radius);
  return [x * Math.cos(turn) - y * Math.sin(turn), x * Math.sin(turn) + y * Math.cos(turn)];
}
