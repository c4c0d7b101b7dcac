/** A place in a drawing, in stitch widths: across, up, and towards the eye. */
export type Point = readonly [number, number, number];

export const plus = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Point, by: number): Point => [a[0] * by, a[1] * by, a[2] * by];
export const dot = (a: Point, b: Point): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Point, b: Point): Point => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const length = (a: Point): number => Math.hypot(a[0], a[1], a[2]);
/** @returns the direction of `a`; zero where it has none */
export const direction = (a: Point): Point => times(a, 1 / (length(a) || 1));
export const between = (a: Point, b: Point, share: number): Point => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
];
/** `a` with so much of each direction added. */
export const along = (a: Point, ...steps: readonly (readonly [Point, number])[]): Point =>
  steps.reduce((at, [towards, by]) => plus(at, times(towards, by)), a);
