/** Fills `force` with the force on every coordinate of `x`. */
export type ForceField = (x: Float64Array, force: Float64Array) => void;

export interface FireOptions {
  readonly dtMax: number;
  readonly steps: number;
  /** Stop when the largest force is below this … */
  readonly force: number;
  /** … and the largest move in a step is below this: force alone stops too early on long tubes. */
  readonly move: number;
}

/**
 * Relaxes `x` in place with FIRE, an adaptive dynamic relaxation (Bitzek et al. 2006): move along the forces, steer the
 * velocity towards them, speed up while going downhill and stop dead when not.
 * @returns the number of steps taken
 */
export function fire(x: Float64Array, field: ForceField, { dtMax, steps, force: forceLimit, move }: FireOptions): number {
  const velocity = new Float64Array(x.length);
  const force = new Float64Array(x.length);
  let dt = dtMax / 4;
  let alpha = 0.1;
  let downhill = 0;
  for (let step = 1; step <= steps; step++) {
    field(x, force);
    let power = 0;
    let vv = 0;
    let ff = 0;
    let largest = 0;
    for (let i = 0; i < x.length; i++) {
      power += velocity[i]! * force[i]!;
      vv += velocity[i]! ** 2;
      ff += force[i]! ** 2;
      largest = Math.max(largest, Math.abs(force[i]!));
    }
    if (power > 0 && ++downhill > 5) {
      dt = Math.min(dt * 1.1, dtMax);
      alpha *= 0.99;
    } else if (power < 0) {
      downhill = 0;
      dt *= 0.5;
      alpha = 0.1;
      velocity.fill(0);
      vv = 0;
    }
    const steer = ff > 0 ? alpha * Math.sqrt(vv / ff) : 0;
    let moved = 0;
    for (let i = 0; i < x.length; i++) {
      velocity[i] = velocity[i]! * (1 - alpha) + force[i]! * steer + force[i]! * dt;
      const by = velocity[i]! * dt;
      x[i] = x[i]! + by;
      moved = Math.max(moved, Math.abs(by));
    }
    if (largest < forceLimit && moved < move && step > 10) return step;
  }
  return steps;
}
