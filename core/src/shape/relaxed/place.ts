import { isFlatLie } from '../lie.js';
import { ringRadius } from '../profile/ring.js';
import type { Profile } from '../profile/profile.js';
import type { FabricNet, NetPiece } from './fabric-net.js';

/**
 * Where the nodes of a body begin, stitch widths, three coordinates a node: y along the axis from a part's start to its end,
 * x to the right and z towards whoever looks at it. The work runs to the left seen from outside, as a right-handed maker's
 * does (common practice); what is left-handed is its mirror image.
 *
 * Each piece stands as its profile says, each round turned to what it hangs on; pieces worked onto others are brought to them.
 * @param profiles of the body's pieces, in stitch widths
 */
export function startPositions(net: FabricNet, profiles: readonly Profile[]): Float64Array {
  const at = new Float64Array(3 * net.nodes);
  for (const [index, piece] of net.pieces.entries()) placePiece(at, piece, profiles[index]!);
  new Gathered(net, at).bring();
  return at;
}

const TURN = 2 * Math.PI;
/** Half of how far apart the two layers of pressed work lie, stitch widths (our own estimate: a strand and a half). */
const LAYER = 0.25;

function set(at: Float64Array, node: number, x: number, y: number, z: number): void {
  at[3 * node] = x;
  at[3 * node + 1] = y;
  at[3 * node + 2] = z;
}

function placePiece(at: Float64Array, net: NetPiece, profile: Profile): void {
  const { piece, outline, first, tip } = net;
  const { fabric } = piece;
  const flat = isFlatLie(outline.lie);
  for (let row = 0; row < fabric.stitchCount; row++) {
    const round = fabric.round[row]!;
    const from = fabric.roundStart[round]!;
    const count = fabric.roundStart[round + 1]! - from;
    const share = (row - from + 0.5) / count;
    const turn = net.angles[row]!;
    if (outline.lie === 'rows') placeInRow(at, first + row, share, count, profile.z[round]!, round);
    else if (flat) placePressed(at, first + row, turn, profile.r[round]!, profile.z[round]!);
    else placeRound(at, first + row, turn, ringAt(profile, round, fabric.roundWay[round] === SPIRAL ? share - 0.5 : 0));
  }
  placeAnchors(at, net, profile);
  if (tip >= 0) set(at, tip, 0, profile.tip ?? profile.z.at(-1) ?? 0, 0);
}

const SPIRAL = 0;

interface RingAt {
  readonly r: number;
  readonly s: number;
  readonly y: number;
}

/** A ring of the profile; a share of a round before or after it, as a spiral climbs. */
function ringAt({ r, s, z, base, pole, main }: Profile, round: number, ahead: number): RingAt {
  const ring = (k: number): RingAt =>
    k < 0 ? { r: base.r, s: base.s, y: pole } : { r: r[k]!, s: s[k]!, y: z[k]! };
  const here = ring(round);
  const next = ahead > 0 ? round + 1 : round - 1;
  if (ahead === 0 || next >= r.length || (round === main && ahead < 0)) return here;
  const there = ring(next);
  const share = Math.abs(ahead);
  const mix = (a: number, b: number): number => a + (b - a) * share;
  return { r: mix(here.r, there.r), s: mix(here.s, there.s), y: mix(here.y, there.y) };
}

/** A turn around a ring: half circles at either end of a straight; the turn begins to the front, of an oval at its right tip. */
function placeRound(at: Float64Array, node: number, turn: number, { r, s, y }: RingAt): void {
  const part = turn - Math.floor(turn);
  if (s === 0) {
    set(at, node, -r * Math.sin(TURN * part), y, r * Math.cos(TURN * part));
    return;
  }
  const arc = (Math.PI * r) / 2;
  let way = part * (4 * arc + 4 * s);
  const cap = (centre: number, angle: number): void => set(at, node, centre + r * Math.cos(angle), y, r * Math.sin(angle));
  if (way < arc) return cap(s, way / r);
  way -= arc;
  if (way < 2 * s) return set(at, node, s - way, y, r);
  way -= 2 * s;
  if (way < 2 * arc) return cap(-s, Math.PI / 2 + way / r);
  way -= 2 * arc;
  if (way < 2 * s) return set(at, node, way - s, y, -r);
  cap(s, -Math.PI / 2 + (way - 2 * s) / r);
}

function placeInRow(at: Float64Array, node: number, share: number, count: number, y: number, round: number): void {
  const across = (0.5 - share) * count;
  set(at, node, round % 2 === 0 ? across : -across, y, 0);
}

/** Around two layers: from the right fold along the front to the left one, and back behind. */
function placePressed(at: Float64Array, node: number, turn: number, halfWidth: number, y: number): void {
  const part = turn - Math.floor(turn);
  const across = part < 0.5 ? 1 - 4 * part : 4 * part - 3;
  const deep = LAYER * Math.sqrt(Math.max(0, 1 - across * across));
  set(at, node, halfWidth * across, y, part < 0.5 ? deep : -deep);
}

function placeAnchors(at: Float64Array, { piece, outline, first, angles }: NetPiece, profile: Profile): void {
  const { fabric } = piece;
  const from = first + fabric.stitchCount;
  const { start } = outline;
  for (let anchor = 0; anchor < piece.anchors; anchor++) {
    const node = from + anchor;
    const share = (anchor + 0.5) / piece.anchors;
    if (start.is === 'ring') set(at, node, 0, profile.pole, 0);
    else if (start.is === 'chain') set(at, node, start.straight / 2 - anchor, profile.pole, 0);
    else if (outline.lie === 'rows') placeInRow(at, node, share, piece.anchors, 0, 0);
    else if (outline.lie === 'band') placePressed(at, node, share, profile.base.r, 0);
    else placeRound(at, node, (angles[0] ?? 0) + share, { ...profile.base, y: profile.pole });
  }
}

/** Brings the pieces of a body to one another, host by host. */
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
    const twin = this.net.pieces.find((other) => this.hosts(other).includes(guest) && this.hosts(other).some((one) => this.placed.has(one)));
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
    const mine = nodes.flatMap((node, place) => (node >= leg.first && node < leg.first + leg.piece.fabric.stitchCount ? [place] : []));
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
      const [px, py, pz] = [this.at[3 * node]!, this.at[3 * node + 1]!, this.at[3 * node + 2]!];
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
    const around = layers[0]!.map((_, place) => this.mean(layers.map((rim) => rim[place]!)));
    const centre = this.meanOf(around);
    for (let row = 0; row < fabric.stitchCount; row++) {
      const round = fabric.round[row]!;
      const count = fabric.roundStart[round + 1]! - fabric.roundStart[round]!;
      const share = (row - fabric.roundStart[round]! + 0.5) / count;
      const from = around[Math.min(around.length - 1, Math.floor(share * around.length))]!;
      const out = [from[0] - centre[0], from[1] - centre[1], from[2] - centre[2]] as const;
      const length = Math.hypot(...out) || 1;
      const by = (this.net.ratio * (round + 1)) / length;
      set(this.at, guest.first + row, from[0] + out[0] * by, from[1] + out[1] * by, from[2] + out[2] * by);
    }
    this.placed.add(guest);
    return true;
  }

  private mean(nodes: readonly number[]): readonly [number, number, number] {
    return this.meanOf(nodes.map((node) => [this.at[3 * node]!, this.at[3 * node + 1]!, this.at[3 * node + 2]!] as const));
  }

  private meanOf(points: readonly (readonly [number, number, number])[]): readonly [number, number, number] {
    const sum = points.reduce(([a, b, c], [x, y, z]) => [a + x, b + y, c + z] as const, [0, 0, 0] as const);
    return [sum[0] / points.length, sum[1] / points.length, sum[2] / points.length];
  }

  /** A limb worked in: its rim at the stitches of the wall, the rest of it standing out from there. */
  private bringLimb(limb: NetPiece): boolean {
    const pairs = this.heldPairs(limb);
    if (pairs.length === 0) return false;
    const wall = this.mean(pairs.map(([, node]) => node));
    const rim = this.mean(pairs.map(([node]) => node));
    const out = Math.atan2(-wall[0], wall[2]);
    const first = pairs[0]![1];
    const last = pairs.at(-1)![1];
    const along = [this.at[3 * last]! - this.at[3 * first]!, this.at[3 * last + 2]! - this.at[3 * first + 2]!] as const;
    const size = Math.hypot(...along) || 1;
    const [ux, uz] = [along[0] / size, along[1] / size];
    const [nx, nz] = [-Math.sin(out), Math.cos(out)];
    // Across the limb lies along the wall, its length points outwards, and its thickness up and down.
    this.eachNode(limb, (node) => {
      const [x, y, z] = [this.at[3 * node]! - rim[0], this.at[3 * node + 1]! - rim[1], this.at[3 * node + 2]! - rim[2]];
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
