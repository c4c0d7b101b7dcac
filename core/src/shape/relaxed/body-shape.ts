import type { FigureFabric } from '../../fabric/index.js';
import { FIRM, unitProfile, unstuffedProfile } from '../profile/profile.js';
import { fabricNet, LEAN_GIVE, type FabricNet } from './fabric-net.js';
import { measureRelaxed, type RelaxedMeasures } from './measure-relaxed.js';
import { startPositions } from './place.js';
import { posed, type Pose } from './pose.js';
import { Relaxation, type Outcome } from './relax.js';
import { asSewn } from './ring-round.js';
import { skinNormals } from './skin.js';
import { stitchFrames, type StitchFrames } from './stitch-frames.js';
import { warmStart } from './warm-start.js';

export interface RelaxOptions {
  readonly firmness?: number;
  /** See the constant 'give of a leaning stitch'. */
  readonly give?: number;
  /** The body as it lay before it was changed. */
  readonly before?: { readonly net: FabricNet; readonly positions: ArrayLike<number> };
}

/** A body on its way to rest. */
export interface BodyAtRest {
  readonly net: FabricNet;
  readonly relaxation: Relaxation;
}

/**
 * A body of a figure set up to relax, in stitches of width 1 and this height over width: sizes scale with the width. Nothing
 * has moved yet; run the relaxation until it is settled, or as far as is wanted.
 */
export function bodyToRelax(figure: FigureFabric, body: number, ratio: number, options: RelaxOptions = {}): BodyAtRest {
  const { firmness = FIRM, give = LEAN_GIVE, before } = options;
  const net = fabricNet(figure, body, ratio, give);
  const profiles = net.pieces.map(({ outline, pressed }) =>
    pressed ? unitProfile(outline, ratio, firmness) : unstuffedProfile(outline, ratio),
  );
  const start = startPositions(net, profiles);
  return { net, relaxation: new Relaxation(net, before ? warmStart(net, start, before) : start, firmness) };
}

/** A body as it is shown and measured, in stitch widths: it stands on y = 0, its front towards z. */
export interface BodyShape {
  readonly outcome: Outcome;
  readonly steps: number;
  /** Three coordinates a node. */
  readonly positions: Float32Array;
  readonly normals: Float32Array;
  readonly triangles: Int32Array;
  readonly stitches: StitchFrames;
  readonly pieces: readonly BodyPiece[];
  /** Of the whole body as it stands: from left to right, up, and from front to back. */
  readonly size: readonly [number, number, number];
}

export interface BodyPiece {
  /** Index of its part in the pattern, and which copy it is, 0-based. */
  readonly part: number;
  readonly copy: number;
  readonly measures: RelaxedMeasures;
}

/** The shape a body has now. */
export function bodyShape({ net, relaxation }: BodyAtRest, pose: Pose): BodyShape {
  const positions = posed(net, asSewn(net, relaxation.positions), pose);
  return {
    outcome: relaxation.outcome,
    steps: relaxation.rest.steps,
    positions,
    normals: skinNormals(net, positions),
    triangles: net.triangles,
    stitches: stitchFrames(net, positions, 1),
    pieces: net.pieces.map(({ piece: { part, copy } }, index) => ({
      part,
      copy,
      measures: measureRelaxed(net, index, positions),
    })),
    size: sizeOf(positions),
  };
}

function sizeOf(positions: Float32Array): [number, number, number] {
  const [low, high] = [
    [Infinity, Infinity, Infinity],
    [-Infinity, -Infinity, -Infinity],
  ];
  for (const [i, value] of positions.entries()) {
    low[i % 3] = Math.min(low[i % 3]!, value);
    high[i % 3] = Math.max(high[i % 3]!, value);
  }
  return [0, 1, 2].map((d) => Math.max(0, high[d]! - low[d]!)) as [number, number, number];
}
