import { constant } from '../../constants/index.js';
import type { FigureFabric, FigurePiece } from '../../fabric/index.js';
import { heightOf } from '../../gauge/index.js';
import { STITCH_NAMES } from '../../notation/index.js';
import { stitchAngles } from '../../spacing/index.js';
import { isFlatLie } from '../lie.js';
import { outlineOf, type Outline } from '../outline.js';
import { ringRadius } from '../profile/ring.js';
import { PieceWalk, SPIRAL } from './piece-walk.js';

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
  /** A row a spring: its ends, its length at rest, and what it resists being stretched and being squeezed with. */
  readonly springFrom: Int32Array;
  readonly springTo: Int32Array;
  readonly springRest: Float64Array;
  readonly springStiffness: Float64Array;
  readonly springSqueeze: Float64Array;
  /** Three nodes in a row that keep to a curve: how far the middle one is off the mean of the others, twice, at rest. */
  readonly bends: Int32Array;
  readonly bendCurve: Float64Array;
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
const SQUEEZE = constant('squeeze of a spring');
const LEAST_WALL = constant('least wall');
const CHORD_SHUT = constant('chord drawn shut');
/** From stitches that stand as high however they lean, to ones that lengthen as they lean. */
export const LEAN_GIVE = constant('give of a leaning stitch');
/** Rounds of fewer stitches are too small to bend. */
const FEWEST_BENT = 12;
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
  private readonly squeeze: number[] = [];
  private readonly bends: number[] = [];
  private readonly curves: number[] = [];
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
      springSqueeze: Float64Array.from(this.squeeze),
      bends: Int32Array.from(this.bends),
      bendCurve: Float64Array.from(this.curves),
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

  private spring(from: number, to: number, rest: number, stiffness: number, squeeze = SQUEEZE * stiffness): void {
    if (from === to) return;
    this.squeeze.push(squeeze);
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
    const give = this.giveOf(net);
    const shut = net.outline.shut && round === fabric.roundCount - 1;
    for (let row = fabric.roundStart[round]!; row < fabric.roundStart[round + 1]!; row++) {
      const node = net.first + row;
      const under = walk.under(row);
      const height = this.ratio * Math.max(LEAST_WALL, heightOf(STITCH_NAMES[fabric.stitch[row]!]!));
      for (const [index, below] of under.entries())
        this.spring(node, below, leaningRest(height, walk.stands(row), walk.leans(row, index), give), 1);
      if (layers[0] === null) for (let k = 1; k < under.length; k++) this.face(walk.back(round), node, under[k]!, under[k - 1]!);
      const next = walk.next(row);
      if (next < 0) continue;
      this.spring(node, net.first + next, shut ? CHORD_SHUT : 1, 1);
      for (const layer of layers) this.addBetween(walk, row, next, { height, give, layer });
    }
    this.closeStart(net, round);
    if (!net.pressed && !isFlatLie(net.outline.lie)) this.stiffen(net, walk, round);
  }

  /** Without stuffing nothing draws the work into corners: its stitches lie as in the plane. */
  private giveOf({ pressed }: NetPiece): number {
    return pressed ? this.give : 1;
  }

  /**
   * Without stuffing the fabric holds itself up: across its rounds it stays straight, but for a fold in one loop, and along
   * a round it keeps to its circle; an oval is left to bend.
   */
  private stiffen({ piece: { fabric }, first }: NetPiece, walk: PieceWalk, round: number): void {
    const [from, end] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    const curve = 2 * Math.sin(Math.PI / Math.max(3, end - from));
    for (let row = from; row < end; row++) {
      const parent = fabric.firstParent[row]!;
      const grand = parent < 0 ? -1 : fabric.firstParent[parent]!;
      if (grand >= 0 && fabric.loop[row] === BOTH && fabric.loop[parent] === BOTH)
        this.bend(first + row, first + parent, first + grand, Math.abs(walk.leans(row, 0) - walk.leans(parent, 0)));
      const round12 = end - from >= FEWEST_BENT && row + 2 < end;
      if (round12 && !fabric.foundation) this.bend(first + row, first + row + 1, first + row + 2, curve);
    }
  }

  private bend(a: number, b: number, c: number, curve: number): void {
    this.bends.push(a, b, c);
    this.curves.push(curve);
  }

  /** The last stitch of a spiral's first round lies beside its first, as both sit in the same ring or over the same rim. */
  private closeStart({ piece: { fabric }, first }: NetPiece, round: number): void {
    const [from, end] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    if (round === 0 && fabric.roundWay[0] === SPIRAL && end - from > 2) this.spring(first + end - 1, first + from, 1, 1);
  }

  /** The field between a stitch and the next: its two diagonals and its skin; over the second of two layers seen from behind. */
  private addBetween(
    walk: PieceWalk,
    row: number,
    next: number,
    { height, give, layer }: { readonly height: number; readonly give: number; readonly layer: number | null },
  ): void {
    const first = walk.first;
    const way = walk.between(row, next, layer);
    const [a, b] = [way[0], way.at(-1)];
    if (a === undefined || b === undefined) return;
    if (a !== b) {
      const [ahead, behind] = [walk.nearer(next) - walk.leansOnFirst(next), walk.nearer(row) + walk.leansOnLast(row)];
      this.spring(first + row, b, leaningRest(height, walk.nearer(next), ahead, give), SHEAR);
      this.spring(first + next, a, leaningRest(height, walk.nearer(row), behind, give), SHEAR);
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
  private closeEnds(net: NetPiece, walk: PieceWalk): void {
    const { piece, outline, tip, first, pressed } = net;
    const { fabric } = piece;
    const last = fabric.roundCount - 1;
    if (last < 0 || isFlatLie(outline.lie)) return;
    const rim = walk.rim(walk.mainEnd()).map((row) => first + row);
    if (isRing(this.pieces, net)) this.sewRound(net, rim);
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

  /** The skin between the last round of a ring and the rim that its first hangs on, which is sewn to it: nothing presses there. */
  private sewRound({ piece, first, angles }: NetPiece, rim: readonly number[]): void {
    const places = Array.from({ length: piece.anchors }, (_, i) => first + piece.fabric.stitchCount + i);
    const n = places.length;
    if (n === 0) return;
    const beside = (node: number): number => {
      const turn = angles[node - first]! - (angles[0] ?? 0) - 0.5 / n;
      return ((Math.round(turn * n) % n) + n) % n;
    };
    this.skin = this.outside;
    for (const [i, node] of rim.entries()) {
      const next = rim[(i + 1) % rim.length]!;
      const [at, to] = [beside(node), beside(next)];
      this.face(false, places[at]!, next, node);
      for (let k = at; k !== to; k = (k + 1) % n) this.face(false, places[k]!, places[(k + 1) % n]!, next);
    }
  }

  /** Whether another piece is worked onto this one's open end. */
  private isJoined(piece: FigurePiece): boolean {
    const last = piece.first + piece.fabric.stitchCount - 1;
    return this.pieces.some(
      ({ piece: other }) =>
        other !== piece && [...other.rims.values()].some((layers) => layers.some((rim) => rim.includes(last))),
    );
  }
}

/** Whether a piece is a tube that closes to a ring; one that other pieces hang on in their stitches stays a tube. */
export const isRing = (pieces: readonly NetPiece[], { outline }: NetPiece): boolean => outline.endsMeet && pieces.length === 1;

/** Index of both loops in LOOPS. */
const BOTH = 0;

/**
 * Rest length of the link from a stitch to one it hangs on. Standing as high however it leans, only a stitch that shares or
 * joins others is longer, by the half stitch it stands aside; giving, every one is by as much as it leans.
 */
function leaningRest(height: number, stands: number, leans: number, give: number): number {
  return (1 - give) * Math.hypot(height, stands) + give * Math.hypot(height, leans);
}
