import { Fire, type Rest } from '../fire.js';
import { FIRM } from '../profile/profile.js';
import type { FabricNet } from './fabric-net.js';
import { bendForces, pressureForces, springForces } from './forces.js';

/** How a relaxation came out: at rest, still on its way, or given up where it will not come to rest. */
export type Outcome = 'settled' | 'going' | 'restless';

/** Steps after which a body that has not settled is left as it is: a ruffle, a fold. */
const MOST_STEPS = 6_000;
/** Settled when no node is pulled harder than this share of the stuffing's push, and none moves further, stitch widths. */
const STILL = { push: 1e-2, move: 2e-4 };
const DT_MAX = 0.55;
/** Settled also when nothing has moved further than this in so many steps, stitch widths: no eye sees what is left. */
const UNSEEN = { move: 0.02, steps: 300 };
/** A node with stiffer springs than a usual stitch's is slowed, so that one step never overshoots. */
const USUAL_STIFFNESS = 5;

/**
 * Brings a body of fabric to rest: springs along, up and across its stitches, and the push of the stuffing on its skin. It is
 * taken step by step, so that a caller can show how far it is, stop, and go on.
 */
export class Relaxation {
  private readonly fire: Fire;
  private readonly pressure: number;
  private readonly lightness: Float64Array;
  private enclosed = 0;
  private lay: Float64Array | null = null;
  private quiet = false;

  /**
   * @param positions three coordinates a node, stitch widths; moved in place
   * @param firmness share by which stuffing stretches the widest round
   */
  constructor(
    private readonly net: FabricNet,
    readonly positions: Float64Array,
    firmness = FIRM,
  ) {
    this.pressure = net.pressedTriangles > 0 ? firmness / (net.widest * net.ratio) : 0;
    this.lightness = lightnessOf(net);
    const force = STILL.push * Math.max(firmness, FIRM / 3);
    this.fire = new Fire(positions, (x, into) => this.field(x, into), { dtMax: DT_MAX, force, move: STILL.move });
  }

  /** Takes up to so many steps more. */
  run(steps: number): Outcome {
    for (let left = Math.min(steps, MOST_STEPS - this.rest.steps); left > 0 && !this.rest.settled && !this.quiet;) {
      const some = Math.min(left, UNSEEN.steps - (this.rest.steps % UNSEEN.steps));
      this.fire.run(some);
      left -= some;
      if (this.rest.steps % UNSEEN.steps === 0) this.lookBack();
    }
    return this.outcome;
  }

  /** Notes whether anything moved since it was looked at last. */
  private lookBack(): void {
    const { lay, positions } = this;
    if (lay) {
      let most = 0;
      for (let i = 0; i < lay.length; i++) most = Math.max(most, Math.abs(lay[i]! - positions[i]!));
      this.quiet = most < UNSEEN.move;
    }
    this.lay = positions.slice();
  }

  get rest(): Rest {
    return this.fire.rest;
  }

  get outcome(): Outcome {
    const { settled, steps } = this.rest;
    return settled || this.quiet ? 'settled' : steps >= MOST_STEPS ? 'restless' : 'going';
  }

  /** Volume that the stuffing holds, cubic stitch widths. */
  get volume(): number {
    return this.enclosed;
  }

  private field(x: Float64Array, force: Float64Array): void {
    force.fill(0);
    springForces(this.net, x, force);
    bendForces(this.net, x, force);
    if (this.pressure > 0) this.enclosed = pressureForces(this.net, this.pressure, x, force);
    this.lighten(force);
    holdStill(force);
  }

  private lighten(force: Float64Array): void {
    const { lightness } = this;
    const { planar } = this.net;
    for (let node = 0, i = 0; node < lightness.length; node++) {
      const light = lightness[node]!;
      force[i] = force[i]! * light;
      force[i + 1] = force[i + 1]! * light;
      force[i + 2] = planar ? 0 : force[i + 2]! * light;
      i += 3;
    }
  }
}

/** Takes the drift of the whole out: a skin that is not quite closed where pieces meet would push itself away. */
function holdStill(force: Float64Array): void {
  let [x, y, z] = [0, 0, 0];
  for (let i = 0; i < force.length; i += 3) {
    x += force[i]!;
    y += force[i + 1]!;
    z += force[i + 2]!;
  }
  const nodes = force.length / 3 || 1;
  for (let i = 0; i < force.length; i += 3) {
    force[i] = force[i]! - x / nodes;
    force[i + 1] = force[i + 1]! - y / nodes;
    force[i + 2] = force[i + 2]! - z / nodes;
  }
}

function lightnessOf({ nodes, springFrom, springTo, springStiffness }: FabricNet): Float64Array {
  const stiffness = new Float64Array(nodes);
  for (let i = 0; i < springFrom.length; i++) {
    stiffness[springFrom[i]!]! += springStiffness[i]!;
    stiffness[springTo[i]!]! += springStiffness[i]!;
  }
  return stiffness.map((sum) => Math.min(1, USUAL_STIFFNESS / Math.max(TINY, sum)));
}
const TINY = 1e-9;
