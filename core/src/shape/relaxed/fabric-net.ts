import { constant } from '../../constants/index.js';
import { changeOf, type FigureFabric, type FigurePiece } from '../../fabric/index.js';
import { heightOf } from '../../gauge/index.js';
import { STITCH_NAMES } from '../../notation/index.js';
import { stitchAngles, waysOfRounds } from '../../spacing/index.js';
import { isFlatLie } from '../lie.js';
import { outlineOf, type Outline } from '../outline.js';
import { ringRadius } from '../profile/ring.js';

/** A piece of a body, with its nodes counted from the body's first. */
export interface NetPiece {
  readonly piece: FigurePiece;
  readonly outline: Outline;
  /** Where every stitch sits around the axis, turns. */
  readonly angles: Float64Array;
  readonly first: number;
  /** Node of the point a last round is drawn shut to, or −1. */
  readonly tip: number;
  /** Whether stuffing presses on it. */
  readonly pressed: boolean;
}

/** An open rim that the stuffing sees capped: its nodes, so that the cap looks outwards. */
export type Cap = Int32Array;

/**
 * The springs and the skin of one body, lengths in stitch widths. Nodes are those of the body's pieces in turn (stitches, then
 * anchors), then the points that last rounds are drawn shut to.
 */
export interface FabricNet {
  readonly nodes: number;
  readonly pieces: readonly NetPiece[];
  /** A row a spring. Tension over stretch; squeezed it resists a tenth of that. */
  readonly springFrom: Int32Array;
  readonly springTo: Int32Array;
  readonly springRest: Float64Array;
  readonly springStiffness: Float64Array;
  /** Three nodes a triangle, counter-clockwise seen from outside; the stitch each belongs to. */
  readonly triangles: Int32Array;
  readonly triangleStitch: Int32Array;
  /** Triangles up to here are pressed on by stuffing. */
  readonly pressedTriangles: number;
  readonly caps: readonly Cap[];
  /** Nodes of limbs with the nodes of the wall they are worked in with. */
  readonly held: readonly (readonly [number, number])[];
  /** Widest round, stitch widths: what the pressure is measured by. */
  readonly widest: number;
  readonly ratio: number;
  /** Whether it lies flat, and is kept in its plane. */
  readonly planar: boolean;
}

const SHEAR = constant('shear of the fabric');
const LEAST_WALL = constant('least wall');
const CHORD_SHUT = constant('chord drawn shut');
/** From stitches that stand as high however they lean, to ones that lengthen as they lean. */
export const LEAN_GIVE = constant('give of a leaning stitch');
/** How much fabric without stuffing resists being folded across its rounds, beside being stretched. */
const BENDING = constant('bending of the fabric');
/** Two stitches worked through as one lie so close, stitch widths (our own estimate). */
const HELD = 0.3;

/** @param give see the constant 'give of a leaning stitch' */
export function fabricNet(figure: FigureFabric, body: number, ratio: number, give = LEAN_GIVE): FabricNet {
  const own = figure.pieces.slice(figure.bodyStart[body], figure.bodyStart[body + 1]);
  return new NetBuilder(figure, own, ratio, give).build();
}

interface Skin {
  readonly triangles: number[];
  readonly stitchOf: number[];
}

class NetBuilder {
  private readonly from: number[] = [];
  private readonly to: number[] = [];
  private readonly rest: number[] = [];
  private readonly stiffness: number[] = [];
  private readonly caps: Cap[] = [];
  private readonly inside: Skin = { triangles: [], stitchOf: [] };
  private readonly outside: Skin = { triangles: [], stitchOf: [] };
  private skin = this.inside;
  private readonly pieces: NetPiece[];
  private readonly base: number;
  private nodes: number;

  constructor(
    private readonly figure: FigureFabric,
    own: readonly FigurePiece[],
    private readonly ratio: number,
    private readonly give: number,
  ) {
    this.base = own[0]?.first ?? 0;
    this.nodes = own.reduce((sum, { fabric, anchors }) => sum + fabric.stitchCount + anchors, 0);
    const filled = own.some(({ fabric }) => fabric.foundation?.from === 'layers' && fabric.fill === 'stuffed');
    this.pieces = own.map((piece): NetPiece => {
      const outline = outlineOf(piece.fabric);
      const grown = piece.fabric.foundation?.from === 'loops' || piece.fabric.foundation?.from === 'edge';
      const pressed = filled || (outline.lie === 'stuffed' && !grown);
      const tip = outline.shut ? this.nodes++ : -1;
      return { piece, outline, angles: stitchAngles(piece.fabric), first: piece.first - this.base, tip, pressed };
    });
  }

  build(): FabricNet {
    for (const piece of this.pieces) this.addPiece(piece);
    const held = this.heldHere();
    for (const [limb, wall] of held) this.spring(limb, wall, HELD, 1);
    const { inside, outside } = this;
    const counts = this.pieces.flatMap(({ outline, pressed }) => (pressed ? outline.counts : []));
    return {
      nodes: this.nodes,
      pieces: this.pieces,
      springFrom: Int32Array.from(this.from),
      springTo: Int32Array.from(this.to),
      springRest: Float64Array.from(this.rest),
      springStiffness: Float64Array.from(this.stiffness),
      triangles: Int32Array.from([...inside.triangles, ...outside.triangles]),
      triangleStitch: Int32Array.from([...inside.stitchOf, ...outside.stitchOf]),
      pressedTriangles: inside.stitchOf.length,
      caps: this.caps,
      held,
      widest: counts.reduce((most, count) => Math.max(most, ringRadius(count, 1)), 1),
      ratio: this.ratio,
      planar: this.pieces.every(({ outline, pressed }) => isFlatLie(outline.lie) && !pressed),
    };
  }

  private heldHere(): (readonly [number, number])[] {
    const { heldFrom, heldTo } = this.figure;
    const inside = (node: number): boolean => node >= 0 && node < this.nodes;
    return [...heldFrom].flatMap((from, i) => {
      const pair = [from - this.base, heldTo[i]! - this.base] as const;
      return pair.every(inside) ? [pair] : [];
    });
  }

  private spring(from: number, to: number, rest: number, stiffness: number): void {
    if (from === to) return;
    this.from.push(from);
    this.to.push(to);
    this.rest.push(rest);
    this.stiffness.push(stiffness);
  }

  private addPiece(net: NetPiece): void {
    const walk = new PieceWalk(net, this.base);
    const { fabric, rims } = net.piece;
    for (let round = 0; round < fabric.roundCount; round++) {
      // What grows out of loops or round an edge holds nothing; what is worked through two layers closes them.
      const layered = (rims.get(round)?.length ?? 0) > 1;
      const holds = round <= walk.mainEnd() && (net.outline.lie !== 'band' || layered);
      this.skin = net.pressed && holds ? this.inside : this.outside;
      this.addRound(net, walk, round, layered ? [0, 1] : [null]);
    }
    this.skin = net.pressed ? this.inside : this.outside;
    this.closeEnds(net, walk);
  }

  private addRound(net: NetPiece, walk: PieceWalk, round: number, layers: readonly (number | null)[]): void {
    const { fabric } = net.piece;
    const shut = net.outline.shut && round === fabric.roundCount - 1;
    for (let row = fabric.roundStart[round]!; row < fabric.roundStart[round + 1]!; row++) {
      const node = net.first + row;
      const under = walk.under(row);
      const height = this.ratio * Math.max(LEAST_WALL, heightOf(STITCH_NAMES[fabric.stitch[row]!]!));
      for (const [index, below] of under.entries())
        this.spring(node, below, leaningRest(height, walk.stands(row), walk.leans(row, index), this.give), 1);
      if (layers[0] === null) for (let k = 1; k < under.length; k++) this.face(walk.back(round), node, under[k]!, under[k - 1]!);
      const next = walk.next(row);
      if (next < 0) continue;
      this.spring(node, net.first + next, shut ? CHORD_SHUT : 1, 1);
      for (const layer of layers) this.addBetween(walk, row, next, height, layer);
    }
    this.closeStart(net, round);
    if (!net.pressed && !isFlatLie(net.outline.lie)) this.stiffen(net, round);
  }

  /** Without stuffing the fabric holds itself up: stitches two rounds apart keep their distance, but for a fold in one loop. */
  private stiffen({ piece: { fabric }, first }: NetPiece, round: number): void {
    for (let row = fabric.roundStart[round]!; row < fabric.roundStart[round + 1]!; row++) {
      const parent = fabric.firstParent[row]!;
      const grand = parent < 0 ? -1 : fabric.firstParent[parent]!;
      if (grand < 0 || fabric.loop[row] !== BOTH || fabric.loop[parent] !== BOTH) continue;
      const rise = this.ratio * (heightOf(STITCH_NAMES[fabric.stitch[row]!]!) + heightOf(STITCH_NAMES[fabric.stitch[parent]!]!));
      this.spring(first + row, first + grand, rise, BENDING);
    }
  }

  /** The last stitch of a spiral's first round lies beside its first, as both sit in the same ring or over the same rim. */
  private closeStart({ piece: { fabric }, first }: NetPiece, round: number): void {
    const [from, end] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    if (round === 0 && fabric.roundWay[0] === SPIRAL && end - from > 2) this.spring(first + end - 1, first + from, 1, 1);
  }

  /** The field between a stitch and the next: its two diagonals and its skin; over the second of two layers seen from behind. */
  private addBetween(walk: PieceWalk, row: number, next: number, height: number, layer: number | null): void {
    const first = walk.first;
    const way = walk.between(row, next, layer);
    const [a, b] = [way[0], way.at(-1)];
    if (a === undefined || b === undefined) return;
    if (a !== b) {
      const [ahead, behind] = [1 - walk.leansOnFirst(next), 1 + walk.leansOnLast(row)];
      this.spring(first + row, b, leaningRest(height, 1, ahead, this.give), SHEAR);
      this.spring(first + next, a, leaningRest(height, 1, behind, this.give), SHEAR);
    }
    const back = walk.back(walk.roundOf(row)) !== (layer === 1);
    if (!walk.closes(row, next)) this.face(back, first + row, first + next, b);
    for (let k = way.length - 1; k > 0; k--) this.face(back, first + row, way[k]!, way[k - 1]!);
  }

  private face(back: boolean, a: number, b: number, c: number): void {
    if (a === b || b === c || a === c) return;
    if (back) this.skin.triangles.push(a, c, b);
    else this.skin.triangles.push(a, b, c);
    this.skin.stitchOf.push(a);
  }

  /** Draws the last round shut, and caps the rims that stay open where there is stuffing. */
  private closeEnds({ piece, outline, tip, first, pressed }: NetPiece, walk: PieceWalk): void {
    const { fabric } = piece;
    const last = fabric.roundCount - 1;
    if (last < 0 || isFlatLie(outline.lie)) return;
    const rim = walk.rim(walk.mainEnd()).map((row) => first + row);
    if (tip >= 0 && walk.mainEnd() === last) {
      const rest = ringRadius(rim.length, CHORD_SHUT);
      for (const [i, node] of rim.entries()) {
        this.spring(node, tip, rest, 1);
        this.face(false, tip, rim[(i + 1) % rim.length]!, node);
      }
    } else if (pressed && !this.isJoined(piece)) this.caps.push(Int32Array.from([...rim].reverse()));
    const base = piece.rims.get(0)?.[0];
    if (!pressed || outline.start.is !== 'open' || !base) return;
    const bounds = [piece.first + fabric.stitchCount, piece.first + fabric.stitchCount + piece.anchors] as const;
    if (base.every((node) => node >= bounds[0] && node < bounds[1])) {
      const nodes = [...base].map((node) => node - this.base);
      this.caps.push(Int32Array.from(nodes));
      for (const [i, node] of nodes.entries()) this.spring(node, nodes[(i + 1) % nodes.length]!, 1, 1);
    }
  }

  /** Whether another piece is worked onto this one's open end. */
  private isJoined(piece: FigurePiece): boolean {
    const last = piece.first + piece.fabric.stitchCount - 1;
    return this.pieces.some(
      ({ piece: other }) => other !== piece && [...other.rims.values()].some((layers) => layers.some((rim) => rim.includes(last))),
    );
  }
}

/**
 * Rest length of the link from a stitch to one it hangs on. Standing as high however it leans, only a stitch that shares or
 * joins others is longer, by the half stitch it stands aside; giving, every one is by as much as it leans.
 */
function leaningRest(height: number, stands: number, leans: number, give: number): number {
  return (1 - give) * Math.hypot(height, stands) + give * Math.hypot(height, leans);
}

/** How the stitches of a piece follow one another and what they hang on, as nodes of the body. */
class PieceWalk {
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
    return this.aside[row]!;
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
    return (turn - Math.round(turn)) * (fabric.roundStart[round + 1]! - fabric.roundStart[round]!);
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
    if (fabric.parentCount[row]! > 0 && (this.closes(row, next) || fabric.parentCount[next]! > 0)) return this.alongRows(from, to);
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
    const places = onRim && next > row ? range(place, Math.max(place, fabric.place[next]!)) : [...range(place, rim.length - 1), 0];
    const nodes = places.map(at);
    return nodes.at(-1) === to ? nodes : [...nodes, to];
  }

  /** The last round of those that follow one another from the start. */
  mainEnd(): number {
    const { below } = this.net.outline;
    const fork = below.findIndex((under, round) => under !== round - 1);
    return (fork < 0 ? below.length : fork) - 1;
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

/** Index of both loops in LOOPS. */
const BOTH = 0;
const SPIRAL = 0;
const TURNED = 2;

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
