import type { Vector } from '../vector/index.js';

/** How a drawing is looked at. */
export interface Camera {
  /** Radians from straight on (0) to from above (π/2). */
  readonly tilt: number;
  /** 1 where the work goes to the right of the picture, −1 where it goes to the left, as a right hand works. */
  readonly way: 1 | -1;
}

/** @returns the point on paper, in stitch widths: to the right, down, and its depth, which is greater for what lies nearer */
export function look([across, up, near]: Vector, { tilt, way }: Camera): Vector {
  const [cos, sin] = [Math.cos(tilt), Math.sin(tilt)];
  return [across * way, near * sin - up * cos, near * cos + up * sin];
}
