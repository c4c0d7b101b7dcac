import { isFlatLie } from '../lie.js';
import type { Profile } from '../profile/profile.js';
import type { FabricNet, NetPiece } from './fabric-net.js';
import { bringTogether } from './bring-together.js';
import { SPIRAL } from './piece-walk.js';
import { seeded } from '../../random/index.js';
import { LAYER, set, TURN } from './placing.js';

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
  for (const piece of net.pieces) if (piece.outline.lie === 'hollow') wobble(at, piece);
  bringTogether(net, at);
  return at;
}

/** Fabric that has to ruffle needs something to begin with, stitch widths; the same every time. */
const WOBBLE = 0.02;

function wobble(at: Float64Array, { piece, first }: NetPiece): void {
  const random = seeded(piece.part + 1);
  for (let node = first; node < first + piece.fabric.stitchCount; node++)
    for (let d = 0; d < 3; d++) at[3 * node + d]! += WOBBLE * (2 * random() - 1);
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

interface RingAt {
  readonly r: number;
  readonly s: number;
  readonly y: number;
}

/** A ring of the profile; a share of a round before or after it, as a spiral climbs. */
function ringAt({ r, s, z, base, pole, main }: Profile, round: number, ahead: number): RingAt {
  const ring = (k: number): RingAt => (k < 0 ? { r: base.r, s: base.s, y: pole } : { r: r[k]!, s: s[k]!, y: z[k]! });
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
  const [px, pz] = ovalPoint(part * (4 * arc + 4 * s), arc, r, s);
  set(at, node, px, y, pz);
}

/** So far along an oval from its right tip over the front: x and z. */
function ovalPoint(way: number, arc: number, r: number, s: number): readonly [number, number] {
  const cap = (centre: number, angle: number): readonly [number, number] => [centre + r * Math.cos(angle), r * Math.sin(angle)];
  const ends = [arc, arc + 2 * s, 3 * arc + 2 * s, 3 * arc + 4 * s] as const;
  if (way < ends[0]) return cap(s, way / r);
  if (way < ends[1]) return [s - (way - ends[0]), r];
  if (way < ends[2]) return cap(-s, Math.PI / 2 + (way - ends[1]) / r);
  if (way < ends[3]) return [way - ends[2] - s, -r];
  return cap(s, -Math.PI / 2 + (way - ends[3]) / r);
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
