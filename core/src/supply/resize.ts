import { soldStuffedHooks, yarnWeight, type Hand, type YarnWeightNumber } from '../gauge/index.js';
import { handGauge, type Measurement } from './measurement.js';

/** A yarn weight and a hook that is sold, with how near they come to a wanted size. */
export interface WayToSize {
  readonly yarnWeight: YarnWeightNumber;
  readonly hookMm: number;
  /** Stitch width, mm. */
  readonly width: number;
  /** Size over the wanted size, less one: 0.05 comes out a twentieth too large. */
  readonly off: number;
}

/**
 * For each yarn weight the hook, among those that suit stuffed work, that comes nearest to a stitch width; the nearest
 * weight first. Every length of a figure goes with the width of its stitches.
 * @param wantedWidth mm
 */
export function waysToWidth(
  wantedWidth: number,
  weights: readonly YarnWeightNumber[],
  hand: Hand | null,
  measurements: readonly Measurement[],
): WayToSize[] {
  return weights
    .map((number) => {
      const middle = handGauge({ yarnWeight: number, hookMm: yarnWeight(number).hook[0] }, hand, measurements);
      const ways = soldStuffedHooks(number, middle.factor).map((hookMm): WayToSize => {
        const { width } = handGauge({ yarnWeight: number, hookMm }, hand, measurements).stitch;
        return { yarnWeight: number, hookMm, width, off: width / wantedWidth - 1 };
      });
      return ways.reduce((best, way) => (Math.abs(way.off) < Math.abs(best.off) ? way : best));
    })
    .sort((a, b) => Math.abs(a.off) - Math.abs(b.off));
}
