/** Fills `force` with the force on every coordinate of `x`. */
export type ForceField = (x: Float64Array, force: Float64Array) => void;

export interface FireOptions {
  readonly dtMax: number;
  /** Settled when the largest force is below this … */
  readonly force: number;
  /** … and the largest move in a step is below this: force alone stops too early on long tubes. */
  readonly move: number;
}

/** Where a relaxation stands. */
export interface Rest {
  readonly settled: boolean;
  /** Steps taken so far. */
  readonly steps: number;
  /** Largest force on a coordinate, and the largest move, of the last step. */
  readonly force: number;
  readonly moved: number;
}

/** Nothing moves further than this in a step, in the unit of `x`: a wild start must not throw it apart. */
const FARTHEST = 0.5;
/** Fewest steps before it counts as settled. */
const FEWEST = 10;

/**
 * Relaxes coordinates with FIRE, an adaptive dynamic relaxation (Bitzek et al. 2006): move along the forces, steer the
 * velocity towards them, speed up while going downhill and stop dead when not. It goes on from where it stands, so that a
 * caller can show how far it is, stop, and go on.
 */
export class Fire {
  private readonly velocity: Float64Array;
  private readonly force: Float64Array;
  private dt: number;
  private alpha = 0.1;
  private downhill = 0;
  private at: Rest = { settled: false, steps: 0, force: Infinity, moved: Infinity };

  /** @param x the coordinates, moved in place */
  constructor(
    private readonly x: Float64Array,
    private readonly field: ForceField,
    private readonly options: FireOptions,
  ) {
    this.velocity = new Float64Array(x.length);
    this.force = new Float64Array(x.length);
    this.dt = options.dtMax / 4;
  }

  get rest(): Rest {
    return this.at;
  }

  /** Takes up to so many steps more; fewer when it settles. */
  run(steps: number): Rest {
    for (let end = this.at.steps + steps; this.at.steps < end && !this.at.settled;) this.step();
    return this.at;
  }

  private step(): void {
    const { x, velocity, force, options } = this;
    this.field(x, force);
    let power = 0;
    let vv = 0;
    let ff = 0;
    let largest = 0;
    for (let i = 0; i < x.length; i++) {
      const f = force[i]!;
      const v = velocity[i]!;
      power += v * f;
      vv += v * v;
      ff += f * f;
      const size = f < 0 ? -f : f;
      if (size > largest) largest = size;
    }
    if (power < 0) vv = 0;
    this.hurry(power);
    const steer = ff > 0 ? this.alpha * Math.sqrt(vv / ff) : 0;
    const gain = steer + this.dt;
    const keep = 1 - this.alpha;
    let moved = 0;
    for (let i = 0; i < x.length; i++) {
      const v = velocity[i]! * keep + force[i]! * gain;
      let by = v * this.dt;
      if (by > FARTHEST) by = FARTHEST;
      else if (by < -FARTHEST) by = -FARTHEST;
      velocity[i] = v;
      x[i] = x[i]! + by;
      const size = by < 0 ? -by : by;
      if (size > moved) moved = size;
    }
    const steps = this.at.steps + 1;
    const settled = largest < options.force && moved < options.move && steps > FEWEST;
    this.at = { settled, steps, force: largest, moved };
  }

  private hurry(power: number): void {
    if (power > 0 && ++this.downhill > 5) {
      this.dt = Math.min(this.dt * 1.1, this.options.dtMax);
      this.alpha *= 0.99;
    } else if (power < 0) {
      this.downhill = 0;
      this.dt *= 0.5;
      this.alpha = 0.1;
      this.velocity.fill(0);
    }
  }
}
