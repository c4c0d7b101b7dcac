import type { Foundation, PartRef } from '../notation/index.js';
import { borderOf, edgesOf } from './border.js';
import type { PatternCount, PartCount } from './check.js';
import { fabricOf, type Fabric } from './fabric.js';

/** One copy of a part in a figure. */
export interface FigurePiece {
  /** Index in the pattern's parts. */
  readonly part: number;
  /** 0-based. */
  readonly copy: number;
  readonly fabric: Fabric;
  /** Node of its first stitch: stitch i is node `first + i`. */
  readonly first: number;
  /** Nodes it brings that are no stitches, after its stitches: the middle of a ring, starting chains, a bridge, an open rim. */
  readonly anchors: number;
  /**
   * For each round worked over a foundation or a ring, 0-based, the node of every place it is worked into: one list, or two
   * where two layers are worked through. A ring has one place.
   */
  readonly rims: ReadonlyMap<number, readonly Int32Array[]>;
  readonly body: number;
}

/**
 * The fabric of a whole make: every piece, and how pieces hang together where stitches are worked through both. Pieces that
 * are only sewn stay apart. Nodes are numbered piece by piece, its stitches in working order and then its anchors; the pieces
 * of one body follow one another.
 */
export interface FigureFabric {
  readonly pieces: readonly FigurePiece[];
  /** First piece of each body, and the number of pieces. */
  readonly bodyStart: readonly number[];
  readonly nodeCount: number;
  /** Pairs of nodes held at one place: a limb's stitch, and the stitch of the wall it is worked in with. */
  readonly heldFrom: Uint32Array;
  readonly heldTo: Uint32Array;
}

/** A piece before nodes are counted out. */
interface Draft {
  readonly part: number;
  readonly copy: number;
  readonly fabric: Fabric;
  readonly rims: { readonly round: number; readonly layers: Spot[][] }[];
  anchors: number;
}

/** A stitch or an anchor of a piece. */
interface Spot {
  readonly piece: Draft;
  readonly stitch: number | null;
  readonly anchor: number;
}

/** Most pieces a figure is drawn with; further copies look like those before them. */
const MOST_PIECES = 200;

export function figureFabric({ parts }: Pick<PatternCount, 'parts'>): FigureFabric {
  const pieces: Draft[] = parts.flatMap((counted, part) => {
    if (pieceless(counted)) return [];
    const fabric = fabricOf(counted);
    return Array.from({ length: counted.part.copies }, (_, copy): Draft => ({ part, copy, fabric, rims: [], anchors: 0 }));
  });
  return new Joiner(parts, pieces.slice(0, MOST_PIECES)).join();
}

/** The figure of one part alone, once; what it would be joined to is left open. */
export function figureOf(fabric: Fabric): FigureFabric {
  return new Joiner([], [{ part: 0, copy: 0, fabric, rims: [], anchors: 0 }]).join();
}

const pieceless = ({ rounds }: PartCount): boolean => rounds.every(({ makes }) => makes === 0);

class Joiner {
  /** Copies of a part that others were worked onto already. */
  private readonly taken = new Set<Draft>();
  private readonly held: (readonly [Spot, Spot])[] = [];
  private readonly bodyOf = new Map<Draft, Draft>();

  constructor(
    private readonly parts: readonly PartCount[],
    private readonly pieces: readonly Draft[],
  ) {}

  join(): FigureFabric {
    for (const piece of this.pieces) {
      this.addStart(piece);
      for (const [round, foundation] of piece.fabric.foundations) this.addRim(piece, round, foundation);
      this.addLimbs(piece);
    }
    return this.number();
  }

  /** A ring has a middle; where no foundation is named, chains joined to a ring are taken for one. */
  private addStart(piece: Draft): void {
    if (!piece.fabric.foundations.has(0)) piece.rims.push({ round: 0, layers: [[this.anchor(piece)]] });
  }

  private addRim(piece: Draft, round: number, foundation: Foundation): void {
    const layers = this.layersOf(piece, round, foundation);
    if (layers.length === 0) return;
    piece.rims.push({ round, layers });
    for (const spot of layers.flat()) this.unite(piece, spot.piece);
  }

  private layersOf(piece: Draft, round: number, foundation: Foundation): Spot[][] {
    const places = placesOf(piece.fabric, round);
    switch (foundation.from) {
      case 'chain': {
        const side = Math.max(1, foundation.chains - foundation.first + 1);
        const chains = Array.from({ length: side }, () => this.anchor(piece));
        // Back along the other side, all but the end chain again.
        return [foundation.sides === 1 ? chains : [...chains, ...chains.slice(0, -1).reverse()]];
      }
      case 'bridge':
        return [this.bridge(piece, round, foundation.chains, foundation.parts)];
      case 'loops':
        return foundation.part === null && round > 0 ? [] : [this.loops(piece, foundation, places)];
      case 'edge':
        return [this.edge(piece, foundation.part, places)];
      case 'layers':
        return foundation.parts.map((ref, layer) => this.edge(piece, ref, places, layer > 0));
    }
  }

  /** Round each joined piece in turn, and across the chains between them, there and back. */
  private bridge(piece: Draft, round: number, chains: number, refs: readonly PartRef[]): Spot[] {
    const across = Array.from({ length: chains }, () => this.anchor(piece));
    const joined = refs.flatMap((ref) => this.take(piece, ref) ?? []);
    const around = (one: Draft, of: number): Spot[] => rowsOf(one.fabric, of).map((stitch) => stitchOf(one, stitch));
    const own = round > 0 ? [around(piece, round - 1)] : [];
    const rims = [...own, ...joined.map((one) => around(one, one.fabric.roundCount - 1))];
    const [first, ...others] = rims;
    if (!first) return this.freeRim(piece, placesOf(piece.fabric, round));
    return [...first, ...across, ...others.flat(), ...[...across].reverse()];
  }

  private loops(piece: Draft, { part, round }: { part: PartRef | null; round: number }, places: number): Spot[] {
    const host = part === null ? this.before(piece) : this.take(piece, part);
    const index = host ? (this.parts[host.part]?.rounds ?? []).findIndex((each) => each.number === round) : -1;
    if (!host || index < 0 || index >= host.fabric.roundCount) return this.freeRim(piece, places);
    return spread(rowsOf(host.fabric, index), places).map((stitch) => stitchOf(host, stitch));
  }

  private edge(piece: Draft, ref: PartRef | null, places: number, mirrored = false): Spot[] {
    const host = ref === null ? this.before(piece) : this.take(piece, ref);
    if (!host) return this.freeRim(piece, places);
    const chains = host.rims.find(({ round }) => round === 0)?.layers[0];
    return spread(borderOf(host.fabric, mirrored), places).map((at) =>
      at >= 0 ? stitchOf(host, at) : (chains?.[-1 - at] ?? stitchOf(host, 0)),
    );
  }

  private freeRim(piece: Draft, places: number): Spot[] {
    return Array.from({ length: Math.max(1, places) }, () => this.anchor(piece));
  }

  /** Limbs worked in: each run of stitches through one takes the next copy of it, its open edge pressed flat between them. */
  private addLimbs(piece: Draft): void {
    const { fabric } = piece;
    for (let row = 0; row < fabric.stitchCount;) {
      const limb = fabric.limb[row]!;
      const end = runEnd(fabric, row);
      const ref = limb > 0 ? fabric.limbs[limb] : null;
      const guest = ref && ref.part !== piece.part ? this.take(piece, ref) : null;
      if (guest) {
        const [front, back] = edgesOf(guest.fabric, end - row);
        for (let k = row; k < end; k++)
          for (const edge of [front, back]) this.held.push([stitchOf(guest, edge[k - row]!), stitchOf(piece, k)]);
        this.unite(piece, guest);
      }
      row = end;
    }
  }

  /** The next copy of a part that nothing was worked onto yet. */
  private take(piece: Draft, ref: PartRef): Draft | null {
    const free = this.pieces.find((each) => each.part === ref.part && each !== piece && !this.taken.has(each));
    if (!free) return null;
    this.taken.add(free);
    return free;
  }

  /** The first copy of the part before. */
  private before(piece: Draft): Draft | null {
    return this.pieces.find((each) => each.part === piece.part - 1) ?? null;
  }

  private anchor(piece: Draft): Spot {
    return { piece, stitch: null, anchor: piece.anchors++ };
  }

  private root(piece: Draft): Draft {
    const up = this.bodyOf.get(piece) ?? piece;
    return up === piece ? piece : this.root(up);
  }

  private unite(a: Draft, b: Draft): void {
    this.bodyOf.set(this.root(b), this.root(a));
  }

  private number(): FigureFabric {
    const bodies = new Map<Draft, Draft[]>();
    for (const piece of this.pieces) {
      const root = this.root(piece);
      bodies.set(root, [...(bodies.get(root) ?? []), piece]);
    }
    const first = new Map<Draft, number>();
    const bodyStart = [0];
    let nodeCount = 0;
    for (const body of bodies.values()) {
      for (const piece of body) {
        first.set(piece, nodeCount);
        nodeCount += piece.fabric.stitchCount + piece.anchors;
      }
      bodyStart.push(bodyStart.at(-1)! + body.length);
    }
    const nodeOf = ({ piece, stitch, anchor }: Spot): number => first.get(piece)! + (stitch ?? piece.fabric.stitchCount + anchor);
    const pieces = [...bodies.values()].flatMap((body, index) =>
      body.map(({ part, copy, fabric, anchors, rims }, at): FigurePiece => {
        const layers = rims.map(({ round, layers }) => [round, layers.map((spots) => Int32Array.from(spots, nodeOf))] as const);
        return { part, copy, fabric, anchors, body: index, first: first.get(body[at]!)!, rims: new Map(layers) };
      }),
    );
    const heldFrom = Uint32Array.from(this.held, ([from]) => nodeOf(from));
    const heldTo = Uint32Array.from(this.held, ([, to]) => nodeOf(to));
    return { pieces, bodyStart, nodeCount, heldFrom, heldTo };
  }
}

const stitchOf = (piece: Draft, stitch: number): Spot => ({ piece, stitch, anchor: 0 });

function rowsOf({ roundStart }: Fabric, round: number): number[] {
  const from = roundStart[round]!;
  return Array.from({ length: roundStart[round + 1]! - from }, (_, i) => from + i);
}

/** So many places along some stitches, evenly. */
function spread(stitches: readonly number[], places: number): number[] {
  if (stitches.length === 0) return [];
  return Array.from(
    { length: Math.max(1, places) },
    (_, place) => stitches[Math.floor((place * stitches.length) / Math.max(1, places))]!,
  );
}

/** Places of the foundation a round is worked over. */
function placesOf({ roundStart, place }: Fabric, round: number): number {
  let places = 0;
  for (let row = roundStart[round]!; row < roundStart[round + 1]!; row++) places = Math.max(places, place[row]! + 1);
  return places || roundStart[round + 1]! - roundStart[round]!;
}

/** The end of a run of stitches through the same limb, within a round. */
function runEnd({ limb, round, stitchCount }: Fabric, from: number): number {
  let end = from + 1;
  while (end < stitchCount && limb[end] === limb[from] && round[end] === round[from]) end++;
  return end;
}

/** The body that has a copy of a part in it, or −1. */
export function bodyOf({ pieces }: FigureFabric, part: number, copy = 0): number {
  return pieces.find((piece) => piece.part === part && piece.copy === copy)?.body ?? -1;
}
