/** Three numbers along three axes: a place, or a way from one to another. */
export type Vector = readonly [number, number, number];

export const add = (a: Vector, b: Vector): Vector => [a[0] + b[0], a[1] + b[1], a[2] + b[2]];
export const minus = (a: Vector, b: Vector): Vector => [a[0] - b[0], a[1] - b[1], a[2] - b[2]];
export const times = (a: Vector, k: number): Vector => [a[0] * k, a[1] * k, a[2] * k];
export const dot = (a: Vector, b: Vector): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2];
export const cross = (a: Vector, b: Vector): Vector => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
];
export const lengthOf = (a: Vector): number => Math.hypot(a[0], a[1], a[2]);

/** The vector one long; `otherwise` where it has no length. */
export function unit(a: Vector, otherwise: Vector = [0, 1, 0]): Vector {
  const length = lengthOf(a);
  return length > 1e-9 ? times(a, 1 / length) : otherwise;
}

/** The middle of some; the origin where there are none. */
export function mean(vectors: readonly Vector[]): Vector {
  return times(vectors.reduce(add, [0, 0, 0]), 1 / Math.max(1, vectors.length));
}

/** On the line from `a` (0) to `b` (1). */
export const between = (a: Vector, b: Vector, share: number): Vector => [
  a[0] + (b[0] - a[0]) * share,
  a[1] + (b[1] - a[1]) * share,
  a[2] + (b[2] - a[2]) * share,
];

/** `a` with so much of each direction added. */
export const along = (a: Vector, ...steps: readonly (readonly [Vector, number])[]): Vector =>
  steps.reduce((at, [towards, by]) => add(at, times(towards, by)), a);
