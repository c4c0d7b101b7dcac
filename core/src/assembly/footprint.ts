import { DRAWN_SHUT, roundLength } from '../fabric/index.js';
import type { StitchSize } from '../gauge/index.js';
import { measure, unsewn } from '../shape/index.js';
import type { Feature } from './feature.js';
import type { MadePiece, Wall } from './wall.js';

/** What a feature takes of the wall it sits on, mm, and the stitches of the edge it is held by. */
export interface Footprint {
  readonly width: number;
  readonly height: number;
  /** From its edge to its other end, mm; 0 for what has none. */
  readonly length: number;
  /** 0 for what has no edge. */
  readonly edge: number;
  /** Whether it is held along a line, in two layers. */
  readonly flat: boolean;
}

/** A mark that has no size of its own, stitches each way (our own estimate). */
const MARK = 2;
/** Edges of so much of the host's round sit over all of it (our own estimate). */
const CAP = 0.6;

export function footprint(
  { kind, join }: Pick<Feature, 'kind' | 'join'>,
  made: MadePiece | null,
  { stitch, eyeMm }: { readonly stitch: StitchSize; readonly eyeMm: number },
): Footprint {
  if (kind === 'eyes') return { width: eyeMm, height: eyeMm, length: 0, edge: 0, flat: false };
  if (!made) return { width: MARK * stitch.width, height: MARK * stitch.height, length: 0, edge: 0, flat: false };
  const { fabric, profile } = made;
  const length = measure(unsewn(profile)).height;
  const edge = fabric.roundCount === 0 ? 0 : roundLength(fabric, fabric.roundCount - 1);
  const flat = fabric.fill === 'pressed' || join === 'sewn flat';
  // A piece drawn shut is held round where it touches: about as far as its last open round.
  if (edge <= DRAWN_SHUT && !flat && profile.tip !== null) {
    const wide = Math.max(...profile.r) * 2;
    return { width: wide / 2, height: wide / 2, length, edge, flat };
  }
  if (profile.flat && !flat) {
    // A strip is held by its end, whichever way it was worked.
    const ends = Math.min(edge * stitch.width, fabric.roundCount * stitch.height);
    return { width: ends, height: stitch.height, length, edge: Math.max(1, Math.round(ends / stitch.width)), flat: true };
  }
  const across = flat ? (edge * stitch.width) / 2 : (edge * stitch.width) / Math.PI;
  return { width: across, height: flat ? 2 * stitch.height : across, length, edge, flat };
}

export function isCap({ edge, flat }: Footprint, wall: Wall, round: number): boolean {
  return !flat && edge >= CAP * (wall.counts[round] ?? Infinity);
}
