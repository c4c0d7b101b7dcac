import { Fire, type Rest } from '../fire.js';
import { FIRM } from '../profile/profile.js';
import type { FabricNet } from './fabric-net.js';
import { pressureForces, springForces } from './forces.js';

/** How a relaxation came out: at rest, still on its way, or given up where it will not come to rest. */
export type Outcome = 'settled' | 'going' | 'restless';

/** Steps after which a body that has not settled is left as it is: a ruffle, a fold. */
const MOST_STEPS = 6_000;
/** Settled when no node is pulled harder than this share of the stuffing's push, and none moves further, stitch widths. */
const STILL = { push: 1e-2, move: 2e-4 };
const DT_MAX = 0.55;
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
    this.fire.run(Math.min(steps, MOST_STEPS - this.rest.steps));
    return this.outcome;
  }

  get rest(): Rest {
    return this.fire.rest;
  }

  get outcome(): Outcome {
    const { settled, steps } = this.rest;
    return settled ? 'settled' : steps >= MOST_STEPS ? 'restless' : 'going';
  }

  /** Volume that the stuffing holds, cubic stitch widths. */
  get volume(): number {
    return this.enclosed;
  }

  private field(x: Float64Array, force: Float64Array): void {
    force.fill(0);
    springForces(this.net, x, force);
    if (this.pressure > 0) this.enclosed = pressureForces(this.net, this.pressure, x, force);
    const { lightness } = this;
    for (let node = 0, i = 0; node < lightness.length; node++) {
      const light = lightness[node]!;
      force[i] = force[i]! * light;
      force[i + 1] = force[i + 1]! * light;
      force[i + 2] = this.net.planar ? 0 : force[i + 2]! * light;
      i += 3;
    }
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
