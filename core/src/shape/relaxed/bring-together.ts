import { ringRadius } from '../profile/ring.js';
import type { FabricNet, NetPiece } from './fabric-net.js';
import { LAYER, set, TURN } from './placing.js';
import { lengthOf, mean, minus, type Vector } from '../../vector/index.js';
import { at as pointAt } from './vector.js';

/** Brings the pieces of a body to one another, host by host; each was placed by itself. */
export function bringTogether(net: FabricNet, at: Float64Array): void {
  new Gathered(net, at).bring();
}

class Gathered {
  private readonly placed = new Set<NetPiece>();
  private readonly base: number;

  constructor(
    private readonly net: FabricNet,
    private readonly at: Float64Array,
  ) {
    this.base = net.pieces[0]?.piece.first ?? 0;
  }

  bring(): void {
    const { pieces } = this.net;
    const root = pieces.find((piece) => !this.isGuest(piece)) ?? pieces[0];
    if (!root) return;
    this.placed.add(root);
    for (let some = true; some;) {
      some = false;
      for (const piece of pieces) if (!this.placed.has(piece) && this.bringOne(piece)) some = true;
    }
  }

  /** Whether a piece hangs on others, and so is brought to them. */
  private isGuest(piece: NetPiece): boolean {
    const inside = (node: number): boolean => node >= piece.first && node < piece.first + piece.piece.fabric.stitchCount;
    const held = this.net.held.some(([from]) => inside(from));
    const bridged = this.net.pieces.some(({ piece: { fabric, rims } }) =>
      [...fabric.foundations].some(
        ([round, { from }]) => from === 'bridge' && (rims.get(round)?.[0] ?? []).some((node) => inside(node - this.base)),
      ),
    );
    return held || (bridged && !piece.piece.fabric.foundations.size) || this.hosts(piece).length > 0;
  }

  /** The pieces whose loops, edges or layers a piece is worked on. */
  private hosts({ piece }: NetPiece): NetPiece[] {
    const grown = [...piece.fabric.foundations].filter(([, { from }]) => from !== 'bridge' && from !== 'chain');
    return grown.flatMap(([round]) => (piece.rims.get(round) ?? []).flatMap((rim) => this.owner(rim[0]! - this.base) ?? []));
  }

  private owner(node: number): NetPiece | null {
    return this.net.pieces.find(({ first, piece }) => node >= first && node < first + piece.fabric.stitchCount) ?? null;
  }

  private bringOne(guest: NetPiece): boolean {
    const bridge = this.bridgeOf(guest);
    if (bridge) return this.bringLeg(guest, bridge.rim, bridge.nodes);
    const hosts = this.hosts(guest);
    if (hosts.length > 0) return this.bringEdge(guest, hosts);
    const twin = this.net.pieces.find(
      (other) => this.hosts(other).includes(guest) && this.hosts(other).some((one) => this.placed.has(one)),
    );
    if (twin) return this.bringLayer(guest);
    return this.bringLimb(guest);
  }

  /** The rim of a placed piece that this one's last round is part of. */
  private bridgeOf({ first, piece }: NetPiece): { rim: NetPiece; nodes: readonly number[] } | null {
    const inside = (node: number): boolean => node >= first && node < first + piece.fabric.stitchCount;
    for (const rim of this.net.pieces) {
      if (!this.placed.has(rim)) continue;
      for (const [round, { from }] of rim.piece.fabric.foundations) {
        const nodes = [...(rim.piece.rims.get(round)?.[0] ?? [])].map((node) => node - this.base);
        if (from === 'bridge' && nodes.some(inside)) return { rim, nodes };
      }
    }
    return null;
  }

  /** A leg under the rim it was joined to: beside the middle, its own start of rounds inwards, where the chains are. */
  private bringLeg(leg: NetPiece, rim: NetPiece, nodes: readonly number[]): boolean {
    const mine = nodes.flatMap((node, place) =>
      node >= leg.first && node < leg.first + leg.piece.fabric.stitchCount ? [place] : [],
    );
    const middle = ((mine[0]! + mine.at(-1)! + 1) / 2 / nodes.length) * TURN + TURN * (rim.angles[0] ?? 0);
    const chains = nodes.length - mine.length;
    const away = ringRadius(mine.length, 1) + Math.max(0.3, Math.min(chains / 4, ringRadius(mine.length, 1)));
    const start = TURN * (leg.angles[leg.piece.fabric.stitchCount - mine.length] ?? 0);
    const foot = this.at[3 * nodes[mine[0]!]! + 1]!;
    const deep = this.heightOfRim(rim) - foot;
    this.move(leg, middle + Math.PI - start, [-away * Math.sin(middle), deep, away * Math.cos(middle)]);
    return true;
  }

  private heightOfRim({ first, piece }: NetPiece): number {
    const anchor = first + piece.fabric.stitchCount;
    return piece.anchors > 0 ? this.at[3 * anchor + 1]! : this.at[3 * first + 1]! - this.net.ratio;
  }

  /** Turns a piece about its axis, then moves it. */
  private move(piece: NetPiece, turn: number, [x, y, z]: readonly [number, number, number]): void {
    const [cos, sin] = [Math.cos(turn), Math.sin(turn)];
    this.eachNode(piece, (node) => {
      const [px, py, pz] = pointAt(this.at, node);
      set(this.at, node, px * cos - pz * sin + x, py + y, px * sin + pz * cos + z);
    });
    this.placed.add(piece);
  }

  private eachNode({ first, piece, tip }: NetPiece, act: (node: number) => void): void {
    for (let node = first; node < first + piece.fabric.stitchCount + piece.anchors; node++) act(node);
    if (tip >= 0) act(tip);
  }

  /** The panel that lies behind the one that is placed: turned over, a little away. */
  private bringLayer(panel: NetPiece): boolean {
    this.move(panel, Math.PI, [0, 0, -2 * LAYER]);
    return true;
  }

  /** Rounds grown out of another piece: outwards from where they hang, a stitch a round. */
  private bringEdge(guest: NetPiece, hosts: readonly NetPiece[]): boolean {
    if (hosts.some((host) => !this.placed.has(host))) return false;
    const { fabric, rims } = guest.piece;
    const layers = (rims.get(0) ?? []).map((rim) => [...rim].map((node) => node - this.base));
    const around = layers[0]!.map((_, place) => this.middle(layers.map((rim) => rim[place]!)));
    const centre = mean(around);
    for (let row = 0; row < fabric.stitchCount; row++) {
      const round = fabric.round[row]!;
      const count = fabric.roundStart[round + 1]! - fabric.roundStart[round]!;
      const share = (row - fabric.roundStart[round]! + 0.5) / count;
      const from = around[Math.min(around.length - 1, Math.floor(share * around.length))]!;
      const out = minus(from, centre);
      const length = lengthOf(out) || 1;
      const by = (this.net.ratio * (round + 1)) / length;
      set(this.at, guest.first + row, from[0] + out[0] * by, from[1] + out[1] * by, from[2] + out[2] * by);
    }
    this.placed.add(guest);
    return true;
  }

  private middle(nodes: readonly number[]): Vector {
    return mean(nodes.map((node) => pointAt(this.at, node)));
  }

  /** A limb worked in: its rim at the stitches of the wall, the rest of it standing out from there. */
  private bringLimb(limb: NetPiece): boolean {
    const pairs = this.heldPairs(limb);
    if (pairs.length === 0) return false;
    const wall = this.middle(pairs.map(([, node]) => node));
    const rim = this.middle(pairs.map(([node]) => node));
    const out = Math.atan2(-wall[0], wall[2]);
    const first = pairs[0]![1];
    const last = pairs.at(-1)![1];
    const [ax, , az] = minus(pointAt(this.at, last), pointAt(this.at, first));
    const size = Math.hypot(ax, az) || 1;
    const [ux, uz] = [ax / size, az / size];
    const [nx, nz] = [-Math.sin(out), Math.cos(out)];
    // Across the limb lies along the wall, its length points outwards, and its thickness up and down.
    this.eachNode(limb, (node) => {
      const [x, y, z] = minus(pointAt(this.at, node), rim);
      set(this.at, node, wall[0] - x * ux - y * nx, wall[1] + z, wall[2] - x * uz - y * nz);
    });
    this.placed.add(limb);
    return true;
  }

  /** Nodes of a limb with those of a placed piece they are held to. */
  private heldPairs(limb: NetPiece): (readonly [number, number])[] {
    const mine = (node: number): boolean => node >= limb.first && node < limb.first + limb.piece.fabric.stitchCount;
    return this.net.held.filter(([from, to]) => {
      const host = this.owner(to);
      return mine(from) && host !== null && this.placed.has(host);
    });
  }
}
