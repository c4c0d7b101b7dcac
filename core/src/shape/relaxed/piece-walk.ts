import { changeOf, WAYS, type FigurePiece } from '../../fabric/index.js';
import { waysOfRounds } from '../../spacing/index.js';
import { mainRounds } from '../profile/net.js';
import type { NetPiece } from './fabric-net.js';

/** Indices in WAYS. */
export const SPIRAL = WAYS.indexOf('spiral');
export const TURNED = WAYS.indexOf('turned');

/** How the stitches of a piece follow one another and what they hang on, as nodes of the body. */
export class PieceWalk {
  readonly first: number;
  private readonly ways: Int8Array;
  private readonly aside: Float64Array;

  constructor(
    private readonly net: NetPiece,
    private readonly base: number,
  ) {
    this.first = net.first;
    this.ways = waysOfRounds(net.piece.fabric);
    this.aside = asideOf(net.piece);
  }

  roundOf(row: number): number {
    return this.net.piece.fabric.round[row]!;
  }

  /** Whether a round is a row worked back, whose stitches run the other way. */
  back(round: number): boolean {
    return this.ways[round]! < 0;
  }

  /** Nodes a stitch hangs on, in the direction of work. */
  under(row: number): number[] {
    const { fabric, rims } = this.net.piece;
    const parents = fabric.parentCount[row]!;
    if (parents > 0) {
      const nodes = Array.from({ length: parents }, (_, i) => this.first + fabric.firstParent[row]! + i);
      return this.turns(row) ? nodes.reverse() : nodes;
    }
    const layers = rims.get(fabric.round[row]!);
    if (!layers) return [];
    const place = Math.max(0, fabric.place[row]!);
    return layers.map((rim) => rim[Math.min(rim.length - 1, place)]! - this.base);
  }

  /** How far a stitch stands aside of what it hangs on when it shares it, or joins it with others: half a stitch or none. */
  stands(row: number): number {
    return this.aside[row]! * this.nearer(row);
  }

  /**
   * A step along a stitch's round, seen half-way between that round and the one below (their geometric mean): in a growing disc
   * the lower is shorter, and what leans there leans less far.
   */
  nearer(row: number): number {
    const { fabric } = this.net.piece;
    if (fabric.parentCount[row] === 0) return 1;
    const [round, below] = [fabric.round[row]!, fabric.round[fabric.firstParent[row]!]!];
    const lengthOf = (k: number): number => fabric.roundStart[k + 1]! - fabric.roundStart[k]!;
    return Math.sqrt(lengthOf(below) / lengthOf(round));
  }

  leansOnFirst(row: number): number {
    return this.net.piece.fabric.parentCount[row] === 0 ? 0 : this.leans(row, 0);
  }

  leansOnLast(row: number): number {
    const parents = this.net.piece.fabric.parentCount[row]!;
    return parents === 0 ? 0 : this.leans(row, parents - 1);
  }

  /** How far a stitch of an evenly spread round sits ahead of one of its parents, stitches; aside, where it has none. */
  leans(row: number, index: number): number {
    const { piece, angles } = this.net;
    const { fabric } = piece;
    const parent = fabric.firstParent[row]! + index;
    if (fabric.parentCount[row] === 0 || parent < 0) return this.aside[row]!;
    const turn = angles[row]! - angles[parent]!;
    const round = fabric.round[row]!;
    return (turn - Math.round(turn)) * (fabric.roundStart[round + 1]! - fabric.roundStart[round]!) * this.nearer(row);
  }

  /** The stitch after this one along the work, or the first of the round where it closes to a ring; −1 at a row's end. */
  next(row: number): number {
    const { fabric } = this.net.piece;
    const round = fabric.round[row]!;
    const [from, end] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    if (row + 1 < end) return row + 1;
    if (fabric.roundWay[round] === TURNED) return -1;
    return this.spirals(round) ? end : from;
  }

  /** Whether the link to the next stitch closes the last round of a spiral, a step down. */
  closes(row: number, next: number): boolean {
    return next < row && this.net.piece.fabric.roundWay[this.net.piece.fabric.round[row]!] === SPIRAL;
  }

  /** Nodes below from the last a stitch hangs on to the first the next one does. */
  between(row: number, next: number, layer: number | null): number[] {
    const { fabric } = this.net.piece;
    const from = this.under(row).at(layer ?? -1);
    const to = this.closes(row, next) ? this.first + next : this.under(next)[layer ?? 0];
    if (from === undefined || to === undefined) return [];
    if (fabric.parentCount[row]! > 0 && (this.closes(row, next) || fabric.parentCount[next]! > 0))
      return this.alongRows(from, to);
    const rim = this.net.piece.rims.get(fabric.round[row]!)?.[layer ?? 0];
    return rim && fabric.parentCount[row] === 0 ? this.alongRim(rim, row, next, to) : [from, to];
  }

  /** From one row's node to another: on along the work, back where it turns, or round to the start of a joined round. */
  private alongRows(from: number, to: number): number[] {
    const { fabric } = this.net.piece;
    if (Math.abs(to - from) <= 1 || to - from > 0) return range(from, to);
    const round = fabric.round[from - this.first]!;
    const [start, end] = [this.first + fabric.roundStart[round]!, this.first + fabric.roundStart[round + 1]!];
    if (fabric.roundWay[round] === TURNED) return range(from, to);
    return [...range(from, end - 1), ...range(start, to)];
  }

  private alongRim(rim: Int32Array, row: number, next: number, to: number): number[] {
    const { fabric } = this.net.piece;
    const at = (place: number): number => rim[Math.min(rim.length - 1, Math.max(0, place))]! - this.base;
    const place = Math.max(0, fabric.place[row]!);
    const onRim = fabric.parentCount[next] === 0 && !this.closes(row, next);
    const places =
      onRim && next > row ? range(place, Math.max(place, fabric.place[next]!)) : [...range(place, rim.length - 1), 0];
    const nodes = places.map(at);
    return nodes.at(-1) === to ? nodes : [...nodes, to];
  }

  /** The last round of those that follow one another from the start. */
  mainEnd(): number {
    return mainRounds(this.net.outline) - 1;
  }

  rim(round: number): number[] {
    const { roundStart } = this.net.piece.fabric;
    return range(roundStart[round]!, roundStart[round + 1]! - 1);
  }

  private spirals(round: number): boolean {
    const { fabric } = this.net.piece;
    const more = round + 1 < fabric.roundCount && fabric.roundStart[round + 2]! > fabric.roundStart[round + 1]!;
    return more && fabric.roundWay[round] === SPIRAL && this.net.outline.below[round + 1] === round;
  }

  private turns(row: number): boolean {
    const { fabric } = this.net.piece;
    return fabric.roundWay[fabric.round[row]!] === TURNED;
  }
}

/** Whole numbers from one to another, up or down. */
function range(from: number, to: number): number[] {
  const step = to < from ? -1 : 1;
  return Array.from({ length: Math.abs(to - from) + 1 }, (_, i) => from + step * i);
}

/** Half a stitch for the stitches of an increase and of a decrease, nothing for all others. */
function asideOf({ fabric }: FigurePiece): Float64Array {
  const aside = new Float64Array(fabric.stitchCount);
  for (let action = 0; action < fabric.actionCount; action++) {
    if (changeOf(fabric, action) === 'plain') continue;
    const from = fabric.actionStart[action]!;
    const made = fabric.actionStart[action + 1]! - from;
    if (made <= 1) aside[from] = ((fabric.parentCount[from] ?? 2) - 1) / 2;
    else for (let k = 0; k < made; k++) aside[from + k] = fabric.parentCount[from]! > 0 ? Math.abs(k - (made - 1) / 2) : 0;
  }
  return aside;
}
