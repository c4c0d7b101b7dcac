import type { Fabric } from '../fabric/index.js';
import { between, type Vector } from '../vector/index.js';
import { LEAN, ROW } from './fabric-edge.js';
import { lyingLoop, standingLoop, throughV, type Through } from './loops.js';
import type { Ground } from './work.js';

/**
 * Where the stitches of a fabric lie, one entry a stitch: across in stitches of a chosen width, up in stitch widths from
 * the first round's feet. Round after round is spread evenly, and turned so that posts lean as they do on an edge.
 */
export interface Laid {
  /** Where each is closed, and the middle of the V that lies before it. */
  readonly tops: readonly Vector[];
  readonly vs: readonly Vector[];
  /** Width of a stitch of each round, in those chosen widths. */
  readonly pitch: readonly number[];
  readonly widths: number;
}

/**
 * Lays single crochets in rounds; stitches that hang on none stand on the ring.
 *
 * @param widths stitches that go once round
 */
export function layFabric(fabric: Fabric, widths: number): Laid {
  const tops: Vector[] = [];
  const vs: Vector[] = [];
  const pitch: number[] = [];
  for (let round = 0; round < fabric.roundCount; round++) {
    const [from, to] = [fabric.roundStart[round]!, fabric.roundStart[round + 1]!];
    const width = widths / Math.max(1, to - from);
    pitch.push(width);
    const first = firstTop(fabric, vs, from, to, width);
    for (let i = from; i < to; i++) {
      const x = first + (i - from) * width;
      tops.push([x, (round + 1) * ROW, 0]);
      vs.push([x - width / 2, (round + 1) * ROW, 0]);
    }
  }
  return { tops, vs, pitch, widths };
}

/** Where a round's first stitch is closed, so that its posts lean by as much as on an edge, on average. */
function firstTop(fabric: Fabric, vs: readonly Vector[], from: number, to: number, width: number): number {
  let sum = 0;
  let count = 0;
  for (let i = from; i < to; i++) {
    const parent = fabric.firstParent[i]!;
    if (parent < 0) continue;
    const last = parent + fabric.parentCount[i]! - 1;
    sum += (vs[parent]![0] + vs[last]![0]) / 2 - (i - from) * width;
    count++;
  }
  return count === 0 ? LEAN * width : sum / count + LEAN * width;
}

/** Where a stitch comes through: the V of its parent, both V's of a decrease, or the ring. */
function footOf(fabric: Fabric, laid: Laid, i: number): Through {
  const parent = fabric.firstParent[i]!;
  const width = laid.pitch[fabric.round[i]!]!;
  if (parent < 0) return throughV([laid.tops[i]![0] - LEAN * width, 0, 0], 'both');
  const v = laid.vs[parent]!;
  if (fabric.parentCount[i]! > 1) return throughV(between(v, laid.vs[parent + 1]!, 0.5), 'front');
  const twins = [i - 1, i + 1].map((twin) => fabric.firstParent[twin] === parent && fabric.round[twin] === fabric.round[i]);
  const aside = twins[0] ? 0.1 : twins[1] ? -0.1 : 0;
  return throughV([v[0] + aside * width, v[1], v[2]], (['both', 'back', 'front'] as const)[fabric.loop[i]!]!);
}

/** The knots of one stitch: the V that lies before it, and its legs. */
export function stitchKnots(fabric: Fabric, laid: Laid, i: number, ground: Ground): readonly Vector[] {
  const round = fabric.round[i]!;
  const width = laid.pitch[round]!;
  const [x, y, z] = laid.tops[i]!;
  const before: Vector = [x - width, i === fabric.roundStart[round] && round === 0 ? y * 0.55 : y, z];
  return [...lyingLoop(before, [x, y, z], width), ...standingLoop(footOf(fabric, laid, i), [x, y, z], width)].map(ground);
}
