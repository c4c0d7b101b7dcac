import { changeOf, type Change } from '../../fabric/index.js';
import type { FabricNet, NetPiece } from './fabric-net.js';
import { skinNormals } from './skin.js';
import { add, cross, dot, lengthOf, minus, times, unit, type Vector } from '../../vector/index.js';
import { at } from './vector.js';

export const CHANGES: readonly Change[] = ['plain', 'increase', 'decrease'];
/** Numbers of a stitch's frame. */
export const FRAME = 12;

/**
 * Every stitch of a body as flat arrays, a row a stitch, piece by piece in working order: what it is, and where it sits.
 * A frame is twelve numbers: its foot between the stitches it hangs on; across it to the right, as long as it is wide; up it to
 * its top; and outwards, as long as a stitch is wide.
 */
export interface StitchFrames {
  readonly count: number;
  /** Index of the piece in the body, and of the stitch in its fabric. */
  readonly piece: Uint16Array;
  readonly row: Uint32Array;
  /** Its node: the place of its top among the body's positions. */
  readonly node: Uint32Array;
  /** Index in STITCH_NAMES, in CHANGES and in LOOPS. */
  readonly stitch: Uint8Array;
  readonly change: Uint8Array;
  readonly loop: Uint8Array;
  /** 1 where nothing is worked on its top: the edge of an open rim. */
  readonly edge: Uint8Array;
  /** 1 for the first stitch of a round. */
  readonly starts: Uint8Array;
  /** Index in `colours`. */
  readonly colour: Uint16Array;
  readonly colours: readonly string[];
  readonly frames: Float32Array;
}

/** @param width of a stitch, in the unit of the positions */
export function stitchFrames(net: FabricNet, x: ArrayLike<number>, width: number): StitchFrames {
  const normals = skinNormals(net, x);
  const feet = footNodes(net);
  const count = net.pieces.reduce((sum, { piece }) => sum + piece.fabric.stitchCount, 0);
  const colours: string[] = [];
  const out = {
    count,
    piece: new Uint16Array(count),
    row: new Uint32Array(count),
    node: new Uint32Array(count),
    stitch: new Uint8Array(count),
    change: new Uint8Array(count),
    loop: new Uint8Array(count),
    edge: new Uint8Array(count),
    starts: new Uint8Array(count),
    colour: new Uint16Array(count),
    colours,
    frames: new Float32Array(FRAME * count),
  };
  let at = 0;
  for (const [index, piece] of net.pieces.entries()) {
    const { fabric } = piece.piece;
    const changes = changesOf(piece);
    const tops = topsOf(net, piece, feet);
    const own = fabric.colours.map((name) => indexIn(colours, name));
    for (let row = 0; row < fabric.stitchCount; row++, at++) {
      out.piece[at] = index;
      out.row[at] = row;
      out.node[at] = piece.first + row;
      out.stitch[at] = fabric.stitch[row]!;
      out.change[at] = CHANGES.indexOf(changes[row]!);
      out.loop[at] = fabric.loop[row]!;
      out.edge[at] = tops[row]! ? 0 : 1;
      out.starts[at] = fabric.roundStart[fabric.round[row]!] === row ? 1 : 0;
      out.colour[at] = own[fabric.colour[row]!]!;
      out.frames.set(frameOf(piece, row, feet[piece.first + row]!, x, normals, width), FRAME * at);
    }
  }
  return out;
}

function indexIn(names: string[], name: string): number {
  const known = names.indexOf(name);
  return known >= 0 ? known : names.push(name) - 1;
}

/** For each stitch of a piece, whether something is worked on it, or it is drawn shut. */
function topsOf({ nodes }: FabricNet, { piece, first, tip }: NetPiece, feet: readonly (readonly number[])[]): Uint8Array {
  const { fabric } = piece;
  const worked = new Uint8Array(nodes);
  for (const nodesBelow of feet) for (const node of nodesBelow) worked[node] = 1;
  const last = fabric.roundStart[fabric.roundCount - 1] ?? 0;
  return Uint8Array.from({ length: fabric.stitchCount }, (_, row) => (tip >= 0 && row >= last ? 1 : worked[first + row]!));
}

/** For every stitch, the nodes it hangs on. */
function footNodes({ nodes, pieces }: FabricNet): readonly (readonly number[])[] {
  const feet = Array.from({ length: nodes }, (): number[] => []);
  const base = pieces[0]?.piece.first ?? 0;
  for (const { piece, first } of pieces) {
    const { fabric, rims } = piece;
    for (let row = 0; row < fabric.stitchCount; row++) {
      const parents = fabric.parentCount[row]!;
      for (let k = 0; k < parents; k++) feet[first + row]!.push(first + fabric.firstParent[row]! + k);
      if (parents > 0) continue;
      const place = Math.max(0, fabric.place[row]!);
      for (const rim of rims.get(fabric.round[row]!) ?? []) feet[first + row]!.push(rim[Math.min(rim.length - 1, place)]! - base);
    }
  }
  return feet;
}

function frameOf(
  { piece, first }: NetPiece,
  row: number,
  feet: readonly number[],
  x: ArrayLike<number>,
  normals: Float32Array,
  width: number,
): number[] {
  const { fabric } = piece;
  const top = at(x, first + row);
  const foot = feet.length > 0 ? times(feet.map((node) => at(x, node)).reduce(add, [0, 0, 0]), 1 / feet.length) : top;
  const round = fabric.round[row]!;
  const before = Math.max(fabric.roundStart[round]!, row - 1);
  const after = Math.min(fabric.roundStart[round + 1]! - 1, row + 1);
  const along = minus(at(x, first + before), at(x, first + after));
  const wide = after > before ? lengthOf(along) / (after - before) : width;
  const up = minus(top, foot);
  const rising = lengthOf(up) > width / 20 ? up : times(unit(cross(at(normals, first + row), unit(along))), width / 2);
  const level = minus(along, times(rising, dot(along, rising) / Math.max(1e-9, dot(rising, rising))));
  const right = unit(level, [1, 0, 0]);
  const outwards = unit(cross(right, rising), [0, 0, 1]);
  const turned = dot(outwards, at(normals, first + row)) < 0 ? -1 : 1;
  const across: Vector = times(right, turned * Math.min(1.5 * width, Math.max(0.6 * width, wide)));
  return [...foot, ...across, ...rising, ...times(outwards, turned * width)];
}

function changesOf({ piece: { fabric } }: NetPiece): Change[] {
  const changes = new Array<Change>(fabric.stitchCount).fill('plain');
  for (let action = 0; action < fabric.actionCount; action++) {
    const change = changeOf(fabric, action);
    for (let row = fabric.actionStart[action]!; row < fabric.actionStart[action + 1]!; row++) {
      // Stitches of a ring share no stitch below.
      changes[row] = change === 'increase' && fabric.parentCount[row] === 0 ? 'plain' : change;
    }
  }
  return changes;
}
